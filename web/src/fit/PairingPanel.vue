<script setup lang="ts">
/** Which of the channel's own values each of the family's values is: remembered per channel, for every family. */
import { computed } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { pairingReasonText } from '@loom-kin/core/descriptions';
import type { Fit } from '@loom-kin/core/fit';
import { foldForPairing } from '@loom-kin/core/pairing';
import { say } from '../api/api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';
import { pairingGroups } from './pairingGroups';

const props = defineProps<{ account: Account; fit: Fit }>();
const store = useFamily();
const setup = useSetup();
const name = computed(() => props.account.name);

/** What may be paired: the shown and the fixed axes with a list of the channel's, and its fields with a closed list. */
const groups = computed(() => pairingGroups(store.family!, props.fit, setup.registry, table.value));
const table = computed(() => setup.setup?.pairings[props.account.channel] ?? {});

async function pair(role: string, label: string, to: string): Promise<void> {
  const pairing = { channel: props.account.channel, role, value: foldForPairing(label), to };
  if (await store.ask(() => [{ on: 'pairings', pairings: [pairing] }])) {
    say(`${label} is paired with ${to} on ${name.value}, for every family.`);
  }
}
</script>

<template>
  <section v-if="groups.length" id="pairings" class="sheet plan">
    <h2>Pairings with {{ name }}'s own values</h2>
    <p class="soft">
      Remembered for every family.
      {{
        groups.some((group) => group.listShown)
          ? `Where it says so the buyer reads ${name}'s value; else your own label, and ${name} sorts and filters by its own.`
          : `The buyer reads your own label; ${name} sorts and filters by its own.`
      }}
    </p>
    <div class="groups">
      <div v-for="group in groups" :key="group.role">
        <h3>
          {{ group.axis }} <span v-if="group.listShown" class="soft">buyers read {{ name }}'s</span>
        </h3>
        <div v-for="one in group.values" :key="one.label" class="pair">
          <i class="swatch" :class="{ none: !one.swatch }" :style="{ background: one.swatch }" />
          <span>{{ one.label }}</span><span class="soft">↔</span>
          <select
            :value="one.to"
            :class="{ missing: !one.to }"
            :aria-label="`${one.label} on ${name}`"
            :data-test="`pair-${one.label}`"
            @change="pair(group.role, one.said, ($event.target as HTMLSelectElement).value)"
          >
            <option value="" disabled>not paired</option>
            <option v-for="entry in group.list" :key="entry.label" :value="entry.label">{{ entry.label }}</option>
          </select>
          <i
            class="swatch"
            :class="{ none: !group.list.find((entry) => entry.label === one.to)?.swatch }"
            :style="{ background: group.list.find((entry) => entry.label === one.to)?.swatch }"
          />
          <button
            v-if="one.proposal"
            class="link take"
            :data-test="`take-${one.label}`"
            @click="pair(group.role, one.said, one.proposal.to)"
          >
            {{ one.proposal.to }}{{ one.proposal.confidence === 'doubtful' ? '?' : '' }}
            <span class="soft">{{ pairingReasonText(one.proposal) }}</span>
          </button>
        </div>
      </div>
    </div>
  </section>
</template>

<style scoped>
.plan {
  padding: 10px 14px 12px;
}
.groups {
  display: flex;
  gap: 40px;
  flex-wrap: wrap;
}
.groups h3 {
  margin: 8px 0 4px;
}
.pair {
  display: grid;
  grid-template-columns: 14px 110px 16px 150px 14px auto;
  gap: 6px;
  align-items: center;
  padding: 2px 0;
  font-size: 13px;
}
.take {
  text-align: left;
}
select {
  font: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px;
}
select.missing {
  border-color: var(--stops);
  color: var(--stops);
}
.swatch {
  width: 12px;
  height: 12px;
  border: 1px solid #0003;
}
.swatch.none {
  visibility: hidden;
}
</style>
