<script setup lang="ts">
/** What is selected, at its level: the figures that stand there, for whom they hold, and the findings about it. */
import { computed } from 'vue';
import { useRouter } from 'vue-router';
import {
  familyIndex,
  fieldOf,
  inherited,
  placeLabel,
  readFigure,
  showFigure,
  type Field,
  type Figure,
  type Place,
} from '@loom-kin/core';
import { ElButton, ElMessage } from 'element-plus';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';

const LEVEL_FIELDS = [
  'price',
  'listPrice',
  'salePrice',
  'saleFrom',
  'saleUntil',
  'cost',
  'weight',
  'packageLength',
  'packageWidth',
  'packageHeight',
  'leadDays',
  'composition',
  'onSale',
  'gtinExempt',
];

const store = useFamily();
const setup = useSetup();
const router = useRouter();
const place = computed(() => store.selected);
const family = computed(() => store.family!);

const child = computed(() => (place.value.level === 'child' ? family.value.children[place.value.childId] : undefined));
const value = computed(() =>
  place.value.level === 'value' ? familyIndex(family.value).valueById.get(place.value.valueId) : undefined,
);
const figures = computed(() =>
  place.value.level === 'family' ? family.value.fields : (value.value?.fields ?? child.value?.fields ?? {}),
);
const title = computed(() =>
  place.value.level === 'family'
    ? 'The whole family'
    : value.value
      ? `Everything ${value.value.label}`
      : placeLabel(family.value, place.value),
);
const note = computed(() => {
  if (place.value.level === 'child') return String(child.value?.fields.sku ?? 'no SKU');
  const held = place.value.level === 'value' ? place.value : null;
  const count = store.index!.woven.filter((one) => !held || one.at[held.axisId] === held.valueId).length;
  return `Figures here hold for ${count} children, unless one nearer has its own.`;
});

const fields = computed(() =>
  LEVEL_FIELDS.map((key) => fieldOf(key)!).filter(
    (field) =>
      field.levels.includes(place.value.level) || (place.value.level === 'child' && inheritedText(field) !== ''),
  ),
);
const own = (field: Field) => figures.value[field.key];
const inheritedFigure = (field: Field): Figure | undefined =>
  child.value
    ? inherited(family.value, child.value, field.key).figure
    : place.value.level === 'value'
      ? family.value.fields[field.key]
      : undefined;
const inheritedText = (field: Field) => showFigure(field, inheritedFigure(field), setup.currency);
const source = (field: Field) => {
  if (own(field) !== undefined) return place.value.level === 'family' ? '' : 'stands here';
  if (child.value) {
    const { from } = inherited(family.value, child.value, field.key);
    return from ? `from ${placeLabel(family.value, from)}` : '';
  }
  return place.value.level === 'value' && family.value.fields[field.key] !== undefined ? 'from the family' : '';
};
/** Children with a figure of their own, nearer than this place. */
const nearer = (field: Field) => {
  if (place.value.level === 'child') return 0;
  const held = place.value;
  return store.index!.woven.filter(
    (one) => (held.level === 'family' || one.at[held.axisId] === held.valueId) && one.fields[field.key] !== undefined,
  ).length;
};

const set = (field: Field, figure: Figure | null) =>
  store.run({ do: 'setFigures', changes: [{ place: place.value as Place, key: field.key, figure }] });
function typed(field: Field, text: string): void {
  const read = readFigure(field, text);
  if (!read.ok)
    ElMessage({ type: 'error', message: `${field.label}: ${read.message}`, duration: 6000, grouping: true });
  else if (read.figure !== own(field) && !(read.figure === null && own(field) === undefined)) set(field, read.figure);
}
function giveBackAll(field: Field): void {
  const held = place.value;
  const changes = store
    .index!.woven.filter(
      (one) =>
        one.fields[field.key] !== undefined &&
        (held.level === 'family' || (held.level === 'value' && one.at[held.axisId] === held.valueId)),
    )
    .map((one) => ({ place: { level: 'child' as const, childId: one.id }, key: field.key, figure: null }));
  store.run({ do: 'setFigures', changes });
}

