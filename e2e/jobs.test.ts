/** Long work as jobs: sheets read beside everything else, stopped, taken up again, gone on with after a kill; re-checks and dispatches. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api, type Job } from '@loom-kin/contract';
import { sellerIn, sheetForm } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
beforeAll(async () => {
  world = await startWorld();
}, 60_000);
afterAll(() => world.end());
const { shopFamily, startFamily, fresh, send, change, ended: sent } = sellerIn(() => world);

const jobOf = (id: string) => world.call(api.job, { params: { id } });
const ended = (id: string) =>
  until(
    () => jobOf(id),
    (job) => job.state !== 'running',
    60,
  );

/** A family of 40 × 40 children and a sheet that gives each an MPN and pieces. */
async function large(): Promise<{ id: string; sheet: string; revision: number }> {
  const labels = (prefix: string) => Array.from({ length: 40 }, (_, at) => ({ label: `${prefix}${at}` }));
  const { family } = await startFamily({
    axes: [
      { role: 'colour', label: 'Colour', values: labels('C') },
      { role: 'size', label: 'Size', values: labels('S') },
    ],
    off: [],
    fields: { name: 'Large', brand: 'B', styleCode: 'LRG', category: 'outerwear/jackets' },
  });
  const rows = labels('C').flatMap((colour) =>
    labels('S').map((size) => `${colour.label},${size.label},${colour.label}-${size.label},7`),
  );
  const sheet = ['Option: Colour,Option: Size,MPN,Stock (pieces)', ...rows].join('\n');
  return { id: family.id, sheet, revision: family.revision };
}
const bring = (id: string, sheet: string, apply: 'yes' | 'no') =>
  world.call(api.readSheet, { params: { id }, query: { apply }, form: sheetForm(sheet, 'large.csv') });
const mpns = async (id: string) => {
  const { family, stock } = await fresh({ family: { id } } as never);
  return {
    mpns: Object.values(family.children).filter((child) => child.fields.mpn !== undefined).length,
    pieces: Object.values(stock).reduce((sum, pieces) => sum + pieces, 0),
    revision: family.revision,
  };
};

describe('A sheet', () => {
  it('is read first, page by page looked at, then taken in as one change, while other requests are answered', async () => {
    const { id, sheet, revision } = await large();
    const begun = await bring(id, sheet, 'no');
    expect(begun).toMatchObject({ kind: 'intake', state: 'running', subject: id, title: 'Read large.csv' });
    expect(await ended(begun.id)).toMatchObject({ state: 'done', done: 1600, total: 1600 });
    const page = await world.call(api.sheetReport, {
      params: { id: begun.id },
      query: { only: 'changed', from: 1590, limit: 50 },
    });
    expect([page.applied, page.counts.changed, page.rows.length, page.rows[0]!.row]).toEqual([false, 1600, 10, 1592]);
    expect(await mpns(id)).toEqual({ mpns: 0, pieces: 0, revision });
    await world.call(api.takeSheet, { params: { id: begun.id } });
    expect((await ended(begun.id)).state).toBe('done');
    expect(await mpns(id)).toEqual({ mpns: 1600, pieces: 11_200, revision: revision + 1 });
    const { undo } = await fresh({ family: { id } } as never);
    expect(undo!.title).toBe('Take large.csv in');
  });
  it('that is stopped has done nothing, and goes on to the end when asked', async () => {
    const { id, sheet, revision } = await large();
    const begun = await bring(id, sheet, 'yes');
    const stopped = await world.call(api.stopJob, { params: { id: begun.id } });
    expect(stopped.state).toBe('stopped');
    expect(await mpns(id)).toEqual({ mpns: 0, pieces: 0, revision });
    await expect(world.call(api.stopJob, { params: { id: begun.id } })).rejects.toThrow('has ended');
    await world.call(api.resumeJob, { params: { id: begun.id } });
    expect((await ended(begun.id)).state).toBe('done');
    expect(await mpns(id)).toEqual({ mpns: 1600, pieces: 11_200, revision: revision + 1 });
  });
  it('whose server is killed is taken in after the restart, once', async () => {
    const { id, sheet, revision } = await large();
    const begun = await bring(id, sheet, 'yes');
    await world.killServer();
    await world.startServer();
    expect((await ended(begun.id)).state).toBe('done');
    expect(await mpns(id)).toEqual({ mpns: 1600, pieces: 11_200, revision: revision + 1 });
  });
  it('is read anew where its family was changed meanwhile', async () => {
    const { id, sheet } = await large();
    const begun = await bring(id, sheet, 'yes');
    await change([
      {
        on: 'family',
        familyId: id,
        revision: 1,
        command: { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'name', figure: 'Larger' }] },
      },
    ]);
    expect((await ended(begun.id)).state).toBe('done');
    expect(await mpns(id)).toMatchObject({ mpns: 1600, pieces: 11_200 });
    expect((await fresh({ family: { id } } as never)).family.fields.name).toBe('Larger');
  });
  it('for a family that is not there is refused at once', async () => {
    await expect(bring('knowhere', 'a,b', 'no')).rejects.toThrow('There is no such family.');
  });
});

describe('Other long work', () => {
  it('a re-check of many families is a job that ends, and what comes meanwhile joins it', async () => {
    for (let at = 0; at < 26; at += 1)
      await startFamily({
        axes: [],
        off: [],
        fields: { name: `Small ${at}`, brand: 'B', styleCode: `SM${at}`, category: 'outerwear/jackets' },
      });
    // One that was just started is checked by itself, ahead of a re-check, and is none of its families.
    const checked = ({ families }: { families: { strip: object }[] }) =>
      families.length === 26 && families.every(({ strip }) => 'own-shop' in strip);
    await until(() => world.call(api.listFamilies, { query: { q: 'Small' } }), checked);
    await world.call(api.refreshChannel, { params: { id: 'own-shop' } });
    const isRecheck = (job: Job) => job.kind === 'recheck';
    const jobs = await until(
      () => world.call(api.jobs),
      (all) => all.some(isRecheck) && all.filter(isRecheck).every((job) => job.state === 'done'),
    );
    expect(jobs.find(isRecheck)).toMatchObject({
      state: 'done',
      title: expect.stringMatching(/^Check \d+ families anew$/),
    });
  });
  it('a dispatch is a job whose progress its lines tell; stopped, it goes on', async () => {
    const { family } = await shopFamily();
    await world.mood('own-shop', 'busy');
    const dispatch = await send([family.id], ['own-shop']);
    expect(await jobOf(dispatch.id)).toMatchObject({ kind: 'dispatch', state: 'running', done: 0, total: 1 });
    expect((await world.call(api.stopJob, { params: { id: dispatch.id } })).state).toBe('stopped');
    await world.mood('own-shop', 'well');
    await world.call(api.resumeJob, { params: { id: dispatch.id } });
    await sent(dispatch.id);
    expect(await jobOf(dispatch.id)).toMatchObject({ state: 'done', done: 1, total: 1 });
  });
});
