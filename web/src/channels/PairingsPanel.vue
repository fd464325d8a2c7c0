<script setup lang="ts">
/** What the words of all families are among a channel's own: threads between the two lists, the unsettled and doubtful first. */
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { pairingReasonText } from '@loom-kin/core/descriptions';
import type { Role } from '@loom-kin/core/family';
import { fieldOfPaired, foldForPairing } from '@loom-kin/core/pairing';
import { ROLE_LABELS } from '@loom-kin/core/registry';
import { count } from '@loom-kin/core/text';
import type { Channel, WordInUse } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { latest } from '../api/latest';
import { useServerEvents } from '../stores/serverEvents';
import { useSetup } from '../stores/setup';
import { useKeys } from '../shell/keys';
import PairingThreads from './PairingThreads.vue';
import { pairedWords, type PairedWord } from './pairedWords';

const props = defineProps<{ channel: Channel }>();
const setup = useSetup();
const words = shallowRef<WordInUse[] | null>(null);
const role = ref('');
const order = ref<'doubt' | 'label' | 'use'>('doubt');
const at = ref(0);

const ask = latest();
async function load(): Promise<void> {
  try {
    await ask(
      () => call(api.wordsInUse, { params: { id: props.channel.channel } }),
      (found) => (words.value = found),
    );
  } catch (error) {
    tell(error);
  }
}
onMounted(load);
watch(
  () => useServerEvents().listTurn,
  () => void load(),
);

const roles = computed(() => [...new Set((words.value ?? []).map((word) => word.role))]);
watch(roles, (now) => (role.value = now.includes(role.value) ? role.value : (now[0] ?? '')), { immediate: true });
const nameOf = (one: string) => {
  const key = fieldOfPaired(one);
  return key === null ? ROLE_LABELS[one as Role] : (setup.registry.field(key)?.label ?? key);
};
const list = computed(() => {
  const rulebook = setup.rulebooks.get(props.channel.channel);
  const entries = (rulebook?.rulebook.categories ?? []).flatMap(
    ({ id }) => rulebook!.category(id)?.lists.get(role.value)?.entries ?? [],
  );
  return [...new Map(entries.map((entry) => [entry.label, entry])).values()];
});
const table = computed(() => setup.setup?.pairings[props.channel.channel] ?? {});
const shown = computed(() =>
  pairedWords(
    (words.value ?? []).filter((word) => word.role === role.value),
    list.value,
    table.value,
    setup.registry,
  ).toSorted((a, b) =>
    order.value === 'use'
      ? b.families - a.families
      : order.value === 'label'
        ? a.label.localeCompare(b.label)
        : a.doubt - b.doubt || b.families - a.families,
  ),
);
const unsettled = computed(() => shown.value.filter((word) => word.to === ''));
const likely = computed(() =>
  unsettled.value.filter((word) => word.proposal && word.proposal.confidence !== 'doubtful'),
);
watch(shown, (now) => (at.value = Math.min(at.value, Math.max(0, now.length - 1))));

async function pair(pairs: { word: PairedWord; to: string }[]): Promise<void> {
  const pairings = pairs.map(({ word, to }) => ({
    channel: props.channel.channel,
    role: role.value,
    value: foldForPairing(word.label),
    to,
  }));
  const { name } = props.channel.rulebook;
  if (!(await setup.change([{ on: 'pairings', pairings }]))) return;
  say(
    pairs.length === 1
      ? `${pairs[0]!.word.label} is ${pairs[0]!.to || 'not paired any more'} on ${name}, for every family.`
      : `${count(pairs.length, 'value')} paired on ${name}. Undo is in the journal.`,
  );
}
const take = (word: PairedWord | undefined) => word?.proposal && void pair([{ word, to: word.proposal.to }]);
const takeLikely = () => pair(likely.value.map((word) => ({ word, to: word.proposal!.to })));

useKeys({
  j: () => (at.value = Math.min(shown.value.length - 1, at.value + 1)),
  k: () => (at.value = Math.max(0, at.value - 1)),
  Enter: () => take(shown.value[at.value]),
  'Shift+Enter': () => likely.value.length > 0 && void takeLikely(),
});
</script>

<template>
  <div class="pairings">
    <p v-if="words && roles.length === 0" class="soft">
      {{ channel.rulebook.name }} has no values of its own for anything your families say: your own labels are shown
      there as they are.
    </p>
    <template v-else-if="words">
      <div class="head">
        <label
          >Values of
          <select v-model="role" data-test="pairing-role">
            <option v-for="one in roles" :key="one" :value="one">{{ nameOf(one) }}</option>
          </select></label
        >
        <label class="soft"
          >order
          <select v-model="order">
            <option value="doubt">unsettled and doubtful first</option>
            <option value="label">by label</option>
            <option value="use">most used first</option>
          </select></label
        >
        <span>{{ unsettled.length ? `${unsettled.length} not paired` : 'all are paired' }}</span>
        <ElButton v-if="likely.length" size="small" type="primary" plain data-test="take-likely" @click="takeLikely"
          >Take the {{ likely.length }} likely</ElButton
        >
        <span class="soft"
          ><kbd>J</kbd> <kbd>K</kbd> walk · <kbd>Enter</kbd> take · <kbd>Shift Enter</kbd> all likely</span
        >
      </div>
      <PairingThreads
        :words="shown"
        :list="list"
        :at="at"
        :channel-name="channel.rulebook.name"
        @at="at = $event"
        @pair="(word, to) => pair([{ word, to }])"
      >
        <template #about="{ word }">
          <button v-if="word.proposal" class="link" :data-test="`take-${word.label}`" @click="take(word)">
            {{ word.proposal.to }}{{ word.proposal.confidence === 'doubtful' ? '?' : '' }}
            <span class="soft">{{ pairingReasonText(word.proposal) }}</span>
          </button>
        </template>
      </PairingThreads>
    </template>
  </div>
</template>

<style scoped>
.pairings {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
select {
  font: inherit;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 2px 4px;
}
</style>
