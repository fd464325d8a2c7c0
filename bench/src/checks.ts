/** The findings. */
import { type Family, type Role, familyIndex, freeze } from '@loom-kin/core/family';
import { type FitInput, accountPrices, computeFit } from '@loom-kin/core/fit';
import { PriceRuleSchema, waterfall } from '@loom-kin/core/money';
import { family, inputs, rulebooks, runCommand } from './given';
import { timed, type Figure } from './measure';

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
    ...ruledPrices(one, parse.median),
    ...neverSeen(
      '20',
      [
        ['colour', 4],
        ['size', 5],
      ],
      parse.median,
    ),
    ...neverSeen(
      '96',
      [
        ['colour', 4],
        ['size', 6],
        ['material', 4],
      ],
      parse.median,
    ),
  ];
}

/** A price rule that begins with the cost, over families whose children all have a cost of their own. */
function ruledPrices(one: Family, parse: number): Figure[] {
  const rule = PriceRuleSchema.parse({ from: 'cost', target: { kind: 'margin', percent: '30' }, ending: '90' });
  const changes = familyIndex(one).woven.map((child, at) => ({
    place: { level: 'child' as const, childId: child.id },
    key: 'cost',
    figure: String(10 + at / 10),
  }));
  const priced = runCommand(one, { do: 'setFigures', changes }).family;
  const given = inputs(priced, rulebooks()).find((each) => each.account.channel === 'quayside')!;
  const account = { ...given.account, settings: { ...given.account.settings, priceRule: rule } };
  const category = given.rulebook.category(given.rulebook.rulebook.categories[0]!.id)!;
  const prices = () => accountPrices({ ...given, account }, category);
  const children = familyIndex(priced).woven.length;
  const made = timed(60, prices);
  const charges = prices().chargesAt(0);
  const drag = timed(400, (at) => waterfall(String(40 + at / 100), charges));
  const baseline = 'parsing the family as JSON';
  const perSecond = Math.round(children / (made.median / 1000)).toLocaleString('en');
  return [
    {
      what: `prices by a rule, ${children} children of as many costs (${perSecond} a second)`,
      ...made,
      baseline,
      ratio: made.median / parse,
      budget: '—',
    },
    { what: 'a waterfall, as a price is dragged', ...drag, baseline, ratio: drag.median / parse, budget: 'one frame' },
  ];
}

/** Families looked at before anything is measured, so that the program runs as it does on a server that has run for a while. */
const WARM = 300;

/** A catalogue of such families, each looked at once: plans, findings and listings of all of them. */
function neverSeen(children: string, sizes: [Role, number][], parse: number): Figure[] {
  const books = rulebooks();
  const given = (at: number) =>
    inputs(family(`N${children}-${at}`, sizes), books).map((one) => ({ ...one, plansWanted: 1 }));
  for (let at = 0; at < WARM; at++) given(-1 - at).forEach((one) => computeFit(one));
  const catalogue = Array.from({ length: 205 }, (_, at) => given(at));
  const each = timed(200, (at) => catalogue[at]!.map((one) => computeFit(one)));
  const checks = (Number(children) * books.length) / (each.median / 1000);
  return [
    {
      what: `a family of ${children} never seen before, on ${books.length} rulebooks`,
      ...each,
      baseline: 'parsing the family as JSON',
      ratio: each.median / parse,
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
