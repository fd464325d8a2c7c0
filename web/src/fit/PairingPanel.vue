<script setup lang="ts">
/** Which of the channel's own values each of the family's values is: remembered per channel, for every family. */
import { computed } from 'vue';
import {
  familyIndex,
  foldForPairing,
  pairingLookup,
  pairingReasonText,
  proposePairing,
  type Account,
  type Fit,
  type PairingLists,
  type PairingProposal,
  type Plan,
  type Role,
  type Value,
} from '@loom-kin/core';
import { say } from '../api';
import { useFamily } from '../stores/family';
import { useSetup } from '../stores/setup';

const props = defineProps<{ account: Account; fit: Fit; plan: Plan }>();
const store = useFamily();
const setup = useSetup();
const name = computed(() => props.account.name);

const groups = computed(() => {
  const { rules: category, lists } = props.fit.category!;
  const { roles } = category.axes;
  const lookup = pairingLookup(setup.setup?.pairings[props.account.channel] ?? {}, lists);
  const { valueById } = familyIndex(store.family!);
  return props.plan.axes.flatMap((axis) => {
    const rules = roles[axis.role];
    if (!rules?.list) return [];
    const values = [...new Set(axis.options.map((option) => valueById.get(option.valueIds[0]!)!))];
    const listShown = rules.shows === 'list';
    return [
      {
        axis: axis.name,
        role: axis.role,
        list: rules.list,
        listShown,
        // What is not settled comes first.
        values: values
          .map((value) => ({ value, to: lookup(axis.role, value.label) ?? '' }))
          .map((one) => ({ ...one, proposal: one.to === '' ? proposed(axis.role, one.value, lists) : null }))
          .toSorted((a, b) => Number(a.to !== '') - Number(b.to !== '')),
      },
    ];
  });
});

/** What an unpaired value most likely is. */
function proposed(role: Role, value: Value, lists: PairingLists): PairingProposal | null {
  const list = lists.get(role);
  const word = setup.registry.word(role, value.label);
  return list ? proposePairing(role, value, list, word ? [word.label, ...word.synonyms] : []) : null;
}

async function pair(role: Role, label: string, to: string): Promise<void> {
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
          ? `The buyer reads ${name}'s value.`
          : `The buyer reads your own label; ${name} sorts and filters by its own.`
      }}
    </p>
    <div class="groups">
      <div v-for="group in groups" :key="group.axis">
        <h3>{{ group.axis }}</h3>
        <div v-for="one in group.values" :key="one.value.id" class="pair">
          <i class="swatch" :class="{ none: !one.value.swatch }" :style="{ background: one.value.swatch }" />
          <span>{{ one.value.label }}</span><span class="soft">↔</span>
          <select
            :value="one.to"
            :class="{ missing: !one.to }"
            :aria-label="`${one.value.label} on ${name}`"
            :data-test="`pair-${one.value.label}`"
            @change="pair(group.role, one.value.label, ($event.target as HTMLSelectElement).value)"
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
            :data-test="`take-${one.value.label}`"
            @click="pair(group.role, one.value.label, one.proposal.to)"
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
