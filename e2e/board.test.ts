/** Routes, the fit board and the words of all families, over HTTP and on a real database. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { answerStep, endpoints as api, type FamilyFilter, type StepInput } from '@loom-kin/contract';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
const { change } = sellerIn(() => world);
beforeAll(async () => {
  world = await startWorld({ demo: true });
}, 300_000);
afterAll(() => world?.end());

const meant = (more: Partial<FamilyFilter> = {}) => ({ q: '', retired: 'no' as const, ...more });
const strips = async () => (await world.call(api.listFamilies, { query: {} })).families;
const states = (account: string) => async () =>
  Object.fromEntries((await strips()).map((one) => [one.styleCode, one.strip[account]?.state]));
const all = (key: string, value: string) => ({
  match: 'all' as const,
  of: [{ key, is: 'is' as const, value }],
});

describe('routes', () => {
  const outer = { id: 'outer', name: 'Outerwear', when: all('category', 'outerwear'), category: null, offers: true };
  const homely = { id: 'home', name: '', when: all('category', 'home'), category: 'house', offers: false };

  it('are tried on all families as they are written', async () => {
    const everything = { match: 'all' as const, of: [] };
    const tried = await world.call(api.tryConditions, { body: { sets: [outer.when, everything] } });
    expect(tried.sets.map((one) => [one.count, one.holds])).toEqual([
      [3, 3],
      [5, 8],
    ]);
    expect(tried.sets[0]!.families.map((one) => one.name)).toEqual([
      'Deck smock',
      'Harbour trousers',
      'Skerry storm jacket',
    ]);
    expect([tried.none.count, tried.several.count]).toEqual([0, 3]);
  });
  it('send families to an account, and leave those off that none takes or that wait', async () => {
    await change([{ on: 'routes', account: 'fernpost', routes: [outer, homely] }]);
    const now = await until(states('fernpost'), (one) => one.MHS === 'absent' && one.GMG === 'absent');
    expect([now.SKJ, now.DSM, now.ISB]).toEqual(['fits', 'fits', 'absent']);
    const found = await world.call(api.findingCounts, { query: { account: 'fernpost' } });
    const codes = Object.fromEntries(found.map((one) => [one.code, one.families]));
    expect([codes['route.none'], codes['route.waits']]).toEqual([3, 2]);
    const onRoute = await world.call(api.boardIds, { query: meant({ account: 'fernpost', route: 'home' }) });
    expect(onRoute).toHaveLength(2);
  });
  it('let a new family go by itself where they say so', async () => {
    const fields = { name: 'Rain cape', styleCode: 'CAP', category: 'outerwear/jackets', price: '80.00' };
    await change([{ on: 'start', family: { fields, axes: [], off: [] } }]);
    const now = await until(states('fernpost'), (one) => one.CAP !== undefined);
    expect(now.CAP).toBe('stopped');
  });
  it('are one change that is taken back, and are refused where they cannot be', async () => {
    const done = await change([{ on: 'routes', account: 'fernpost', routes: [] }]);
    expect(done.title).toBe('Change the routes to Fernpost');
    await until(states('fernpost'), (one) => one.MHS === 'fits');
    await world.call(api.undo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    expect((await world.call(api.setup)).routes.fernpost).toEqual([outer, homely]);
    await world.call(api.redo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    const wrong = (more: object) => change([{ on: 'routes', account: 'fernpost', routes: [{ ...outer, ...more }] }]);
    expect((await refused(wrong({ category: 'nowhere' }))).problem.code).toBe('channel.no-category');
    expect((await refused(wrong({ when: all('wingspan', 'wide') }))).problem.code).toBe('field.unknown');
    expect((await refused(change([{ on: 'routes', account: 'fernpost', routes: [outer, outer] }]))).problem.code).toBe(
      'route.twice',
    );
  });
});

describe('collections', () => {
  it('fill themselves from tags, and channels are told of them', async () => {
    const mug = (await world.call(api.listFamilies, { query: { q: 'GMG' } })).families[0]!;
    const { family } = await world.call(api.family, { params: { id: mug.id } });
    const changes = [{ place: { level: 'family' as const }, key: 'tags', figure: ['gifts under 20'] }];
    await change([
      { on: 'collections', collections: [{ name: 'Little presents', when: all('tags', 'gifts under 20') }] },
      { on: 'family', familyId: mug.id, revision: family.revision, command: { do: 'setFigures', changes } },
    ]);
    const body = { familyIds: [mug.id], accounts: ['own-shop'], draft: false };
    const { lines } = await world.call(api.previewDispatch, { body });
    const [message] = lines.map((line) => line.message);
    const listing = message?.action === 'list' ? message.listing : null;
    expect(listing?.fields.Collections).toEqual(['The home', 'Small gifts', 'Little presents']);
    const empty = { match: 'all' as const, of: [] };
    const whole = change([{ on: 'collections', collections: [{ name: 'All', when: empty }] }]);
    expect((await refused(whole)).problem.code).toBe('collection.all');
  });
});

describe('the board', () => {
  it('counts how families stand, as the list of each does', async () => {
    const counts = await world.call(api.boardCounts, { query: meant() });
    for (const [account, byState] of Object.entries(counts)) {
      for (const [state, count] of Object.entries(byState)) {
        const listed = await world.call(api.listFamilies, { query: { account, state: state as 'fits' } });
        expect([account, state, listed.total]).toEqual([account, state, count]);
      }
    }
    const outer = await world.call(api.boardCounts, { query: meant({ category: 'outerwear' }) });
    expect(Object.values(outer.quayside!).reduce((sum, one) => sum + one, 0)).toBe(4);
  });
  it('groups by finding, and mends all that share one: shown before, one change, one undo', async () => {
    const kind = { account: 'quayside', code: 'pairing.missing', key: 'pairing' };
    const before = (await world.call(api.boardFindings, { query: meant() })).find(
      (one) => one.account === kind.account && one.code === kind.code,
    )!;
    const remedies = await world.call(api.boardRemedies, { body: { ...kind, filter: {} } });
    expect(remedies.families).toHaveLength(before.families);
    expect(remedies.families.find((one) => one.name === 'Deck smock')!.texts).toContain('Midnight ↔ Navy blue');
    // Only families that are looked at are mended: jackets alone, or those in another state.
    const some = async (filter: Partial<FamilyFilter>) =>
      (await world.call(api.boardRemedies, { body: { ...kind, filter } })).families.map((one) => one.name);
    expect(await some({ category: 'outerwear/smocks' })).toEqual(['Deck smock']);
    expect(await some({ state: 'fits' })).toEqual([]);
    const steps = remedies.families.flatMap((one) => one.steps);
    const done = await change(steps, { title: 'Mend values not paired' });
    // Sizes of trousers are none of the channel's: somebody has to look at those.
    expect(remedies.unready.map((one) => one.name)).toEqual(['Harbour trousers']);
    // Families are checked some at a time.
    await until(
      async () => {
        const found = await world.call(api.boardFindings, { query: meant() });
        return found.flatMap((one) => (one.account === kind.account && one.code === kind.code ? [one.families] : []));
      },
      (families) => families.join() === '1',
    );
    await world.call(api.undo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    await until(
      async () =>
        (await world.call(api.boardFindings, { query: meant({ account: 'quayside' }) })).map((one) => one.code),
      (codes) => codes.includes(kind.code),
    );
  });
  it('flags families without a category, and takes one answer for all of them', async () => {
    const kind = { account: 'fernpost', code: 'category.choose', key: 'category' };
    const found = async () =>
      (await world.call(api.boardFindings, { query: meant() })).filter((one) => one.code === kind.code);
    expect(await found()).toEqual([]);
    const ids = await world.call(api.boardIds, { query: meant({ category: 'home' }) });
    const families = await Promise.all(ids.map((id) => world.call(api.family, { params: { id } })));
    const place = { level: 'family' as const };
    const without = await change(
      families.map(({ family: { id, revision } }): StepInput => ({
        on: 'family',
        familyId: id,
        revision,
        command: { do: 'setFigures', changes: [{ place, key: 'category', figure: null }] },
      })),
    );
    const [group] = await until(found, (some) => some.length > 2 && some.every((one) => one.families === ids.length));
    expect(group!.severity).toBe('warns');
    const { unready } = await world.call(api.boardRemedies, { body: { ...kind, filter: {} } });
    expect(unready.map(({ asks }) => [asks?.key, asks?.places])).toEqual(ids.map(() => ['category', [place]]));
    const answered = await change(unready.map(({ familyId, asks }) => answerStep(familyId, asks!, 'home/blankets')));
    await until(found, (some) => some.length === 0);
    const sorted = await world.call(api.boardIds, { query: meant({ category: 'home/blankets' }) });
    expect(sorted.filter((id) => ids.includes(id)).sort()).toEqual([...ids].sort());
    for (const { id } of [answered, without])
      await world.call(api.undo, { params: { id: id! }, body: { key: crypto.randomUUID() } });
    await until(
      () => world.call(api.boardIds, { query: meant({ category: 'home/mugs' }) }),
      (back) => back.length === 1,
    );
  });
  it('offers many families on an account, or no longer, in one change', async () => {
    const ids = await world.call(api.boardIds, { query: meant({ category: 'home' }) });
    const done = await change([{ on: 'offer', account: 'own-shop', familyIds: ids, offered: false }]);
    expect(done.title).toBe('Do not offer 2 families on Own shop');
    await until(states('own-shop'), (now) => now.GMG === 'absent' && now.ISB === 'absent');
    await world.call(api.undo, { params: { id: done.id! }, body: { key: crypto.randomUUID() } });
    await until(states('own-shop'), (now) => now.GMG !== 'absent');
  });
  it('has every family looked at anew', async () => {
    await world.call(api.recheckAll);
    await until(states('quayside'), (now) => Object.values(now).every((state) => state !== undefined));
  });
});

describe('the words of all families', () => {
  it('that a channel has lists for are counted with their swatches', async () => {
    const words = await world.call(api.wordsInUse, { params: { id: 'quayside' } });
    expect(words.find((one) => one.label === 'Midnight')).toEqual({
      role: 'colour',
      label: 'Midnight',
      swatch: '#1B2540',
      families: 5,
    });
    expect(new Set(words.map((one) => one.role))).toEqual(new Set(['colour', 'size']));
    const unknown = world.call(api.wordsInUse, { params: { id: 'nowhere' } });
    expect((await refused(unknown)).problem.code).toBe('channel.unknown');
  });
});
