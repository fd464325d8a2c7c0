<script setup lang="ts">
/** What is selected, at its level: the figures that stand there, for whom they hold, and the findings about it. */
import { computed, ref } from 'vue';
import { storeToRefs } from 'pinia';
import {
  type Carrier,
  EVERYWHERE,
  type Figure,
  familyIndex,
  figuresIn,
  hasCombination,
  heldBefore,
} from '@loom-kin/core/family';
import { type Field, type FieldGroup, isNumeric, showFigure } from '@loom-kin/core/registry';
import { children } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { isOnWordsPage } from '../common/leadsTo';
import { commandScope, mayHold, samePlace, scopesFor, scopeText } from '../common/scopes';
import { GLOSSARY } from '../common/glossary';
import { setFor } from '../common/setFor';
import { sourceText } from '../common/sourceText';
import { figuresOfTheirOwn } from './figuresOfTheirOwn';
import FindingsHere from './FindingsHere.vue';
import InspectorHead from './InspectorHead.vue';
import FieldEntry from '../common/FieldEntry.vue';
import OtherScopes from '../common/OtherScopes.vue';
import ChildStock from '../stock/ChildStock.vue';
import FieldHint from './FieldHint.vue';
import { refuse } from '../api/api';

/** Parts of the inspector, in order; texts and facts are folded away until somebody wants them. */
const PARTS: { groups: FieldGroup[]; title: string; folded: boolean }[] = [
  { groups: ['price'], title: 'Price', folded: false },
  { groups: ['delivery', 'stock', 'identifiers'], title: 'Delivery and stock', folded: false },
  { groups: ['wording', 'facts', 'identity'], title: 'Words and facts', folded: true },
];
/** Edited elsewhere: in the grid, on the pictures' page. */
const ELSEWHERE = ['sku', 'gtin', 'stock', 'pictures', 'category'];

const store = useFamily();
const setup = useSetup();
const place = computed(() => store.selected);
const family = computed(() => store.family!);
const { scope } = storeToRefs(store);
const scopes = computed(() => scopesFor(setup.registry, setup.accounts, scope.value));

/** Names an entry of this place and scope. */
const placeName = computed(() => `${family.value.id}.${JSON.stringify(place.value)}.${scope.value}.`);

const child = computed(() => (place.value.level === 'child' ? family.value.children[place.value.childId] : undefined));
const value = computed(() =>
  place.value.level === 'value' ? familyIndex(family.value).valueById.get(place.value.valueId) : undefined,
);
const carrier = computed((): Carrier => value.value ?? child.value ?? family.value);
/** The children the place is about. */
const below = computed(() => {
  const held = place.value;
  if (held.level === 'child') return [];
  if (held.level === 'combination') return store.index!.woven.filter((one) => hasCombination(one, held));
  return store.index!.woven.filter((one) => held.level === 'family' || one.at[held.axisId] === held.valueId);
});
const fields = computed(() =>
  setup.registry
    .fieldsAt(place.value.level, family.value.fields.category)
    .filter(
      (field) => !ELSEWHERE.includes(field.type) && !isOnWordsPage(field, place.value) && mayHold(field, scope.value),
    )
    // A surcharge is typed as "+4" into the field it is added to; it has a line of its own once it is there.
    .filter((field) => field.type !== 'surcharge' || own(field) !== undefined),
);
const parts = computed(() =>
  PARTS.map((part) => ({ ...part, fields: fields.value.filter((field) => part.groups.includes(field.group)) })).filter(
    (part) => part.fields.length > 0,
  ),
);
const own = (field: Field): Figure | undefined => figuresIn(carrier.value, scope.value)[field.key];
const before = (field: Field) => heldBefore(family.value, place.value, field.key, scopes.value);
const beforeText = (field: Field) => showFigure(setup.registry, field, before(field).figure, setup.currency);
function source(field: Field): string {
  if (own(field) !== undefined) return place.value.level === 'family' && scope.value === EVERYWHERE ? '' : 'set here';
  const { from, scope: at, surcharges } = before(field);
  if (!from) return '';
  if (samePlace(from, place.value)) return at === scope.value ? '' : `as ${scopeText(setup.accounts, at)}`;
  return sourceText(
    family.value,
    setup.accounts,
    { from, scope: at, surcharges },
    { isOwn: false, scope: scope.value },
  );
}
/** The figure that holds at this place. */
function heldHere(key: string): Figure | undefined {
  return figuresIn(carrier.value, scope.value)[key] ?? heldBefore(family.value, place.value, key, scopes.value).figure;
}
/** What is typed at the moment, and into which entry. */
const half = ref({ name: '', text: '' });
const nearer = computed(() => figuresOfTheirOwn(below.value, scope.value));

