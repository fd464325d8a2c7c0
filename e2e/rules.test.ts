/** Rules that change, categories that have to be asked for, rules of the seller's own: over HTTP, on a real database. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { readFileSync } from 'node:fs';
import { RulebookSchema } from '@loom-kin/core/rulebook';
import { endpoints as api } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
const { change, send, ended } = sellerIn(() => world);
beforeAll(async () => {
  world = await startWorld({ demo: true, every: true });
}, 300_000);
afterAll(() => world?.end());

const control = (body: Record<string, unknown>) =>
  fetch(`${world.channelsUrl}/control`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
const channelNow = async (id: string) => (await world.call(api.setup)).channels.find((one) => one.channel === id)!;
const familyId = async (style: string) => (await world.call(api.listFamilies, { query: { q: style } })).families[0]!.id;
const stripOf = async (style: string) =>
  (await world.call(api.listFamilies, { query: { q: style } })).families[0]!.strip;
const settled = () =>
  until(
    async () => (await world.call(api.jobs)).some((job) => job.state === 'running'),
    (busy) => !busy,
  );

describe('rules that a channel publishes anew', () => {
  it('wait until they are adopted, say what they mean, and can be gone back from', async () => {
    const jacket = await familyId('SKJ');
    await until(
      async () => (await stripOf('SKJ')).palmway?.state,
      (state) => state === 'fits',
    );
    await ended((await send([jacket], ['palmway'])).id);
    await control({ channel: 'palmway', edition: 2 });
    await world.call(api.refreshChannel, { params: { id: 'palmway' } });
    const offered = await channelNow('palmway');
    expect([offered.rulebook.version, offered.offered?.version, offered.versions]).toEqual([1, 2, [1, 2]]);

    const meaning = await world.call(api.rulesMeaning, { params: { id: 'palmway', version: 2 } });
    expect(meaning.families).toBe(8);
    // "XXL / Unlined" has 13 characters, where 12 will be the most: another way to write it is found, and said.
    expect(meaning.changes.map((one) => [one.name, one.text])).toContainEqual([
      'Skerry storm jacket',
      expect.stringContaining('labels'),
    ]);

    const done = await change([{ on: 'adoptRules', channel: 'palmway', version: 2 }]);
    expect(done.title).toBe('Adopt the rules of Palmway, version 2');
    expect((await channelNow('palmway')).offered).toBeNull();
    await settled();
    const { lines } = await ended((await send([jacket], ['palmway'])).id);
    expect(lines.map((line) => [line.outcome, line.reasons])).toEqual([['revised', []]]);

    await world.call(api.undo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    expect((await channelNow('palmway')).rulebook.version).toBe(1);
    await change([{ on: 'adoptRules', channel: 'palmway', version: 2 }]);
    const back = await change([{ on: 'adoptRules', channel: 'palmway', version: 1 }]);
    expect(back.title).toBe('Go back to the rules of Palmway, version 1');
    expect((await refused(change([{ on: 'adoptRules', channel: 'palmway', version: 7 }]))).problem.code).toBe(
      'rulebook.unknown',
    );
  });
  it('stay as they are known while the channel is away', async () => {
    await world.killChannels();
    expect((await refused(world.call(api.refreshChannel, { params: { id: 'palmway' } }))).problem.code).toBe(
      'channel.silent',
    );
    expect((await channelNow('palmway')).rulebook.name).toBe('Palmway');
    const asked = world.call(api.askApproval, { params: { id: 'loftline' }, body: { category: 'little' } });
    expect((await refused(asked)).problem.code).toBe('channel.silent');
    await world.startChannels();
  });
});

describe('a category that a channel keeps closed', () => {
  it('stops a family until the channel has let the seller in', async () => {
    const codes = async () =>
      (await world.call(api.findingCounts, { query: { account: 'loftline' } })).map((one) => one.code);
    expect(await codes()).toContain('approval.needed');
    await world.call(api.askApproval, { params: { id: 'loftline' }, body: { category: 'little' } });
    await until(codes, (now) => !now.some((code) => code.startsWith('approval.')));
    const account = (await world.call(api.setup)).accounts.find((one) => one.id === 'loftline')!;
    expect(account.settings.approvals).toEqual({ little: 'granted' });
  });
  it('may be refused, and where nobody has to ask nobody is asked', async () => {
    await control({ channel: 'loftline', refuses: true });
    await world.call(api.askApproval, { params: { id: 'loftline' }, body: { category: 'little' } });
    await until(
      async () =>
        (await world.call(api.setup)).accounts.find((one) => one.id === 'loftline')!.settings.approvals?.little,
      (stands) => stands === 'refused',
    );
    const wrong = world.call(api.askApproval, { params: { id: 'loftline' }, body: { category: 'jackets' } });
    expect((await refused(wrong)).problem.code).toBe('channel.no-category');
  });
});

describe('rules of the seller’s own', () => {
  const own = () =>
    RulebookSchema.parse({
      ...(JSON.parse(readFileSync('docs/examples/rulebook.json', 'utf8')) as object),
      channel: 'quarter-lane',
    });
  it('make a channel that families are fitted to, whose sheet is downloaded and to which nothing is sent', async () => {
    const rulebook = own();
    await change([{ on: 'ownRules', rulebook }]);
    const setup = await world.call(api.setup);
    expect(setup.channels.find((one) => one.channel === 'quarter-lane')).toMatchObject({
      isOwn: true,
      reachable: false,
    });
    expect(setup.accounts.some((one) => one.id === 'quarter-lane')).toBe(true);
    const category = rulebook.categories[0]!.id;
    await change([{ on: 'categoryMap', channel: 'quarter-lane', map: { 'outerwear/jackets': category } }]);
    const jacket = await familyId('SKJ');
    await until(
      async () => (await stripOf('SKJ'))['quarter-lane']?.state,
      (state) => state !== undefined && state !== 'absent',
    );
    expect((await refused(send([jacket], ['quarter-lane']))).problem.code).toBe('channel.own');
  });
  it('are refused where they contradict themselves, and where a channel publishes its own', async () => {
    const wrong = own();
    wrong.rules.pictures = { ...wrong.rules.pictures, atLeast: 9, atMost: 2 };
    const problem = await refused(change([{ on: 'ownRules', rulebook: wrong }]));
    expect([problem.problem.code, problem.message]).toEqual([
      'rulebook.wrong',
      expect.stringContaining('pictures.atLeast'),
    ]);
    const theirs = { ...own(), channel: 'quayside' };
    expect((await refused(change([{ on: 'ownRules', rulebook: theirs }]))).problem.code).toBe('rulebook.not-own');
  });
  it('go with their account, and come back by undo', async () => {
    const { id } = await change([{ on: 'removeOwnRules', channel: 'quarter-lane' }]);
    expect(await channelNow('quarter-lane')).toBeUndefined();
    await world.call(api.undo, { params: { id: id! }, body: { key: crypto.randomUUID() } });
    expect(await channelNow('quarter-lane')).toMatchObject({ isOwn: true });
  });
});
