/** Labels of joined options and cuts of listings that are too large, on anything that may come. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fewestCuts, groupOf, optionLabels, shortCodes, type TaskAxis } from '../src/index';

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

describe('labels of joined options', () => {
  it('stay within the limit, differ, and write each value the same way everywhere', () => {
    let shortened = 0;
    fc.assert(
      fc.property(
        fc.array(anyAxis, { minLength: 1, maxLength: 3 }),
        fc.integer({ min: 3, max: 45 }),
        (axes, atMost) => {
          const rows = combinations(axes);
          const made = optionLabels(axes, rows, atMost, '');
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
        const made = optionLabels(axes, rows, 1000, '');
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
          if (coded.every((text) => text.length <= atMost)) expect(optionLabels(axes, rows, atMost, '')).not.toBeNull();
        },
      ),
      { numRuns: 200 },
    );
  });
});

describe('cuts', () => {
  it('deal values out in order, groups as even as can be, the larger first', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 60 }), fc.integer({ min: 1, max: 12 }), (count, wanted) => {
        const groups = Math.min(wanted, count);
        const dealt = Array.from({ length: count }, (_, at) => groupOf(at, count, groups));
        expect(dealt).toEqual([...dealt].sort((a, b) => a - b));
        const sizes = Array.from({ length: groups }, (_, group) => dealt.filter((one) => one === group).length);
        expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
        expect(sizes).toEqual([...sizes].sort((a, b) => b - a));
      }),
    );
  });
  it('leave no part above a limit, and fewer parts would', () => {
    const grid = fc.record({
      across: fc.integer({ min: 1, max: 7 }),
      down: fc.integer({ min: 1, max: 7 }),
      holes: fc.infiniteStream(fc.integer({ min: 0, max: 9 })),
    });
    fc.assert(
      fc.property(
        grid,
        fc.integer({ min: 1, max: 6 }),
        fc.integer({ min: 1, max: 20 }),
        ({ across, down, holes }, valuesAtMost, childrenAtMost) => {
          const all = Array.from({ length: across * down }, (_, at) => [Math.floor(at / down), at % down]);
          // Every value stays used, so that places have no gaps.
          const rows = all.filter(([a, d]) => a === 0 || d === 0 || holes.next().value! < 7);
          const cuts = fewestCuts(rows, [valuesAtMost, valuesAtMost], childrenAtMost);
          const counts = [across, down];
          const fits = (groups: number[]) => {
            const parts = new Map<string, number[][]>();
            for (const row of rows) {
              const key = row.map((at, axis) => groupOf(at, counts[axis]!, groups[axis]!)).join();
              parts.set(key, [...(parts.get(key) ?? []), row]);
            }
            return [...parts.values()].every(
              (part) =>
                part.length <= childrenAtMost &&
                [0, 1].every((axis) => new Set(part.map((row) => row[axis])).size <= valuesAtMost),
            );
          };
          expect(cuts).not.toBeNull();
          expect(fits(cuts!)).toBe(true);
          for (let a = 1; a <= across; a++)
            for (let d = 1; d <= down; d++) if (a * d < cuts![0]! * cuts![1]!) expect(fits([a, d])).toBe(false);
        },
      ),
      { numRuns: 200 },
    );
  });
});
