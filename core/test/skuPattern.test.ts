/** SKUs by patterns: what the marks say, what stands against a SKU, and the nearest pattern that is good. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Command } from '../src/change/commands';
import { createFamily } from '../src/change/createFamily';
import { runCommand as run } from '../src/change/run';
import type { Family } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import { checkHousePattern, familyPattern } from '../src/identifiers/housePattern';
import { proposeSkus } from '../src/identifiers/proposeSkus';
import { identityOf } from '../src/identifiers/sameness';
import { readSku } from '../src/identifiers/sku';
import { readPattern, skuMarks, writePattern } from '../src/identifiers/skuPattern';
import { skuWayOut } from '../src/identifiers/skuWayOut';
import { unreadableText } from '../src/refusal/refusal';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { runCommand, stormJacket } from './sample';

const jacket = stormJacket();
const { woven } = familyIndex(jacket);
const nobody = () => false;
const first = (pattern: string, family = jacket) =>
  proposeSkus(family, familyIndex(family).woven.slice(0, 1), pattern, nobody)[0]!;

describe('the marks of a pattern', () => {
  it.each([
    ['{style}-{colour}-{size}', 'SKJ-RST-XS'],
    ['{style:small}/{colour:2}.{size}', 'skj/RS.XS'],
    ['{style}-{colour:label}-{size}', 'SKJ-RUST-XS'],
    ['{style}-{colour:label,as-written}-{size}', 'SKJ-Rust-XS'],
    ['{style}-{colour:label,3,small}-{size}', 'SKJ-rus-XS'],
    ['{style}{counter:4}', 'SKJ0001'],
    ['w{counter}-{style}', 'w1-SKJ'],
    ['{style}-{apart}-{size}', 'SKJ-XS'],
  ])('%s', (pattern, sku) => expect(first(pattern).sku).toBe(sku));

  it('count on from child to child, past numbers that are taken', () => {
    const made = proposeSkus(jacket, woven.slice(0, 3), '{style}-{counter:2}', (sku) => sku === 'SKJ-02');
    expect(made.map((one) => one.sku)).toEqual(['SKJ-01', 'SKJ-03', 'SKJ-04']);
  });
  it('put a number only where a SKU would be another’s, in whatever letters', () => {
    const made = proposeSkus(jacket, woven.slice(0, 3), '{style:small}-{colour}-{apart}', nobody);
    expect(made.map((one) => one.sku)).toEqual(['skj-RST', 'skj-RST-2', 'skj-RST-3']);
    expect(made.some((one) => one.problem)).toBe(false);
  });
  it('ask for what the family does not have yet, and name what it cannot have', () => {
    const { styleCode: _none, ...fields } = jacket.fields;
    const bare = first('{style}-{size}', { ...jacket, fields });
    expect(unreadableText(bare.problem!)).toContain('{style}');
    expect(first('{style}-{height}').problem).toMatchObject({ code: 'sku.pattern', params: { mark: 'height' } });
    expect(first('{style}-{size:loud}').problem).toMatchObject({ params: { mark: 'size:loud' } });
    expect(first('{style} {size}').problem).toMatchObject({ code: 'sku.form' });
  });
  it('are renamed with their axis, with all that is said of them', () => {
    const patterned = runCommand(jacket, { do: 'setSkuPattern', pattern: '{style}-{colour:2,small}-{size}' });
    const axisId = jacket.axes[0]!.id;
    const renamed = runCommand(patterned.family, { do: 'renameAxis', axisId, label: 'Cloth tone' });
    expect(renamed.family.skuPattern).toBe('{style}-{cloth-tone:2,small}-{size}');
  });
  it('are read and written alike', () => {
    const piece = fc.oneof(
      fc.stringMatching(/^[A-Za-z0-9._/-]{1,4}$/),
      fc.record(
        {
          mark: fc.constantFrom(...skuMarks(jacket)),
          length: fc.integer({ min: 1, max: 12 }),
          letters: fc.constantFrom('small' as const, 'as-written' as const),
          label: fc.constant(true),
        },
        { requiredKeys: ['mark'] },
      ),
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
        const pattern = writePattern(pieces);
        expect(writePattern(readPattern(pattern))).toBe(pattern);
        expect(readPattern(pattern).filter((one) => typeof one !== 'string')).toEqual(
          pieces.filter((one) => typeof one !== 'string'),
        );
      }),
    );
  });
});

describe('a way out', () => {
  it.each([
    ['an axis that is not named is put in', '{style}-{colour}-{size}', 40, '{style}-{colour}-{size}-{lining}'],
    [
      'a code that was cut is whole again',
      '{style}-{colour:1}-{size}-{lining}',
      40,
      '{style}-{colour}-{size}-{lining}',
    ],
    [
      'a mark that is not there goes',
      '{style}-{height}-{colour}-{size}-{lining}',
      40,
      '{style}-{colour}-{size}-{lining}',
    ],
    ['codes are cut where the SKU is too long', '{style}-{colour:label}-{size}-{lining:label}', 14, null],
  ])('%s', (_what, pattern, most, expected) => {
    const way = skuWayOut(jacket, woven, pattern, nobody, most);
    expect(way).not.toBeNull();
    if (expected) expect(way).toBe(expected);
    const made = proposeSkus(jacket, woven, way!, nobody);
    expect(made.every((one) => !one.problem && one.sku.length <= most)).toBe(true);
  });
  it('goes past what others in the catalogue have', () => {
    const taken = (sku: string) => sku.startsWith('SKJ-RST-') && !/-\d+$/.test(sku);
    expect(skuWayOut(jacket, woven, jacket.skuPattern, taken, 40)).toBe(`${jacket.skuPattern}-{apart}`);
  });
  it('is none where nothing helps', () => {
    expect(skuWayOut(jacket, woven, jacket.skuPattern, () => true, 40)).toBeNull();
    expect(skuWayOut(jacket, woven, jacket.skuPattern, nobody, 2)).toBeNull();
  });
  it('gives every child a SKU of its own that may be taken, whatever the pattern', () => {
    const mark = fc.constantFrom(
      '{style}',
      '{colour:1}',
      '{size:label}',
      '{lining:2}',
      '{brand}',
      '{x}',
      '-',
      'A',
      '_',
    );
    fc.assert(
      fc.property(fc.array(mark, { maxLength: 6 }), fc.integer({ min: 8, max: 40 }), (marks, most) => {
        const way = skuWayOut(jacket, woven, marks.join(''), (sku) => sku.length % 7 === 0, most);
        if (way === null) return;
        const skus = proposeSkus(jacket, woven, way, nobody).map((one) => one.sku);
        expect(new Set(skus.map((sku) => identityOf('sku', sku))).size).toBe(woven.length);
        for (const sku of skus) expect(readSku(sku, most).ok).toBe(true);
      }),
      { numRuns: 40 },
    );
  });
});

describe('the pattern of the house', () => {
  it.each([
    ['', ['Colour', 'Size'], '{style}-{colour}-{size}'],
    ['', [], '{style}'],
    ['{brand:3}.{style}/{axes}', ['Colour', 'Size'], '{brand:3}.{style}/{colour}/{size}'],
    ['{style}{axes:2,small}x', ['Colour', 'Waist and length'], '{style}{colour:2,small}{waist-and-length:2,small}x'],
    ['{axes:label}-{style}', ['Colour'], '{colour:label}-{style}'],
    ['{axes}-{style}', [], '{style}'],
    ['V2-{axes}', [], 'V2'],
  ])('%s makes of %j a family’s own', (house, axes, own) => expect(familyPattern(house, axes)).toBe(own));

  it('is refused with a mark that not every family has', () => {
    expect(() => checkHousePattern('{style}-{colour}')).toThrow(/\{colour\}.*may have \{style\} \{axes\}/);
    checkHousePattern('{brand:2}{model}-{axes:label}-{counter:3}{apart}');
  });
  it('goes with the axes of a family while the family keeps to it, whatever the house says since', () => {
    const axes = [{ role: 'colour' as const, label: 'Colour', values: [{ label: 'Rust' }] }];
    const add: Command = { do: 'addAxis', role: 'size', label: 'Size', values: [{ label: 'S' }], existingTake: 0 };
    const under = (house: string) => openRegistry({ ...emptyRegistry(), skuPattern: house });
    const start = (house: string, skuPattern?: string) =>
      createFamily(under(house), {
        id: 'knew',
        fields: { name: 'Cape' },
        axes,
        off: [],
        ...(skuPattern ? { skuPattern } : {}),
      });
    const grown = (family: Family, house: string) => run(under(house), family, add).family.skuPattern;
    const cape = start('{model}.{axes}');
    expect(cape.skuPattern).toBe('{model}.{colour}');
    expect(grown(cape, '{model}.{axes}')).toBe('{model}.{colour}.{size}');
    // The house has another by now: the family keeps its own, as one of the seller's.
    expect(grown(cape, '{brand}-{axes}')).toBe('{model}.{colour}');
    // A family of before the house had any goes on as it did.
    expect(grown(start(''), '{brand}-{axes}')).toBe('{style}-{colour}-{size}');
    expect(grown(start('', '{style}+{colour}'), '')).toBe('{style}+{colour}');
  });
});
