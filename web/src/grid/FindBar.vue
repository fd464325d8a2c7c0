<script setup lang="ts">
/** Finds text in the cells that are shown, walks what was found, and replaces it: everything as one change. */
import { computed, onMounted, ref, watch } from 'vue';
import { finder, replaced } from './findCells';
import type { FieldColumn } from './gridColumns';
import type { GridEdits } from './useGridEdits';
import type { GridSelection } from './useGridSelection';
import type { GridView } from './useGridView';

const props = defineProps<{ view: GridView; selection: GridSelection; edits: GridEdits; replacing: boolean }>();
const emit = defineEmits<{ close: []; show: [spot: { x: number; y: number }] }>();

const input = ref<HTMLInputElement>();
const text = ref('');
const by = ref('');
const whole = ref(false);
const exact = ref(false);
/** More than one cell is selected: the search stays within it. */
const within = props.selection.range.value;
const isWithin = ref(within !== null && (within.x1 > within.x || within.y1 > within.y));

const wish = computed(() => ({ text: text.value, whole: whole.value, exact: exact.value }));
const found = computed((): { childId: string; column: FieldColumn; x: number; y: number }[] => {
  const test = finder(wish.value);
  if (!test) return [];
  const { columns, rows } = props.selection.ground.value;
  const range = isWithin.value ? within! : { x: 0, y: 0, x1: columns - 1, y1: rows - 1 };
  return props.selection.cells(range).filter(({ childId, column }) => test(props.view.text(childId, column)));
});
const at = ref(-1);
watch(wish, () => {
  at.value = -1;
});
function walk(step: 1 | -1): void {
  const count = found.value.length;
  if (count === 0) return;
  at.value = at.value < 0 && step < 0 ? count - 1 : (at.value + step + count) % count;
  const { x, y } = found.value[at.value]!;
  props.selection.select({ x, y });
  emit('show', { x, y });
}

const replacement = ({ childId, column }: { childId: string; column: FieldColumn }) => ({
  childId,
  column,
  text: replaced(props.view.text(childId, column), wish.value, by.value),
});
function replaceOne(): void {
  const cell = found.value[at.value];
  if (!cell) return walk(1);
  props.edits.take([replacement(cell)]);
  at.value -= 1;
  walk(1);
}
function replaceAll(): void {
  props.edits.take(found.value.map(replacement));
  at.value = -1;
}
onMounted(() => input.value?.focus());
</script>

<template>
  <div
    class="find"
    role="search"
    aria-label="Find in the grid"
    data-test="find-bar"
    @keydown.esc.stop.prevent="emit('close')"
  >
    <input
      ref="input"
      v-model="text"
      aria-label="Find"
      placeholder="Find"
      data-test="find"
      @keydown.enter.exact.prevent="walk(1)"
      @keydown.shift.enter.prevent="walk(-1)"
    />
    <template v-if="replacing">
      <input
        v-model="by"
        aria-label="Replace with"
        placeholder="Replace with"
        data-test="replace-with"
        @keydown.enter.prevent="replaceOne"
      />
    </template>
    <span class="soft count" role="status" data-test="found">{{
      text === ''
        ? ''
        : found.length === 0
          ? 'not found'
          : `${at >= 0 ? `${at + 1} of ` : ''}${found.length.toLocaleString('en')} ${found.length === 1 ? 'cell' : 'cells'}`
    }}</span>
    <button class="link" :disabled="found.length === 0" title="Shift Enter" @click="walk(-1)">Before</button>
    <button class="link" :disabled="found.length === 0" title="Enter" @click="walk(1)">Next</button>
    <template v-if="replacing">
      <button class="link" :disabled="found.length === 0" @click="replaceOne">Replace</button>
      <button class="link" :disabled="found.length === 0" data-test="replace-all" @click="replaceAll">
        Replace all {{ found.length || '' }}
      </button>
    </template>
    <label><input v-model="whole" type="checkbox" /> whole cell</label>
    <label><input v-model="exact" type="checkbox" /> capitals count</label>
    <label v-if="within"><input v-model="isWithin" type="checkbox" /> in the selection</label>
    <span class="grow" />
    <button class="link" @click="emit('close')">Close</button>
  </div>
</template>

<style scoped>
.find {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
  padding: 4px 10px;
  font-size: 13px;
  border-bottom: 1px solid var(--line-soft);
  background: var(--ground);
}
.find > input {
  font: inherit;
  width: 150px;
  border: 1px solid var(--line);
  padding: 2px 6px;
  background: var(--sheet);
}
.count {
  min-width: 70px;
}
label {
  display: flex;
  gap: 4px;
}
button:disabled {
  color: var(--ink-soft);
}
</style>
