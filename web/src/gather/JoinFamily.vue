<script setup lang="ts">
/** Children that go over to another family: it is found here, what tells them apart there is looked at on the page where families are gathered. */
import { ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import { children } from '@loom-kin/core/text';
import type { FamilySummary } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';
import PopupButton from '../common/PopupButton.vue';
import { useFamily } from '../stores/family';

const props = defineProps<{ childIds: readonly string[] }>();
const store = useFamily();
const router = useRouter();
const q = ref('');
const found = ref<FamilySummary[]>([]);
const SHOWN = 8;
/** So long nothing is typed before it is asked, in milliseconds. */
const REST = 150;
let resting: ReturnType<typeof setTimeout> | undefined;
const ask = latest();

async function look(): Promise<void> {
  try {
    await ask(
      () => call(api.listFamilies, { query: { q: q.value, limit: SHOWN + 1 } }),
      ({ families }) => (found.value = families.filter(({ id }) => id !== store.family!.id).slice(0, SHOWN)),
    );
  } catch (error) {
    tell(error);
  }
}
watch(q, () => {
  clearTimeout(resting);
  resting = setTimeout(() => void look(), REST);
});
async function join(id: string): Promise<void> {
  await store.settled();
  const from = store.family!.id;
  const isAll = props.childIds.length === store.index!.woven.length;
  await router.push({
    name: 'gather',
    query: { families: `${id},${from}`, into: id, ...(isAll ? {} : { only: props.childIds.join(',') }) },
  });
}
</script>

<template>
  <PopupButton name="Join another family" plain class="link small" :width="320" data-test="join-family" @click="look">
    <template #label>Join another family…</template>
    <template #default="{ close }">
      <label class="soft"
        >{{ children(childIds.length) }} into
        <input v-model="q" class="find" placeholder="name, style code or SKU" data-test="join-find"
      /></label>
      <ul>
        <li v-for="one in found" :key="one.id">
          <button class="plain" data-test="join-into" @click="(close(), join(one.id))">
            {{ one.name }} <span class="soft">{{ one.axes || 'no axes' }}, {{ children(one.children) }}</span>
          </button>
        </li>
      </ul>
      <p v-if="found.length === 0" class="soft">No other family is called so.</p>
    </template>
  </PopupButton>
</template>

<style scoped>
.find {
  display: block;
  width: 100%;
  font: inherit;
  color: inherit;
  background: var(--sheet);
  border: 1px solid var(--line);
  padding: 3px 8px;
}
ul {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
li button {
  width: 100%;
  text-align: left;
  padding: 4px;
}
li button:hover,
li button:focus-visible {
  background: var(--weld-pale);
}
</style>
