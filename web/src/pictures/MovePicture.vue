<script setup lang="ts">
/** Where a picture goes without dragging it: earlier or later among its own, or to any other place of the family. */
import { computed } from 'vue';
import type { Place } from '@loom-kin/core/place';
import PopupButton from '../common/PopupButton.vue';
import { samePlace } from '../common/scopes';
import { usePicturePlaces } from './usePicturePlaces';

const props = defineProps<{ name: string; place: Place; at: number; count: number }>();
const emit = defineEmits<{ shift: [by: 1 | -1]; to: [place: Place] }>();
const { places } = usePicturePlaces();
const others = computed(() => places.value.filter((one) => !samePlace(one.place, props.place)));
</script>

<template>
  <PopupButton :name="`Move ${name}`" plain :title="`Move ${name}`" :width="220">
    <template #label>move</template>
    <template #default="{ close }">
      <div class="ways">
        <button class="plain" :disabled="at === 0" @click="(close(), emit('shift', -1))">Earlier</button>
        <button class="plain" :disabled="at === count - 1" @click="(close(), emit('shift', 1))">Later</button>
        <button v-for="one in others" :key="one.key" class="plain" @click="(close(), emit('to', one.place))">
          to {{ one.label }}
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
