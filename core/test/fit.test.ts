import fc from 'fast-check';
import { proposeCategories } from '../src/catalogue/proposeCategories';
import { describe, expect, it } from 'vitest';
import type { SingleCommand } from '../src/change/commands';
import { findingText } from '../src/descriptions/findingText';
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { completeness } from '../src/fit/completeness';
import { alike, mendAll } from '../src/fit/mend';
import type { Listing } from '../src/listing/listing';
import { listingMessage } from '../src/listing/listingMessage';
import { uploadSheet } from '../src/listing/uploadSheet';
import { foldForPairing, pairingLookup } from '../src/pairing/pairings';
import { proposePairing } from '../src/pairing/propose';
import { rulesForSheet } from '../src/rulebook/mergedRules';
import { readRulebook } from '../src/rulebook/readRulebook';
import { isReady } from '../src/fit/remedy';
import { generalTree } from '../src/registry/generalTree';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { fitInput, fitWithListings, type More, registry, rulebook, rulesFor } from './sample';
import { facts, pairings, run, setChild, setFamily, table, wholeJacket } from './whole';

type Fit = ReturnType<typeof fitWithListings>;
const codes = (fit: Pick<Fit, 'findings'>) => [...new Set(fit.findings.map((finding) => finding.code))].sort();
const find = (fit: Pick<Fit, 'findings'>, code: string) => fit.findings.filter((finding) => finding.code === code);

const { family: whole, ...given } = wholeJacket();
const fit = (channel: string, family: Family = whole, more: More = {}) =>
  fitWithListings(fitInput(family, channel, { ...given, ...more }));
const first = () => familyIndex(whole).woven[0]!;

describe('a family that is whole', () => {
  it.each(['quayside', 'fernpost', 'own-shop'])('fits %s, every child of it, in one listing', (channel) => {
    const found = fit(channel);
    expect(found.findings.filter((finding) => finding.severity !== 'advises')).toEqual([]);
    expect(found.state).toBe('fits');
    expect(new Set(Object.values(found.childStates))).toEqual(new Set(['fits']));
    expect(found.listings).toHaveLength(1);
    expect(found.listings[0]!.offers.map((offer) => offer.sku).sort()).toEqual(
      familyIndex(whole)
        .woven.map((child) => child.fields.sku)
        .sort(),
    );
  });
  it("goes out in the channel's money, units and labels", () => {
    const [fernpost] = fit('fernpost', whole, {
      settings: { rate: '1.09', exemptBrands: [], answers: { 'Delivery profile': 'Letter' }, objective: 'listings' },
    }).listings;
    // 189.00 without 20 % tax is 157.50, times 1.09 is 171.675, half up 171.68; 900 g are 31.7 oz.
    expect(fernpost).toMatchObject({ currency: 'USD', fromPrice: '171.68', fields: { 'Delivery profile': 'Letter' } });
    expect(fernpost!.offers[0]).toMatchObject({ price: '171.68', stock: 7, fields: { 'Weight oz': 31.7 } });
    expect(
      Math.max(...fernpost!.axes.flatMap((axis) => axis.options.map((option) => option.label.length))),
    ).toBeLessThanOrEqual(20);
    const [quayside] = fit('quayside').listings;
    expect(quayside!.axes[0]).toMatchObject({ name: 'Colour', role: 'colour' });
    expect(quayside!.axes[0]!.options[0]).toEqual({ label: 'Rust / Unlined', paired: 'Orange' });
    expect(quayside!.offers[0]!.pictures).toEqual(['picture:p-Rust']);
  });
});

