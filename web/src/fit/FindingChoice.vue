<script setup lang="ts">
/** What only the seller can say of the channel's own lists, chosen where the finding asks for it: what a word is there, where goods go. */
import { computed } from 'vue';
import type { StepInput } from '@loom-kin/contract';
import type { Remedy } from '@loom-kin/core/fit';
import { useFamily } from '../stores/family';

const props = defineProps<{ remedy: Remedy & { kind: 'pair' | 'choosePlace' } }>();
const store = useFamily();

const asked = computed(() => {
  const { remedy } = props;
  if (remedy.kind === 'pair') {
    const { pairing } = remedy;
    const step = (to: string): StepInput => ({ on: 'pairings', pairings: [{ ...pairing, to }] });
    const choices = remedy.choices.map((label) => ({ id: label, label }));
    return { text: `“${pairing.value}” there is`, name: 'choose-pair', choices, step };
  }
  const { channel, category, choices } = remedy;
  const step = (to: string): StepInput => ({ on: 'categoryMap', channel, map: { [category]: to } });
  return { text: 'such goods go to', name: 'choose-place', choices, step };
});
const choose = (to: string) => to && void store.ask(() => [asked.value.step(to)]);
</script>

<template>
  <label class="choice" @click.stop
    ><span class="soft">{{ asked.text }}</span>
    <select
      :aria-label="asked.text"
      :data-test="asked.name"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option value="">choose</option>
      <option v-for="one in asked.choices" :key="one.id" :value="one.id">{{ one.label }}</option>
    </select></label
  >
</template>

<style scoped>
.choice {
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
