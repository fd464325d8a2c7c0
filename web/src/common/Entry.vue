<script setup lang="ts">
/**
 * A field that shows a held figure and takes a typed one when it is left or Enter is pressed. While somebody types in
 * it nothing from outside overwrites what is typed. What is refused stays, marked, with the reason, until it is put right or Esc gives it up.
 * With a name for it what is half typed is kept as a draft: it is there again, and seen to be, when the page is.
 */
import { computed, nextTick, onBeforeUnmount, ref, watch } from 'vue';
import { draftOf, dropDraft, keepDraft } from './drafts';
import { isLeaving } from './leaving';
import { committedBy } from '../api/refusals';

const props = defineProps<{ value: string; rows?: number; draft?: string | undefined }>();
const emit = defineEmits<{
  commit: [text: string];
  /** What is typed at the moment; what is held when nothing is. */
  typing: [text: string];
}>();
defineOptions({ inheritAttrs: false });

const HALF_TYPED = 'Half typed, not stored: Enter stores it, Esc gives it up';
const left = props.draft === undefined ? null : draftOf(props.draft);
/** A text that was left half typed, as long as it is neither taken nor given up. */
const isDraft = ref(left !== null && left !== props.value);
const text = ref(isDraft.value ? left! : props.value);
let typing = isDraft.value;
/** A draft is taken when somebody goes on with it, not when it is passed by. */
let isTouched = false;
function onInput(): void {
  problem.value = null;
  emit('typing', text.value);
  typing = true;
  isTouched = true;
  if (props.draft !== undefined) keepDraft(props.draft, text.value);
}
function onEnter(event: KeyboardEvent): void {
  isTouched = true;
  (event.target as HTMLElement).blur();
}
function done(): void {
  typing = false;
  isTouched = false;
  isDraft.value = false;
  problem.value = null;
  if (props.draft !== undefined) dropDraft(props.draft);
}
watch(
  () => props.value,
  (held) => {
    if (!typing) text.value = held;
  },
);

/** Why what stands here was not taken; it stays until it is put right or given up. */
const problem = ref<string | null>(null);
/** Counts what was committed: the refusal of anything but the last is not heard any more. */
let commits = 0;
onBeforeUnmount(() => (commits = -1));

async function commit(): Promise<void> {
  // Passed by, left for another window, or refused already: it stays as it is.
  if ((isDraft.value && !isTouched) || !document.hasFocus() || isLeaving() || problem.value !== null) return;
  const typed = text.value;
  const before = props.value;
  done();
  if (typed === before) return;
  const mine = ++commits;
  const onRefused = async (message: string): Promise<void> => {
    // What was shown already is taken back first.
    await nextTick();
    if (mine === commits && !typing && props.value === before) keepRefused(typed, message);
  };
  committedBy(
    (message) => void onRefused(message),
    () => emit('commit', typed),
  );
  await nextTick();
  if (!typing) text.value = props.value;
}
function keepRefused(typed: string, message: string): void {
  text.value = typed;
  typing = true;
  problem.value = message;
  if (props.draft !== undefined) keepDraft(props.draft, typed);
  emit('typing', typed);
}
function giveUp(event: KeyboardEvent): void {
  done();
  text.value = props.value;
  (event.target as HTMLElement).blur();
}
const hint = computed(() =>
  problem.value !== null
    ? `Not stored: ${problem.value} Put it right, or Esc gives it up.`
    : isDraft.value
      ? HALF_TYPED
      : undefined,
);
</script>

<template>
  <textarea
    v-if="rows"
    v-bind="$attrs"
    v-model="text"
    :rows="rows"
    @input="onInput"
    :class="{ draft: isDraft, refused: problem !== null }"
    :title="hint"
    :aria-invalid="problem !== null || undefined"
    @blur="commit"
    @keydown.esc="giveUp"
  />
  <input
    v-else
    v-bind="$attrs"
    v-model="text"
    @input="onInput"
    :class="{ draft: isDraft, refused: problem !== null }"
    :title="hint"
    :aria-invalid="problem !== null || undefined"
    @blur="commit"
    @keydown.enter="onEnter"
    @keydown.esc="giveUp"
  />
</template>

<style scoped>
.draft {
  background: var(--weld-pale) !important;
  border-bottom: 2px dashed var(--weld) !important;
}
.refused {
  background: color-mix(in srgb, var(--stops) 8%, var(--sheet)) !important;
  border-bottom: 2px solid var(--stops) !important;
}
</style>
