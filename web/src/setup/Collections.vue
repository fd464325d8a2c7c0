<script setup lang="ts">
/** Collections that fill themselves: families that conditions hold for are in them without anybody putting them there. */
import { computed, ref, shallowRef, watch } from 'vue';
import { ElButton } from 'element-plus';
import { type Collection, isWritten } from '@loom-kin/core/catalogue';
import type { Tried } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useSetup } from '../stores/setup';
import ConditionsEntry from '../conditions/ConditionsEntry.vue';
import FoundFamilies from '../conditions/FoundFamilies.vue';

const setup = useSetup();
const kept = computed(() => setup.setup?.collections ?? []);
const collections = ref<Collection[]>([]);
const asKept = () => (collections.value = structuredClone(kept.value) as Collection[]);
watch(kept, asKept, { immediate: true });
const isChanged = computed(() => JSON.stringify(collections.value) !== JSON.stringify(kept.value));
const tried = shallowRef<Tried[]>([]);
const allWritten = computed(() => collections.value.every((one) => isWritten(one.when)));
let turn = 0;
watch(
  collections,
  async (now) => {
    const mine = ++turn;
    if (!allWritten.value) {
      tried.value = [];
      return;
    }
    try {
      // Each by itself: a family is in every collection that takes it.
      const answers = await Promise.all(now.map(({ when }) => call(api.tryConditions, { body: { sets: [when] } })));
      if (mine === turn) tried.value = answers;
    } catch (error) {
      if (mine === turn) tell(error);
    }
  },
  { deep: true, immediate: true },
);
const put = (at: number, to: Partial<Collection>) =>
  (collections.value = collections.value.map((one, n) => (n === at ? { ...one, ...to } : one)));
const remove = (at: number) => (collections.value = collections.value.filter((_, n) => n !== at));
function add(): void {
  const when = { match: 'all' as const, of: [{ key: 'tags', is: 'is' as const, value: '' }] };
  collections.value = [...collections.value, { name: `Collection ${collections.value.length + 1}`, when }];
}
async function keep(): Promise<void> {
  if (await setup.change([{ on: 'collections', collections: collections.value }])) say('The collections are kept.');
}
const text = (event: Event) => (event.target as HTMLInputElement).value;
</script>

<template>
  <div id="collections" class="sheet part">
    <h2>Collections that fill themselves</h2>
    <p class="soft">
      {{
        collections.length === 0
          ? 'None yet. A family is in the collections that are typed among its facts; here it comes into others by conditions, such as a tag.'
          : 'A family is in each of these that takes it, beside those that are typed among its facts.'
      }}
    </p>
    <div v-for="(one, at) in collections" :key="at" class="collection" data-test="collection">
      <input
        class="name"
        :value="one.name"
        :aria-label="`Name of collection ${at + 1}`"
        @change="put(at, { name: text($event).trim() || one.name })"
      />
      <ConditionsEntry :model-value="one.when" :name="one.name" @update:model-value="put(at, { when: $event })" />
      <span v-if="!isWritten(one.when)" class="warns">Say what it is compared with.</span>
      <FoundFamilies v-else-if="tried[at]?.sets[0]" :found="tried[at].sets[0]" />
      <button class="link" @click="remove(at)">take away</button>
    </div>
    <div class="foot">
      <ElButton size="small" data-test="add-collection" @click="add">Add a collection</ElButton>
      <template v-if="isChanged">
        <ElButton size="small" type="primary" :disabled="!allWritten" data-test="keep-collections" @click="keep"
          >Keep these collections</ElButton
        >
        <button class="link" @click="asKept">as they were</button>
      </template>
    </div>
  </div>
</template>

<style scoped>
@import './part.css';
.collection {
  display: grid;
  grid-template-columns: 180px minmax(0, 1fr) 110px 70px;
  gap: 12px;
  align-items: start;
  padding: 7px 0;
  border-top: 1px solid var(--line-soft);
}
.name {
  font: inherit;
  color: inherit;
  height: 26px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 1px 6px;
}
.foot {
  display: flex;
  gap: 12px;
  align-items: center;
  margin-top: 6px;
}
</style>
