<script setup lang="ts">
/** Everything as one file, and back from it. */
import { computed, ref } from 'vue';
import { ElButton } from 'element-plus';
import type { ResponseOf } from '@loom-kin/contract';
import { takeOut } from '../common/takeOut';
import Dialog from '../common/Dialog.vue';
import { api, call, tell } from '../api/api';

const input = ref<HTMLInputElement>();
const chosen = ref<File | null>(null);
const asked = ref(false);
const busy = ref(false);
const taking = ref(false);
const problem = ref('');
const brought = ref<{ families: number; pictures: number } | null>(null);
const kept = ref<ResponseOf<typeof api.keptData>>({ days: 0, kept: [] });
/** The folder of kept data that is asked about; null where a file is. */
const before = ref<string | null>(null);
const day = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
const dayOf = (name: string) => {
  const one = kept.value.kept.find((each) => each.name === name);
  return one ? day.format(new Date(one.at)) : name;
};
const what = computed(() => (before.value ? `The data kept on ${dayOf(before.value)}` : (chosen.value?.name ?? '')));
void call(api.keptData).then((answer) => (kept.value = answer), tell);

async function take(): Promise<void> {
  taking.value = true;
  await takeOut({ kind: 'backup' });
  taking.value = false;
}
function choose(): void {
  chosen.value = input.value?.files?.[0] ?? null;
  problem.value = '';
  before.value = null;
  if (chosen.value) asked.value = true;
}
function chooseKept(name: string): void {
  problem.value = '';
  before.value = name;
  asked.value = true;
}
async function bring(): Promise<void> {
  busy.value = true;
  problem.value = '';
  try {
    const { run } = await call(api.health);
    brought.value = await ask();
    asked.value = false;
    if (await isStartedAgain(run)) return location.assign('/families');
    brought.value = null;
    problem.value =
      'The backup is laid ready, but the server has not started again yet. Load this page anew in a while. If nothing comes, start the server by hand.';
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'The backup cannot be read.';
    asked.value = false;
  } finally {
    busy.value = false;
    if (input.value) input.value.value = '';
  }
}

async function ask(): Promise<{ families: number; pictures: number }> {
  if (before.value) return call(api.bringBackKept, { params: { name: before.value } });
  const form = new FormData();
  form.append('file', chosen.value!);
  return call(api.restore, { form });
}

/** How long the server is waited for, and how often it is asked, in milliseconds. */
const WAITED = 120_000;
const EVERY = 500;

/** Whether the server has started again with the data of the backup. As long as it ends what is under way, it answers as before. */
async function isStartedAgain(before: string): Promise<boolean> {
  for (let waited = 0; waited < WAITED; waited += EVERY) {
    await new Promise((resolve) => setTimeout(resolve, EVERY));
    // No answer: it is on its way.
    const { run } = await call(api.health).catch(() => ({ run: before }));
    if (run !== before) return true;
  }
  return false;
}
</script>

<template>
  <div class="sheet part">
    <h2>Backup</h2>
    <p class="soft">
      Families, setup, journal, stock and pictures as one file. Brought back it takes the place of all that is here;
      what is here is kept, and can be brought back in the same way. The file is tried out before anything is changed.
    </p>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <p v-if="brought" class="fits" role="status">
      {{ brought.families.toLocaleString('en') }} families and {{ brought.pictures.toLocaleString('en') }} pictures are
      being put in place. The page loads anew when they are.
    </p>
    <div class="line">
      <ElButton :loading="taking" data-test="backup" @click="take">Take a backup</ElButton>
      <label
        >Bring one back
        <input ref="input" type="file" accept=".zip" data-test="restore" @change="choose" />
      </label>
    </div>
    <template v-if="kept.kept.length">
      <h3>Kept from before</h3>
      <p class="soft">Kept for {{ kept.days }} days; the newest for as long as it is the newest.</p>
      <ul class="kept" data-test="kept">
        <li v-for="one in kept.kept" :key="one.name">
          <span>{{ one.name.startsWith('failed') ? 'Could not be used' : 'In use' }} until {{ dayOf(one.name) }}</span>
          <ElButton size="small" data-test="bring-kept" @click="chooseKept(one.name)">Bring it back</ElButton>
        </li>
      </ul>
    </template>
    <Dialog v-model="asked" title="Bring this data back?" :width="440">
      <p>
        {{ what }} takes the place of every family, setting and picture that is here now. What is here is kept, and can
        be brought back from this page for {{ kept.days }} days. What the accounts hold is read before anything is sent
        to them.
      </p>
      <div class="line acts">
        <ElButton @click="asked = false">Leave it</ElButton>
        <ElButton type="primary" :loading="busy" data-test="restore-yes" @click="bring">Bring it back</ElButton>
      </div>
    </Dialog>
  </div>
</template>

<style scoped>
@import './part.css';
.button {
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 6px 14px;
  text-decoration: none;
  color: var(--ink);
}
.button:hover {
  border-color: var(--woad);
  color: var(--woad);
}
.kept {
  list-style: none;
  margin: 4px 0 0;
  padding: 0;
}
.kept li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 4px 0;
}
</style>
