<script setup lang="ts">
/** Where the seller's categories go on a channel: each to one of the channel's own, else where the one above it goes. */
import { computed } from 'vue';
import { mappedCategory } from '@loom-kin/core/catalogue';
import type { Category } from '@loom-kin/core/registry';
import type { Channel } from '@loom-kin/contract';
import { useSetup } from '../stores/setup';

const props = defineProps<{ channel: Channel }>();
const setup = useSetup();
const map = computed(() => setup.setup?.categoryMaps[props.channel.channel] ?? {});
const label = (id: string | null) => props.channel.rulebook.categories.find((one) => one.id === id)?.label;
const above = (category: Category) => label(mappedCategory(setup.registry, map.value, category.parent));

function send(category: Category, to: string): void {
  const step = { on: 'categoryMap' as const, channel: props.channel.channel, map: { [category.id]: to } };
  void setup.change([step], `${category.label} on ${props.channel.rulebook.name}`);
}
</script>

<template>
  <p v-if="setup.registry.tree.length === 0" class="soft">
    You have no categories yet. <RouterLink to="/setup">Make some under Setup.</RouterLink>
  </p>
  <table v-else id="account-categories" class="lines">
    <thead>
      <tr>
        <th>Your category</th>
        <th>Goes to</th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="{ category, depth } in setup.registry.tree" :key="category.id">
        <td :style="{ paddingLeft: `${8 + depth * 18}px` }">{{ category.label }}</td>
        <td>
          <select
            :value="map[category.id] ?? ''"
            :aria-label="`Where ${category.label} goes`"
            :data-test="`map-${category.id}`"
            @change="send(category, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">{{ above(category) ? `as above: ${above(category)}` : 'nowhere yet' }}</option>
            <option v-for="one in channel.rulebook.categories" :key="one.id" :value="one.id">{{ one.label }}</option>
          </select>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
select {
  font: inherit;
  border: 1px solid var(--line);
  padding: 2px 6px;
  width: 260px;
  background: var(--sheet);
  color: inherit;
}
</style>
