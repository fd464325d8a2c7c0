/** Sample families and rulebooks for the tests of the core. */
import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import {
  createFamily,
  guessSwatch,
  readRulebook,
  ROLES,
  type Family,
  type FitInput,
  type Role,
  type Rulebook,
} from '../src/index';

export function rulebook(channel: string): Rulebook {
  const read = readRulebook(
    JSON.parse(readFileSync(new URL(`../../channels/rulebooks/${channel}.json`, import.meta.url), 'utf8')),
  );
  if (!read.ok) throw new Error(read.problems.join('\n'));
  return read.rulebook;
}

/** The storm jacket: 4 colours × 6 sizes × 2 linings, the fleece-lined XS not made. */
export function stormJacket(): Family {
  const colours = ['Rust', 'Spruce', 'Midnight', 'Ochre'];
  return createFamily({
    id: 'fam1',
    fields: {
      name: 'Skerry storm jacket',
      brand: 'Skerry Supply',
      styleCode: 'SKJ',
      category: 'outerwear/jackets',
      price: '189.00',
      weight: 900,
    },
    axes: [
      { role: 'colour', label: 'Colour', values: colours.map((label) => ({ label, swatch: guessSwatch(label)! })) },
      { role: 'size', label: 'Size', values: ['L', 'XS', 'S', 'M', 'XXL', 'XL'].map((label) => ({ label })) },
      { role: 'material', label: 'Lining', values: [{ label: 'Unlined' }, { label: 'Fleece-lined' }] },
    ],
    off: colours.map((colour) => [colour, 'XS', 'Fleece-lined']),
  });
}

export function fitInput(family: Family, channel: string, more: Partial<FitInput> = {}): FitInput {
  return {
    family,
    stock: {},
    pictures: {},
    rulebook: rulebook(channel),
    pairings: [],
    live: [],
    pictureBase: 'http://127.0.0.1/pictures/',
    settings: {
      rate: '1',
      exemptBrands: ['Skerry Supply'],
      answers: { 'Delivery profile': 'Letter' },
      objective: 'listings',
    },
    seller: { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20' },
    ...more,
  };
}

/** Random families: up to `axes` axes with up to `values` values each, some crossings off. */
export function anyFamily(axes = 4, values = 4): fc.Arbitrary<Family> {
  const axis = fc.record({ role: fc.constantFrom(...ROLES), count: fc.integer({ min: 1, max: values }) });
  return fc
    .tuple(
      fc.uniqueArray(axis, { minLength: 0, maxLength: axes, selector: (one) => one.role }),
      fc.infiniteStream(fc.integer({ min: 0, max: 9 })),
    )
    .map(([specs, dice]) => {
      const all = specs.reduce<string[][]>(
        (rows, spec, at) => rows.flatMap((row) => labelsOf(spec.role, spec.count, at).map((label) => [...row, label])),
        [[]],
      );
      const off = all.filter(() => dice.next().value! < 2);
      return createFamily({
        id: 'f',
        fields: { name: 'Any family', styleCode: 'ANY' },
        axes: specs.map((spec, at) => ({
          role: spec.role,
          label: `Axis ${spec.role}`,
          values: labelsOf(spec.role, spec.count, at).map((label) => ({ label })),
        })),
        off: off.length < all.length ? off : [],
      });
    });
}

function labelsOf(role: Role, count: number, at: number): string[] {
  return Array.from(
    { length: count },
    (_, n) => `${role} ${'abcdefgh'[at]}${n}${n % 3 === 2 ? ' of a longer kind' : ''}`,
  );
}