const findings = computed(() =>
  setup.channels
    .flatMap(({ channel, rulebook }) =>
      (store.fits[channel]?.findings ?? [])
        .filter((finding) => JSON.stringify(finding.place) === JSON.stringify(place.value))
        .map((finding) => ({ ...finding, channel, name: rulebook.name })),
    )
    .slice(0, 12),
);
const unitOf = (field: Field) => field.unit ?? (field.type === 'money' ? setup.currency : '');
</script>

<template>
  <aside class="inspector sheet" aria-label="Inspector" data-test="inspector">
    <header>
      <h2><i v-if="value?.swatch" class="swatch" :style="{ background: value.swatch }" />{{ title }}</h2>
      <p class="soft small" :class="{ mono: child }">{{ note }}</p>
      <button v-if="place.level !== 'family'" class="link small" @click="store.selected = { level: 'family' }">
        to the whole family
      </button>
    </header>
    <div class="fields">
      <div v-for="field in fields" :key="field.key" class="field">
        <label :for="`i-${field.key}`">{{ field.label }}</label>
        <span class="entry">
          <select
            v-if="field.type === 'yesno'"
            :id="`i-${field.key}`"
            :value="own(field) === undefined ? '' : own(field) ? 'yes' : 'no'"
            @change="typed(field, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">{{ inheritedText(field) || (field.unset ?? '—') }}</option>
            <option value="yes">yes</option>
            <option value="no">no</option>
          </select>
          <Entry
            v-else
            :id="`i-${field.key}`"
            :key="JSON.stringify(place) + field.key"
            :value="showFigure(field, own(field), setup.currency)"
            :placeholder="inheritedText(field)"
            :class="{ figures: ['money', 'weight', 'length', 'integer'].includes(field.type) }"
            :title="field.help"
            :data-test="`set-${field.key}`"
            @commit="typed(field, $event)"
          />
          <span class="unit soft">{{ unitOf(field) }}</span>
        </span>
        <span class="from soft">
          {{ source(field) }}
          <button
            v-if="own(field) === undefined && inheritedFigure(field) !== undefined"
            class="link"
            :data-test="`own-${field.key}`"
            :title="`Keep ${inheritedText(field)} here, whatever happens there`"
            @click="set(field, inheritedFigure(field)!)"
          >
            make own
          </button>
          <button
            v-if="own(field) !== undefined && place.level !== 'family'"
            class="link"
            :data-test="`back-${field.key}`"
            @click="set(field, null)"
          >
            give back
          </button>
          <button
            v-if="nearer(field)"
            class="link"
            :title="`Let the ${nearer(field)} children follow this place again`"
            @click="giveBackAll(field)"
          >
            {{ nearer(field) }} have their own
          </button>
        </span>
      </div>
    </div>
    <div v-if="findings.length" class="findings">
      <h3>Findings here</h3>
      <p v-for="(finding, at) in findings" :key="at" :class="finding.severity">
        <button class="link" @click="router.push({ name: 'fit', params: { id: family.id, channel: finding.channel } })">
          {{ finding.name }}</button>: {{ finding.text }}
        <ElButton v-if="finding.remedy" size="small" @click="store.mend([finding])">{{
          finding.remedy.label
        }}</ElButton>
      </p>
    </div>
  </aside>
</template>

<style scoped>
.inspector {
  display: flex;
  flex-direction: column;
  overflow: auto;
  min-height: 0;
}
header {
  padding: 10px 12px;
  border-bottom: 1px solid var(--line-soft);
}
.small {
  font-size: 12px;
}
.swatch {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 7px;
  border: 1px solid #0003;
}
.fields {
  padding: 6px 12px;
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
select {
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
select:hover {
  border-color: var(--line);
}
:deep(input:focus),
select:focus {
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
.findings {
  padding: 8px 12px 12px;
  border-top: 1px solid var(--line-soft);
  font-size: 12.5px;
  display: flex;
  flex-direction: column;
  gap: 6px;
}
.findings .el-button {
  margin-top: 3px;
}
.advises {
  color: var(--ink-soft);
}
</style>
