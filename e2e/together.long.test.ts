/** Long work of several kinds at once, while somebody types: all of it ends well, and nobody waits long. */
import { afterAll, beforeAll, expect, it } from 'vitest';
import { endpoints as api, type Job } from '@loom-kin/contract';
import { sellerIn, sheetForm } from './shop';
import { listOf } from './together/listOf';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => void (world = await startWorld({ only: 'own-shop' })));
afterAll(() => world?.end());
const { shopFamily, fresh, run, send, ended } = sellerIn(() => world);

const jobEnd = (job: Pick<Job, 'id'>) =>
  until(
    () => world.call(api.job, { params: { id: job.id } }),
    ({ state }) => state !== 'running',
    120,
  );
async function read(name: string, families: number): Promise<string> {
  const { id } = await world.call(api.startList, { form: sheetForm(listOf(name, families), `${name}.csv`) });
  expect((await jobEnd({ id })).notice).toBeNull();
  return id;
}

it('two lists, an export and a dispatch run together with somebody who types, and all end well', async () => {
  const coats = await Promise.all(Array.from({ length: 4 }, () => shopFamily()));
  const [first, second] = [await read('ANT', 500), await read('BEE', 20)];
  let isTyping = true;
  let typed = 0;
  const longest = { get: 0 };
  const typing = (async () => {
    const { family } = coats[0]!;
    for (; isTyping; typed++) {
      const began = Date.now();
      const detail = await world.call(api.family, { params: { id: family.id } });
      longest.get = Math.max(longest.get, Date.now() - began);
      await run(detail, {
        do: 'setFigures',
        changes: [{ place: { level: 'family' }, key: 'price', figure: `${100 + (typed % 50)}.00` }],
      });
    }
  })();
  const taken = await world.call(api.takeList, { params: { id: first }, body: { deletions: false } });
  const [export_, third, sent] = await Promise.all([
    world.call(api.startExport, { body: { kind: 'csv' } }),
    world.call(api.startList, { form: sheetForm(listOf('CAT', 500), 'CAT.csv') }),
    send(
      coats.map(({ family }) => family.id),
      ['own-shop'],
    ),
  ]);
  const small = await world.call(api.takeList, { params: { id: second }, body: { deletions: false } });
  const jobs = await Promise.all([taken, export_, third, small].map(jobEnd));
  expect((await ended(sent.id)).lines.map((line) => line.state)).toEqual(['done', 'done', 'done', 'done']);
  isTyping = false;
  await typing;
  expect(jobs.map(({ state, notice }) => [state, notice])).toEqual(Array(4).fill(['done', null]));
  expect((await world.call(api.health)).families).toBe(4 + 520);
  expect(typed).toBeGreaterThan(3);
  expect((await fresh(coats[0]!)).family.revision).toBeGreaterThan(typed);
  // Not a measure: a request that waits for a list to be stored waits for seconds.
  expect(longest.get).toBeLessThan(5000);
}, 180_000);
