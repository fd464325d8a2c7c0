<script setup lang="ts">
/**
 * A field that shows a held figure and takes a typed one when it is left or Enter is pressed. While somebody types in
 * it nothing from outside overwrites what is typed; what is not taken goes back to what is held. Esc gives up.
 */
import { nextTick, ref, watch } from 'vue';

const props = defineProps<{ value: string; rows?: number }>();
const emit = defineEmits<{ commit: [text: string] }>();
defineOptions({ inheritAttrs: false });

const text = ref(props.value);
let typing = false;
watch(
  () => props.value,
  (held) => {
    if (!typing) text.value = held;
  },
);

async function commit(): Promise<void> {
  typing = false;
  if (text.value !== props.value) emit('commit', text.value);
  await nextTick();
  if (!typing) text.value = props.value;
}
function giveUp(event: KeyboardEvent): void {
  typing = false;
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
    @input="typing = true"
    @blur="commit"
    @keydown.esc="giveUp"
  />
  <input
    v-else
    v-bind="$attrs"
    v-model="text"
    @input="typing = true"
    @blur="commit"
    @keydown.enter="($event.target as HTMLElement).blur()"
    @keydown.esc="giveUp"
  />
</template>
