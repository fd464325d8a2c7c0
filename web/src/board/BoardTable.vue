<script setup lang="ts">
/** Families down, accounts across; only the rows in view are drawn, however many there are. */
import { computed, onMounted, onUnmounted, ref, watch } from 'vue';
import { STATE_WORDS } from '@loom-kin/core/descriptions';
import type { FitState } from '@loom-kin/core/fit';
import type { BoardCounts, FamilySummary } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';
import { heldWords } from '../common/heldCounts';
import Ticks from '../common/Ticks.vue';

const props = defineProps<{
  total: number;
  rows: ReadonlyMap<number, FamilySummary>;
  counts: BoardCounts;
  ticked: ReadonlySet<string>;
  at: number;
  account: string;
  state: FitState | '';
}>();
const emit = defineEmits<{
  need: [from: number, to: number];
  at: [place: number];
  toggle: [id: string];
  open: [id: string, account?: string];
  choose: [account: string, state: FitState | ''];
}>();
const setup = useSetup();

const ROW = 32;
const BEYOND = 8;
const scroller = ref<HTMLElement>();
const top = ref(0);
const height = ref(600);
const first = computed(() => Math.max(0, Math.floor(top.value / ROW) - BEYOND));
const last = computed(() => Math.min(props.total - 1, Math.ceil((top.value + height.value) / ROW) + BEYOND));
const places = computed(() =>
  Array.from({ length: Math.max(0, last.value - first.value + 1) }, (_, n) => first.value + n),
);
watch([first, last, () => props.total], () => emit('need', first.value, Math.max(first.value, last.value)), {
  immediate: true,
});
const measure = () => {
  if (!scroller.value) return;
  top.value = scroller.value.scrollTop;
  height.value = scroller.value.clientHeight;
};
const watcher = typeof ResizeObserver === 'undefined' ? null : new ResizeObserver(measure);
onMounted(() => {
  measure();
  if (scroller.value) watcher?.observe(scroller.value);
});
onUnmounted(() => watcher?.disconnect());

const STATES: readonly FitState[] = ['fits', 'needs', 'stopped'];
const WORDS: Record<FitState, string> = {
  fits: 'fit',
  needs: 'need work',
  stopped: 'are stopped',
  absent: 'not offered',
};
const cell = (family: FamilySummary, account: string) => family.strip[account];
const toDo = (family: FamilySummary, account: string) => {
  const standing = cell(family, account);
  return standing ? standing.stops + standing.warns : 0;
};
const told = (family: FamilySummary, account: string) => {
  const standing = cell(family, account);
  if (!standing) return 'not looked at yet';
  const { state, stops, warns } = standing;
  const parts = [
    `${family.name} on ${setup.accountName(account)}: ${STATE_WORDS[state]}`,
    ...(stops + warns ? [`${stops + warns} to do`] : []),
    ...(stops && warns ? [`${stops} of them stop it`] : []),
    ...heldWords(standing),
  ];
  return parts.join(', ');
};

/** Scrolls a row into view. */
function show(place: number): void {
  const box = scroller.value;
  if (!box) return;
  const from = place * ROW;
  const head = 54;
  if (from < box.scrollTop) box.scrollTop = from;
  else if (from + ROW + head > box.scrollTop + box.clientHeight) box.scrollTop = from + ROW + head - box.clientHeight;
}
defineExpose({ show });
</script>

