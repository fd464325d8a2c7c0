/** Routes: long work. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { readJob, readJobs } from '../../jobs/jobs';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountJobs(app: Express, { store, desk }: Parts): void {
  mount(app, api.jobs, () => readJobs(store.database));
  mount(app, api.job, ({ params }) => readJob(store.database, params.id));
  mount(app, api.stopJob, ({ params }) => desk.stop(params.id));
  mount(app, api.resumeJob, ({ params }) => desk.resume(params.id));
}
