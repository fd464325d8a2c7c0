<script setup lang="ts">
/** Pictures that were brought, side by side: gone through, chosen and opened. */
import type { Arrival } from '@loom-kin/contract';
import ArrivalTile from './ArrivalTile.vue';

defineProps<{ arrivals: readonly Arrival[]; chosen: ReadonlySet<string> }>();
const emit = defineEmits<{ press: [key: string, event: MouseEvent]; open: [at: number] }>();
</script>

<template>
  <div class="tiles">
    <ArrivalTile
      v-for="one in arrivals"
      :key="one.at"
      :arrival="one"
      :is-chosen="chosen.has(String(one.at))"
      @click="emit('press', String(one.at), $event)"
      @dblclick="emit('open', one.at)"
    />
  </div>
</template>

<style scoped>
.tiles {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
}
</style>
