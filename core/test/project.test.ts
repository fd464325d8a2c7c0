/** Projection: what of a family goes into each listing of a plan. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SingleCommand } from '../src/change/commands';
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import type { Listing } from '../src/listing/listing';
import { listingMessage } from '../src/listing/listingMessage';
import { uploadSheet } from '../src/listing/uploadSheet';
import type { PictureFacts } from '../src/pictures/pictureFacts';
import type { Place } from '../src/place/place';
import { readRulebook } from '../src/rulebook/readRulebook';
import type { Rulebook } from '../src/rulebook/shape';
import { freeze } from 'immer';
import {
  anyFamily,
  createFamily,
  fitInput,
  fitWithListings,
  type More,
  registry,
  rulebook,
  rulesFor,
  runCommand,
  stormJacket,
} from './sample';

/** A rulebook that asks for nothing, with the given rules. */
function plainRules(rules: Record<string, object>): Rulebook {
  const read = readRulebook(
    {
      format: 'loom-kin/rulebook',
      channel: 'plain',
      name: 'Plain',
      version: 1,
      about: '',
      transport: 'json',
      rules: {
        axes: { atMost: 3 },
        children: { atMost: 1000 },
        identifiers: { gtin: 'optional' },
        pictures: { atMost: 9 },
        price: { currency: 'EUR', taxIncluded: true },
        ...rules,
      },
      categories: [{ id: 'all', label: 'All' }],
    },
    registry,
  );
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.rulebook;
}
const run = (family: Family, ...commands: SingleCommand[]) =>
  commands.reduce((now, command) => runCommand(now, command).family, freeze(family, true));
const sell = (family: Family, price = '10.00'): Family =>
  run(family, {
    do: 'setFigures',
    changes: [
      { place: { level: 'family' }, key: 'category', figure: 'outerwear/jackets' },
      { place: { level: 'family' }, key: 'price', figure: price },
      ...familyIndex(family).woven.map((child, at) => ({
        place: { level: 'child' as const, childId: child.id },
        key: 'sku',
        figure: `S-${at}`,
      })),
    ],
  });
const facts = (...ids: string[]): Record<string, PictureFacts> =>
  Object.fromEntries(ids.map((id) => [id, { id, fileName: id, width: 900, height: 900, whiteBackground: true }]));
const ALL = { 'outerwear/jackets': 'all', outerwear: 'all', home: 'all' };
const listingsOf = (family: Family, book: Rulebook, more: More = {}): Listing[] =>
  fitWithListings(fitInput(family, 'plain', { rulebook: book, categories: ALL, ...more })).listings;
const ids = (marks: readonly string[] | undefined) => marks?.map((mark) => mark.replace('picture:', ''));

describe('every child that is offered', () => {
  it('stands in exactly one listing, at options of its own, whatever the family and the rules', () => {
    const rules = fc.record({
      atMost: fc.integer({ min: 1, max: 3 }),
      valuesAtMost: fc.integer({ min: 1, max: 8 }),
      labelAtMost: fc.constantFrom(12, 30, 80),
    });
    fc.assert(
      fc.property(anyFamily(4, 3), rules, fc.integer({ min: 1, max: 12 }), ({ ...bare }, axes, childrenAtMost) => {
        const family = sell(bare);
        const listings = listingsOf(family, plainRules({ axes, children: { atMost: childrenAtMost } }));
        if (listings.length === 0) return;
        expect(listings.flatMap((listing) => listing.offers.map((offer) => offer.sku)).sort()).toEqual(
          familyIndex(family)
            .woven.map((child) => child.fields.sku)
            .sort(),
        );
        expect(new Set(listings.map((listing) => listing.key)).size).toBe(listings.length);
        for (const listing of listings) {
          expect(listing.offers.length).toBeLessThanOrEqual(childrenAtMost);
          expect(new Set(listing.offers.map((offer) => offer.options.join('|'))).size).toBe(listing.offers.length);
          listing.axes.forEach((axis, at) => {
            expect(axis.options.length).toBeLessThanOrEqual(axes.valuesAtMost);
            expect(new Set(listing.offers.map((offer) => offer.options[at]))).toEqual(
              new Set(axis.options.map((option) => option.label)),
            );
          });
        }
      }),
      { numRuns: 150 },
    );
  });
  it('is left out while it has no SKU or price, and while it is not for sale', () => {
    const jacket = sell(stormJacket());
    const [one, two, three] = familyIndex(jacket).woven.map((child) => ({
      level: 'child' as const,
      childId: child.id,
    }));
    const changed = run(jacket, {
      do: 'setFigures',
      changes: [
        { place: one!, key: 'sku', figure: null },
        { place: two!, key: 'onSale', figure: false },
      ],
    });
    const wished = run(changed, {
      do: 'setWish',
      account: 'plain',
      wish: { apart: [], whole: [], leaveOut: [three!.childId], offered: true },
    });
    expect(listingsOf(changed, plainRules({}))[0]!.offers).toHaveLength(42);
    expect(listingsOf(wished, plainRules({}))[0]!.offers).toHaveLength(41);
  });
});

