<script setup lang="ts">
/** What is done with the children that are chosen: a figure set at the level that fits them, the grid shown for them alone, taken out. */
import { computed, ref, watch } from 'vue';
import { runCommand } from '@loom-kin/core/change';
import { EVERYWHERE, type Reach, placeLabel, placesFor } from '@loom-kin/core/family';
import { isLong } from '@loom-kin/core/registry';
import { children } from '@loom-kin/core/text';
import { beforeAndAfter } from './beforeAndAfter';
import { isSurcharge, setFor } from '../common/setFor';
import GoElsewhere from '../gather/GoElsewhere.vue';
import Term from '../common/Term.vue';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { refuse } from '../api/api';

const store = useFamily();
const setup = useSetup();

const key = ref('price');
const text = ref('');
const level = ref(0);

const ids = computed(() => [...store.chosen].filter((id) => store.family?.children[id]?.woven));
const reaches = computed(() => placesFor(store.family!, ids.value));
const fields = computed(() =>
  setup.registry
    .fieldsAt('child', store.family!.fields.category)
    .filter(
      (field) => !isLong(field) && !field.onlyScoped && !['sku', 'gtin', 'stock', 'pictures'].includes(field.type),
    ),
);
const field = computed(() => fields.value.find((one) => one.key === key.value) ?? fields.value[0]!);
const allowed = computed(() => reaches.value.filter((reach) => field.value.levels.includes(reach.level)));
const reach = computed((): Reach => allowed.value[level.value] ?? allowed.value.at(-1)!);
watch(
  () => store.chosen,
  () => (level.value = 0),
);

function name({ level: at, places }: Reach): string {
  if (at === 'child') return places.length === 1 ? 'this child' : `each of the ${children(places.length)}`;
  const labels = places.map((place) => placeLabel(store.family!, place));
  return labels.length > 3
    ? `${labels.slice(0, 2).join(', ')} and ${labels.length - 2} more values`
    : labels.join(', ');
}
const staysSurcharge = computed(
  () => reach.value.level === 'value' && isSurcharge(setup.registry, field.value, text.value),
);

const reading = computed(() => {
  if (text.value.trim() === '') return null;
  const ground = {
    registry: setup.registry,
    family: store.family!,
    currency: setup.currency,
    scope: EVERYWHERE,
    scopes: [],
  };
  return setFor(ground, reach.value.places, field.value, text.value);
});
/** What it would make of the chosen children, before it is done. */
const preview = computed(() => {
  const family = store.family!;
  if (!reading.value?.ok) return '';
  try {
    const { family: after } = runCommand(setup.registry, family, { do: 'setFigures', changes: reading.value.changes });
    return beforeAndAfter(setup.registry, field.value, { before: family, after, childIds: ids.value }, setup.currency);
  } catch {
    // What cannot be set is told when it is.
    return '';
  }
});
function set(): void {
  const read = reading.value;
  if (!read) return;
  if (!read.ok) return void refuse(read.problem);
  if (store.run({ do: 'setFigures', changes: read.changes })) text.value = '';
}
function takeOut(): void {
  const crossings = ids.value.map((id) => ({ ...store.family!.children[id]!.at }));
  if (store.run({ do: 'setWoven', crossings, woven: false })) store.choose([], 'weave');
}
</script>

<template>
  <form v-if="ids.length > 1" class="chosen" data-test="chosen" aria-label="Chosen children" @submit.prevent="set">
    <strong>{{ children(ids.length) }} chosen</strong>
    <label class="visually-hidden" for="chosen-field">Figure to set</label>
    <select id="chosen-field" v-model="key" data-test="chosen-field">
      <option v-for="one in fields" :key="one.key" :value="one.key">{{ one.label }}</option>
    </select>
    <input
      v-model="text"
      class="figure"
      :aria-label="`${field.label} for ${name(reach)}`"
      :placeholder="field.type === 'money' ? '249, +4, +5 %, ~90' : '249, +4, +5 %'"
      :title="
        field.type === 'money' ? 'A figure; +4 or +5 % from what each has; ~90 to the nearest that ends so' : undefined
      "
      data-test="chosen-text"
    />
    <label
      >for
      <select v-model="level" data-test="chosen-level">
        <option v-for="(one, at) in allowed" :key="at" :value="at">{{ name(one) }}</option>
      </select></label
    >
    <button class="link" data-test="chosen-set">Set</button>
    <span v-if="preview" class="soft preview" data-test="chosen-preview">{{ preview }}</span>
    <span v-if="staysSurcharge" class="soft" data-test="stays-surcharge"
      ><Term word="surcharge">a surcharge</Term>: added to what holds below</span
    >
    <span class="grow" />
    <button type="button" class="link" data-test="chosen-only" @click="store.only = new Set(ids)">Show alone</button>
    <button type="button" class="link" @click="takeOut">Take out</button>
    <GoElsewhere :child-ids="ids" />
    <button type="button" class="link" @click="store.choose([], 'weave')">Choose none</button>
  </form>
  <p v-else class="chosen none soft">
    Choose crossings, or rows below: a figure is then set for all of them at once, at the level that fits.
  </p>
</template>

<style scoped>
.chosen {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  font-size: 12.5px;
  background: var(--weld-pale);
  padding: 3px 8px;
  /* Its place is kept, both lines of it, so that nothing moves beneath the mouse when something is chosen. */
  min-height: 52px;
  align-content: center;
}
@media (min-width: 1500px) {
  .chosen {
    min-height: 31px;
  }
}
.none {
  background: none;
  padding-left: 0;
}
select,
.figure {
  font: inherit;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 5px;
  max-width: 220px;
}
.figure {
  width: 110px;
}
</style>
