<script setup lang="ts">
/** Where goods of the family's category go on the channel, chosen where it is told that they have no place yet. */
import type { Remedy } from '@loom-kin/core';
import { useFamily } from '../stores/family';

const props = defineProps<{ remedy: Remedy & { kind: 'choosePlace' } }>();
const store = useFamily();
const choose = (to: string) => {
  const { channel, category } = props.remedy;
  return store.ask(() => [{ on: 'categoryMap', channel, map: { [category]: to } }]);
};
</script>

<template>
  <label class="place" @click.stop
    ><span class="soft">such goods go to</span>
    <select
      aria-label="Where such goods go"
      data-test="choose-place"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option value="">choose</option>
      <option v-for="one in remedy.choices" :key="one.id" :value="one.id">{{ one.label }}</option>
    </select></label
  >
</template>

<style scoped>
.place {
  display: flex;
  gap: 6px;
  align-items: center;
}
select {
  font: inherit;
  color: inherit;
  max-width: 170px;
  height: 24px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
</style>
