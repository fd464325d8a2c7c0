/** The planner and the findings. */
import { readFileSync, readdirSync } from 'node:fs';
import {
  bestPlans,
  compilePattern,
  computeFit,
  createFamily as createWith,
  createPlannerMemory,
  emptyRegistry,
  familyIndex,
  freeze,
  openRegistry,
  openRulebook,
  planTask,
  readRulebook,
  RegistryDataSchema,
  ROLES,
  runCommand as runWith,
  type Command,
  type CreateFamily,
  type Family,
  type FitInput,
  type PictureFacts,
  type Role,
  type Rules,
  type OpenRulebook,
  usualSettings,
} from '@loom-kin/core';
import { spread, timed, type Figure } from './measure';

const json = (path: string): unknown => JSON.parse(readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8'));
const registry = openRegistry({
  ...emptyRegistry(),
  ...RegistryDataSchema.partial().parse(json('demo/data/registry.json')),
});
const categoryMaps = json('demo/data/categoryMap.json') as Record<string, Record<string, string>>;
const createFamily = (spec: CreateFamily) => createWith(registry, spec);
const runCommand = (family: Family, command: Command) => runWith(registry, family, command);

export const rulebooks = (): OpenRulebook[] =>
  readdirSync(new URL('../../channels/rulebooks', import.meta.url)).map((name) => {
    const read = readRulebook(json(`channels/rulebooks/${name}`), registry);
    if (!read.ok) throw new Error(read.problems.map((one) => one.text).join(' '));
    return openRulebook(read.rulebook, registry, compilePattern);
  });

/** A family over axes of the given sizes, with SKUs, prices, weights and a picture per first value. */
export function family(id: string, sizes: [Role, number][], childrenAtMost = Infinity): Family {
  const axes = sizes.map(([role, count], axis) => ({
    role,
    label: `Axis ${axis}`,
    values: Array.from({ length: count }, (_, at) => ({ label: `${role} ${at}` })),
  }));
  let made = createFamily({
    id,
    fields: {
      name: `Bench ${id}`,
      brand: 'Skerry Supply',
      styleCode: id,
      category: 'outerwear/jackets',
      price: '50.00',
      weight: 500,
      description: 'Made to be measured, and for nothing else at all in the world.',
    },
    axes,
    off: [],
  });
  const all = familyIndex(made).woven;
  if (all.length > childrenAtMost)
    made = runCommand(made, {
      do: 'setWoven',
      crossings: all.slice(childrenAtMost).map((child) => child.at),
      woven: false,
    }).family;
  const figures = familyIndex(made).woven.map((child, at) => ({
    place: { level: 'child' as const, childId: child.id },
    key: 'sku',
    figure: `${id}-${at}`,
  }));
  const first = made.axes[0];
  return runCommand(made, {
    do: 'batch',
    title: '',
    commands: [
      { do: 'setFigures', changes: figures },
      ...(first?.values.map((value) => ({
        do: 'setPictures' as const,
        place: { level: 'value' as const, axisId: first.id, valueId: value.id },
        pictures: [`p-${value.id}`],
      })) ?? []),
    ],
  }).family;
}

/** One memory for all, as a worker keeps it. */
const memory = createPlannerMemory();

export function inputs(one: Family, books: OpenRulebook[]): FitInput[] {
  const pictures: Record<string, PictureFacts> = Object.fromEntries(
    one.axes.flatMap((axis) =>
      axis.values.flatMap((value) =>
        value.pictures.map((id) => [id, { id, fileName: id, width: 1200, height: 1200, whiteBackground: true }]),
      ),
    ),
  );
  const stock = Object.fromEntries(Object.keys(one.children).map((id) => [id, 5]));
  return books.map((rulebook) => {
    const { channel, name } = rulebook.rulebook;
    const settings = usualSettings();
    return {
      family: one,
      stock,
      pictures,
      rulebook,
      account: { id: channel, channel, name, language: 'en', at: 0, settings },
      pairings: {},
      categories: categoryMaps[channel] ?? {},
      live: [],
      memory,
      seller: { name: 'S', currency: 'EUR', taxPercent: '20' },
    };
  });
}

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

function rulebooksAtRandom(like: Rules, count: number): Rules[] {
  const dice = diceFrom(11);
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
  const any = rulebooksAtRandom(rules, 60).map((one) => timed(1, () => anew(scattered(), one)).median);
  const anyRules = spread(any);
  const baseline = 'planner, 3 axes, 96 children';
  return [
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

/** Families that differ in one price, so that nothing is known of them: what a keystroke makes. */
function typed(one: Family, count: number): Family[] {
  const childId = familyIndex(one).woven[7]!.id;
  return Array.from(
    { length: count },
    (_, at) =>
      runCommand(freeze(structuredClone(one), true), {
        do: 'setFigures',
        changes: [{ place: { level: 'child', childId }, key: 'price', figure: String(10 + at) }],
      }).family,
  );
}

export function checkFigures(): Figure[] {
  const books = rulebooks();
  const one = family('F96', [
    ['colour', 4],
    ['size', 6],
    ['material', 4],
  ]);
  const eight = family('F768', [
    ['colour', 16],
    ['size', 12],
    ['material', 4],
  ]);
  const text = JSON.stringify(one);
  const parse = timed(200, () => JSON.parse(text));
  const given = typed(one, 126).map((each) => inputs(each, books));
  const asShown = (each: FitInput) => computeFit(each).childStates;
  const fits = timed(120, (at) => given[at]!.map(asShown));
  const givenEight = typed(eight, 36).map((each) => inputs(each, books));
  const more = timed(30, (at) => givenEight[at]!.map(asShown));
  const childId = familyIndex(one).woven[7]!.id;
  const key = timed(200, (at) =>
    runCommand(one, {
      do: 'setFigures',
      changes: [{ place: { level: 'child', childId }, key: 'price', figure: String(10 + at) }],
    }),
  );
  // A catalogue of families of 20 children, each looked at once: plans, findings and listings of all of them.
  const catalogue = Array.from({ length: 405 }, (_, at) =>
    inputs(
      family(`C${at}`, [
        ['colour', 4],
        ['size', 5],
      ]),
      books,
    ).map((given) => ({ ...given, plansWanted: 1 })),
  );
  const each = timed(400, (at) => catalogue[at]!.map((each) => computeFit(each)));
  const checks = (20 * books.length) / (each.median / 1000);
  const baseline = 'parsing the family as JSON';
  return [
    { what: 'parsing a family of 96 children as JSON', ...parse, baseline, ratio: 1, budget: '—' },
    {
      what: 'one command on it (patches and new family)',
      ...key,
      baseline,
      ratio: key.median / parse.median,
      budget: 'one frame',
    },
    {
      what: `findings of 96 children on ${books.length} channels, one price typed`,
      ...fits,
      baseline,
      ratio: fits.median / parse.median,
      budget: '≤ 16 ms (7 channels)',
    },
    {
      what: `findings of 768 children on ${books.length} channels (8 × as many)`,
      ...more,
      baseline: 'findings of 96 children',
      ratio: more.median / fits.median,
      budget: '≤ 8 ×: linear',
    },
    {
      what: `a family of 20 never seen before, on ${books.length} channels`,
      ...each,
      baseline,
      ratio: each.median / parse.median,
      budget: '—',
    },
    {
      what: `  that is ${Math.round(checks).toLocaleString('en')} child-checks a second`,
      ...each,
      baseline: 'the budget of 100,000 a second',
      ratio: checks / 100_000,
      budget: '≥ 1 ×',
    },
  ];
}
