<script setup lang="ts">
/** Under a weight: what the parcel weighs by volume, where that is more than it weighs. */
import { computed } from 'vue';
import type { Figure } from '@loom-kin/core/family';
import { volumeWeight } from '@loom-kin/core/measure';

const props = defineProps<{ weight: Figure | undefined; sides: readonly (Figure | undefined)[] }>();
const byVolume = computed(() => {
  const [length, width, height] = props.sides;
  const isWhole = [length, width, height].every((side) => typeof side === 'number');
  return isWhole ? volumeWeight(length as number, width as number, height as number) : null;
});
const isMore = computed(
  () => typeof props.weight === 'number' && byVolume.value !== null && byVolume.value > props.weight,
);
</script>

<template>
  <span v-if="byVolume !== null" class="soft" :class="{ warns: isMore }" data-test="volume-weight">
    by volume {{ byVolume.toLocaleString('en') }} g<template v-if="isMore">: carriers charge that</template>
  </span>
</template>
