<script setup lang="ts">
/** The places where pieces are kept; the first is where they are when nobody says. */
import { computed, ref } from 'vue';
import { ElButton, ElInput } from 'element-plus';
import { type Location, MAIN_LOCATION } from '@loom-kin/core/stock';
import { useSetup } from '../stores/setup';
import Entry from '../common/Entry.vue';
import { idFor } from './idFor';

const setup = useSetup();
const places = computed(() => setup.registry.locations);
const fresh = ref('');
/** The list as it will be, made of the list as it is when its turn comes. */
const send = (next: (now: readonly Location[]) => Location[]) =>
  setup.change(() => [{ on: 'registry', command: { do: 'setLocations', locations: next(places.value) } }]);
const rename = (id: string, label: string) =>
  send((now) => now.map((one) => (one.id === id ? { ...one, label } : one)));

async function add(): Promise<void> {
  const typed = fresh.value;
  const label = typed.trim();
  if (!label) return;
  const ids = () => places.value.map((one) => one.id);
  const added = await send((now) => [...now, { id: idFor(label, ids()), label }]);
  if (added && fresh.value === typed) fresh.value = '';
}
</script>

<template>
  <div id="locations" class="sheet part" data-test="locations">
    <h2>Where pieces are kept</h2>
    <p class="soft">
      With several places stock is counted place by place, and an account may be told of some of them alone.
    </p>
    <p v-for="one in places" :key="one.id" class="line place" data-test="location">
      <Entry :value="one.label" :aria-label="`Name of ${one.label}`" @commit="rename(one.id, $event)" />
      <span v-if="one.id === MAIN_LOCATION.id" class="soft">where pieces are when nobody says</span>
      <button v-else class="link" @click="send((now) => now.filter((other) => other.id !== one.id))">remove</button>
    </p>
    <form class="line" @submit.prevent="add">
      <label>Another place <ElInput v-model="fresh" placeholder="Quay shed" data-test="new-location" /></label>
      <ElButton native-type="submit" data-test="add-location">Add it</ElButton>
    </form>
  </div>
</template>

<style scoped>
@import './part.css';
.place {
  align-items: baseline;
}
.place :deep(input) {
  font: inherit;
  color: inherit;
  border: 1px solid var(--line);
  padding: 3px 8px;
  background: var(--sheet);
}
</style>
