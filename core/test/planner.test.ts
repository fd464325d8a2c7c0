import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import loadHighs from 'highs';
import type { Command } from '../src/change/commands';
import { runCommand } from '../src/change/run';
import { planReasons } from '../src/descriptions/planReasons';
import type { Family, Role } from '../src/family/shape';
import { costOrder } from '../src/fit/planner/planCost';
import type { Limits, Piece } from '../src/fit/planner/cut/piece';
import { fewestParts } from '../src/fit/planner/cut/search';
import { optionLabels } from '../src/fit/planner/labels';
import { leaveOutOffers } from '../src/fit/planner/leaveOut';
import { bestPlans, planNamed } from '../src/fit/planner/plan';
import type { Plan } from '../src/fit/planner/shape';
import { planTask } from '../src/fit/planner/task';
import { type Rules, RulesSchema } from '../src/rulebook/shape';
import { anyFamily, createFamily, registry, rulebook, rulesFor, stormJacket } from './sample';
import { tick } from '../src/fit/planner/cut/ticks';
import { newQuestion } from '../src/fit/planner/searchContext';
import { evaluate } from '../src/fit/planner/evaluate';
import { bruteForce } from './brute-force';
import { rounds } from '../../e2e/howMuch';

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
    expect(best!.cost).toMatchObject({ leftOut: 0, listings: 1, joins: 1, axesShown: 2 });
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
    expect(best!.cost).toMatchObject({ listings: 1, joins: 0 });
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
    const [best, second] = bestPlans(planTask(jacket, rules({})), 2);
    expect([best!.cost.listings, second!.cost.listings]).toEqual([1, 1]);
    const live = [{ key: 'all', structure: second!.structure, childIds: second!.listings[0]!.childIds }];
    const again = bestPlans(planTask(jacket, rules({}), { live }));
    expect([again[0]!.signature, again[0]!.cost.remade]).toEqual([second!.signature, 0]);
  });

  it('finds a plan again by its signature', () => {
    const task = planTask(jacket, onQuayside);
    for (const plan of bestPlans(task)) expect(planNamed(task, plan.signature)).toEqual(plan);
  });

  it('lets any axis lead a join where the limits of its role allow more', () => {
    const roles = { size: { valuesAtMost: 5 }, colour: { valuesAtMost: 30 } };
    const two = createFamily({
      id: 'f',
      fields: { name: 'Two' },
      axes: [
        { role: 'size', label: 'Size', values: ['S', 'M', 'L', 'XL'].map((label) => ({ label })) },
        { role: 'colour', label: 'Colour', values: ['Rust', 'Kelp'].map((label) => ({ label })) },
      ],
      off: [],
    });
    const [best] = bestPlans(planTask(two, rules({ atMost: 1, roles: roles as never })));
    expect([best!.cost.listings, best!.axes[0]!.role]).toEqual([1, 'colour']);
  });

  it('says nothing in riddles where full labels are to be had', () => {
    const limits = rules({ atMost: 2, labelAtMost: 20 });
    const [best] = bestPlans(planTask(jacket, limits));
    expect([best!.cost.shortened, best!.cost.listings]).toEqual([0, 1]);
    expect(labelsOf(best!, 1)).toContain('XS / Unlined');
  });
});

/** A family of one or more axes, all combinations but those that are off. */
function family(axes: [Role, number][], off: string[][] = []): Family {
  const values = ([role, count]: [Role, number]) =>
    Array.from({ length: count }, (_, at) => ({ label: `${role} ${at}` }));
  return createFamily({
    id: 'f',
    fields: { name: 'Any' },
    axes: axes.map((axis) => ({ role: axis[0], label: axis[0], values: values(axis) })),
    off,
  });
}
const sizesOf = (plan: Plan) => plan.listings.map((listing) => listing.childIds.length);
/** What stands on a channel once a plan is sent. */
const liveOf = (plan: Plan) => plan.listings.map(({ key, childIds }) => ({ key, structure: plan.structure, childIds }));
const run = (one: Family, command: Command) => runCommand(registry, one, command).family;

