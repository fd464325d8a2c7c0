<script setup lang="ts">
/** Where pictures are brought: files, folders, archives or addresses, dropped, chosen or pasted. */
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElInput } from 'element-plus';
import { api, call, refuse, tell } from '../../api/api';
import { useJobs } from '../../stores/jobs';
import { addressesIn, bringFiles, chosenFiles, droppedFiles, FILES_AT_MOST, type Brought } from './bringFiles';

const props = defineProps<{ family?: string }>();
const router = useRouter();
const jobs = useJobs();
const sending = ref(0);
const over = ref(false);
const addresses = ref('');
const addressesShown = ref(false);
let stop: AbortController | null = null;

async function bring(files: readonly Brought[]): Promise<void> {
  if (files.length === 0) return;
  if (files.length > FILES_AT_MOST)
    refuse(
      `${files.length.toLocaleString('en')} files at once are too many: the first ${FILES_AT_MOST.toLocaleString('en')} are taken. Bring the others after them, or pack them as a zip.`,
    );
  stop = new AbortController();
  sending.value = Math.min(files.length, FILES_AT_MOST);
  try {
    await goTo(await bringFiles(files, props.family, stop.signal));
  } catch (error) {
    tell(error);
  } finally {
    sending.value = 0;
  }
}
async function goTo(job: Awaited<ReturnType<typeof bringFiles>>): Promise<void> {
  jobs.put(job);
  await router.push({ name: 'settle', params: { id: job.id } });
}
const drop = async (event: DragEvent) => {
  over.value = false;
  await bring(await droppedFiles(event.dataTransfer));
};
function choose(event: Event): void {
  const input = event.target as HTMLInputElement;
  const files = chosenFiles(input.files);
  input.value = '';
  void bring(files);
}
async function fetchAll(): Promise<void> {
  const list = addressesIn(addresses.value);
  if (list.length === 0) return;
  try {
    await goTo(
      await call(api.fetchPictures, { body: { addresses: list, ...(props.family ? { family: props.family } : {}) } }),
    );
  } catch (error) {
    tell(error);
  }
}
defineExpose({ drop });
</script>

<template>
  <div
    class="sheet bring"
    :class="{ over }"
    data-test="bring"
    @dragover.prevent="over = true"
    @dragleave="over = false"
    @drop.prevent="drop"
  >
    <div v-if="sending" class="line" role="status">
      <span>Sending {{ sending === 1 ? 'a file' : `${sending.toLocaleString('en')} files` }}…</span>
      <ElButton size="small" @click="stop?.abort()">Stop</ElButton>
    </div>
    <template v-else>
      <div class="line">
        <label class="choose"
          ><input
            type="file"
            multiple
            accept=".png,.jpg,.jpeg,.webp,.avif,.tif,.tiff,.gif,.zip"
            class="visually-hidden"
            data-test="bring-files"
            @change="choose"
          />Choose pictures or zips</label
        >
        <label class="choose"
          ><input
            type="file"
            multiple
            webkitdirectory
            class="visually-hidden"
            data-test="bring-folder"
            @change="choose"
          />Choose a folder</label
        >
        <button
          class="link"
          :aria-expanded="addressesShown"
          data-test="by-address"
          @click="addressesShown = !addressesShown"
        >
          By their addresses
        </button>
        <span class="soft"
          >or drop them here. Names such as <span class="mono">SKJ_rust_front.jpg</span> say where each goes.</span
        >
      </div>
      <form v-if="addressesShown" class="addresses" @submit.prevent="fetchAll">
        <ElInput
          v-model="addresses"
          type="textarea"
          :rows="4"
          placeholder="https://… , an address a line"
          aria-label="Addresses of pictures"
          data-test="addresses"
        />
        <ElButton native-type="submit" type="primary" :disabled="addresses.trim() === ''" data-test="fetch"
          >Fetch {{ addressesIn(addresses).length || '' }}</ElButton
        >
      </form>
    </template>
  </div>
</template>

<style scoped>
.bring {
  padding: 12px 14px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.bring.over {
  background: var(--weld-pale);
  outline: 2px dashed var(--weld);
  outline-offset: -2px;
}
.line {
  display: flex;
  gap: 14px;
  align-items: center;
  flex-wrap: wrap;
}
.choose {
  border: 1px dashed var(--woad);
  color: var(--woad);
  padding: 7px 16px;
  cursor: pointer;
}
.choose:hover,
.choose:focus-within {
  background: var(--woad-pale);
}
.addresses {
  display: flex;
  gap: 10px;
  align-items: end;
}
</style>
