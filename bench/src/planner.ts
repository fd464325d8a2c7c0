/** The planner. */
import { type Family, ROLES, familyIndex } from '@loom-kin/core/family';
import { type Plan, type PlanTask, bestPlans, planTask } from '@loom-kin/core/fit';
import type { Rules } from '@loom-kin/core/rulebook';
import { categoryMaps, family, rulebooks, runCommand } from './given';
import { spread, timed, type Figure } from './measure';

/** 6 axes, about 2,000 children scattered over 4,320 crossings: nothing fills a listing evenly. */
const scattered = (() => {
  let made: Family | undefined;
  return () =>
    (made ??= scatter(
      family('S2000', [
        ['colour', 6],
        ['size', 6],
        ['material', 5],
        ['pack', 4],
        ['length', 3],
        ['pattern', 2],
      ]),
    ));
})();

function scatter(whole: Family): Family {
  const dice = diceFrom(7);
  const off = familyIndex(whole).woven.filter(() => dice() > 0.47);
  return runCommand(whole, { do: 'setWoven', crossings: off.map((child) => child.at), woven: false }).family;
}

/** Numbers from 0 to 1, the same at every run (linear congruential, figures of Numerical Recipes). */
function diceFrom(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 1664525 + 1013904223) % 2 ** 32) / 2 ** 32;
}

function rulebooksAtRandom(like: Rules, count: number, seed: number): Rules[] {
  const dice = diceFrom(seed);
  const one = <T>(list: readonly T[]): T => list[Math.floor(dice() * list.length)]!;
  return Array.from({ length: count }, () => ({
    ...like,
    axes: {
      ...like.axes,
      ...{
        atMost: one([1, 2, 3, 4, 5]),
        valuesAtMost: one([10, 20, 30, 60, 100]),
        labelAtMost: one([14, 20, 30, 50, 80]),
      },
      sets: dice() < 0.5 ? null : [[one(ROLES)], [one(ROLES), 'size'], ['colour', one(ROLES)]],
    },
    children: { atMost: one([50, 100, 250, 1000, 2000]) },
  }));
}

const liveOf = (plan: Plan): PlanTask['live'] =>
  plan.listings.map(({ key, childIds }) => ({ key, structure: plan.structure, childIds }));

/** Every child live by itself, under its first axis. */
function eachAlone(): PlanTask['live'] {
  const { axes } = scattered();
  return familyIndex(scattered()).woven.map(({ id }) => ({ key: id, structure: axes[0]!.id, childIds: [id] }));
}

export function planFigures(): Figure[] {
  const small = family('P96', [
    ['colour', 4],
    ['size', 6],
    ['material', 4],
  ]);
  const large = family(
    'P2000',
    [
      ['colour', 5],
      ['size', 5],
      ['material', 5],
      ['pack', 4],
      ['length', 2],
      ['pattern', 2],
    ],
    2000,
  );
  const book = rulebooks().find((one) => one.rulebook.channel === 'own-shop')!;
  const { rules } = book.category(categoryMaps['own-shop']!['outerwear'] ?? book.rulebook.categories[0]!.id)!;
  // Without a memory nothing is known of the structure: each turn works everything out.
  const anew = (one: Family, under: typeof rules) => bestPlans(planTask(one, under));
  const base = timed(200, () => anew(small, rules));
  const big = timed(40, () => anew(large, rules));
  const tight = { ...rules, axes: { ...rules.axes, atMost: 2, labelAtMost: 60 }, children: { atMost: 250 } };
  const cut = timed(20, () => anew(large, tight));
  // As in a worker that has run for a while: other rulebooks first.
  for (const one of rulebooksAtRandom(rules, 20, 3)) anew(scattered(), one);
  const any = rulebooksAtRandom(rules, 60, 11).map((one) => timed(3, () => anew(scattered(), one)).median);
  const anyRules = spread(any);
  // What is live, and prices of which a channel has one for each value.
  const books = rulebooksAtRandom(rules, 12, 23);
  const overBooks = (task: (under: Rules) => PlanTask) =>
    spread(books.map((one) => timed(3, () => bestPlans(task(one))).median));
  const standing = books.map((one) => liveOf(bestPlans(planTask(scattered(), one))[0]!));
  const own = overBooks((one) => planTask(scattered(), one, { live: standing[books.indexOf(one)]! }));
  const apart = overBooks((one) => planTask(scattered(), one, { live: eachAlone() }));
  const priced = overBooks((one) =>
    planTask(scattered(), { ...one, price: { ...one.price, variesBy: 'axis' } }, { prices: { at: (at) => at % 12 } }),
  );
  const baseline = 'planner, 3 axes, 96 children';
  const row = (what: string, figure: typeof own): Figure => ({
    what,
    ...figure,
    baseline,
    ratio: figure.median / base.median,
    budget: '≤ 50 ms, none over 500',
  });
  return [
    row('planner: the same 2,000, 12 rulebooks, its own plan live', own),
    row('planner: the same, each child live in a listing of its own', apart),
    row('planner: the same, one price for each value of an axis', priced),
    {
      what: 'planner: 6 axes, 2,000 scattered, 60 random rulebooks',
      ...anyRules,
      baseline,
      ratio: anyRules.median / base.median,
      budget: '≤ 50 ms, none over 1 s',
    },
    { what: 'planner: 3 axes, 96 children', ...base, baseline, ratio: 1, budget: '—' },
    { what: 'planner: 6 axes, 2,000 children', ...big, baseline, ratio: big.median / base.median, budget: '≤ 50 ms' },
    {
      what: 'planner: the same, two axes and 250 children at most',
      ...cut,
      baseline,
      ratio: cut.median / base.median,
      budget: '≤ 50 ms',
    },
  ];
}
