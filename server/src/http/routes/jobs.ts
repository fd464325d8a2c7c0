/** Routes: long work. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { allJobs, anyJob } from '../../jobControls/allJobs';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountJobs(app: Express, { store, jobControls }: Parts): void {
  mount(app, api.jobs, () => allJobs(store.database));
  mount(app, api.job, ({ params }) => anyJob(store.database, params.id));
  mount(app, api.stopJob, ({ params }) => jobControls.stop(params.id));
  mount(app, api.resumeJob, ({ params }) => jobControls.resume(params.id));
}
