import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  bestPlans,
  billOrder,
  fewestCuts,
  optionLabels,
  planNamed,
  planTask,
  RulesSchema,
  type PlanTask,
  type Role,
  type Rules,
} from '../src/index';
import { anyFamily, rulebook, rulesFor, stormJacket } from './sample';
import { bruteForce } from './brute-force';

const rules = (axes: Partial<Rules['axes']>, childrenAtMost = 1000): Rules =>
  RulesSchema.parse({
    axes: { atMost: 2, ...axes },
    children: { atMost: childrenAtMost },
    identifiers: { gtin: 'optional' },
    pictures: { atMost: 9 },
    price: { currency: 'EUR', taxIncluded: true },
    fees: { perListing: '0.25' },
  });

const labelsOf = (plan: { axes: { options: { label: string }[] }[] }, axis: number) =>
  plan.axes[axis]!.options.map((option) => option.label);

describe('the storm jacket (colour × size × lining, 44 children)', () => {
  const jacket = stormJacket();
  const onQuayside = rulesFor(rulebook('quayside'), 'outerwear/jackets')!.rules;

  it('goes onto two listed axes by joining colour and lining, no child left out', () => {
    const [best] = bestPlans(planTask(jacket, onQuayside, undefined));
    expect(best!.axes.map((axis) => [axis.name, axis.from.length])).toEqual([
      ['Colour', 2],
      ['Size', 1],
    ]);
    expect(best!.bill).toMatchObject({ leftOut: 0, listings: 1, joins: 1, axesShown: 2 });
    expect(labelsOf(best!, 0)).toEqual([
      'Rust / Unlined',
      'Rust / Fleece-lined',
      'Spruce / Unlined',
      'Spruce / Fleece-lined',
      'Midnight / Unlined',
      'Midnight / Fleece-lined',
      'Ochre / Unlined',
      'Ochre / Fleece-lined',
    ]);
    expect(labelsOf(best!, 1)).toEqual(['XS', 'S', 'M', 'L', 'XL', 'XXL']);
    expect(best!.listings[0]!.childIds).toHaveLength(44);
  });

  it('is split by lining where nothing may be joined', () => {
    const wish = { apart: jacket.axes.map((axis) => axis.id), whole: [], leaveOut: [], offered: true };
    const [best] = bestPlans(planTask(jacket, onQuayside, { wish }));
    expect(best!.split).toEqual([jacket.axes[2]!.id]);
    expect(best!.listings.map((listing) => listing.childIds.length)).toEqual([24, 20]);
  });

  it('is carried as it is where three axes are taken', () => {
    const [best] = bestPlans(planTask(jacket, rules({ atMost: 3 }), undefined));
    expect(best!.axes.map((axis) => axis.name)).toEqual(['Colour', 'Size', 'Lining']);
    expect(best!.bill).toMatchObject({ listings: 1, joins: 0 });
  });

  it('shortens joined labels to the limit, consistently and all different', () => {
    const [best] = bestPlans(planTask(jacket, rules({ labelAtMost: 12 }), undefined));
    const labels = best!.axes.flatMap((axis) => axis.options.map((option) => option.label));
    expect(Math.max(...labels.map((label) => label.length))).toBeLessThanOrEqual(12);
    for (const axis of best!.axes)
      expect(new Set(axis.options.map((option) => option.label)).size).toBe(axis.options.length);
    expect(best!.axes.some((axis) => axis.shortened)).toBe(true);
  });

  it('keeps what is live when another plan costs the same but for that', () => {
    const two = bestPlans(planTask(jacket, rules({}), undefined), 2);
    const live = two[1]!.listings.map((listing) => ({ key: listing.key, structure: two[1]!.signature }));
    const again = bestPlans(planTask(jacket, rules({}), { live }));
    expect(again[0]!.signature).toBe(two[1]!.bill.listings === 1 ? two[1]!.signature : two[0]!.signature);
  });

  it('finds a plan again by its signature', () => {
    const task = planTask(jacket, onQuayside, undefined);
    for (const plan of bestPlans(task)) expect(planNamed(task, plan.signature)).toEqual(plan);
  });
});

