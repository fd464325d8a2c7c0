<script setup lang="ts">
/** What is said under an entry while it is filled: of a price its tax, of a weight that of its parcel. */
import type { Figure } from '@loom-kin/core/family';
import PriceHint from '../money/PriceHint.vue';
import VolumeHint from '../stock/VolumeHint.vue';

defineProps<{
  field: string;
  /** What is half typed; empty where nothing is. */
  typed: string;
  /** The figure of a field that holds at this place. */
  held: (key: string) => Figure | undefined;
}>();
const emit = defineEmits<{ typed: [text: string] }>();
const SIDES = ['packageLength', 'packageWidth', 'packageHeight'];
</script>

<template>
  <PriceHint v-if="field === 'price'" :typed="typed" :held="held('price')" @net="emit('typed', $event)" />
  <VolumeHint v-else-if="field === 'weight'" :weight="held('weight')" :sides="SIDES.map(held)" />
</template>
