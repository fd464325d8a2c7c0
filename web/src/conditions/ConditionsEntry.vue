<script setup lang="ts">
/** Conditions over families, entered row by row; groups among them one level deep. */
import { computed } from 'vue';
import type { Comparison, Condition, Conditions } from '@loom-kin/core/catalogue';
import { COMPARISON_WORDS } from '@loom-kin/core/descriptions';
import { type Field, isNumeric } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import ConditionValue from './ConditionValue.vue';

type Part = Conditions['of'][number];

const props = defineProps<{ modelValue: Conditions; nested?: boolean; name: string }>();
const emit = defineEmits<{ 'update:modelValue': [Conditions] }>();
const setup = useSetup();

/** What the whole family says, its price and its pieces. */
const fields = computed(() =>
  setup.registry.fields.filter(
    (field) =>
      (field.levels.includes('family') || field.key === 'stock') && !['pictures', 'surcharge'].includes(field.type),
  ),
);
const fieldOf = (key: string) => setup.registry.field(key);
/** Comparisons that go with a field. */
function comparisons(field: Field | undefined): Comparison[] {
  if (!field) return ['is'];
  if (isNumeric(field)) return ['is', 'above', 'below'];
  if (field.type === 'yesno') return ['is'];
  if (field.type === 'category' || field.type === 'choice') return ['is', 'isNot', 'oneOf'];
  return ['is', 'isNot', 'contains', 'oneOf'];
}
const change = (to: Partial<Conditions>) => emit('update:modelValue', { ...props.modelValue, ...to });
const put = (at: number, part: Part) => change({ of: props.modelValue.of.map((one, n) => (n === at ? part : one)) });
const remove = (at: number) => change({ of: props.modelValue.of.filter((_, n) => n !== at) });
const begin = (): Condition => ({ key: 'category', is: 'is', value: setup.registry.tree[0]?.category.id ?? '' });

function setKey(at: number, key: string): void {
  const field = fieldOf(key);
  const first = field?.choices?.[0]?.value;
  const value = field?.type === 'category' ? String(begin().value) : field?.type === 'yesno' ? true : (first ?? '');
  put(at, { key, is: comparisons(field)[0]!, value });
}
function setComparison(at: number, { key, value }: Condition, is: Comparison): void {
  const single = Array.isArray(value) ? (value[0] ?? '') : value;
  put(at, { key, is, value: is === 'oneOf' ? [String(single)] : single });
}
const text = (event: Event) => (event.target as HTMLSelectElement).value;
</script>

<template>
  <div class="conditions" :class="{ nested }">
    <label v-if="modelValue.of.length > 1" class="soft"
      ><select
        :value="modelValue.match"
        :aria-label="`Whether all conditions of ${name} have to hold`"
        @change="change({ match: text($event) as 'all' | 'any' })"
      >
        <option value="all">all</option>
        <option value="any">any</option>
      </select>
      of these hold</label
    >
    <div v-for="(part, at) in modelValue.of" :key="at" class="row">
      <template v-if="'of' in part">
        <ConditionsEntry
          :model-value="part"
          :name="`${name}, group`"
          nested
          @update:model-value="$event.of.length ? put(at, $event as Part) : remove(at)"
        />
      </template>
      <template v-else>
        <select
          :value="part.key"
          :aria-label="`Field of condition ${at + 1} of ${name}`"
          @change="setKey(at, text($event))"
        >
          <option v-for="field in fields" :key="field.key" :value="field.key">{{ field.label }}</option>
        </select>
        <select
          :value="part.is"
          :aria-label="`Comparison of condition ${at + 1} of ${name}`"
          @change="setComparison(at, part, text($event) as Comparison)"
        >
          <option v-for="is in comparisons(fieldOf(part.key))" :key="is" :value="is">{{ COMPARISON_WORDS[is] }}</option>
        </select>
        <ConditionValue
          :condition="part"
          :name="`Value of condition ${at + 1} of ${name}`"
          @value="put(at, { ...part, value: $event })"
        />
      </template>
      <button
        class="away"
        :title="'of' in part ? 'Take this group away' : 'Take this condition away'"
        :aria-label="`Take condition ${at + 1} of ${name} away`"
        @click="remove(at)"
      >
        ×
      </button>
    </div>
    <div class="add">
      <button class="link" data-test="add-condition" @click="change({ of: [...modelValue.of, begin()] })">
        add a condition
      </button>
      <button
        v-if="!nested"
        class="link"
        @click="change({ of: [...modelValue.of, { match: 'any', of: [begin(), begin()] }] })"
      >
        add a group
      </button>
      <span v-if="modelValue.of.length === 0" class="soft">Without a condition it holds for every family.</span>
    </div>
  </div>
</template>

<style scoped>
.conditions {
  display: flex;
  flex-direction: column;
  gap: 4px;
}
.nested {
  border-left: 2px solid var(--line);
  padding-left: 8px;
}
.row,
.add {
  display: flex;
  gap: 6px;
  align-items: center;
}
/* Narrow, its entries shrink: each condition keeps to one line, with what takes it away at its end. */
.row > * {
  min-width: 0;
}
.row > select + select {
  flex: none;
}
.row > .conditions {
  flex: 1;
}
.away {
  flex: none;
}
.away {
  font: inherit;
  color: var(--ink-soft);
  background: none;
  border: 0;
  padding: 0 4px;
  cursor: pointer;
}
.away:hover {
  color: var(--stops);
}
.add {
  gap: 14px;
  font-size: 12px;
}
select {
  font: inherit;
  color: inherit;
  height: 26px;
  border: 1px solid var(--line);
  background: var(--sheet);
  max-width: 190px;
}
</style>
