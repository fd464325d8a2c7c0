<script setup lang="ts">
/** A button that opens a small sheet beside it. What is in the sheet is made when it is opened, so that a closed one costs nothing. */
import { shallowRef } from 'vue';
import { ElButton } from 'element-plus';
import Popup from './Popup.vue';

defineProps<{ name: string; width?: number; plain?: boolean; text?: boolean; large?: boolean }>();
defineOptions({ inheritAttrs: false });
const at = shallowRef<HTMLElement | null>(null);
const toggle = (event: MouseEvent) => (at.value = at.value ? null : (event.currentTarget as HTMLElement));
</script>

<template>
  <button
    v-if="plain"
    class="plain"
    v-bind="$attrs"
    aria-haspopup="dialog"
    :aria-expanded="at !== null"
    @click="toggle"
  >
    <slot name="label" />
  </button>
  <ElButton
    v-else
    v-bind="$attrs"
    :size="large ? 'default' : 'small'"
    :text="text ?? false"
    aria-haspopup="dialog"
    :aria-expanded="at !== null"
    @click="toggle"
    ><slot name="label"
  /></ElButton>
  <Popup v-if="at" :at="at" :name="name" :width="width ?? 250" @close="at = null"
    ><slot :close="() => (at = null)"
  /></Popup>
</template>