<template>
  <div ref="scroller" class="scroller" data-test="board" @scroll.passive="measure">
    <div class="row head">
      <span />
      <span class="name">Family</span>
      <span class="style">Style</span>
      <span v-for="one in setup.accounts" :key="one.id" class="cell" :class="{ here: one.id === account }">
        <button class="plain" :title="`Families on ${one.name}`" @click="emit('choose', one.id, '')">
          {{ one.name }}
        </button>
        <span class="sums">
          <button
            v-for="each in STATES"
            :key="each"
            class="plain sum"
            :class="[each, { chosen: one.id === account && each === state }]"
            :title="`${(counts[one.id]?.[each] ?? 0).toLocaleString('en')} ${WORDS[each]} on ${one.name}: show those`"
            :data-test="`sum-${one.id}-${each}`"
            @click="emit('choose', one.id, each)"
          >
            {{ counts[one.id]?.[each] ?? 0 }}
          </button>
        </span>
      </span>
    </div>
    <div :style="{ height: `${total * ROW}px`, position: 'relative' }">
      <div
        v-for="place in places"
        :key="place"
        class="row line"
        :class="{ at: place === at }"
        :style="{ transform: `translateY(${place * ROW}px)` }"
        data-test="board-row"
        @mousemove="place !== at && emit('at', place)"
      >
        <template v-if="rows.get(place)">
          <input
            type="checkbox"
            :checked="ticked.has(rows.get(place)!.id)"
            :aria-label="`Tick ${rows.get(place)!.name}`"
            @change="emit('toggle', rows.get(place)!.id)"
          />
          <RouterLink class="name" :to="`/families/${rows.get(place)!.id}`">{{ rows.get(place)!.name }}</RouterLink>
          <span class="style mono">{{ rows.get(place)!.styleCode }}</span>
          <button
            v-for="one in setup.accounts"
            :key="one.id"
            class="plain cell"
            :class="{ here: one.id === account }"
            :title="told(rows.get(place)!, one.id)"
            :aria-label="told(rows.get(place)!, one.id)"
            @click="emit('open', rows.get(place)!.id, one.id)"
          >
            <Ticks
              :states="{ [one.id]: cell(rows.get(place)!, one.id)?.state }"
              :held="{ [one.id]: cell(rows.get(place)!, one.id) }"
              :only="one.id"
              aria-hidden="true"
            />
            <span v-if="toDo(rows.get(place)!, one.id)" class="todo">{{ toDo(rows.get(place)!, one.id) }}</span>
          </button>
        </template>
        <span v-else class="soft">…</span>
      </div>
    </div>
  </div>
</template>

<style scoped>
.scroller {
  overflow: auto;
  flex: 1;
  min-height: 0;
}
.row {
  display: grid;
  grid-template-columns: 28px minmax(150px, 1fr) 62px repeat(v-bind('setup.accounts.length'), minmax(74px, 92px));
  align-items: center;
  padding: 0 8px;
  min-width: fit-content;
}
.head {
  position: sticky;
  top: 0;
  z-index: 1;
  background: var(--sheet);
  border-bottom: 1px solid var(--line);
  height: 54px;
  font-size: 12px;
  color: var(--ink-soft);
}
.head .cell {
  display: flex;
  flex-direction: column;
  align-items: flex-start;
  gap: 2px;
  padding: 0 4px;
  height: 100%;
  justify-content: center;
}
.head .cell > button {
  font-weight: 600;
  color: var(--ink);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  max-width: 100%;
}
.sums {
  display: flex;
  gap: 7px;
  font-variant-numeric: tabular-nums;
}
.sum {
  border-bottom: 2px solid transparent;
}
.sum.fits {
  color: var(--fits);
}
.sum.needs {
  color: var(--warns);
}
.sum.stopped {
  color: var(--stops);
}
.sum.chosen {
  border-bottom-color: var(--weld);
  font-weight: 700;
}
.line {
  position: absolute;
  top: 0;
  left: 0;
  right: 0;
  height: 32px;
  border-bottom: 1px solid var(--line-soft);
  font-size: 13px;
}
.line.at {
  background: var(--weld-pale);
}
.name {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
  color: var(--ink);
  text-decoration: none;
}
a.name:hover {
  text-decoration: underline;
}
.style {
  font-size: 12px;
  overflow: hidden;
  text-overflow: ellipsis;
}
.line .cell {
  display: flex;
  align-items: center;
  gap: 6px;
  height: 100%;
  padding: 0 6px;
}
.here {
  background: color-mix(in srgb, var(--weld-pale) 55%, transparent);
}
.todo {
  font-size: 12px;
  color: var(--ink-soft);
  font-variant-numeric: tabular-nums;
}
</style>
