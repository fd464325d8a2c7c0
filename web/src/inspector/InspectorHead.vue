<script setup lang="ts">
/** What the inspector is about: its name, for how many children its figures hold, and in which scope. */
import { computed } from 'vue';
import { storeToRefs } from 'pinia';
import { familyIndex, placeLabel } from '@loom-kin/core/family';
import { capital, children } from '@loom-kin/core/text';
import { useFamily } from '../stores/family';
import ScopeSelect from '../common/ScopeSelect.vue';
import Swatch from '../common/Swatch.vue';
import GoElsewhere from '../gather/GoElsewhere.vue';
import UnderEntries from './UnderEntries.vue';

defineProps<{
  /** Children that the place is about, where it is none itself. */
  below: number;
}>();

const store = useFamily();
const { scope, selected: place } = storeToRefs(store);
const family = computed(() => store.family!);
const child = computed(() => (place.value.level === 'child' ? family.value.children[place.value.childId] : undefined));
const value = computed(() =>
  place.value.level === 'value' ? familyIndex(family.value).valueById.get(place.value.valueId) : undefined,
);
const title = computed(() => {
  if (place.value.level === 'family') return 'The whole family';
  return capital(placeLabel(family.value, place.value));
});
</script>

<template>
  <header>
    <h2><Swatch v-if="value?.swatch" :colour="value.swatch" />{{ title }}</h2>
    <p v-if="child" class="soft small mono">{{ child.fields.sku ?? 'no SKU' }}</p>
    <p v-else-if="place.level === 'combination'" class="soft small">
      Shown by {{ children(below) }}. Pictures alone stand at options together;
      <RouterLink :to="{ name: 'pictures', params: { id: family.id } }">go to them</RouterLink>.
    </p>
    <p v-else class="soft small">Figures here hold for {{ children(below) }}, unless one nearer has its own.</p>
    <UnderEntries v-if="child" :child-id="child.id" />
    <p class="head">
      <ScopeSelect v-model="scope" />
      <button v-if="place.level !== 'family'" class="link small" @click="store.selected = { level: 'family' }">
        to the whole family
      </button>
      <GoElsewhere v-if="child?.woven" :child-ids="[child.id]" />
    </p>
  </header>
</template>

<style scoped>
header {
  padding: 10px 12px;
  border-bottom: 1px solid var(--line-soft);
}
.small {
  font-size: 12px;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
  margin-top: 4px;
}
.head :deep(.link) {
  font-size: 12px;
  white-space: nowrap;
}
</style>