describe('a listing', () => {
  const jacket = sell(stormJacket());
  const lining = jacket.axes[2]!;
  it('tells as a fact what it is split or pinned by', () => {
    const split = run(jacket, {
      do: 'setWish',
      account: 'plain',
      wish: { apart: jacket.axes.map((axis) => axis.id), whole: [], leaveOut: [], offered: true },
    });
    const listings = listingsOf(split, plainRules({ axes: { atMost: 2 } }));
    expect(listings.map((listing) => [listing.fields.Lining, listing.offers.length])).toEqual([
      ['Unlined', 24],
      ['Fleece-lined', 20],
    ]);
    const [key] = lining.values.map((value) => `${jacket.id}.${value.id}`);
    expect(listings[0]!.key).toBe(key);
    const single = run(jacket, { do: 'removeValues', axisId: lining.id, valueIds: [lining.values[1]!.id] });
    expect(listingsOf(single, plainRules({ axes: { atMost: 2 } }))[0]).toMatchObject({
      fields: { Lining: 'Unlined' },
      axes: [{ name: 'Colour' }, { name: 'Size' }],
    });
  });
  it('is cut into parts with keys of their own where it is too large', () => {
    const whole = run(jacket, {
      do: 'setWish',
      account: 'plain',
      wish: { apart: [], whole: jacket.axes.slice(1).map((axis) => axis.id), leaveOut: [], offered: true },
    });
    const listings = listingsOf(whole, plainRules({ children: { atMost: 30 } }));
    expect(listings.map((listing) => listing.offers.length)).toEqual([22, 22]);
    expect(listings.map((listing) => listing.key)).toEqual([`${jacket.id}.p1`, `${jacket.id}.p2`]);
  });
  it('shows "from" the cheapest of its own children', () => {
    const priced = run(jacket, {
      do: 'setFigures',
      changes: [
        { place: { level: 'value', axisId: lining.id, valueId: lining.values[1]!.id }, key: 'price', figure: '9.50' },
      ],
    });
    const parts = listingsOf(priced, plainRules({ children: { atMost: 30 } }));
    expect(parts.map((listing) => listing.fromPrice)).toEqual(['10.00', '9.50']);
  });
  it('takes a field it has once only where all its children agree', () => {
    const book = plainRules({
      fields: [{ key: 'weight', name: 'Weight', unit: 'kg', decimals: 2 }] as unknown as object,
    });
    const heavy = run(jacket, {
      do: 'setFigures',
      changes: [
        { place: { level: 'value', axisId: lining.id, valueId: lining.values[1]!.id }, key: 'weight', figure: 1300 },
      ],
    });
    expect([listingsOf(jacket, book)[0]!.fields.Weight, listingsOf(heavy, book)[0]!.fields.Weight]).toEqual([
      0.9,
      undefined,
    ]);
    expect(
      fitWithListings(fitInput(heavy, 'plain', { rulebook: book, categories: ALL })).findings.map(
        (finding) => finding.code,
      ),
    ).toContain('field.differs');
  });
  it('counts pieces for all that share an option where the channel does: the least, by the axis that gives away least', () => {
    const [rust, other] = jacket.axes[0]!.values;
    const woven = familyIndex(jacket).woven;
    const colour = jacket.axes[0]!.id;
    const stock = Object.fromEntries(
      woven.map((child, at) => [
        child.id,
        child.at[colour] === rust!.id ? 4 + (at % 2) : child.at[colour] === other!.id ? 9 : 7,
      ]),
    );
    const sold = (variesBy: string) =>
      fitWithListings(
        fitInput(jacket, 'plain', { rulebook: plainRules({ stock: { variesBy } }), categories: ALL, stock }),
      );
    const byAxis = sold('axis');
    const told = (colourLabel: string) =>
      new Set(byAxis.listings[0]!.offers.filter((one) => one.options[0] === colourLabel).map((one) => one.stock));
    expect([told('Rust'), told('Spruce'), told('Ochre')]).toEqual([new Set([4]), new Set([9]), new Set([7])]);
    const more = byAxis.findings.find((one) => one.code === 'stock.not-told')!;
    expect(more.childIds).toEqual(woven.filter((child) => stock[child.id] === 5).map((child) => child.id));
    expect(new Set(sold('listing').listings[0]!.offers.map((one) => one.stock))).toEqual(new Set([4]));
    expect(sold('child').listings[0]!.offers.map((one) => one.stock)).toEqual(woven.map((child) => stock[child.id]));
  });
  it('has a row that says of its children together what the channel reads there, and nothing else', () => {
    const rules = rulesFor(rulebook('quayside'), 'outerwear/jackets')!.rules;
    const message = listingMessage(
      undefined,
      listingsOf(jacket, plainRules({}), { stock: { [familyIndex(jacket).woven[0]!.id]: 3 } })[0],
    )!;
    const familyRow = (says: ('price' | 'pieces')[]) => {
      const { headers, rows } = uploadSheet([message], rules, { familyRow: true, familyRowSays: says });
      return [`Price ${rules.price.currency}`, 'Pieces', 'GTIN'].map((header) => rows[0]![headers.indexOf(header)]);
    };
    expect(familyRow([])).toEqual(['', '', '']);
    expect(familyRow(['price', 'pieces'])).toEqual(['10.00', 3, '']);
  });
  it('sends a sale only when it is whole, and a list price as it is', () => {
    const sale = (...keys: string[]) =>
      run(jacket, {
        do: 'setFigures',
        changes: Object.entries({
          salePrice: '8.00',
          saleFrom: '2027-01-01',
          saleUntil: '2027-01-31',
          listPrice: '12.00',
        })
          .filter(([key]) => keys.includes(key))
          .map(([key, figure]) => ({ place: { level: 'family' as const }, key, figure })),
      });
    expect(
      listingsOf(sale('salePrice', 'saleFrom', 'saleUntil', 'listPrice'), plainRules({}))[0]!.offers[0],
    ).toMatchObject({
      price: '10.00',
      listPrice: '12.00',
      salePrice: '8.00',
      saleFrom: '2027-01-01',
      saleUntil: '2027-01-31',
    });
    expect(listingsOf(sale('salePrice', 'saleFrom'), plainRules({}))[0]!.offers[0]).not.toHaveProperty('salePrice');
  });
});

