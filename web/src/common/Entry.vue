<script setup lang="ts">
/**
 * A field that shows a held figure and takes a typed one when it is left or Enter is pressed. While somebody types in
 * it nothing from outside overwrites what is typed; what is not taken goes back to what is held. Esc gives up. With a name for it what is half
 * typed is kept as a draft: it is there again, and seen to be, when the page is.
 */
import { nextTick, ref, watch } from 'vue';
import { draftOf, dropDraft, keepDraft } from './drafts';
import { isLeaving } from './leaving';

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
  if (props.draft !== undefined) dropDraft(props.draft);
}
watch(
  () => props.value,
  (held) => {
    if (!typing) text.value = held;
  },
);

async function commit(): Promise<void> {
  // Passed by, or left for another window: it stays half typed.
  if ((isDraft.value && !isTouched) || !document.hasFocus() || isLeaving()) return;
  done();
  if (text.value !== props.value) emit('commit', text.value);
  await nextTick();
  if (!typing) text.value = props.value;
}
function giveUp(event: KeyboardEvent): void {
  done();
  text.value = props.value;
  (event.target as HTMLElement).blur();
}
</script>

<template>
  <textarea
    v-if="rows"
    v-bind="$attrs"
    v-model="text"
    :rows="rows"
    @input="onInput"
    :class="{ draft: isDraft }"
    :title="isDraft ? HALF_TYPED : undefined"
    @blur="commit"
    @keydown.esc="giveUp"
  />
  <input
    v-else
    v-bind="$attrs"
    v-model="text"
    @input="onInput"
    :class="{ draft: isDraft }"
    :title="isDraft ? HALF_TYPED : undefined"
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
</style>