describe('cutting', () => {
  it('cuts 25 values at a limit of 20 into 13 and 12, in order', () => {
    const [best] = bestPlans(planTask(family([['colour', 25]]), rules({ atMost: 1, valuesAtMost: 20 })));
    expect(sizesOf(best!)).toEqual([13, 12]);
  });
  it('cuts 40 × 40 at 20 values into four, not forty', () => {
    const [best] = bestPlans(
      planTask(
        family([
          ['colour', 40],
          ['size', 40],
        ]),
        rules({ valuesAtMost: 20 }, 10_000),
      ),
      1,
    );
    expect(sizesOf(best!)).toEqual([400, 400, 400, 400]);
  });
  it('needs no more listings on sparse families than there can be: five children by twos are three', () => {
    const at = [
      [0, 0],
      [0, 1],
      [0, 2],
      [0, 3],
      [1, 1],
    ];
    const off = [0, 1].flatMap((a) =>
      [0, 1, 2, 3].filter((b) => !at.some(([x, y]) => x === a && y === b)).map((b) => [`colour ${a}`, `size ${b}`]),
    );
    const [best] = bestPlans(
      planTask(
        family(
          [
            ['colour', 2],
            ['size', 4],
          ],
          off,
        ),
        rules({}, 2),
      ),
    );
    expect(best!.cost.listings).toBe(3);
  });
  it('goes along colours, so that all sizes of one stand together, and not through an axis that is wished whole', () => {
    const sixty = family([
      ['colour', 6],
      ['size', 10],
    ]);
    const [best] = bestPlans(planTask(sixty, rules({}, 30)));
    expect([sizesOf(best!), best!.cost.cutThrough]).toEqual([[30, 30], 0]);
    const colours = best!.listings.map(
      (one) => new Set(one.childIds.map((id) => sixty.children[id]!.at[sixty.axes[0]!.id])),
    );
    expect(colours.map((some) => some.size)).toEqual([3, 3]);
    // 25 at most: fewer listings would go through sizes of a colour.
    const apart = bestPlans(planTask(sixty, rules({}, 25)), 1)[0]!;
    expect(apart.cost.listings).toBe(3);
    const wish = { apart: [], whole: [sixty.axes[1]!.id], leaveOut: [], offered: true };
    const whole = bestPlans(planTask(sixty, rules({}, 25), { wish }), 1)[0]!;
    expect([sizesOf(whole), whole.cost.wishesBroken]).toEqual([[20, 20, 20], 0]);
    const tight = bestPlans(planTask(sixty, rules({}, 9), { wish }), 1)[0]!;
    expect(tight.cost.wishesBroken).toBe(1);
  });
  it('breaks no more wishes than it must: of two axes wished whole one stays so', () => {
    // Ten sizes in two lengths: four children to a listing hold the lengths of a size together, not its ten sizes.
    const trousers = family([
      ['size', 10],
      ['length', 2],
    ]);
    const wish = { apart: [], whole: trousers.axes.map((axis) => axis.id), leaveOut: [], offered: true };
    const best = bestPlans(planTask(trousers, rules({}, 4), { wish }), 1)[0]!;
    expect([best.cost.wishesBroken, best.broken, sizesOf(best)]).toEqual([1, [trousers.axes[0]!.id], [4, 4, 4, 4, 4]]);
  });
  it('splits where a listing may show no value at all', () => {
    const [best] = bestPlans(planTask(family([['colour', 3]]), rules({ atMost: 1, valuesAtMost: 0 })));
    expect([best!.split.length, best!.cost.listings]).toEqual([1, 3]);
  });
  it('puts pieces into the fewest listings, as an integer program does', async () => {
    const highs = await loadHighs();
    const anyPiece = fc.record({
      size: fc.integer({ min: 1, max: 5 }),
      first: fc.uniqueArray(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 2 }),
      second: fc.uniqueArray(fc.integer({ min: 0, max: 4 }), { minLength: 1, maxLength: 2 }),
    });
    fc.assert(
      fc.property(
        fc.array(anyPiece, { minLength: 2, maxLength: 7 }),
        fc.record({
          children: fc.integer({ min: 5, max: 12 }),
          first: fc.integer({ min: 2, max: 4 }),
          second: fc.integer({ min: 2, max: 4 }),
        }),
        (some, most) => {
          let next = 0;
          const pieces = some.map(({ size, first, second }) => ({
            numbers: Int32Array.from({ length: size }, () => next++),
            options: [tick(first, 5), tick(second, 5)],
          }));
          const limits = { children: most.children, values: [most.first, most.second] };
          const wanted = Math.round(highs.solve(integerProgram(pieces, limits)).ObjectiveValue);
          const found = fewestParts(pieces, limits, {
            below: pieces.length + 1,
            least: 0,
            budget: { steps: 1e6, children: 0 },
          });
          expect(found!.length).toBe(wanted);
        },
      ),
      { numRuns: 60 },
    );
  });
});