describe('pictures', () => {
  const jacket = sell(stormJacket());
  const onValue = (axis: number, at: number): Place => ({
    level: 'value',
    axisId: jacket.axes[axis]!.id,
    valueId: jacket.axes[axis]!.values[at]!.id,
  });
  const set = (place: Place, ...pictures: string[]): SingleCommand => ({ do: 'setPictures', place, pictures });
  const shown = run(
    jacket,
    set({ level: 'family' }, 'main', 'chart'),
    set(onValue(0, 0), 'rust1', 'rust2'),
    set(onValue(0, 1), 'spruce1', 'spruce2'),
    set(onValue(0, 2), 'mid1'),
    set(onValue(0, 3), 'och1'),
  );
  const all = facts('main', 'chart', 'rust1', 'rust2', 'spruce1', 'spruce2', 'mid1', 'och1');
  const onAxis = (atMost: number) =>
    listingsOf(shown, plainRules({ axes: { atMost: 3, pictures: 'axis' }, pictures: { atMost } }), {
      pictures: all,
    })[0]!;
  it('on an axis: each option keeps its first as long as there is room, the main one leads', () => {
    const roomy = onAxis(9);
    expect(ids(roomy.pictures)).toEqual(['main', 'rust1', 'spruce1', 'mid1', 'och1', 'chart', 'rust2', 'spruce2']);
    expect(roomy.axes[0]!.options.map((option) => ids(option.pictures))).toEqual([
      ['rust1'],
      ['spruce1'],
      ['mid1'],
      ['och1'],
    ]);
    const tight = onAxis(3);
    expect(tight.pictures).toHaveLength(3);
    expect(tight.axes[0]!.options.map((option) => ids(option.pictures))).toEqual([['rust1'], ['spruce1'], [], []]);
    expect(roomy.axes[1]!.options.every((option) => option.pictures === undefined)).toBe(true);
  });
  it("per child: its own, its values', the family's, no more than the channel takes", () => {
    const [listing] = listingsOf(
      shown,
      plainRules({ axes: { atMost: 3, pictures: 'child' }, pictures: { atMost: 3 } }),
      { pictures: all },
    );
    expect(ids(listing!.offers[0]!.pictures)).toEqual(['rust1', 'rust2', 'main']);
  });
  it('on the listing alone: those of the values it has, in a split plan its own', () => {
    const split = run(shown, {
      do: 'setWish',
      account: 'plain',
      wish: { apart: shown.axes.map((axis) => axis.id), whole: [], leaveOut: [], offered: true },
    });
    const parted = listingsOf(
      split,
      plainRules({ axes: { atMost: 2, pictures: 'listing', sets: [['size', 'material']] } }),
      { pictures: all },
    );
    expect(parted.map((listing) => ids(listing.pictures))).toEqual([
      ['main', 'chart', 'rust1', 'rust2'],
      ['main', 'chart', 'spruce1', 'spruce2'],
      ['main', 'chart', 'mid1'],
      ['main', 'chart', 'och1'],
    ]);
  });
});

