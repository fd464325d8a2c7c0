<script setup lang="ts">
/** What a condition compares with: entered as the field it is about is entered. */
import { computed } from 'vue';
import type { Condition } from '@loom-kin/core/catalogue';
import { unreadableText } from '@loom-kin/core/refusal';
import { isNumeric, readFigure } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';
import { refuse } from '../api/api';

const props = defineProps<{ condition: Condition; name: string }>();
const emit = defineEmits<{ value: [Condition['value']] }>();
const setup = useSetup();
const field = computed(() => setup.registry.field(props.condition.key));
const several = computed(() => props.condition.is === 'oneOf');
/** What may be chosen, where the field has a list. */
const choices = computed(() => {
  const { type, choices: listed = [] } = field.value ?? { type: 'text' };
  if (type === 'yesno')
    return [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'no' },
    ];
  if (type !== 'category') return listed;
  return setup.registry.tree.map(({ category }) => ({
    value: category.id,
    label: setup.registry.pathLabel(category.id),
  }));
});
const chosen = computed(() => {
  const { value } = props.condition;
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  return Array.isArray(value) ? value : String(value);
});
function choose(event: Event): void {
  const { value, selectedOptions } = event.target as HTMLSelectElement;
  if (several.value)
    emit(
      'value',
      [...selectedOptions].map((one) => one.value),
    );
  else emit('value', field.value?.type === 'yesno' ? value === 'yes' : value);
}

function type(text: string): void {
  const typed = text.trim();
  if (typed === '' || !field.value) return;
  if (several.value) return emit('value', typed.split(/\s*,\s*/).filter(Boolean));
  if (!isNumeric(field.value)) return emit('value', typed);
  const read = readFigure(setup.registry, field.value, typed);
  if (!read.ok) refuse(unreadableText(read));
  else emit('value', read.figure as Condition['value']);
}
const known = computed(() => {
  const { key } = props.condition;
  const { remembered } = setup.registry.data;
  return key in remembered ? remembered[key as keyof typeof remembered] : [];
});
const listId = computed(() => `known-${props.condition.key}`);
</script>

<template>
  <select
    v-if="choices.length"
    :value="chosen"
    :multiple="several"
    :aria-label="name"
    data-test="condition-value"
    @change="choose"
  >
    <option v-for="one in choices" :key="one.value" :value="one.value" :selected="[chosen].flat().includes(one.value)">
      {{ one.label }}
    </option>
  </select>
  <template v-else>
    <Entry
      :value="[chosen].flat().join(', ')"
      :list="known.length ? listId : undefined"
      :placeholder="several ? 'one, another' : 'type it'"
      :aria-label="name"
      data-test="condition-value"
      @commit="type"
    />
    <datalist v-if="known.length" :id="listId"><option v-for="one in known" :key="one" :value="one" /></datalist>
    <span v-if="field?.unit" class="soft">{{ field.unit }}</span>
    <span v-else-if="field?.type === 'money'" class="soft">{{ setup.currency }}</span>
  </template>
</template>

<style scoped>
select,
input {
  font: inherit;
  color: inherit;
  min-height: 26px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 6px;
  max-width: 240px;
  min-width: 0;
  flex: 0 1 240px;
}
</style>