describe('what is live', () => {
  it('goes on when a further colour comes: it goes into a listing of its own, and no child moves', () => {
    const limits = rules({ atMost: 1, valuesAtMost: 20 });
    const forty = family([['colour', 40]]);
    const [sent] = bestPlans(planTask(forty, limits));
    expect(sizesOf(sent!)).toEqual([20, 20]);
    const more = run(forty, { do: 'addValues', axisId: forty.axes[0]!.id, values: [{ label: 'Kelp' }] });
    const [now] = bestPlans(planTask(more, limits, { live: liveOf(sent!) }));
    expect([sizesOf(now!), now!.cost.remade, now!.cost.moved]).toEqual([[20, 20, 1], 0, 0]);
    expect(now!.listings.map((one) => one.key).slice(0, 2)).toEqual(sent!.listings.map((one) => one.key));
  });
  it('goes on when one lining goes off sale, when axes are put in another order, and when a fact becomes an option', () => {
    const jacket = stormJacket();
    const [colour, size, lining] = jacket.axes;
    const wish = { apart: jacket.axes.map((axis) => axis.id), whole: [], leaveOut: [], offered: true };
    const [sent] = bestPlans(planTask(jacket, rules({}), { wish }));
    const live = liveOf(sent!);
    expect(live).toHaveLength(2);
    const off = run(jacket, {
      do: 'setFigures',
      changes: [
        { place: { level: 'value', axisId: lining!.id, valueId: lining!.values[1]!.id }, key: 'onSale', figure: false },
      ],
    });
    const [one] = bestPlans(planTask(off, rules({}), { wish, live }));
    expect([one!.listings.map((listing) => listing.key), one!.cost.remade]).toEqual([[live[0]!.key], 0]);
    const turned = run(jacket, { do: 'moveAxis', axisId: size!.id, to: 0 });
    const [again] = bestPlans(planTask(turned, rules({}), { wish, live }));
    expect([again!.listings.map((listing) => listing.key), again!.cost.remade]).toEqual([
      live.map((listing) => listing.key),
      0,
    ]);

    const plain = run(jacket, {
      do: 'removeValues',
      axisId: colour!.id,
      valueIds: colour!.values.slice(1).map((value) => value.id),
    });
    const [pinned] = bestPlans(planTask(plain, rules({})));
    expect([pinned!.pinned, pinned!.cost.listings]).toEqual([[colour!.id], 1]);
    const wider = run(plain, { do: 'addValues', axisId: colour!.id, values: [{ label: 'Kelp' }] });
    const [grown] = bestPlans(planTask(wider, rules({ atMost: 3 }), { live: liveOf(pinned!) }));
    expect([grown!.listings.map((listing) => listing.key), grown!.cost.remade]).toEqual([['all'], 0]);
  });
});

