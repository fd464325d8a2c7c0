/** Labels of joined options, on anything that may come. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { optionLabels } from '../src/fit/planner/labels';
import type { TaskAxis } from '../src/fit/planner/shape';
import { shortCodes } from '../src/identifiers/shortCodes';

const word = fc.constantFrom(
  'Rust',
  'Spruce',
  'Kingfisher',
  'Fleece-lined',
  'Unlined',
  'Deep',
  'Long',
  'XXL',
  '98/104',
  'Waxed cotton',
  'of',
  'a',
  'Größe',
  'pair (3)',
);
const label = fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' '));
const anyAxis = fc
  .uniqueArray(label, { minLength: 1, maxLength: 5, selector: (text) => text.toLowerCase() })
  .map((labels): TaskAxis => {
    const codes = shortCodes(labels);
    return {
      id: 'x',
      label: 'X',
      role: 'other',
      values: labels.map((text, at) => ({ id: `v${at}`, label: text, code: codes[at]! })),
    };
  });

/** Every combination of the axes' values, as places. */
const combinations = (axes: readonly TaskAxis[]) =>
  axes.reduce<number[][]>((rows, axis) => rows.flatMap((row) => axis.values.map((_, at) => [...row, at])), [[]]);

/** Axis → row → place. */
const inColumns = (rows: readonly number[][]) => rows[0]!.map((_, axis) => rows.map((row) => row[axis]!));

describe('labels of joined options', () => {
  it('stay within the limit, differ, and write each value the same way everywhere', () => {
    let shortened = 0;
    fc.assert(
      fc.property(
        fc.array(anyAxis, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 3, max: 45 }),
        (axes, atMost) => {
          const rows = combinations(axes);
          const made = optionLabels(axes, inColumns(rows), atMost, '');
          if (!made) return;
          if (made.shortened) shortened += 1;
          expect(made.labels.every((text) => text.length >= 1 && text.length <= atMost)).toBe(true);
          expect(new Set(made.labels.map((text) => text.toLowerCase())).size).toBe(rows.length);
          // A value's part is the same whatever it is joined with: exchanging one value for another exchanges that part
          // and no other letter.
          const labelAt = new Map(rows.map((row, at) => [row.join(), made.labels[at]!]));
          const letters = (...texts: string[]) => [...texts.join('')].sort().join('');
          for (const [a, b] of rows
            .slice(0, 6)
            .flatMap((one) => rows.slice(-6).map((other) => [one, other] as const))) {
            const [swapA, swapB] = [
              [b[0]!, ...a.slice(1)],
              [a[0]!, ...b.slice(1)],
            ];
            expect(letters(labelAt.get(a.join())!, labelAt.get(b.join())!)).toBe(
              letters(labelAt.get(swapA.join())!, labelAt.get(swapB.join())!),
            );
          }
        },
      ),
      { numRuns: 300 },
    );
    expect(shortened).toBeGreaterThan(20);
  });
  it('are the full ones wherever those fit', () => {
    fc.assert(
      fc.property(fc.array(anyAxis, { minLength: 1, maxLength: 3 }), (axes) => {
        const rows = combinations(axes);
        const made = optionLabels(axes, inColumns(rows), 1000, '');
        expect(made?.labels).toEqual(
          rows.map((row) => row.map((value, axis) => axes[axis]!.values[value]!.label).join(' / ')),
        );
        expect(made?.shortened).toBe(false);
      }),
      { numRuns: 100 },
    );
  });
  it('give up only where even the short codes are too long', () => {
    fc.assert(
      fc.property(
        fc.array(anyAxis, { minLength: 1, maxLength: 2 }),
        fc.integer({ min: 1, max: 12 }),
        (axes, atMost) => {
          const rows = combinations(axes);
          const coded = rows.map((row) => row.map((value, axis) => axes[axis]!.values[value]!.code).join('/'));
          if (coded.every((text) => text.length <= atMost))
            expect(optionLabels(axes, inColumns(rows), atMost, '')).not.toBeNull();
        },
      ),
      { numRuns: 200 },
    );
  });
  it('shorten as few parts as can be, the seller’s own short labels before anything by rule', () => {
    const named = (labels: [string, string?][]): TaskAxis => ({
      id: 'x',
      label: 'X',
      role: 'other',
      values: labels.map(([text, short], at) => ({ id: `v${at}`, label: text, short, code: `C${at}` })),
    });
    const all = [
      [0, 0],
      [0, 1],
    ];
    const lining = named([['Unlined'], ['Fleece-lined', 'Fleece']]);
    const colour = named([['Kingfisher blue']]);
    expect(optionLabels([colour, lining], inColumns(all), 25, '')).toEqual({
      labels: ['Kingfisher blue / Unlined', 'Kingfisher blue / Fleece'],
      shortened: true,
      byRule: 0,
    });
  });
  it('keep out what the channel forbids, the mark between joined parts too', () => {
    const axes = [
      { id: 'a', label: 'A', role: 'other' as const, values: [{ id: 'v1', label: '98/104', code: 'A' }] },
      { id: 'b', label: 'B', role: 'other' as const, values: [{ id: 'v2', label: 'Rust', code: 'R' }] },
    ];
    expect(optionLabels(axes, [[0], [0]], 40, '/')?.labels).toEqual(['98 104 · Rust']);
    expect(optionLabels(axes, [[0], [0]], 40, '/·-')?.labels).toEqual(['98 104 Rust']);
  });
  it('hold no forbidden sign, blanks among them, and run together where every separator is forbidden', () => {
    const axis = (...labels: string[]): TaskAxis => ({
      id: 'x',
      label: 'X',
      role: 'other',
      values: labels.map((text, at) => ({ id: `v${at}`, label: text, code: `C${at}` })),
    });
    const axes = [axis('Navy blue', 'Rust'), axis('98/104', 'Waxed cotton')];
    const made = (forbidden: string) => optionLabels(axes, inColumns(combinations(axes)), 40, forbidden)!.labels;
    expect(made(' ')).toEqual(['Navy-blue/98/104', 'Navy-blue/Waxed-cotton', 'Rust/98/104', 'Rust/Waxed-cotton']);
    expect(made('/')).toEqual([
      ...['Navy blue · 98 104', 'Navy blue · Waxed cotton'],
      ...['Rust · 98 104', 'Rust · Waxed cotton'],
    ]);
    expect(made(' /·-')).toEqual(['Navyblue98104', 'NavyblueWaxedcotton', 'Rust98104', 'RustWaxedcotton']);
    fc.assert(
      fc.property(fc.array(anyAxis, { minLength: 1, maxLength: 2 }), fc.string({ maxLength: 4 }), (some, forbidden) => {
        const labels = optionLabels(some, inColumns(combinations(some)), 60, forbidden)?.labels ?? [];
        expect(labels.filter((text) => [...forbidden].some((mark) => text.includes(mark)))).toEqual([]);
      }),
    );
  });
});
