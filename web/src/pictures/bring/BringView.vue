<script setup lang="ts">
/** Pictures: where they are brought, and what was brought before and is not put away. */
import { onMounted, ref, watch } from 'vue';
import { ElButton } from 'element-plus';
import type { ResponseOf } from '@loom-kin/contract';
import { api, call, tell } from '../../api/api';
import { useJobs } from '../../stores/jobs';
import BringPictures from './BringPictures.vue';
import UnusedPictures from './UnusedPictures.vue';

const jobs = useJobs();
const intakes = ref<ResponseOf<typeof api.pictureIntakes>>([]);
const loaded = ref(false);
async function load(): Promise<void> {
  try {
    intakes.value = await call(api.pictureIntakes);
    loaded.value = true;
  } catch (error) {
    tell(error);
  }
}
onMounted(load);
watch(
  () =>
    jobs.jobs
      .filter((one) => one.kind === 'pictures')
      .map((one) => one.state)
      .join(),
  load,
);
async function putAway(id: string): Promise<void> {
  try {
    await call(api.putAwayPictures, { params: { id } });
    await load();
  } catch (error) {
    tell(error);
  }
}
const when = (at: string) =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' });
</script>

<template>
  <section class="view brings">
    <h1 class="visually-hidden">Pictures</h1>
    <BringPictures />
    <table v-if="intakes.length" class="sheet list" data-test="intakes">
      <thead>
        <tr>
          <th>Brought</th>
          <th>What</th>
          <th class="number">Pictures</th>
          <th class="number">Not taken</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ job, pictures, problems } in intakes" :key="job.id">
          <td class="soft">{{ when(job.at) }}</td>
          <td>
            <RouterLink :to="{ name: 'settle', params: { id: job.id } }">{{ job.title }}</RouterLink>
          </td>
          <td class="number">{{ pictures }}</td>
          <td class="number" :class="{ stops: problems }">{{ problems || '' }}</td>
          <td class="acts">
            <ElButton size="small" text :disabled="job.state === 'running'" @click="putAway(job.id)">Put away</ElButton>
          </td>
        </tr>
      </tbody>
    </table>
    <div v-else-if="loaded" class="empty">
      <p>
        Bring a folder or a zip of pictures: each finds its family, its colour and its child by the words of its name,
        and by its colour where the name says nothing.
      </p>
      <p>You see where they go before anything is changed; what is doubtful is asked.</p>
    </div>
    <UnusedPictures />
  </section>
</template>

<style scoped>
.brings {
  padding: 12px 20px 14px;
  gap: 10px;
  overflow: auto;
}
.list {
  border-collapse: collapse;
  width: 100%;
}
.list th,
.list td {
  text-align: left;
  padding: 6px 14px;
  border-top: 1px solid var(--line-soft);
  font-weight: 400;
}
.list th {
  color: var(--ink-soft);
  border-top: none;
}
.list .number {
  text-align: right;
}
.list .acts {
  text-align: right;
}
</style>