describe('leaving out', () => {
  it('is offered where one value less needs a listing less, and never where it does not', () => {
    const limits = rules({ atMost: 1, valuesAtMost: 20 });
    const task = planTask(family([['colour', 41]]), limits);
    const [best] = bestPlans(task);
    expect([best!.cost.listings, best!.cost.leftOut]).toEqual([3, 0]);
    const offers = leaveOutOffers(task, best!);
    expect(offers.map(({ childIds, plan }) => [childIds.length, plan.cost.listings, plan.cost.leftOut])).toEqual(
      Array(3).fill([1, 2, 1]),
    );
    const twenty = planTask(family([['colour', 20]]), limits);
    expect(leaveOutOffers(twenty, bestPlans(twenty)[0]!)).toEqual([]);
  });
});

describe('prices that differ by one axis only', () => {
  const jacket = stormJacket();
  const lining = jacket.axes[2]!;
  const priced = runCommand(registry, jacket, {
    do: 'setFigures',
    changes: [
      { place: { level: 'family' }, key: 'price', figure: '189.00' },
      {
        place: { level: 'value', axisId: lining.id, valueId: lining.values[1]!.id },
        key: 'price',
        figure: '219.00',
      },
    ],
  }).family;
  const under = (variesBy: 'child' | 'axis' | 'listing', atMost = 3) => {
    const plain = rules({ atMost });
    return bestPlans(planTask(priced, { ...plain, price: { ...plain.price, variesBy } }));
  };
  it('stand on the axis that they go by', () => {
    const [plan] = under('axis');
    expect([plan!.cost.pricesLost, plan!.cost.listings, plan!.axes[plan!.priceAxis!]!.name]).toEqual([0, 1, 'Lining']);
  });
  it('get a listing each where a listing has one price, whatever more listings cost', () => {
    const [plan] = under('listing');
    expect([plan!.split, plan!.cost.pricesLost, plan!.cost.listings]).toEqual([[lining.id], 0, 2]);
    expect(under('child')[0]!.cost.listings).toBe(1);
  });
});

describe('why a plan is as it is', () => {
  it('is told by the rules that left no simpler one, and by what the next best costs', () => {
    const jacket = stormJacket();
    const { rules: onQuayside, label } = rulesFor(rulebook('quayside'), 'outerwear/jackets')!;
    const plans = bestPlans(planTask(jacket, onQuayside));
    const about = { family: jacket, plans, rules: onQuayside, category: label, account: 'Quayside' };
    expect(planReasons({ ...about, plan: plans[0]! })).toEqual([
      'Quayside shows 2 options at most; the family has 3.',
      'For Clothing, outer wear it takes only these together: size; colour; colour and size; size and material.',
      'Lining + Colour as one option, Size as an option would do as well.',
    ]);
    const two = rules({ atMost: 2 });
    const onTwo = bestPlans(planTask(jacket, two));
    expect(planReasons({ ...about, rules: two, plans: onTwo, plan: onTwo[0]! }).at(-1)).toMatch(
      /^The next best \(.+\) would cost \d+ .+\.$/,
    );
    const free = rules({ atMost: 4 });
    const plain = bestPlans(planTask(jacket, free));
    expect(planReasons({ ...about, rules: free, plans: plain.slice(0, 1), plan: plain[0]! })).toEqual([
      'Every axis is an option of its own: nothing has to give.',
    ]);
  });
});

describe('fees', () => {
  it('can be less with more listings, where each option that is shown costs something', () => {
    const jacket = stormJacket();
    const dear = { ...rules({}), fees: { perListing: '0.10', perChild: '0', perValue: '1', commissionPercent: '0' } };
    const fewest = bestPlans(planTask(jacket, dear, { objective: 'listings' }))[0]!.cost;
    const cheapest = bestPlans(planTask(jacket, dear, { objective: 'fees' }))[0]!.cost;
    expect([fewest.listings, fewest.fees]).toEqual([1, '14.1']);
    expect(Number(cheapest.fees)).toBeLessThan(14.1);
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
    expect(optionLabels([axis(['Kingfisher deep', 'Kingfisher dark'])], [[0, 1]], 6, '')?.labels).toEqual(['C0', 'C1']);
    expect(optionLabels([axis(['Kingfisher', 'Kelp'])], [[0, 1]], 1, '')).toBeNull();
  });
  it('takes forbidden characters out', () => {
    expect(optionLabels([axis(['Rust, dark'])], [[0]], 20, ',')?.labels).toEqual(['Rust dark']);
  });
});

