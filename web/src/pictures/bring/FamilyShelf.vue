<script setup lang="ts">
/** The pictures that come to one family, place by place; others are dropped on a place. */
import { ref } from 'vue';
import { placeKey } from '@loom-kin/core/family';
import Swatch from '../../common/Swatch.vue';
import ArrivalTiles from './ArrivalTiles.vue';
import type { Shelf } from './shelves';
import type { Target } from './useSettling';

defineProps<{ shelf: Shelf; chosen: ReadonlySet<string> }>();
const emit = defineEmits<{ press: [key: string, event: MouseEvent]; open: [at: number]; drop: [to: Target] }>();
const over = ref('');
</script>

<template>
  <div class="sheet" :data-test="`shelf-${shelf.family.styleCode}`">
    <div class="part">
      <h2>
        <RouterLink :to="{ name: 'pictures', params: { id: shelf.family.id } }">{{ shelf.family.name }}</RouterLink>
      </h2>
      <span class="soft mono">{{ shelf.family.styleCode }}</span>
      <span v-if="shelf.bare.length" class="warns">no picture for {{ shelf.bare.join(', ') }}</span>
    </div>
    <div
      v-for="{ place: one, arrivals } in shelf.rows"
      :key="JSON.stringify(one.place)"
      class="row"
      :class="{ over: over === placeKey(one.place) }"
      :data-test="`row-${one.label}`"
      @dragover.prevent="over = placeKey(one.place)"
      @dragleave="over = ''"
      @drop.prevent="((over = ''), emit('drop', { familyId: shelf.family.id, place: one.place }))"
    >
      <div class="name">
        <Swatch v-if="one.swatch" :colour="one.swatch" />{{ one.label
        }}<span class="soft small">{{ one.pictures.length ? `${one.pictures.length} there` : '' }}</span>
      </div>
      <ArrivalTiles
        :arrivals="arrivals"
        :chosen="chosen"
        @press="(key, event) => emit('press', key, event)"
        @open="emit('open', $event)"
      />
    </div>
  </div>
</template>

<style scoped>
.part {
  display: flex;
  gap: 12px;
  align-items: baseline;
  padding: 7px 14px;
}
.row {
  display: grid;
  grid-template-columns: 150px 1fr;
  gap: 12px;
  padding: 6px 14px;
  border-top: 1px solid var(--line-soft);
}
.row.over {
  background: var(--weld-pale);
}
.name {
  overflow-wrap: anywhere;
}
.name .small {
  display: block;
  font-size: 12px;
}
</style>