describe('findings', () => {
  const cases: [string, string, () => Fit][] = [
    ['sku.missing', 'quayside', () => fit('quayside', run(whole, setChild(first().id, 'sku', null)))],
    ['gtin.missing', 'quayside', () => fit('quayside', run(whole, setChild(first().id, 'gtin', null)))],
    ['price.missing', 'own-shop', () => fit('own-shop', run(whole, setFamily('price', null)))],
    ['price.too-high', 'quayside', () => fit('quayside', run(whole, setChild(first().id, 'price', '20000.01')))],
    ['price.list-not-above', 'own-shop', () => fit('own-shop', run(whole, setFamily('listPrice', '189.00')))],
    ['stock.too-low', 'fernpost', () => fit('fernpost', whole, { stock: { ...given.stock, [first().id]: 0 } })],
    ['stock.capped', 'fernpost', () => fit('fernpost', whole, { stock: { ...given.stock, [first().id]: 1240 } })],
    ['pairing.missing', 'quayside', () => fit('quayside', whole, { pairings: {} })],
    [
      'picture.missing',
      'own-shop',
      () =>
        fit(
          'own-shop',
          run(
            whole,
            ...whole.axes[0]!.values.map((value): SingleCommand => ({
              do: 'setPictures',
              place: { level: 'value', axisId: whole.axes[0]!.id, valueId: value.id },
              pictures: [],
            })),
          ),
        ),
    ],
    [
      'picture.small',
      'quayside',
      () => fit('quayside', whole, { pictures: { ...given.pictures, 'p-Rust': facts('p-Rust', { width: 999 }) } }),
    ],
    [
      'picture.not-white',
      'quayside',
      () =>
        fit('quayside', whole, {
          pictures: { ...given.pictures, 'p-Rust': facts('p-Rust', { whiteBackground: false }) },
        }),
    ],
    ['field.missing', 'own-shop', () => fit('own-shop', run(whole, setFamily('description', null)))],
    ['field.too-few', 'quayside', () => fit('quayside', run(whole, setFamily('highlights', ['One'])))],
    [
      'field.too-many',
      'fernpost',
      () =>
        fit(
          'fernpost',
          run(
            whole,
            setFamily(
              'searchWords',
              Array.from({ length: 13 }, (_, at) => `w${at}`),
            ),
          ),
        ),
    ],
    ['field.too-long', 'own-shop', () => fit('own-shop', run(whole, setFamily('searchTitle', 'long '.repeat(16))))],
    [
      'name.option-values',
      'quayside',
      () => fit('quayside', run(whole, setFamily('name', 'Skerry storm jacket Rust'))),
    ],
    ['wording.link', 'quayside', () => fit('quayside', run(whole, setFamily('madeIn', 'www.example.test')))],
    [
      'setting.missing',
      'fernpost',
      () => fit('fernpost', whole, { settings: { rate: '1', exemptBrands: [], answers: {}, objective: 'listings' } }),
    ],
    ['measure.odd', 'own-shop', () => fit('own-shop', run(whole, setFamily('weight', 350_000)))],
    ['category.none', 'quayside', () => fit('quayside', run(whole, setFamily('category', 'home/bags')))],
    [
      'plan.nothing-offered',
      'quayside',
      () =>
        fit(
          'quayside',
          run(whole, { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'onSale', figure: false }] }),
        ),
    ],
  ];
  it.each(cases)('%s is found on %s, alone, with the rule it comes from and in plain words', (code, _channel, make) => {
    const found = make();
    const serious = codes({
      ...found,
      findings: found.findings.filter((finding) => finding.code !== 'label.shortened'),
    });
    expect(serious).toEqual([code]);
    for (const finding of find(found, code)) {
      expect(finding.rule).not.toBe('');
      expect(findingText(finding, whole)).toMatch(/^[A-Z"0-9€$p].{10,}[.:]?/);
    }
  });
  it('stand on the child, so that its crossing shows them and the others do not', () => {
    const found = fit('quayside', run(whole, setChild(first().id, 'gtin', null)));
    expect(found.state).toBe('stopped');
    expect(Object.entries(found.childStates).filter(([, state]) => state === 'stopped')).toEqual([
      [first().id, 'stopped'],
    ]);
  });
  it('say that a category lets go without GTINs, or that the brand has no exemption', () => {
    const bare = run(
      whole,
      {
        do: 'setFigures',
        changes: familyIndex(whole).woven.map((child) => ({
          place: { level: 'child', childId: child.id },
          key: 'gtin',
          figure: null,
        })),
      },
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'gtinExempt', figure: true }] },
    );
    expect(fit('quayside', bare).state).toBe('fits');
    expect(codes(fit('quayside', run(bare, setFamily('brand', 'Other')), {}))).toContain('gtin.not-exempt');
  });
  it('tell of a chosen plan that no longer fits', () => {
    const chosen = fit('quayside').plans[1]!.signature;
    const wished = run(whole, {
      do: 'setWish',
      account: 'quayside',
      wish: { chosen, apart: [], whole: [], leaveOut: [], offered: true },
    });
    expect(fit('quayside', wished).plan!.signature).toBe(chosen);
    const without = run(wished, {
      do: 'removeAxis',
      axisId: whole.axes[2]!.id,
      keep: { valueId: whole.axes[2]!.values[0]!.id },
    });
    expect(codes(fit('quayside', without))).toContain('plan.chosen-gone');
  });
});