describe('pictures of values that a listing does not let choose', () => {
  const place = (family: Family, value: number): Place => {
    const axis = family.axes[0]!;
    return { level: 'value', axisId: axis.id, valueId: axis.values[value]!.id };
  };
  const set = (at: Place, ...pictures: string[]): SingleCommand => ({ do: 'setPictures', place: at, pictures });
  const coats = (colours: number) =>
    sell(
      createFamily({
        id: 'coats',
        fields: { name: 'Coat' },
        axes: [
          {
            role: 'colour',
            label: 'Colour',
            values: Array.from({ length: colours }, (_, at) => ({ label: `C${at}` })),
          },
          { role: 'size', label: 'Size', values: ['S', 'M', 'L'].map((label) => ({ label })) },
        ],
        off: [],
      }),
    );
  const onAxis = (rules: object = {}) =>
    plainRules({ axes: { atMost: 3, pictures: 'axis', ...rules }, pictures: { atLeast: 1, atMost: 10 } });

  it('go out with the listing where the axis has one value alone', () => {
    const one = coats(1);
    const given = { pictures: facts('a', 'b') };
    const book = onAxis({ sets: [['size']] });
    const input = fitInput(run(one, set(place(one, 0), 'a', 'b')), 'plain', {
      rulebook: book,
      categories: ALL,
      ...given,
    });
    const { listings, findings } = fitWithListings(input);
    expect(listings.map((listing) => ids(listing.pictures))).toEqual([['a', 'b']]);
    expect(findings.filter((finding) => finding.key === 'pictures')).toEqual([]);
  });
  it('go out with each listing of a split, and none goes out bare unnoticed', () => {
    const two = coats(2);
    const apart = two.axes.map((axis) => axis.id);
    const wish = { apart, whole: [], leaveOut: [], offered: true };
    const shown = run(two, set(place(two, 0), 'a'), { do: 'setWish', account: 'plain', wish });
    const input = fitInput(shown, 'plain', {
      rulebook: onAxis({ sets: [['size']] }),
      categories: ALL,
      pictures: facts('a'),
    });
    const { listings, findings } = fitWithListings(input);
    expect(listings.map((listing) => ids(listing.pictures) ?? [])).toEqual([['a'], []]);
    expect(findings.filter((finding) => finding.code === 'picture.missing')).toMatchObject([
      { place: place(two, 1), severity: 'stops' },
    ]);
  });
  it("are never more than the channel takes, the family's among them", () => {
    const ten = coats(10);
    const names = ten.axes[0]!.values.map((_, at) => `p${at}`);
    const shown = run(ten, set({ level: 'family' }, 'main'), ...names.map((name, at) => set(place(ten, at), name)));
    const [listing] = listingsOf(shown, onAxis(), { pictures: facts('main', ...names) });
    const sent = new Set([
      ...ids(listing!.pictures)!,
      ...listing!.axes.flatMap((axis) => axis.options.flatMap((option) => ids(option.pictures) ?? [])),
    ]);
    expect([sent.size, ids(listing!.pictures)![0]]).toEqual([10, 'main']);
  });
});

