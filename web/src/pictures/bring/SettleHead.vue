<script setup lang="ts">
/** What was brought in figures, how far it is, and what is done with all of it. */
import { computed } from 'vue';
import { ElButton } from 'element-plus';
import { tell } from '../../api/api';
import { useJobs } from '../../stores/jobs';
import type { usePlacing } from './usePlacing';
import type { useSettling } from './useSettling';
import JobProgress from '../../common/JobProgress.vue';

const props = defineProps<{
  id: string;
  /** So many families pictures go to. */
  families: number;
  settling: ReturnType<typeof useSettling>;
  placing: ReturnType<typeof usePlacing>;
}>();
const jobs = useJobs();
const { job, questions, going, waiting, nowhere, leftOut, refused, canUndo, undo } = props.settling;
const { how, isPlacing, placed, place, takeBack, putAway } = props.placing;
const asked = computed(() => questions.value.reduce((sum, one) => sum + one.arrivals.length, 0));
const count = (n: number, one: string, more = `${one}s`) => `${n.toLocaleString('en')} ${n === 1 ? one : more}`;
</script>

<template>
  <div class="sheet head">
    <RouterLink :to="{ name: 'bring' }">Pictures</RouterLink>
    <strong v-if="job" class="title">{{ job.title }}</strong>
    <span class="counts" data-test="settle-counts">
      <span v-if="going.length" class="fits"
        >{{ count(going.length, 'picture') }} to {{ count(families, 'family', 'families') }}</span
      >
      <span v-if="questions.length" class="warns">{{ count(questions.length, 'question') }} about {{ asked }}</span>
      <span v-if="nowhere.length" class="warns">{{ nowhere.length }} without a place</span>
      <span v-if="leftOut.length" class="soft">{{ leftOut.length }} left out</span>
      <span v-if="refused.length" class="stops">{{ refused.length }} not taken</span>
    </span>
    <div class="grow" />
    <template v-if="job?.state === 'running'">
      <span role="status" data-test="taking"
        >{{ job.done.toLocaleString('en') }} of {{ job.total?.toLocaleString('en') ?? '…' }}</span
      >
      <JobProgress class="bar" :job="job" />
      <ElButton size="small" @click="jobs.stop(id).catch(tell)">Stop</ElButton>
    </template>
    <ElButton
      v-else-if="job?.state === 'stopped' || job?.state === 'failed'"
      size="small"
      type="primary"
      @click="jobs.resume(id).catch(tell)"
      >Go on taking in</ElButton
    >
    <ElButton v-if="canUndo" size="small" title="Ctrl Z" data-test="settle-undo" @click="undo()">Undo</ElButton>
    <ElButton v-if="placed !== null" size="small" data-test="take-back" @click="takeBack">Take back</ElButton>
    <select v-model="how" aria-label="Where they go in a place">
      <option value="behind">behind those there</option>
      <option value="instead">instead of those there</option>
    </select>
    <ElButton
      type="primary"
      :disabled="waiting.length === 0"
      :loading="isPlacing"
      title="Ctrl Enter"
      data-test="put-in-place"
      @click="place"
    >
      {{ waiting.length ? `Put ${waiting.length.toLocaleString('en')} in place` : 'In place' }}
    </ElButton>
    <ElButton
      size="small"
      text
      :disabled="job?.state === 'running'"
      title="Forgets what was brought; pictures in families stay"
      @click="putAway"
      >Put away</ElButton
    >
  </div>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 12px;
  align-items: center;
  padding: 8px 14px;
}
.title {
  max-width: 260px;
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.counts {
  display: flex;
  gap: 12px;
}
.bar {
  flex: none;
}
select {
  font: inherit;
  font-size: 13px;
  border: 1px solid var(--line);
  background: var(--sheet);
  padding: 3px;
}
</style>