describe('remedies', () => {
  const mended = (family: Family, found: Fit, code: string) =>
    run(family, ...mendAll(alike(found.findings, find(found, code)[0]!)).commands);
  it('mend one or all alike, and the finding is gone', () => {
    const long = run(
      whole,
      setFamily(
        'searchWords',
        Array.from({ length: 15 }, (_, at) => `w${at}`),
      ),
      setFamily('name', 'Skerry storm jacket, rust'),
    );
    const fern = fit('fernpost', long);
    expect(codes(fit('fernpost', mended(long, fern, 'field.too-many')))).not.toContain('field.too-many');
    const quay = fit('quayside', long);
    // A name is never changed in passing: the remedy is pressed by itself.
    const [named] = find(quay, 'name.option-values');
    expect(mendAll([named!]).commands).toEqual([]);
    const renamed = run(
      long,
      ...named!.remedies.flatMap((remedy) => (remedy.kind === 'change' ? remedy.commands : [])),
    );
    expect(renamed.fields.name).toBe('Skerry storm jacket');
  });
  it('exempt nobody from GTINs in passing', () => {
    const bare = run(whole, ...familyIndex(whole).woven.map(({ id }) => setChild(id, 'gtin', null)));
    const quay = fit('quayside', bare, { settings: { exemptBrands: ['Skerry Supply'] } });
    expect(mendAll(quay.findings).commands.filter((command) => JSON.stringify(command).includes('gtinExempt'))).toEqual(
      [],
    );
  });
  it('leave out several children on a channel without one wish overwriting another', () => {
    const two = familyIndex(whole)
      .woven.slice(0, 2)
      .map((child) => child.id);
    const stock = { ...given.stock, [two[0]!]: 0, [two[1]!]: 0 };
    // Taking children off is never done in passing: it is asked for by itself.
    const [low] = find(fit('fernpost', whole, { stock }), 'stock.too-low');
    expect([low!.childIds, mendAll([low!]).commands]).toEqual([two, []]);
    const after = run(whole, ...low!.remedies.flatMap((remedy) => (remedy.kind === 'change' ? remedy.commands : [])));
    expect(after.wishes.fernpost!.leaveOut).toEqual(two);
    const left = fit('fernpost', after, { stock });
    expect([left.state, left.plan!.cost.leftOut, left.childStates[two[0]!]]).toEqual(['fits', 2, 'absent']);
  });
  it('ask for the pieces of what is counted, and not for those of a set, which its parts make', () => {
    const { id } = first();
    const stock = { ...given.stock, [id]: 0 };
    const kinds = (family: Family) =>
      find(fit('fernpost', family, { stock }), 'stock.too-low')[0]!.remedies.map((one) => one.kind);
    expect(kinds(whole)).toEqual(['figure', 'change']);
    expect(kinds(run(whole, setChild(id, 'parts', '2 × ANY-1')))).toEqual(['change']);
  });
  it('pair every value with the nearest colour', () => {
    const { pairings: near } = mendAll(find(fit('quayside', whole, { pairings: {} }), 'pairing.missing'));
    expect(near.map((one) => [one.value, one.to])).toEqual([
      ['rust', 'Orange'],
      ['spruce', 'Green'],
      ['midnight', 'Navy blue'],
      ['ochre', 'Yellow'],
    ]);
    expect(fit('quayside', whole, { pairings: table(near) }).state).toBe('fits');
  });
});

describe('pairings', () => {
  const { lists } = rulesFor(rulebook('quayside'), 'outerwear/jackets')!;
  it('hold by name, by choice, and not to entries the channel has dropped', () => {
    const lookup = pairingLookup(
      table([...pairings, { channel: 'quayside', role: 'colour', value: 'kelp', to: 'Olive of old' }]),
      lists,
    );
    expect([
      lookup('colour', 'RUST'),
      lookup('colour', 'navy  blue'),
      lookup('colour', 'Kelp'),
      lookup('colour', 'Sand'),
      lookup('size', 'xl'),
    ]).toEqual(['Orange', 'Navy blue', undefined, undefined, 'XL']);
  });
  it('are suggested by size and by word where there is no colour', () => {
    expect(proposePairing('size', { label: '2XL' }, lists.get('size')!)?.to).toBe('XXL');
    expect(proposePairing('colour', { label: 'Deep red' }, lists.get('colour')!)?.to).toBe('Red');
    expect(proposePairing('size', { label: 'Giant' }, lists.get('size')!)).toBeNull();
    expect(foldForPairing(' Deep  Red ')).toBe('deep red');
  });
  it('collide only where the channel shows its own value', () => {
    const book = rulebook('quayside');
    const closed = {
      ...book,
      rules: {
        ...book.rules,
        axes: {
          ...book.rules.axes,
          sets: [['colour' as const, 'size' as const]],
          roles: { ...book.rules.axes.roles, colour: { ...book.rules.axes.roles.colour!, shows: 'list' as const } },
        },
      },
    };
    const both = table(pairings.map((one) => ({ ...one, to: 'Blue' })));
    expect(codes(fit('quayside', whole, { pairings: both }))).not.toContain('pairing.collides');
    const found = fit('quayside', whole, { rulebook: closed, pairings: both });
    expect(find(found, 'pairing.collides').map((finding) => findingText(finding, whole))).toEqual([
      'Rust, Spruce, Midnight and Ochre would be shown alike, as Blue.',
    ]);
    // A list of the channel's own cannot hold joined labels, so lining is not joined to colour here.
    expect(found.plan!.axes.every((axis) => axis.role !== 'colour' || axis.from.length === 1)).toBe(true);
  });
});

