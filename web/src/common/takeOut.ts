/** Taking a file out: it is written as a job, and comes down as soon as it is there. */
import { Refusal } from '@loom-kin/core/refusal';
import { ProblemSchema, Refused, type BodyOf } from '@loom-kin/contract';
import { api, call, say, tell } from '../api/api';
import { useJobs } from '../stores/jobs';

/** What takes longer is said to be under way, in milliseconds. */
const SOON = 800;

/** A file that was made at once is read by the browser by then, in milliseconds. */
const READ_BY = 60_000;

/** Has a file written and brings it down. A job that is stopped or fails says so among the jobs. */
export async function takeOut(order: BodyOf<typeof api.startExport>): Promise<void> {
  const jobs = useJobs();
  try {
    const job = await call(api.startExport, { body: order });
    jobs.put(job);
    const long = setTimeout(
      () => say('The file is being written. It comes down when it is done; Jobs shows how far it is.'),
      SOON,
    );
    const ended = await jobs.ended(job.id).finally(() => clearTimeout(long));
    if (ended.state === 'done') bringDown(job.id);
    else if (ended.state === 'failed') say(ended.notice ?? 'The file could not be written.');
  } catch (error) {
    tell(error);
  }
}

/** Has the browser keep the file of a job that is done. */
export const bringDown = (jobId: string): void => keep(`/api/exports/${encodeURIComponent(jobId)}/file`, '');

/** Asks for a file that is made at once, and has the browser keep it; throws what the server refused it with. */
export async function fetchFile(address: string, body: unknown, name: string): Promise<void> {
  const answer = await fetch(address, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!answer.ok) {
    const problem = ProblemSchema.safeParse(await answer.json().catch(() => null));
    throw new Refused(
      answer.status,
      problem.success ? problem.data : { code: 'server.fault', message: new Refusal('server.fault', {}).message },
    );
  }
  keepMade(await answer.blob(), name);
}

/** Has the browser keep what was made in the page. */
export function keepMade(file: Blob, name: string): void {
  const url = URL.createObjectURL(file);
  keep(url, name);
  // The browser begins to read it after this.
  setTimeout(() => URL.revokeObjectURL(url), READ_BY);
}

function keep(address: string, name: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}
