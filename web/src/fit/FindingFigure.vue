<script setup lang="ts">
/** A figure a finding misses, typed where it is told: for the family, or one for each of the places named. */
import { computed } from 'vue';
import { type Scope, placeLabel } from '@loom-kin/core/family';
import type { Remedy } from '@loom-kin/core/fit';
import type { Place } from '@loom-kin/core/place';
import { unreadableText } from '@loom-kin/core/refusal';
import { readFigure } from '@loom-kin/core/registry';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { commandScope } from '../common/scopes';
import Entry from '../common/Entry.vue';
import { refuse } from '../api/api';

const props = defineProps<{ remedy: Remedy & { kind: 'figure' }; scope: Scope }>();
const store = useFamily();
const setup = useSetup();
const field = computed(() => setup.registry.field(props.remedy.key));
const family = computed(() => store.family!);

function typed(place: Place, text: string): void {
  if (!field.value || text.trim() === '') return;
  const read = readFigure(setup.registry, field.value, text);
  if (!read.ok) refuse(unreadableText(read));
  else if (field.value.type === 'stock') {
    if (place.level === 'child') store.count([{ childId: place.childId, pieces: Number(read.figure) }]);
  } else {
    const change = { place, key: props.remedy.key, figure: read.figure, scope: commandScope(props.scope) };
    store.run({ do: 'setFigures', changes: [change] });
  }
}
const name = (place: Place) => `${field.value?.label ?? props.remedy.key}, ${placeLabel(family.value, place)}`;
</script>

<template>
  <div v-if="field" class="figures" @click.stop>
    <label v-for="(place, at) in remedy.places" :key="at">
      <span v-if="remedy.places.length > 1" class="soft">{{ placeLabel(family, place) }}</span>
      <select
        v-if="field.type === 'choice'"
        :aria-label="name(place)"
        :data-test="`type-${remedy.key}`"
        @change="typed(place, ($event.target as HTMLSelectElement).value)"
      >
        <option value="">choose</option>
        <option v-for="choice in field.choices" :key="choice.value" :value="choice.value">{{ choice.label }}</option>
      </select>
      <select
        v-else-if="field.type === 'category'"
        :aria-label="name(place)"
        :data-test="`type-${remedy.key}`"
        @change="typed(place, ($event.target as HTMLSelectElement).value)"
      >
        <option value="">choose</option>
        <option v-for="{ category } in setup.registry.tree" :key="category.id" :value="category.id">
          {{ setup.registry.pathLabel(category.id) }}
        </option>
      </select>
      <Entry
        v-else
        value=""
        :placeholder="`type ${field.label.toLowerCase()}`"
        :aria-label="name(place)"
        :data-test="`type-${remedy.key}`"
        @commit="typed(place, $event)"
      />
      <span v-if="field.unit" class="soft">{{ field.unit }}</span>
    </label>
  </div>
</template>

<style scoped>
.figures {
  display: flex;
  flex-direction: column;
  gap: 3px;
}
label {
  display: flex;
  gap: 6px;
  align-items: center;
  justify-content: flex-end;
}
:deep(input),
select {
  font: inherit;
  color: inherit;
  width: 150px;
  height: 24px;
  padding: 1px 5px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
</style>