describe('against brute force', () => {
  it('finds the same best cost on random families and rules', () => {
    const role = fc.constantFrom<Role>('colour', 'size', 'material', 'pack');
    const roleRules = fc.record({
      valuesAtMost: fc.option(fc.integer({ min: 1, max: 4 }), { nil: undefined }),
      labelAtMost: fc.option(fc.constantFrom(8, 20), { nil: undefined }),
      shows: fc.constantFrom('free' as const, 'free' as const, 'list' as const),
    });
    const anyRules = fc.record({
      atMost: fc.integer({ min: 0, max: 3 }),
      valuesAtMost: fc.integer({ min: 1, max: 6 }),
      labelAtMost: fc.constantFrom(6, 14, 30, 60),
      labelForbids: fc.constantFrom('', '/', ' '),
      alwaysSplit: fc.constantFrom<Role[]>([], [], [], ['colour']),
      childrenAtMost: fc.integer({ min: 1, max: 30 }),
      pictures: fc.constantFrom('child' as const, 'axis' as const),
      roles: fc.dictionary(role, roleRules, { maxKeys: 2 }),
      sets: fc.option(fc.array(fc.uniqueArray(role, { minLength: 1, maxLength: 3 }), { minLength: 1, maxLength: 4 }), {
        nil: null,
      }),
    });
    const anyFees = fc.record({
      perListing: fc.constantFrom('0', '0.25', '3'),
      perChild: fc.constantFrom('0', '0.05'),
      perValue: fc.constantFrom('0', '0.5'),
      commissionPercent: fc.constant('0'),
    });
    const anyWish = fc.record({
      apart: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 2 }),
      whole: fc.array(fc.integer({ min: 0, max: 3 }), { maxLength: 3 }),
      live: fc.option(fc.record({ leads: fc.subarray([0, 1, 2, 3]), every: fc.integer({ min: 1, max: 3 }) }), {
        nil: null,
      }),
      objective: fc.constantFrom('listings' as const, 'fees' as const),
      variesBy: fc.constantFrom('child' as const, 'child' as const, 'axis' as const, 'listing' as const),
      priced: fc.record({ axis: fc.integer({ min: 0, max: 3 }), odd: fc.integer({ min: 2, max: 40 }) }),
    });
    let compared = 0;
    fc.assert(
      fc.property(anyFamily(4, 3), anyRules, anyFees, anyWish, (any, spec, fees, wished) => {
        const { childrenAtMost, ...axes } = spec;
        const ids = (places: number[]) => places.flatMap((at) => any.axes[at]?.id ?? []);
        const wish = { apart: ids(wished.apart), whole: ids(wished.whole), leaveOut: [], offered: true };
        const offered = Object.values(any.children).filter((child) => child.woven);
        const childIds = offered.filter((_, at) => at % (wished.live?.every ?? 1) === 0).map((child) => child.id);
        const live = wished.live ? [{ key: 'held', structure: ids(wished.live.leads).join('|'), childIds }] : [];
        const { objective } = wished;
        const plain = rules(axes as never, childrenAtMost);
        const price = { ...plain.price, variesBy: wished.variesBy };
        const task = planTask(any, { ...plain, price, fees }, { wish, live, objective });
        // Prices that go by one axis, but for some children that have one of their own.
        const { axis, odd } = wished.priced;
        if (task.prices)
          task.prices = task.children.map((child, at) =>
            at % odd === 1 ? 9 : (child.at[axis % child.at.length] ?? 0),
          );
        task.pictures.onAxis = any.axes.map((_, at) => (any.axes.length % 2 === 0 ? at : 0));
        const best = bestPlans(task, 3);
        // Asked for the best alone it may take the plain way, and finds the same.
        expect(bestPlans(task, 1).map((plan) => plan.signature)).toEqual(
          best.slice(0, 1).map((plan) => plan.signature),
        );
        for (const plan of best) {
          const placed = plan.listings.flatMap((listing) => listing.childIds);
          expect(placed.toSorted()).toEqual(task.children.map((child) => child.id).toSorted());
          expect(new Set(plan.listings.map((listing) => listing.key)).size).toBe(plan.listings.length);
        }
        const wanted = bruteForce(task);
        // Of large families not every way is tried, and the planner may stop and say so.
        if (wanted === undefined || (best[0]?.surplus ?? 0) > 0) return;
        compared += 1;
        const found = best[0] ? costOrder(best[0].cost, objective) : null;
        // Of several cuts as good as each other the planner takes the nicest; how many listings there are is exact.
        const lines = wanted?.isCut ? (objective === 'fees' ? 3 : 5) : undefined;
        expect(found?.slice(0, lines) ?? null).toEqual(wanted?.order.slice(0, lines) ?? null);
      }),
      { numRuns: rounds(300, 1500) },
    );
    expect(compared).toBeGreaterThan(rounds(120, 600));
  }, 120_000);
});

