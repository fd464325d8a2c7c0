/** What a channel says in its own words: paired facts, sheets without family rows, pictures on the first axis, prices with endings. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitDifferenceText } from '../src/descriptions/fitDifference';
import { familyIndex } from '../src/family/weave';
import { isAnswered } from '../src/fit/findings/settings';
import { fitDifference } from '../src/fit/fitDifference';
import { bestPlans } from '../src/fit/planner/plan';
import { planTask } from '../src/fit/planner/task';
import type { Listing } from '../src/listing/listing';
import { listingMessage } from '../src/listing/listingMessage';
import { uploadSheet } from '../src/listing/uploadSheet';
import { channelPrice } from '../src/money/price';
import { rulesForSheet } from '../src/rulebook/mergedRules';
import { fitInput, fitWithListings, rulebook, type More } from './sample';
import { run, setFamily, wholeJacket } from './whole';

const { family: whole, ...given } = wholeJacket();
const colour = whole.axes[0]!;
const fit = (channel: string, more: More = {}, family = whole) =>
  fitWithListings(fitInput(family, channel, { ...given, ...more }));
const colours = { rust: 'Rust', spruce: 'Green', midnight: 'Navy', ochre: 'Mustard' };
const ready = run(
  whole,
  setFamily('taxCode', '62014010'),
  setFamily('condition', 'new'),
  setFamily('name', 'Skerry storm jacket, waxed'),
);

describe('a fact with a closed list', () => {
  it('goes out in the channel’s words, once they are paired', () => {
    const before = fit('loftline', { pairings: { colour: colours } }, ready);
    const asked = before.findings.find((finding) => finding.code === 'field.choice')!;
    expect(asked.remedies).toEqual([
      {
        kind: 'pair',
        pairing: { channel: 'loftline', role: 'field:wearer', value: 'anyone', to: '' },
        choices: ['Women', 'Men', 'Unisex', 'Children', 'Home'],
      },
    ]);
    const after = fit('loftline', { pairings: { colour: colours, 'field:wearer': { anyone: 'Unisex' } } }, ready);
    expect(after.findings.some((finding) => finding.code === 'field.choice')).toBe(false);
    expect(after.listings[0]!.fields).toMatchObject({ Department: 'Unisex', Colour: 'Rust', 'Colour group': 'Rust' });
  });
  it('needs no pairing where the words are the same but for their case', () => {
    const women = run(ready, setFamily('wearer', 'women'));
    const { findings, listings } = fit('loftline', { pairings: { colour: colours } }, women);
    expect(findings.some((finding) => finding.code === 'field.choice')).toBe(false);
    expect(listings[0]!.fields.Department).toBe('Women');
  });
});

describe('a sheet without rows for families', () => {
  const pairings = { 'field:condition': { new: 'Brand new' } };
  const [live] = fit('palmway', { pairings }, ready).listings;
  const rules = rulesForSheet(rulebook('palmway'));
  const rowsOf = (next: Listing) => {
    const { headers, rows } = uploadSheet([listingMessage(live, next)!], rules, {
      familyRow: false,
      familyRowSays: [],
    });
    return rows.map((row) => Object.fromEntries(headers.map((header, at) => [header, row[at]!])));
  };
  it('has on each child’s row what holds for the listing', () => {
    const { headers, rows } = uploadSheet([listingMessage(undefined, live)!], rules, {
      familyRow: false,
      familyRowSays: [],
    });
    const at = (header: string) => headers.indexOf(header);
    expect(rows).toHaveLength(familyIndex(whole).woven.length);
    expect(headers).not.toContain('Row');
    expect(new Set(rows.map((row) => row[at('Product name')]))).toEqual(new Set(['Skerry storm jacket, waxed']));
    expect(new Set(rows.map((row) => row[at('Option picture')])).size).toBe(colour.values.length);
    expect(rows[0]!.slice(at('Axis 1'), at('Option 2') + 1)).toEqual([
      'Colour',
      'Rust',
      'Size / Lining',
      'XS / Unlined',
    ]);
  });
  it('tells of a change once where no child changes, and of an option’s picture beside its option', () => {
    const text = rowsOf({ ...live!, fields: { ...live!.fields, Details: 'Another text, long enough to be taken.' } });
    expect(text.map((row) => [row.Do, row.Key, row.Details])).toEqual([
      ['revise', '', 'Another text, long enough to be taken.'],
    ]);
    const [first, ...others] = live!.axes[0]!.options;
    const axes = [
      { ...live!.axes[0]!, options: [{ ...first!, pictures: ['picture:new'] }, ...others] },
      live!.axes[1]!,
    ];
    const picture = rowsOf({ ...live!, axes });
    expect(picture.find((row) => row['Option 1'] === first!.label)?.['Option picture']).toBe('picture:new');
  });
  it('takes a listing down by a row without a child', () => {
    const { headers, rows } = uploadSheet([listingMessage(live, undefined)!], rules, {
      familyRow: false,
      familyRowSays: [],
    });
    expect(rows.map((row) => headers.flatMap((header, at) => (row[at] === '' ? [] : [[header, row[at]]])))).toEqual([
      [
        ['Do', 'take down'],
        ['Of family', live!.key],
      ],
    ]);
  });
});

describe('pictures on the first axis', () => {
  it('put the axis first that shows most of them', () => {
    const lining = whole.axes[2]!;
    const pictured = run(
      whole,
      ...colour.values.map((value) => ({
        do: 'setPictures' as const,
        place: { level: 'value' as const, axisId: colour.id, valueId: value.id },
        pictures: [],
      })),
      ...lining.values.map((value, at) => ({
        do: 'setPictures' as const,
        place: { level: 'value' as const, axisId: lining.id, valueId: value.id },
        pictures: [`l-${at}`],
      })),
    );
    const rules = structuredClone(rulebook('palmway').rules);
    rules.axes.atMost = 3;
    const [plan] = bestPlans(planTask(pictured, rules));
    expect(plan!.axes.map((axis) => axis.name)).toEqual(['Lining', 'Colour', 'Size']);
    expect([plan!.pictureAxis, plan!.cost.picturesLost]).toEqual([0, 0]);
  });
});

describe('prices with endings', () => {
  const how = { currency: 'EUR', taxIncluded: true, rate: '1', taxPercent: '20', endings: ['90', '50'] };
  it.each([
    ['12.34', '12.50'],
    ['12.20', '12.50'],
    ['12.19', '11.90'],
    ['12.70', '12.90'],
    ['0.05', '0.50'],
  ])('%s becomes %s', (price, expected) => {
    expect(channelPrice(price, how)).toBe(expected);
  });
  it('go to the nearest of all that end so', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500_000 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 99 }), { minLength: 1, maxLength: 3 }),
        (cents, ends) => {
          const endings = ends.map((end) => String(end).padStart(2, '0'));
          const found = Math.round(Number(channelPrice((cents / 100).toFixed(2), { ...how, endings })) * 100);
          const every = Array.from({ length: 5010 }, (_, euros) => ends.map((end) => euros * 100 + end)).flat();
          const least = Math.min(...every.map((one) => Math.abs(one - cents)));
          expect(ends).toContain(found % 100);
          expect(Math.abs(found - cents)).toBe(least);
        },
      ),
      { numRuns: 50 },
    );
  });
});

describe('an amount that an account is asked for', () => {
  const setting = { key: 'Return fee', label: 'Return fee', kind: 'money' as const, most: '20000', multipleOf: '100' };
  it.each([
    ['5000', true],
    ['0', true],
    ['5050', false],
    ['20100', false],
    ['5000 won', false],
    ['', false],
  ])('%s is one: %s', (answer, expected) => {
    expect(isAnswered(setting, answer)).toBe(expected);
  });
});

describe('exemption from numbers', () => {
  it('holds in the categories it was granted for', () => {
    const bare = run(
      whole,
      setFamily('gtinExempt', true),
      ...familyIndex(whole).woven.map((child) => ({
        do: 'setFigures' as const,
        changes: [{ place: { level: 'child' as const, childId: child.id }, key: 'gtin', figure: null }],
      })),
    );
    const codes = (exemptOnlyIn?: Record<string, string[]>) =>
      fit('quayside', { settings: { ...(exemptOnlyIn ? { exemptOnlyIn } : {}) } }, bare)
        .findings.map((finding) => finding.code)
        .filter((code) => code.startsWith('gtin.'));
    expect(codes()).toEqual([]);
    expect(codes({ 'Skerry Supply': ['clothing-outer'] })).toEqual([]);
    expect(codes({ 'Skerry Supply': ['pets-coats'] })).toEqual(['gtin.not-exempt']);
  });
});

describe('the difference of two fits', () => {
  const under = (change: (rules: ReturnType<typeof rulebook>['rules']) => void) => {
    const book = structuredClone(rulebook('palmway'));
    change(book.rules);
    return fit('palmway', { rulebook: book, pairings: { 'field:condition': { new: 'Brand new' } } }, ready);
  };
  const before = under(() => undefined);
  it('is none under the same rules', () => {
    expect(
      fitDifference(
        before,
        under(() => undefined),
      ),
    ).toBeNull();
  });
  it('tells labels that change, findings that come, and what would stop', () => {
    const shorter = fitDifference(
      before,
      under((rules) => (rules.axes.labelAtMost = 12)),
    )!;
    expect(shorter.relabelled).toBeGreaterThan(0);
    expect(fitDifferenceText(shorter, ready)).toMatch(/^\d+ options would have other labels\.$/);
    const asked = fitDifference(
      before,
      under(({ pictures }) => {
        pictures.atLeast = 7;
      }),
    )!;
    expect(asked.state).toEqual(['fits', 'stopped']);
    expect(fitDifferenceText(asked, ready)).toMatch(/^Fits → is stopped\. The family has 4 of the 7 pictures/);
  });
  it('counts live listings that would be made anew', () => {
    const live = before.listings.map((listing) => ({ key: listing.key, structure: listing.structure, listing }));
    const book = structuredClone(rulebook('palmway'));
    const now = fit('palmway', { live, rulebook: book }, ready);
    const sets = structuredClone(book);
    sets.rules.axes.sets = [['material']];
    const after = fit('palmway', { live, rulebook: sets }, ready);
    expect(fitDifference(now, after)!.remade).toBeGreaterThan(0);
  });
});
