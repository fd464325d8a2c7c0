/** Long work in the background, as it goes on. */
import { defineStore } from 'pinia';
import { computed, ref, watch } from 'vue';
import type { Job } from '@loom-kin/contract';
import { api, call } from '../api/api';
import { useServerEvents } from './serverEvents';

/** So often a job is asked after by whoever waits for it, beside what is heard, in milliseconds. */
const ASK_EVERY = 1000;

export const useJobs = defineStore('jobs', () => {
  const serverEvents = useServerEvents();
  const jobs = ref<Job[]>([]);

  /** Puts a job where it was, or before the others. */
  function put(job: Job): void {
    const at = jobs.value.findIndex((one) => one.id === job.id);
    if (at < 0) jobs.value.unshift(job);
    else jobs.value[at] = job;
  }

  async function load(): Promise<void> {
    try {
      const known = new Map(jobs.value.map((job) => [job.id, job]));
      const list = await call(api.jobs);
      // What was told meanwhile is newer than the list.
      const isTold = (id: string) => {
        const now = jobs.value.find((job) => job.id === id);
        return now && now !== known.get(id) ? now : undefined;
      };
      const fresh = jobs.value.filter((job) => !known.has(job.id) && !list.some((one) => one.id === job.id));
      jobs.value = [...fresh, ...list.map((job) => isTold(job.id) ?? job)];
    } catch {
      // The bar says that the server is silent; what was known stays.
    }
  }

  let listening = false;
  /** Begins to follow what is under way. */
  function follow(): void {
    if (listening) return;
    listening = true;
    serverEvents.subscribe((event) => event.jobs.forEach(put));
    watch([() => serverEvents.dispatchTurn, () => serverEvents.gaps], () => void load());
    void load();
  }

  /** The job once it runs no more. */
  async function ended(id: string): Promise<Job> {
    let isHeard = false;
    for (;;) {
      const known = jobs.value.find((job) => job.id === id);
      // What is heard is as new as what would be answered.
      const job = known && (isHeard || known.state !== 'running') ? known : await call(api.job, { params: { id } });
      // What is shown of a long change is told alone: the answer knows less.
      if (job !== known && !(known && job.state === 'running' && job.done < known.done)) put(job);
      if (job.state !== 'running') return job;
      isHeard = await heard(id);
    }
  }

  /** Until something is heard of a job, or some time has passed; whether it was heard. */
  const heard = (id: string) =>
    new Promise<boolean>((resolve) => {
      const done = (isHeard: boolean) => {
        unsubscribe();
        clearTimeout(timer);
        resolve(isHeard);
      };
      const unsubscribe = serverEvents.subscribe((event) => {
        if (event.jobs.some((job) => job.id === id)) done(true);
      });
      const timer = setTimeout(() => done(false), ASK_EVERY);
    });

  async function stop(id: string): Promise<void> {
    put(await call(api.stopJob, { params: { id } }));
  }
  async function resume(id: string): Promise<void> {
    put(await call(api.resumeJob, { params: { id } }));
  }

  const running = computed(() => jobs.value.filter((job) => job.state === 'running'));
  return { jobs, running, follow, put, ended, stop, resume };
});