const set = (field: Field, figure: Figure | null) =>
  store.run({
    do: 'setFigures',
    changes: [{ place: place.value, key: field.key, figure, scope: commandScope(scope.value) }],
  });
function typed(field: Field, text: string): void {
  half.value = { name: '', text: '' };
  const ground = { registry: setup.registry, family: family.value, currency: setup.currency };
  const read = setFor({ ...ground, scope: scope.value, scopes: scopes.value }, [place.value], field, text);
  if (read.ok) store.run({ do: 'setFigures', changes: read.changes });
  else refuse(read.problem);
}
function giveBackAll(field: Field): void {
  const changes = (nearer.value.get(field.key) ?? []).map((childId) => ({
    place: { level: 'child' as const, childId },
    key: field.key,
    figure: null,
    scope: commandScope(scope.value),
  }));
  store.run({ do: 'setFigures', changes });
}
</script>

<template>
  <aside class="inspector sheet" aria-label="Inspector" data-test="inspector">
    <InspectorHead :below="below.length" />
    <ChildStock v-if="child" :key="child.id" :child-id="child.id" />
    <component
      :is="part.folded ? 'details' : 'div'"
      v-for="part in parts"
      :key="part.title"
      class="fields"
      :data-test="part.folded ? 'more-fields' : undefined"
    >
      <summary v-if="part.folded">{{ part.title }}</summary>
      <div v-for="field in part.fields" :key="field.key" class="field">
        <label :for="`i-${field.key}`" :title="field.help">{{ field.label }}</label>
        <span class="entry">
          <FieldEntry
            :id="`i-${field.key}`"
            :key="placeName + field.key"
            :draft="placeName + field.key"
            :field="field"
            :figure="own(field)"
            :inherited="beforeText(field)"
            :class="{ figures: isNumeric(field) }"
            :data-test="`set-${field.key}`"
            @commit="typed(field, $event)"
            @typing="half = { name: placeName + field.key, text: $event }"
          />
          <span class="unit soft">{{ field.unit ?? (field.type === 'money' ? setup.currency : '') }}</span>
        </span>
        <FieldHint
          class="from"
          :field="field.key"
          :typed="half.name === placeName + field.key ? half.text : ''"
          :held="heldHere"
          @typed="typed(field, $event)"
        />
        <span class="from soft">
          {{ source(field) }}
          <OtherScopes v-model="scope" :field="field" :carrier="carrier" />
          <button
            v-if="own(field) === undefined && before(field).figure !== undefined"
            class="link"
            :data-test="`own-${field.key}`"
            :title="GLOSSARY.keepHere"
            @click="set(field, before(field).figure!)"
          >
            keep it here
          </button>
          <button
            v-if="own(field) !== undefined && (place.level !== 'family' || scope !== EVERYWHERE)"
            class="link"
            :data-test="`back-${field.key}`"
            :title="GLOSSARY.giveBack"
            @click="set(field, null)"
          >
            give back
          </button>
          <button
            v-if="nearer.has(field.key)"
            class="link"
            :title="`Let ${children(nearer.get(field.key)!.length)} follow this place again`"
            @click="giveBackAll(field)"
          >
            {{ nearer.get(field.key)!.length }} have their own
          </button>
        </span>
      </div>
    </component>
    <FindingsHere :place="place" />
  </aside>
</template>

<style scoped>
.inspector {
  display: flex;
  flex-direction: column;
  overflow: auto;
  min-height: 0;
}
.fields {
  padding: 6px 12px;
  border-bottom: 1px solid var(--line-soft);
}
summary {
  cursor: pointer;
  font-size: 12.5px;
  color: var(--ink-soft);
}
.field {
  display: grid;
  grid-template-columns: 92px 1fr;
  align-items: center;
  padding: 3px 0;
  column-gap: 8px;
  font-size: 13px;
}
.field label {
  color: var(--ink-soft);
}
.entry {
  display: flex;
  align-items: center;
  gap: 4px;
}
:deep(input),
:deep(textarea),
:deep(select) {
  font: inherit;
  color: inherit;
  width: 100%;
  min-width: 0;
  border: 1px solid transparent;
  border-bottom-color: var(--line);
  background: none;
  padding: 2px 4px;
  height: 25px;
}
:deep(input:hover),
:deep(select:hover) {
  border-color: var(--line);
}
:deep(input:focus),
:deep(select:focus) {
  border-color: var(--woad);
  outline: 1px solid var(--woad);
}
:deep(input.figures) {
  text-align: right;
}
:deep(input::placeholder) {
  color: #6d7780;
  font-style: italic;
}
.unit {
  width: 30px;
  font-size: 12px;
  flex: none;
}
.from {
  grid-column: 2;
  font-size: 11.5px;
  display: flex;
  gap: 8px;
}
.from:empty {
  display: none;
}
</style>