describe('an axis called like a field of the channel', () => {
  it('gives way to it when it is split or pinned', () => {
    const family = sell(
      createFamily({
        id: 'odd',
        fields: { name: 'Lamp', brand: 'Skerry Supply' },
        axes: [
          { role: 'other', label: 'Brand', values: [{ label: 'Ours' }] },
          { role: 'model', label: 'Title', values: [{ label: 'One' }, { label: 'Two' }] },
        ],
        off: [],
      }),
    );
    const book = plainRules({
      axes: { atMost: 0 },
      fields: [
        { key: 'name', name: 'Title', need: 'required' },
        { key: 'brand', name: 'Brand', need: 'required' },
      ] as never,
    });
    expect(listingsOf(family, book).map((listing) => listing.fields)).toEqual([
      { Title: 'Lamp', Brand: 'Skerry Supply', 'Title (option)': 'One', 'Brand (option)': 'Ours' },
      { Title: 'Lamp', Brand: 'Skerry Supply', 'Title (option)': 'Two', 'Brand (option)': 'Ours' },
    ]);
  });
});

describe('a single product', () => {
  it('is a listing without axes and with one offer', () => {
    const mug = sell(createFamily({ id: 'mug', fields: { name: 'Mug' }, axes: [], off: [] }));
    expect(listingsOf(mug, rulebook('own-shop'), { categories: { outerwear: 'all' } })[0]).toMatchObject({
      key: 'mug',
      axes: [],
      offers: [{ sku: 'S-0', options: [] }],
    });
  });
});

describe('an axis of one value that is called like a column', () => {
  it.each(['Key', 'Style', 'Do', 'Row', 'Category', 'Pieces', 'Of family', 'Picture 1', 'Price EUR', 'GTIN'])(
    '"%s" overwrites nothing in an upload sheet',
    (label) => {
      const family = runCommand(stormJacket(), {
        do: 'addAxis',
        role: 'other',
        label,
        values: [{ label: 'C' }],
        existingTake: 0,
      }).family;
      const named = runCommand(family, {
        do: 'setFigures',
        changes: familyIndex(family).woven.map(({ id }, at) => ({
          ...{ place: { level: 'child', childId: id }, key: 'sku', figure: `S-${at}` },
        })),
      }).family;
      const { listings } = fitWithListings(fitInput(named, 'quayside', {}));
      const messages = listings.map((listing) => listingMessage(undefined, listing)!);
      const { headers, rows } = uploadSheet(messages, rulebook('quayside').rules);
      const cell = (row: (typeof rows)[number], header: string) => row[headers.indexOf(header)];
      const [parent, ...children] = rows;
      expect(new Set(headers).size).toBe(headers.length);
      expect([cell(parent!, 'Row'), cell(parent!, 'Do'), cell(parent!, 'Key')]).toEqual([
        'family',
        'list',
        listings[0]!.key,
      ]);
      expect(cell(parent!, `${label} (option)`)).toBe('C');
      expect(new Set(children.map((row) => cell(row, 'Of family')))).toEqual(new Set([listings[0]!.key]));
      expect([cell(parent!, 'GTIN'), cell(parent!, 'Pieces')]).toEqual(['', '']);
    },
  );
});
