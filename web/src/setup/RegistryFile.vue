<script setup lang="ts">
/** The registry as a file: out as it is, in with what the file names added or replaced. */
import { ref } from 'vue';
import { ElButton } from 'element-plus';
import { RegistryDataSchema } from '@loom-kin/core/registry';
import { say } from '../api/api';
import { useSetup } from '../stores/setup';
import { keepMade } from '../common/takeOut';

/** Characters; a registry is far smaller. */
const MOST = 5_000_000;

const setup = useSetup();
const problem = ref('');
const input = ref<HTMLInputElement>();

function save(): void {
  const text = JSON.stringify(setup.registry.data, null, 2);
  keepMade(new Blob([text], { type: 'application/json' }), 'registry.json');
}

async function take(): Promise<void> {
  const file = input.value?.files?.[0];
  if (!file) return;
  problem.value = '';
  const read = await readRegistry(file);
  if (typeof read === 'string') problem.value = `${file.name}: ${read}`;
  else if (await setup.change([{ on: 'registry', command: { do: 'takeRegistry', registry: read } }])) {
    say(`${file.name} is taken in.`);
  }
  input.value!.value = '';
}

async function readRegistry(file: File) {
  if (file.size > MOST) return 'the file is larger than 5 MB.';
  try {
    const read = RegistryDataSchema.partial().safeParse(JSON.parse(await file.text()));
    if (read.success) return read.data;
    const { path, message } = read.error.issues[0]!;
    return `${path.join('.') || 'the file'}: ${message}`;
  } catch {
    return 'this is no JSON file.';
  }
}
</script>

<template>
  <div class="sheet part">
    <h2>As a file</h2>
    <p class="soft">
      Categories, facts, dictionary and languages together (JSON). What a file names is added or replaced.
    </p>
    <p v-if="problem" class="stops" role="alert">{{ problem }}</p>
    <div class="line">
      <ElButton data-test="registry-out" @click="save">Save as a file</ElButton>
      <label
        >Take a file in
        <input ref="input" type="file" accept=".json,application/json" data-test="registry-in" @change="take"
      /></label>
    </div>
  </div>
</template>

<style scoped>
@import './part.css';
</style>