describe('what is sent after what is live', () => {
  const listing = () => fit('own-shop').listings[0]!;
  it('is nothing, the difference, all, or a taking down', () => {
    const live = listing();
    expect(listingMessage(live, listing())).toBeNull();
    expect(listingMessage(undefined, undefined)).toBeNull();
    expect(listingMessage(live, undefined)).toEqual({ action: 'takeDown', key: live.key });
    expect(listingMessage(live, { ...live, structure: 'another' })?.action).toBe('list');
    expect(listingMessage(live, live, false, true)).toEqual({
      action: 'revise',
      key: live.key,
      draft: false,
      changes: {},
      offers: [],
      gone: [],
    });
    const dearer = { ...live, offers: live.offers.map((offer, at) => (at === 3 ? { ...offer, stock: 1 } : offer)) };
    expect(listingMessage(live, dearer)).toMatchObject({
      changes: {},
      offers: [{ sku: live.offers[3]!.sku, stock: 1 }],
    });
  });
  it('brings the held listing exactly to the wanted one, whatever differs', () => {
    const apply = (held: Listing, message: NonNullable<ReturnType<typeof listingMessage>>): Listing => {
      if (message.action !== 'revise') return message.action === 'list' ? message.listing : held;
      const offers = new Map(held.offers.map((offer) => [offer.sku, offer]));
      message.gone.forEach((sku) => offers.delete(sku));
      for (const { cleared, ...change } of message.offers) {
        const next = { ...offers.get(change.sku), ...change } as Record<string, unknown>;
        cleared?.forEach((name) => delete next[name]);
        offers.set(change.sku, next as Listing['offers'][number]);
      }
      return { ...held, ...message.changes, offers: [...offers.values()] };
    };
    const change = fc.record({
      at: fc.nat(43),
      kind: fc.constantFrom('price', 'stock', 'list', 'gone', 'gtin', 'title'),
      figure: fc.constantFrom('1.00', '250.00'),
    });
    fc.assert(
      fc.property(fc.array(change, { maxLength: 8 }), (changes) => {
        const live = listing();
        let next = structuredClone(live);
        for (const { at, kind, figure } of changes) {
          const offer = next.offers[at % next.offers.length]!;
          if (kind === 'price') offer.price = figure;
          if (kind === 'stock') offer.stock = Number.parseInt(figure);
          if (kind === 'list') offer.listPrice = figure;
          if (kind === 'gtin') delete offer.gtin;
          if (kind === 'title') next.fields.Name = `Jacket ${figure}`;
          if (kind === 'gone' && next.offers.length > 1)
            next = { ...next, offers: next.offers.filter((one) => one !== offer) };
        }
        const message = listingMessage(live, next);
        expect(message ? apply(live, message) : live).toEqual(next);
      }),
      { numRuns: 60 },
    );
  });
  it("as a sheet has one family row without a child's figures, and says what is taken away", () => {
    const live = fit('quayside').listings[0]!;
    const next = {
      ...live,
      offers: live.offers.slice(1).map((offer, at) => (at === 0 ? { ...offer, gtin: undefined } : offer)),
    };
    const { headers, rows } = uploadSheet([listingMessage(live, next)!], rulesForSheet(rulebook('quayside')));
    const cell = (row: number, header: string) => rows[row]![headers.indexOf(header)];
    expect(rows.map((row) => row.slice(0, 3))).toEqual([
      ['family', 'revise', live.key],
      ['child', 'revise', live.offers[1]!.sku],
      ['child', 'take down', live.offers[0]!.sku],
    ]);
    expect([
      cell(0, 'Price EUR'),
      cell(0, 'GTIN'),
      cell(1, 'GTIN'),
      cell(1, 'Price EUR'),
      cell(1, 'Of family'),
    ]).toEqual(['', '', '(none)', '', live.key]);
  });
});

