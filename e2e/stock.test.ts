/** Stock at several places and prices by rule over the API, on a real database. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { endpoints as api } from '@loom-kin/contract';
import { familyIndex } from '@loom-kin/core/family';
import { refused, sellerIn } from './shop';
import { startWorld, until, type World } from './world';

let world: World;
const { change, count, ended, fresh, run, send, shopFamily, undo } = sellerIn(() => world);
beforeAll(async () => {
  world = await startWorld();
  const locations = [
    { id: 'main', label: 'Store' },
    { id: 'shed', label: 'Shed' },
  ];
  await change([{ on: 'registry', command: { do: 'setLocations', locations } }]);
});
afterAll(() => world?.end());

describe('pieces at two places', () => {
  it('are counted place by place; a count of all leaves the difference at the first', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const [first, second] = familyIndex(detail.family).woven.map((child) => child.id) as [string, string];
    const at = async () => (await fresh(detail)).stockAt[first];
    await change([{ on: 'stock', familyId: id, counts: [{ childId: first, location: 'shed', pieces: 4 }] }]);
    expect([(await fresh(detail)).stock[first], await at()]).toEqual([9, { main: 5, shed: 4 }]);
    await count(detail, [{ childId: first, pieces: 6 }]);
    expect([(await fresh(detail)).stock[first], await at()]).toEqual([6, { main: 2, shed: 4 }]);
    // Whose pieces are all at the first place are not told apart.
    expect((await fresh(detail)).stockAt[second]).toBeUndefined();
    const problem = await refused(count(detail, [{ childId: first, pieces: 3 }]));
    expect([problem.status, problem.message]).toEqual([
      422,
      'Rust · S: 4 pieces stand at other places than the first, more than the 3 counted in all. Count place by place.',
    ]);
    expect(
      (
        await refused(
          change([{ on: 'stock', familyId: id, counts: [{ childId: first, location: 'attic', pieces: 1 }] }]),
        )
      ).status,
    ).toBe(404);
    // Of one count nothing is kept where another of it cannot be.
    const both = [
      { childId: second, location: 'shed', pieces: 1 },
      { childId: second, location: 'shed', pieces: 2 },
    ];
    expect((await refused(change([{ on: 'stock', familyId: id, counts: both }]))).status).toBe(422);
    expect((await fresh(detail)).stockAt[second]).toBeUndefined();
  });
  it('come and go with a reason, which the ledger keeps; what is taken back stands there as well', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const childId = familyIndex(detail.family).woven[0]!.id;
    const counts = [{ childId, location: 'main', pieces: -2 }];
    await change([{ on: 'stock', familyId: id, kind: 'corrected', reason: 'damaged', counts }]);
    const ledger = () => world.call(api.stockLedger, { params: { id, childId } });
    expect((await ledger()).lines.map((line) => [line.kind, line.pieces, line.after, line.reason])).toEqual([
      ['corrected', -2, 3, 'damaged'],
      ['counted', 5, 5, null],
    ]);
    await undo(id);
    const { lines, places } = await ledger();
    expect([places.main, lines[0]!.kind, lines[0]!.pieces, lines[0]!.reason]).toEqual([
      5,
      'corrected',
      2,
      'taken back',
    ]);
    const [entry] = await world.call(api.journal, { query: { familyId: id, limit: 5 } });
    expect(entry!.parts.flatMap((part) => part.lines).map((line) => line.what)).toContain('Stock at Store (damaged)');
    const none = { params: { id, childId: 'nobody' } };
    expect((await refused(world.call(api.stockLedger, none))).status).toBe(404);
  });
  it('leave with the family’s file and come back with it; a place that holds some stays', async () => {
    const detail = await shopFamily();
    const { id } = detail.family;
    const childId = familyIndex(detail.family).woven[0]!.id;
    await change([{ on: 'stock', familyId: id, counts: [{ childId, location: 'shed', pieces: 7 }] }]);
    const file = (await (await fetch(`${world.url}/api/families/${id}/file.json`)).json()) as never;
    await change([{ on: 'stock', familyId: id, counts: [{ childId, location: 'shed', pieces: 0 }] }]);
    await world.call(api.readFamilyFile, { body: file });
    expect((await fresh(detail)).stockAt[childId]).toEqual({ main: 5, shed: 7 });
    const only = [{ id: 'main', label: 'Store' }];
    const problem = await refused(change([{ on: 'registry', command: { do: 'setLocations', locations: only } }]));
    expect(problem.message).toMatch(/^Shed holds \d+ pieces/);
    const bare = [{ id: 'shed', label: 'Shed' }];
    const noFirst = await refused(change([{ on: 'registry', command: { do: 'setLocations', locations: bare } }]));
    expect(noFirst.message).toMatch(/^Store holds \d+ pieces/);
  });
  it('are told to an account as its settings say, and low ones are counted in lists', async () => {
    const detail = await shopFamily();
    const { accounts } = await world.call(api.setup);
    const account = accounts.find((one) => one.id === 'own-shop')!;
    const put = (stock: object) =>
      change([{ on: 'account', account: { ...account, settings: { ...account.settings, stock } } }]);
    expect((await refused(put({ share: 0 }))).status).toBe(422);
    await run(await fresh(detail), {
      do: 'setFigures',
      changes: [{ place: { level: 'family' }, key: 'lowStock', figure: 5 }],
    });
    const row = async () =>
      (await world.call(api.listFamilies, { query: { limit: 200 } })).families.find(
        (one) => one.id === detail.family.id,
      )!;
    expect((await row()).low).toBe(6);
    await count(detail, [{ childId: familyIndex(detail.family).woven[0]!.id, pieces: 6 }]);
    expect((await row()).low).toBe(5);
  });
});

describe('goods without options', () => {
  it('are sent as they are, and get options later: the child keeps its SKU, its pieces and its place on the channel', async () => {
    const rope = await shopFamily({}, []);
    const { id } = rope.family;
    expect(familyIndex(rope.family).woven).toHaveLength(1);
    await ended((await send([id], ['own-shop'])).id);
    const held = async () => (await world.held('own-shop')).find((one) => one.goods.key.startsWith(id))!.goods;
    expect([(await held()).axes, (await held()).offers.map((offer) => offer.stock)]).toEqual([[], [5]]);
    const { sku } = familyIndex(rope.family).woven[0]!.fields;
    const axis = { role: 'length' as const, label: 'Length', values: [{ label: 'Short' }, { label: 'Long' }] };
    await run(await fresh(rope), { do: 'addAxis', ...axis, existingTake: 0 });
    const after = await fresh(rope);
    expect(familyIndex(after.family).woven.map((child) => [child.fields.sku, after.stock[child.id] ?? 0])).toEqual([
      [sku, 5],
      [undefined, 0],
    ]);
  });
});

describe('prices by a rule', () => {
  it('are tried on all families before they are kept, and go out when they are', async () => {
    const detail = await shopFamily();
    await run(detail, { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'cost', figure: '10' }] });
    const { accounts } = await world.call(api.setup);
    const account = accounts.find((one) => one.id === 'own-shop')!;
    const ruled = {
      ...account,
      settings: {
        ...account.settings,
        priceRule: {
          from: 'cost' as const,
          target: { kind: 'margin' as const, percent: '50' },
          covers: [],
          ending: '90',
        },
      },
    };
    const trial = await world.call(api.tryPrices, { params: { id: account.id }, body: { account: ruled } });
    const row = trial.rows.find((one) => one.familyId === detail.family.id)!;
    // 1.4 % and 0.25 for the payment, 4.20 for the way: P/1.2 − 0.014 P − 14.45 ≥ 0.5 · P/1.2 ⇔ P ≥ 35.88; the next that ends in 90.
    expect([row.after!.from, row.after!.to]).toEqual(['35.90', '35.90']);
    expect(trial.unruled).toBeGreaterThan(0);
    expect((await fresh(detail)).family.revision).toBe(detail.family.revision + 1);
    await change([{ on: 'account', account: ruled }]);
    const kept = await world.call(api.tryPrices, { params: { id: account.id }, body: { account: ruled } });
    expect(kept.changed).toBe(0);
    await until(
      () => world.call(api.findingCounts, { query: { account: account.id } }),
      (counts) => counts.some((one) => one.code === 'rule.no-cost'),
    );
    const nobody = { params: { id: 'nobody' }, body: { account: ruled } };
    expect((await refused(world.call(api.tryPrices, nobody))).status).toBe(404);
  });
});
