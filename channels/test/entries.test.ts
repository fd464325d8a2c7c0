/** Entries of a channel: what is judged of offers under them, what is kept, and what buyers see. */
import { describe, expect, it } from 'vitest';
import { PLAYED } from '../src/checks';
import { asShown, entriesFor, entriesOf, judge, withoutFixed } from '../src/entries';
import type { Goods, LookAt, Offer } from '../src/goods';
import { Shelves } from '../src/shelves';

const quayside = PLAYED.find((one) => one.id === 'quayside')!;
const tallowGate = PLAYED.find((one) => one.id === 'tallow-gate')!;
const fernpost = PLAYED.find((one) => one.id === 'fernpost')!;
const lookAt: LookAt = async () => ({ width: 1200, height: 1200, white: true });
const KNOWN = '9501018400017';

const offer = (sku: string, colour: string, more: Partial<Offer> = {}): Offer => ({
  sku,
  options: [colour],
  price: '14.00',
  stock: 3,
  gtin: '4006381333931',
  fields: { 'Package weight g': 240, 'Package length cm': 12, 'Package width cm': 12, 'Package height cm': 11 },
  pictures: ['white'],
  ...more,
});
const mugs = (offers: Offer[], more: Partial<Goods> = {}): Goods => ({
  key: 'k',
  styleCode: 'G',
  category: 'home-table',
  currency: 'EUR',
  structure: 'a',
  fromPrice: '14.00',
  pictures: [],
  axes: [
    {
      name: 'Colour',
      role: 'colour',
      options: offers.map((one) => ({ label: one.options[0]!, paired: 'White' })),
    },
  ],
  fields: {
    Title: 'A mug of enamel',
    Brand: 'Skerry Supply',
    Text: 'An enamel mug with a rolled rim, for galleys, sheds and window sills.',
    Highlights: ['1', '2', '3', '4', '5'],
  },
  offers,
  ...more,
});
const entries = entriesOf(quayside, new Shelves(null));
const reasons = async (goods: Goods, channel = quayside, known = entries) =>
  (await judge(channel, goods, lookAt, known)).map((reason) => [reason.sku, reason.field]);
const under = (sku: string, colour: string, entry = 'Q-20417') =>
  offer(sku, colour, { gtin: KNOWN, entry, fields: {}, pictures: [] });

describe('an offer of goods that the channel knows', () => {
  it('is refused by itself where it must stand under the entry, and taken where it may', async () => {
    const goods = mugs([offer('A', 'Chalk', { gtin: KNOWN })]);
    expect(await reasons(goods)).toEqual([['A', 'Entry']]);
    const kitchen = { ...goods, category: 'kitchen', currency: 'GBP' };
    const onTallowGate = await judge(tallowGate, kitchen, lookAt, entriesOf(tallowGate, new Shelves(null)));
    expect(onTallowGate.some((reason) => reason.field === 'Entry')).toBe(false);
  });
  it('is found by its number in whatever length', () => {
    expect(entriesFor(entries, [`0${KNOWN}`, '4006381333931']).map((entry) => entry.entry)).toEqual(['Q-20417']);
  });
  it('needs nothing of what the entry says; beside it another is judged as ever', async () => {
    expect(await reasons(mugs([under('A', 'Chalk'), offer('B', 'Rust')]))).toEqual([]);
    const bare = offer('B', 'Rust', { fields: {}, pictures: [] });
    const fields = (await reasons(mugs([under('A', 'Chalk'), bare]))).map(([sku, field]) => `${sku}: ${field}`);
    expect(fields).toContain('B: Package weight g');
    expect(fields.every((one) => one.startsWith('B: '))).toBe(true);
  });
  it('is still an offer: its price, its pieces and its number are judged', async () => {
    const wrong = { ...under('A', 'Chalk'), price: '14', stock: -1 };
    expect((await reasons(mugs([wrong]))).map(([, field]) => field).sort()).toEqual(['Pieces', 'Price']);
    expect(await reasons(mugs([under('A', 'Chalk', 'Q-20418')]))).toContainEqual(['A', 'Entry']);
  });
  it('leaves a listing that has nothing else without words of its own, and its options unpaired', async () => {
    const goods = mugs([under('A', 'Chalk')], { fields: {} });
    const unpaired = { ...goods, axes: [{ ...goods.axes[0]!, options: [{ label: 'Chalk' }] }] };
    expect(await reasons(unpaired)).toEqual([]);
    const mixed = mugs([under('A', 'Chalk'), offer('B', 'Rust')]);
    const options = [{ label: 'Chalk' }, { label: 'Rust' }];
    const found = await reasons({ ...mixed, axes: [{ ...mixed.axes[0]!, options }] });
    expect(found).toEqual([[null, 'Options']]);
  });
  it('names no entry on a channel that has none', async () => {
    const found = await judge(fernpost, mugs([under('A', 'Chalk')]), lookAt, entriesOf(fernpost, new Shelves(null)));
    expect(found).toContainEqual(expect.objectContaining({ field: 'Entry' }));
  });
});

describe('what a channel keeps of it', () => {
  it('is the offer alone; what sellers say of offers stays', () => {
    const said = { ...under('A', 'Chalk'), fields: { 'Package weight g': 1 }, pictures: ['x'] };
    const kept = withoutFixed(quayside, mugs([said], { fields: { Title: 'Mine', Condition: 'new' }, pictures: ['y'] }));
    expect([kept.fields, kept.pictures, kept.offers[0]!.fields, kept.offers[0]!.pictures]).toEqual([
      { Condition: 'new' },
      [],
      {},
      undefined,
    ]);
    const mixed = mugs([said, offer('B', 'Rust')]);
    expect(withoutFixed(quayside, mixed).fields).toEqual(mixed.fields);
  });
  it('is shown to buyers in the words of the entry', () => {
    const shown = asShown(mugs([under('A', 'Chalk')], { fields: { Condition: 'new' } }), entries);
    expect(shown.fields).toMatchObject({
      Title: 'Enamel mug, white, 300 ml',
      Brand: 'Skerry Supply',
      Condition: 'new',
    });
    const mixed = mugs([under('A', 'Chalk'), offer('B', 'Rust')]);
    expect(asShown(mixed, entries)).toBe(mixed);
  });
});
