/**
 * Long work of several kinds for some minutes in a large catalogue, while ten people type: `npm run together -- 100000 10` for so many
 * children and minutes. Reports how long readers waited; the exit code says whether all work ended well.
 */
import { once } from 'node:events';
import { fork } from 'node:child_process';
import { endpoints as api, Refused, type FamilyDetail, type Job } from '@loom-kin/contract';
import { sellerIn, sheetForm } from '../shop';
import { startWorld, until } from '../world';
import { listOf } from './listOf';
import type { PeopleWork, PeopleTold } from './people';

const [children = 100_000, minutes = 10, sent = 300] = process.argv.slice(2).map(Number);
const PEOPLE = 10;

const world = await startWorld({ only: 'own-shop' });
const { shopFamily, send } = sellerIn(() => world);

const jobEnd = async ({ id }: Pick<Job, 'id'>) => {
  const job = await until(
    () => world.call(api.job, { params: { id } }),
    ({ state }) => state !== 'running',
    900,
  );
  if (job.state !== 'done') throw new Error(`${job.title}: ${job.notice ?? job.state}`);
};
async function takeIn(name: string, families: number): Promise<void> {
  const { id } = await world.call(api.startList, { form: sheetForm(listOf(name, families), `${name}.csv`) });
  await jobEnd({ id });
  await world.call(api.takeList, { params: { id }, body: { deletions: false } });
  await jobEnd({ id });
}

const done: Record<string, number> = {};
const troubles: string[] = [];
/** Does something again and again until the end. */
async function again(what: string, until_: number, work: (nth: number) => Promise<unknown>): Promise<void> {
  for (let nth = 0; Date.now() < until_; nth++) {
    try {
      await work(nth);
      done[what] = (done[what] ?? 0) + 1;
    } catch (error) {
      // Somebody changed the total, or the same family: people look again.
      if (error instanceof Refused && error.status === 409) continue;
      troubles.push(`${what}: ${error instanceof Error ? error.message : String(error)}`);
    }
  }
}

try {
  const coats: FamilyDetail[] = [];
  while (coats.length < sent) coats.push(...(await Promise.all(Array.from({ length: 6 }, () => shopFamily()))));
  for (const name of ['ANT', 'BEE']) await takeIn(name, Math.ceil(children / 12));
  console.log(`${(await world.call(api.health)).families} families are there`);
  const end = Date.now() + minutes * 60_000;
  const ids = coats.map(({ family }) => family.id);
  const idle = fork(new URL('./idle.ts', import.meta.url));
  const [idleUrl] = (await once(idle, 'message')) as [string];
  // People wait in a program of their own: what this one makes and reads meanwhile is none of their time.
  const people = fork(new URL('./people.ts', import.meta.url), [
    JSON.stringify({ url: world.url, idleUrl, ids: ids.slice(0, PEOPLE), end } satisfies PeopleWork),
  ]);
  const told = once(people, 'message') as Promise<[PeopleTold]>;
  await Promise.all([
    again('a list of 6,000 rows', end, (nth) => takeIn(`CAT${nth}X`, 1000)),
    again('a list of 600 rows', end, (nth) => takeIn(`DOE${nth}X`, 100)),
    again('an export', end, async () => jobEnd(await world.call(api.startExport, { body: { kind: 'csv' } }))),
    again('a dispatch of 300 families', end, async () => {
      const { id } = await send(ids, ['own-shop']);
      await until(
        () => world.call(api.dispatch, { params: { id } }),
        ({ state }) => state !== 'running',
        600,
      );
    }),
  ]);
  const [{ waits, typed, troubles: theirs }] = await told;
  troubles.push(...theirs);
  done.typed = typed;
  const at = (all: number[], part: number) => Math.round(all[Math.min(all.length - 1, Math.floor(all.length * part))]!);
  for (const [what, all] of Object.entries(waits)) {
    all.sort((a, b) => a - b);
    const long = all.filter((wait) => wait > 200).length;
    console.log(
      `${what}: ${all.length} times, median ${at(all, 0.5)} ms, p95 ${at(all, 0.95)}, p99 ${at(all, 0.99)}, longest ${at(all, 1)}; ${long} above 200 ms`,
    );
  }
  console.log(done, troubles);
  idle.kill();
  process.exitCode = troubles.length > 0 ? 1 : 0;
} finally {
  await world.end();
}
