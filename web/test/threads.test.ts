/** A plan drawn as threads: nothing is lost of long lists, and every thread runs from a value to where it goes. */
import { describe, expect, it } from 'vitest';
import { createFamily } from '@loom-kin/core/change';
import { bestPlans, planTask } from '@loom-kin/core/fit';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { RulesSchema } from '@loom-kin/core/rulebook';
import { columnPlaces } from '../src/fit/threadColumn';
import { threadDrawing } from '../src/fit/threadDrawing';

const family = createFamily(openRegistry(emptyRegistry()), {
  id: 'k1',
  fields: { name: 'Yarn' },
  axes: [
    {
      role: 'colour',
      label: 'Colour',
      values: Array.from({ length: 60 }, (_, at) => ({ label: `Shade ${at + 1}`, swatch: '#A4502B' })),
    },
    { role: 'size', label: 'Weight', values: [{ label: 'Thin' }, { label: 'Thick' }] },
  ],
  off: [],
});
const rules = RulesSchema.parse({
  axes: { atMost: 2 },
  children: { atMost: 500 },
  identifiers: { gtin: 'optional' },
  pictures: { atMost: 9 },
  price: { currency: 'EUR', taxIncluded: true },
});
const plan = bestPlans(planTask(family, rules))[0]!;

describe('threads of 60 values', () => {
  it('are folded in the middle, with all that is folded told, and can be unfolded', () => {
    const folded = threadDrawing(family, plan);
    expect(folded.foldable.map((one) => [one.label, one.values])).toEqual([
      ['Colour', 60],
      ['Colour', 60],
    ]);
    const [fold] = folded.marks.filter((mark) => mark.kind === 'fold');
    expect([fold!.text, fold!.title!.split(', ').length, fold!.title!.startsWith('Shade 10, ')]).toEqual([
      '47 more',
      47,
      true,
    ]);
    const open = threadDrawing(family, plan, new Set(folded.foldable.map((one) => one.key)));
    const labels = open.marks.filter((mark) => mark.kind === 'value').map((mark) => mark.text);
    expect(new Set(labels).size).toBe(62);
    expect(open.height).toBeGreaterThan(folded.height * 2);
  });
  it('keep every child, folded or not', () => {
    const all = plan.listings.flatMap((listing) => listing.childIds).toSorted();
    for (const drawing of [
      threadDrawing(family, plan),
      threadDrawing(family, plan, new Set(['t0', family.axes[0]!.id])),
    ]) {
      const drawn = new Set(drawing.threads.flatMap((thread) => thread.childIds));
      expect([...drawn].toSorted()).toEqual(all);
      const keys = drawing.threads.map((thread) => thread.key);
      expect(new Set(keys).size).toBe(keys.length);
    }
  });
  it('never let two names stand on one line', () => {
    for (const count of [0, 1, 20, 21, 60, 500]) {
      const labels = Array.from({ length: count }, (_, at) => `L${at}`);
      const { yOf, isShown, fold } = columnPlaces(labels, 0, false);
      const lines = [...yOf.filter((_, at) => isShown(at)), ...(fold ? [fold.y] : [])];
      expect(new Set(lines).size).toBe(lines.length);
      expect(lines.length).toBeLessThanOrEqual(20);
    }
  });
});
