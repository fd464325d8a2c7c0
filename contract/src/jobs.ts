/** Long work in the background: how far it is, stopped and taken up again. */
import { z } from 'zod';
import { define, withId } from './endpoint';

export const JOB_KINDS = ['recheck', 'intake', 'list', 'pictures', 'export', 'dispatch'] as const;
export const JOB_STATES = ['running', 'stopped', 'done', 'failed'] as const;

export const JobSchema = z.object({
  id: z.string(),
  kind: z.enum(JOB_KINDS),
  title: z.string(),
  /** The family that is taken in to, or the dispatch; empty for what concerns all families. */
  subject: z.string(),
  state: z.enum(JOB_STATES),
  /** Families, rows or lines that are done. */
  done: z.number(),
  /** Of how many; null while that is not known yet. */
  total: z.number().nullable(),
  /** Why it failed, or what it waits for. */
  notice: z.string().nullable(),
  at: z.string(),
  endedAt: z.string().nullable(),
});
export type Job = z.infer<typeof JobSchema>;

export const jobEndpoints = {
  jobs: define('get', '/api/jobs', 'Long work, the newest first', { response: z.array(JobSchema) }),
  job: define('get', '/api/jobs/:id', 'One piece of long work', { params: withId, response: JobSchema }),
  stopJob: define('post', '/api/jobs/:id/stop', 'Stop it; nothing of it is written by half', {
    params: withId,
    response: JobSchema,
  }),
  resumeJob: define('post', '/api/jobs/:id/resume', 'Go on with what was stopped or failed', {
    params: withId,
    response: JobSchema,
  }),
};