describe('cutting', () => {
  it('cuts 25 values at a limit of 20 into 13 and 12, in order', () => {
    expect(
      fewestCuts(
        Array.from({ length: 25 }, (_, at) => [at]),
        [20],
        1000,
      ),
    ).toEqual([2]);
    const family = Array.from({ length: 25 }, (_, n) => ({ id: `v${n}`, label: `Shade ${n}`, code: `S${n}` }));
    const task: PlanTask = {
      axes: [{ id: 'a', label: 'Shade', role: 'colour' as Role, values: family }],
      children: family.map((value, at) => ({ id: value.id, at: [at] })),
      leftOut: [],
      rules: rules({ atMost: 1, valuesAtMost: 20 }),
      wish: { apart: [], whole: ['a'] },
      pictures: { onAxis: [0], onChildren: 0 },
      live: [],
      objective: 'listings',
      known: { columns: null, combinations: new Map(), labels: new Map(), plans: new WeakMap() },
    };
    expect(bestPlans(task)[0]!.listings.map((listing) => listing.childIds.length)).toEqual([13, 12]);
  });

  it('cuts 40 × 40 at 20 values into four, not forty', () => {
    const rows = Array.from({ length: 1600 }, (_, n) => [Math.floor(n / 40), n % 40]);
    expect(fewestCuts(rows, [20, 20], 10_000)).toEqual([2, 2]);
  });

  it('gives up where a listing may hold nothing', () => {
    expect(fewestCuts([[0], [1]], [0], 5)).toBeNull();
  });
});

describe('labels', () => {
  const axis = (labels: string[]) => ({
    id: 'x',
    label: 'X',
    role: 'other' as Role,
    values: labels.map((label, at) => ({ id: `v${at}`, label, code: `C${at}` })),
  });
  it('falls back to codes, and to nothing when even those are too long', () => {
    expect(optionLabels([axis(['Kingfisher deep', 'Kingfisher dark'])], [[0], [1]], 6, '')?.labels).toEqual([
      'C0',
      'C1',
    ]);
    expect(optionLabels([axis(['Kingfisher', 'Kelp'])], [[0], [1]], 1, '')).toBeNull();
  });
  it('takes forbidden characters out', () => {
    expect(optionLabels([axis(['Rust, dark'])], [[0]], 20, ',')?.labels).toEqual(['Rust dark']);
  });
});

describe('against brute force', () => {
  it('finds the same best bill on random families and rules', () => {
    const anyRules = fc.record({
      atMost: fc.integer({ min: 0, max: 3 }),
      valuesAtMost: fc.integer({ min: 1, max: 6 }),
      labelAtMost: fc.constantFrom(6, 14, 30, 60),
      childrenAtMost: fc.integer({ min: 1, max: 30 }),
      pictures: fc.constantFrom('child' as const, 'axis' as const),
      sets: fc.option(
        fc.array(
          fc.uniqueArray(fc.constantFrom<Role>('colour', 'size', 'material', 'pack'), { minLength: 1, maxLength: 3 }),
          { minLength: 1, maxLength: 4 },
        ),
        { nil: null },
      ),
    });
    fc.assert(
      fc.property(
        anyFamily(4, 3),
        anyRules,
        fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 2 }),
        ({ ...family }, spec, apart) => {
          const { childrenAtMost, ...axes } = spec;
          const wish = {
            apart: apart.flatMap((at) => family.axes[at]?.id ?? []),
            whole: [],
            leaveOut: [],
            offered: true,
          };
          const task = planTask(family, rules(axes, childrenAtMost), { wish });
          task.pictures.onAxis = family.axes.map((_, at) => (family.axes.length % 2 === 0 ? at : 0));
          const best = bestPlans(task, 3);
          const wanted = bruteForce(task);
          // Asked for the best alone it may take the plain way, and finds the same.
          expect(bestPlans(task, 1).map((plan) => plan.signature)).toEqual(
            best.slice(0, 1).map((plan) => plan.signature),
          );
          expect(best[0] ? billOrder(best[0].bill, 'listings') : null).toEqual(wanted);
          for (const plan of best) {
            const ids = plan.listings.flatMap((listing) => listing.childIds);
            expect(ids.toSorted()).toEqual(task.children.map((child) => child.id).toSorted());
            expect(new Set(plan.listings.map((listing) => listing.key)).size).toBe(plan.listings.length);
          }
        },
      ),
      { numRuns: 400 },
    );
  });
});
