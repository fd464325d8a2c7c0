<script setup lang="ts">
/** Everything as one file, and back from it. */
import { ref } from 'vue';
import { ElButton } from 'element-plus';
import type { ResponseOf } from '@loom-kin/contract';
import { takeOut } from '../common/takeOut';
import Dialog from '../common/Dialog.vue';
import { api, call } from '../api';

const input = ref<HTMLInputElement>();
const chosen = ref<File | null>(null);
const asked = ref(false);
const busy = ref(false);
const taking = ref(false);
const problem = ref('');
const brought = ref<ResponseOf<typeof api.restore> | null>(null);

async function take(): Promise<void> {
  taking.value = true;
  await takeOut({ kind: 'backup' });
  taking.value = false;
}
function choose(): void {
  chosen.value = input.value?.files?.[0] ?? null;
  problem.value = '';
  if (chosen.value) asked.value = true;
}
async function bring(): Promise<void> {
  busy.value = true;
  problem.value = '';
  try {
    const form = new FormData();
    form.append('file', chosen.value!);
    brought.value = await call(api.restore, { form });
    asked.value = false;
    await serverIsBack();
    location.assign('/families');
  } catch (error) {
    problem.value = error instanceof Error ? error.message : 'The backup cannot be read.';
    asked.value = false;
  } finally {
    busy.value = false;
    if (input.value) input.value.value = '';
  }
}

/** The server starts again with the data of the backup; asked for half a minute. */
async function serverIsBack(): Promise<void> {
  for (let time = 0; time < 60; time++) {
    await new Promise((resolve) => setTimeout(resolve, 500));
    try {
      await call(api.jobs);
      return;
    } catch {
      // It is on its way.
    }
  }
}
</script>

<template>
  <div class="sheet part">
    <h2>Backup</h2>
    <p class="soft">
      Families, setup, journal, stock and pictures as one file. Brought back it takes the place of all that is here;
      what is here stays in the data folder, in a folder of its own.
    </p>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <p v-if="brought" class="fits" role="status">
      {{ brought.families.toLocaleString('en') }} families and {{ brought.pictures.toLocaleString('en') }} pictures are
      back. The page loads anew.
    </p>
    <div class="line">
      <ElButton :loading="taking" data-test="backup" @click="take">Take a backup</ElButton>
      <label
        >Bring one back
        <input ref="input" type="file" accept=".zip" data-test="restore" @change="choose" />
      </label>
    </div>
    <Dialog v-model="asked" title="Bring this backup back?" :width="440">
      <p>
        {{ chosen?.name }} takes the place of every family, setting and picture that is here now. What is here is kept
        in the data folder, and is not shown any more.
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
</style>