describe('a search that is stopped', () => {
  it('tells how few listings there may be, also of a shape that is not kept for what was found of it', () => {
    const labels = (word: string) => Array.from({ length: 14 }, (_, at) => ({ label: `${word} ${at}` }));
    const off = labels('Hue').flatMap((hue, a) =>
      labels('Cut').flatMap((cut, b) => ((a * a * 3 + b * b * 7 + a * b) % 5 < 3 ? [[hue.label, cut.label]] : [])),
    );
    const axes = [
      { role: 'colour' as const, label: 'Hue', values: labels('Hue') },
      { role: 'size' as const, label: 'Cut', values: labels('Cut') },
    ];
    const scattered = createFamily({ id: 'f', fields: { name: 'F' }, axes, off });
    const task = planTask(scattered, rules({ valuesAtMost: 5 }));
    const shape = { pinned: [], split: [], groups: [[0], [1]] };
    const context = () => newQuestion({ steps: 10_000, children: 80_000 });
    const found = evaluate(task, shape, { context: context() })!;
    expect(found.surplus).toBeGreaterThan(0);
    const fewest = found.cost.listings - found.surplus;
    // Something with one listing less is there already: this is not kept, and still may be better.
    const worst = costOrder({ ...found.cost, listings: found.cost.listings - 1 }, 'listings');
    const stopped = { least: Infinity };
    expect(evaluate(task, shape, { context: context(), worst, stopped })).toBeNull();
    expect(stopped.least).toBe(fewest);
  });
});

const placesOf = ({ options }: Piece, axis: number): number[] =>
  [0, 1, 2, 3, 4].filter((place) => (options[axis]!.bits[0]! >> place) & 1);

/** Pieces into listings as an integer program, in the LP format of CPLEX. */
function integerProgram(pieces: readonly Piece[], limits: Limits): string {
  const listings = pieces.map((_, at) => at);
  const rows: string[] = [];
  pieces.forEach((_, piece) => rows.push(`${listings.map((at) => `x${piece}_${at}`).join(' + ')} = 1`));
  for (const at of listings) {
    const load = pieces.map((piece, number) => `${piece.numbers.length} x${number}_${at}`).join(' + ');
    rows.push(`${load} - ${limits.children} y${at} <= 0`);
    limits.values.forEach((most, axis) => {
      const values = [...new Set(pieces.flatMap((piece) => placesOf(piece, axis)))];
      rows.push(`${values.map((value) => `u${axis}_${value}_${at}`).join(' + ')} - ${most} y${at} <= 0`);
      pieces.forEach((piece, number) =>
        placesOf(piece, axis).forEach((value) => rows.push(`x${number}_${at} - u${axis}_${value}_${at} <= 0`)),
      );
    });
  }
  const named = [...new Set(rows.join(' ').match(/[xyu]\d[\d_]*/g))];
  const all = rows.map((row, at) => ` c${at}: ${row}`).join('\n');
  return `Minimize\n obj: ${listings.map((at) => `y${at}`).join(' + ')}\nSubject To\n${all}\nBinary\n ${named.join(' ')}\nEnd`;
}
