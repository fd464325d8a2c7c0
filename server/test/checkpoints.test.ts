/** The log of the database stays small while people read and write without a pause. */
import { fork } from 'node:child_process';
import { once } from 'node:events';
import { expect, it } from 'vitest';

it('empties the log while somebody always reads', async () => {
  const work = fork(new URL('./fixtures/busyLog.ts', import.meta.url), { execArgv: ['--import', 'tsx'] });
  const [largest] = (await once(work, 'message')) as [number];
  expect(largest).toBeLessThan(75_000_000);
}, 120_000);
