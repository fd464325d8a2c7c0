<script setup lang="ts">
/** Two lists side by side with threads between them: the seller's words, and the channel's values. */
import { computed } from 'vue';
import { linkHorizontal } from 'd3';
import type { ListedValue } from '@loom-kin/core/pairing';
import { count } from '@loom-kin/core/text';
import type { PairedWord } from './pairedWords';

const props = defineProps<{
  words: readonly PairedWord[];
  list: readonly ListedValue[];
  /** The word that is walked to. */
  at: number;
  channelName: string;
}>();
const emit = defineEmits<{ at: [number]; pair: [word: PairedWord, to: string] }>();

/** Height of a line, width of the gap the threads run through. */
const LINE = 30;
const GAP = 150;
/** The channel's values in the order of the words that go there, so that threads cross little; then those nobody uses. */
const theirs = computed(() => {
  const used = props.words.map((word) => word.to || word.proposal?.to).filter(Boolean) as string[];
  const rank = new Map([...new Set(used)].map((label, place) => [label, place]));
  return props.list.toSorted((a, b) => (rank.get(a.label) ?? Infinity) - (rank.get(b.label) ?? Infinity));
});
const place = computed(() => new Map(theirs.value.map((entry, number) => [entry.label, number])));
const draw = linkHorizontal<unknown, [number, number]>();
const threads = computed(() =>
  props.words.flatMap((word, number) => {
    const label = word.to || word.proposal?.to;
    const end = label === undefined ? undefined : place.value.get(label);
    if (end === undefined) return [];
    const path = draw({ source: [0, (number + 0.5) * LINE], target: [GAP, (end + 0.5) * LINE] })!;
    const kind = word.to ? 'settled' : word.proposal?.confidence === 'doubtful' ? 'doubtful' : 'likely';
    return [{ path, kind, number, colour: word.swatch ?? undefined }];
  }),
);
const height = computed(() => Math.max(props.words.length, props.list.length) * LINE);
const pair = (word: PairedWord, event: Event) => emit('pair', word, (event.target as HTMLSelectElement).value);
const isEnd = (label: string) => {
  const here = props.words[props.at];
  return here !== undefined && (here.to || here.proposal?.to) === label;
};
</script>

<template>
  <div class="lists" :style="{ '--line-height': `${LINE}px` }">
    <ol aria-label="Your values">
      <li
        v-for="(word, number) in words"
        :key="word.label"
        :class="{ at: number === at, missing: !word.to }"
        data-test="paired-word"
        @mouseenter="emit('at', number)"
      >
        <span class="about"><slot name="about" :word="word" /></span>
        <select :value="word.to" :aria-label="`${word.label} on ${channelName}`" @change="pair(word, $event)">
          <option value="">not paired</option>
          <option v-for="entry in list" :key="entry.label" :value="entry.label">{{ entry.label }}</option>
        </select>
        <span class="label">{{ word.label }}</span>
        <span class="soft uses" :title="count(word.families, 'family', 'families')">{{ word.families }}</span>
        <i class="swatch" :class="{ none: !word.swatch }" :style="{ background: word.swatch ?? undefined }" />
      </li>
    </ol>
    <svg :width="GAP" :height="height" aria-hidden="true">
      <path
        v-for="one in threads"
        :key="one.number"
        :d="one.path"
        fill="none"
        :class="[one.kind, { at: one.number === at }]"
        :style="one.kind === 'settled' && one.colour ? { stroke: one.colour } : {}"
      />
    </svg>
    <ol :aria-label="`Values of ${channelName}`">
      <li v-for="entry in theirs" :key="entry.label" :class="{ at: isEnd(entry.label) }">
        <i class="swatch" :class="{ none: !entry.swatch }" :style="{ background: entry.swatch }" />
        <span class="label">{{ entry.label }}</span>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.lists {
  display: grid;
  grid-template-columns: minmax(360px, auto) 150px minmax(120px, 1fr);
  font-size: 13px;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  height: var(--line-height);
  display: flex;
  align-items: center;
  gap: 8px;
  border-bottom: 1px solid var(--line-soft);
  padding: 0 6px;
}
ol:first-child li {
  justify-content: flex-end;
}
li.at {
  background: var(--weld-pale);
}
.missing .label {
  color: var(--stops);
}
.about {
  flex: 1;
  min-width: 0;
  text-align: left;
  overflow: hidden;
  white-space: nowrap;
  text-overflow: ellipsis;
  font-size: 12px;
}
.uses {
  font-variant-numeric: tabular-nums;
  min-width: 22px;
  text-align: right;
}
select {
  font: inherit;
  font-size: 12px;
  color: inherit;
  border: 1px solid var(--line);
  background: var(--sheet);
  height: 22px;
  width: 110px;
}
.swatch {
  width: 12px;
  height: 12px;
  border: 1px solid #0003;
  flex: none;
}
.swatch.none {
  visibility: hidden;
}
path {
  stroke: var(--woad);
  stroke-width: 1.5;
}
path.settled {
  stroke-width: 2.5;
}
path.likely {
  stroke-dasharray: 5 3;
}
path.doubtful {
  stroke: var(--warns);
  stroke-dasharray: 2 4;
}
path.at {
  stroke-width: 4;
}
</style>
