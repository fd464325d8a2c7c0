<script setup lang="ts">
/** Where a picture goes without dragging it: earlier or later among its own, or to any other place of the family. */
import { computed } from 'vue';
import { placeLabel, type Place } from '@loom-kin/core';
import PopupButton from '../common/PopupButton.vue';
import { samePlace } from '../common/scopes';
import { useFamily } from '../stores/family';

const props = defineProps<{ name: string; place: Place; at: number; count: number }>();
const emit = defineEmits<{ shift: [by: 1 | -1]; to: [place: Place] }>();
const store = useFamily();

const places = computed((): Place[] => {
  const { axes } = store.family!;
  const values = axes.flatMap((axis) =>
    axis.values.map((value): Place => ({ level: 'value', axisId: axis.id, valueId: value.id })),
  );
  return [{ level: 'family' } as Place, ...values].filter((one) => !samePlace(one, props.place));
});
</script>

<template>
  <PopupButton :name="`Move ${name}`" plain :title="`Move ${name}`" :width="220">
    <template #label>move</template>
    <template #default="{ close }">
      <div class="ways">
        <button class="plain" :disabled="at === 0" @click="(close(), emit('shift', -1))">Earlier</button>
        <button class="plain" :disabled="at === count - 1" @click="(close(), emit('shift', 1))">Later</button>
        <button v-for="one in places" :key="JSON.stringify(one)" class="plain" @click="(close(), emit('to', one))">
          to {{ placeLabel(store.family!, one) }}
        </button>
      </div>
    </template>
  </PopupButton>
</template>

<style scoped>
.ways {
  display: flex;
  flex-direction: column;
}
.ways button {
  padding: 3px 4px;
}
.ways button:disabled {
  color: var(--ink-soft);
}
.ways button:hover:enabled,
.ways button:focus-visible {
  background: var(--weld-pale);
}
</style>