describe('rulebooks', () => {
  it('are refused with every place that is wrong', () => {
    const good = JSON.parse(JSON.stringify(rulebook('fernpost'))) as {
      rules: { axes: Record<string, unknown>; price: Record<string, unknown> };
      categories: { rules: unknown }[];
    };
    good.rules.axes.atMost = 'two';
    good.rules.price.currency = 'DOLLAR';
    const read = readRulebook(good, registry);
    expect(read.ok ? [] : read.problems.map((problem) => problem.place)).toEqual([
      'rules.axes.atMost',
      'rules.price.currency',
    ]);
    const late = JSON.parse(JSON.stringify(rulebook('fernpost'))) as typeof good;
    late.categories[0]!.rules = { pictures: { atMost: 0 } };
    const second = readRulebook(late, registry);
    expect(second.ok ? '' : second.problems[0]!.place).toMatch(/^categories\.wear\.pictures\.atMost/);
  });
  it('give each category its own rules, fields added by key', () => {
    const { rules } = rulesFor(rulebook('quayside'), 'pets/coats')!;
    expect(rules.axes.sets).toEqual([['colour'], ['length'], ['colour', 'length']]);
    expect(rules.fields.some((field) => field.key === 'composition')).toBe(false);
    expect(
      rulesFor(rulebook('quayside'), 'outerwear/jackets')!.rules.fields.some((field) => field.key === 'composition'),
    ).toBe(true);
    expect(rulesFor(rulebook('quayside'), 'home/bags')).toBeNull();
  });
});

describe('completeness', () => {
  const on = (channel: string, family: Family) =>
    completeness(family, rulesFor(rulebook(channel), String(family.fields.category))!);
  it('counts what a channel asks for, and names what is missing, required first', () => {
    const { asked, filled, missing } = on('quayside', whole);
    // What is optional is named, and is no gap.
    expect([filled, missing.map(({ rule }) => rule.key)]).toEqual([asked, ['condition']]);
    expect(on('quayside', run(whole, setFamily('description', null))).filled).toBe(asked - 1);
    const bare = run(whole, setFamily('searchWords', null), setFamily('description', null));
    expect(on('quayside', bare).missing.map(({ rule }) => [rule.key, rule.need])).toEqual([
      ['description', 'required'],
      ['searchWords', 'optional'],
      ['condition', 'optional'],
    ]);
  });
  it('counts a figure wherever it stands, but only where every child has it', () => {
    const [one, ...others] = familyIndex(whole).woven;
    const without = run(whole, setFamily('weight', null));
    expect(on('own-shop', without).missing.map(({ rule }) => rule.key)).toContain('weight');
    const most = run(without, {
      do: 'setFigures',
      changes: others.map((child) => ({ place: { level: 'child', childId: child.id }, key: 'weight', figure: 900 })),
    });
    expect(on('own-shop', most).missing.map(({ rule }) => rule.key)).toContain('weight');
    expect(
      on('own-shop', run(most, setChild(one!.id, 'weight', 900))).missing.map(({ rule }) => rule.key),
    ).not.toContain('weight');
  });
});

describe('a category that goes nowhere yet', () => {
  const places = (channel: string, category: string) =>
    proposeCategories(openRegistry({ ...emptyRegistry(), categories: generalTree() }), category, rulebook(channel)).map(
      ({ to }) => to,
    );
  it('is offered those that are called alike, the likeliest first', () => {
    expect(places('quayside', 'clothing/outerwear')[0]).toBe('clothing-outer');
    expect(places('quayside', 'household/tableware')[0]).toBe('home-table');
    expect(places('fernpost', 'clothing/outerwear')).toEqual(['wear']);
    expect(places('own-shop', 'footwear/boots')).toEqual(['all']);
    expect(places('own-shop', 'clothing/outerwear')).toEqual(['clothing']);
  });
  it('has every place of the channel to choose from, beside the likely ones; none is taken where none is likely', () => {
    expect(places('quayside', 'accessories/jewellery')).toEqual([]);
    const [none] = find(fit('quayside', whole, { categories: {} }), 'category.none');
    const all = rulebook('quayside').categories.map(({ id, label }) => ({ id, label }));
    expect(all.length).toBeGreaterThan(3);
    expect(none!.remedies.map((one) => ('choices' in one ? one.choices : one.kind))).toEqual([
      'categoryMap',
      'categoryMap',
      all,
    ]);
    expect(none!.remedies.map(isReady)).toEqual([true, true, false]);
  });
});
