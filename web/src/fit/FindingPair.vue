<script setup lang="ts">
/** What one of the seller's words is among those of the channel, chosen where the finding is told. */
import type { Account, Remedy } from '@loom-kin/core';
import { useFamily } from '../stores/family';

const props = defineProps<{ remedy: Remedy & { kind: 'pair' }; account: Account }>();
const store = useFamily();

const choose = (to: string) => store.ask(() => [{ on: 'pairings', pairings: [{ ...props.remedy.pairing, to }] }]);
</script>

<template>
  <label class="pair" @click.stop
    ><span class="soft">“{{ remedy.pairing.value }}” there is</span>
    <select
      :aria-label="`What ${remedy.pairing.value} is on ${account.name}`"
      data-test="choose-pair"
      @change="choose(($event.target as HTMLSelectElement).value)"
    >
      <option value="">choose</option>
      <option v-for="one in remedy.choices" :key="one" :value="one">{{ one }}</option>
    </select></label
  >
</template>

<style scoped>
.pair {
  display: flex;
  gap: 6px;
  align-items: center;
}
select {
  font: inherit;
  color: inherit;
  max-width: 150px;
  height: 24px;
  border: 1px solid var(--line);
  background: var(--sheet);
}
</style>
