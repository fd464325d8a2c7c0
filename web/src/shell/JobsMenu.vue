<script setup lang="ts">
/** Long work: how far it is, stopped and gone on with, from every view. */
import { onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { ElButton, ElProgress } from 'element-plus';
import type { Job } from '@loom-kin/contract';
import { tell } from '../api/api';
import { bringDown } from '../common/takeOut';
import PopupButton from '../common/PopupButton.vue';
import { useJobs } from '../stores/jobs';

const jobs = useJobs();
const router = useRouter();
onMounted(jobs.follow);

const UNITS = {
  recheck: 'families',
  intake: 'rows',
  list: 'rows',
  pictures: 'pictures',
  export: 'families',
  dispatch: 'lines',
};
const STATES = { running: 'under way', stopped: 'stopped', done: 'done', failed: 'failed' };
const LOOKS = { running: 'warns', stopped: 'soft', done: 'fits', failed: 'stops' };

const share = ({ done, total }: Job) => (total ? Math.min(100, Math.round((done / total) * 100)) : 0);
function progress({ kind, done, total, state }: Job): string {
  if (total === null) return state === 'running' ? beginning(kind, done) : '';
  const counted = `${done.toLocaleString('en')} of ${total.toLocaleString('en')} ${UNITS[kind]}`;
  return state === 'done' ? `${total.toLocaleString('en')} ${UNITS[kind]}` : counted;
}
function beginning(kind: Job['kind'], done: number): string {
  if (kind === 'export') return 'writing';
  return done > 0 ? `${done.toLocaleString('en')} ${UNITS[kind]} read` : 'reading the file';
}
const when = (at: string) => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

async function turn(work: (id: string) => Promise<void>, job: Job): Promise<void> {
  try {
    await work(job.id);
  } catch (error) {
    tell(error);
  }
}
const PLACES: Record<Exclude<Job['kind'], 'export'>, (job: Job) => string> = {
  recheck: () => '/families',
  intake: (job) => `/intake?family=${job.subject}&job=${job.id}`,
  list: (job) => `/intake/lists/${job.id}`,
  pictures: (job) => `/pictures/brought/${job.id}`,
  dispatch: (job) => `/dispatch/${job.subject}`,
};
function open(job: Job): void {
  if (job.kind !== 'export') return void router.push(PLACES[job.kind](job));
  if (job.state === 'done') bringDown(job.id);
}
</script>

<template>
  <PopupButton name="Jobs" plain class="jobs" :width="450" data-test="jobs">
    <template #label>
      <template v-if="jobs.running.length"
        ><span class="turning" aria-hidden="true" />{{ jobs.running.length }} under way</template
      ><template v-else>Jobs</template>
    </template>
    <template #default="{ close }">
      <div class="list" role="list" aria-label="Jobs">
        <p v-if="jobs.jobs.length === 0" class="soft">
          Long work is shown here while it goes on: sheets and pictures taken in, files taken out, families checked
          anew, dispatches.
        </p>
        <div v-for="job in jobs.jobs.slice(0, 12)" :key="job.id" role="listitem" class="job" data-test="job">
          <div class="line">
            <button class="plain title" @click="(close(), open(job))">{{ job.title }}</button>
            <span :class="LOOKS[job.state]">{{ STATES[job.state] }}</span>
          </div>
          <ElProgress
            v-if="job.state === 'running' || (job.state === 'stopped' && job.kind !== 'dispatch')"
            :percentage="share(job)"
            :indeterminate="job.state === 'running' && job.total === null"
            :stroke-width="4"
            :show-text="false"
          />
          <div class="line soft">
            <span
              >{{ progress(job) }}<template v-if="job.notice"> · </template
              ><span class="stops">{{ job.notice }}</span></span
            >
            <span v-if="job.state === 'running'"
              ><ElButton size="small" text @click="turn(jobs.stop, job)">Stop</ElButton></span
            >
            <span v-else-if="job.state === 'stopped' || (job.state === 'failed' && job.kind !== 'dispatch')"
              ><ElButton size="small" text type="primary" @click="turn(jobs.resume, job)">Go on</ElButton></span
            >
            <span v-else>{{ when(job.endedAt ?? job.at) }}</span>
          </div>
        </div>
      </div>
    </template>
  </PopupButton>
</template>

<style scoped>
:global(button.jobs) {
  font-size: 13px;
  color: var(--ink-soft);
  display: inline-flex;
  align-items: center;
  gap: 7px;
}
.turning {
  width: 11px;
  height: 11px;
  border: 2px solid var(--weld);
  border-right-color: transparent;
  border-radius: 50%;
  animation: turn 1s linear infinite;
}
@keyframes turn {
  to {
    transform: rotate(360deg);
  }
}
.list {
  max-height: 460px;
  overflow: auto;
  display: flex;
  flex-direction: column;
}
.job {
  padding: 8px 4px;
  border-bottom: 1px solid var(--line-soft);
}
.line {
  display: flex;
  gap: 12px;
  justify-content: space-between;
  align-items: baseline;
  font-size: 12.5px;
}
.title {
  font-weight: 600;
  text-align: left;
}
</style>
