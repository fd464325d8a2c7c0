<script setup lang="ts">
/** The entry of a field, of the kind its type wants. What stands before is shown where nothing of its own does. */
import { computed, useAttrs } from 'vue';
import type { Figure } from '@loom-kin/core/family';
import { type Field, isLong, showFigure } from '@loom-kin/core/registry';
import { useSetup } from '../stores/setup';
import Entry from './Entry.vue';

const props = defineProps<{ field: Field; figure: Figure | undefined; inherited?: string; draft?: string }>();
const emit = defineEmits<{ commit: [text: string]; typing: [text: string] }>();
defineOptions({ inheritAttrs: false });
const attrs = useAttrs();
const setup = useSetup();

/** Closed lists of the field: text to commit, and how it reads. Null for what is typed freely. */
const choices = computed((): { value: string; label: string }[] | null => {
  const { field } = props;
  if (field.type === 'yesno') {
    return [
      { value: 'yes', label: 'yes' },
      { value: 'no', label: 'no' },
    ];
  }
  if (field.type === 'choice') return [...(field.choices ?? [])];
  if (field.type !== 'category') return null;
  const tree = setup.registry.tree.map(({ category }) => ({
    value: category.id,
    label: setup.registry.pathLabel(category.id),
  }));
  const held = setup.registry.category(props.figure);
  // A category that is out of use stays with the families that are in it.
  return held?.retired ? [...tree, { value: held.id, label: `${setup.registry.pathLabel(held.id)} (retired)` }] : tree;
});
const chosen = computed(() => {
  if (typeof props.figure === 'boolean') return props.figure ? 'yes' : 'no';
  return props.figure === undefined ? '' : String(props.figure);
});
const held = computed(() => showFigure(setup.registry, props.field, props.figure, setup.currency));
const remembered = computed(() => {
  const lists: Record<string, readonly string[]> = setup.registry.data.remembered;
  return lists[props.field.key] ?? [];
});
const rows = computed(() => {
  if (props.field.type === 'list') return 4;
  return (props.field.most ?? 0) > 1000 ? 5 : 2;
});
const listId = computed(() => `${String(attrs.id)}-remembered`);
</script>

<template>
  <select
    v-if="choices"
    v-bind="$attrs"
    :value="chosen"
    @change="emit('commit', ($event.target as HTMLSelectElement).value)"
  >
    <option value="">{{ inherited || (field.unset ?? '—') }}</option>
    <option v-for="choice in choices" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
  </select>
  <Entry
    v-else-if="isLong(field)"
    v-bind="$attrs"
    :rows="rows"
    :value="held"
    :draft="draft"
    :placeholder="inherited || (field.type === 'list' ? 'one a line' : '')"
    @commit="emit('commit', $event)"
    @typing="emit('typing', $event)"
  />
  <template v-else>
    <Entry
      v-bind="$attrs"
      :value="held"
      :draft="draft"
      :placeholder="inherited ?? ''"
      :list="remembered.length > 0 ? listId : undefined"
      @commit="emit('commit', $event)"
      @typing="emit('typing', $event)"
    />
    <datalist v-if="remembered.length > 0" :id="listId">
      <option v-for="one in remembered" :key="one" :value="one" />
    </datalist>
  </template>
</template>
