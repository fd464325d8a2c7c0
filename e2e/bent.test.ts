/**
 * The product's verdict under rules that no channel has: rulebooks bent at random, judged by a reader of rulebooks with code of its
 * own. What the product lets go it takes, and what it refuses the product has stopped.
 */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findingText } from '@loom-kin/core/descriptions';
import { computeWithContext, projectListings } from '@loom-kin/core/fit';
import { type Rulebook, compilePattern, mergedRules, openRulebook, readRulebook } from '@loom-kin/core/rulebook';
import { GoodsSchema } from '../channels/src/goods';
import { anyGoods, build, inputFor, looking, registry, rulebooks } from './anyGoods';
import { refusalsByRules, type PlainRules } from './byRules';
import { rounds } from './howMuch';

const count = (least: number, most: number) => fc.integer({ min: least, max: most });
const maybe = <T>(arb: fc.Arbitrary<T>) => fc.option(arb, { nil: undefined, freq: 2 });

/** What may be bent; what is left out stays as the channel has it. */
const anyBend = fc.record({
  of: count(0, rulebooks.length - 1),
  axesAtMost: maybe(count(1, 4)),
  valuesAtMost: maybe(count(1, 5)),
  labelAtMost: maybe(count(3, 30)),
  labelForbids: maybe(fc.constantFrom('', '/', ',', ' ')),
  childrenAtMost: maybe(count(2, 40)),
  gtin: maybe(fc.constantFrom('required', 'exemptible', 'optional')),
  skuAtMost: maybe(count(4, 30)),
  pictures: maybe(
    fc.record({
      tied: fc.constantFrom('child', 'axis', 'firstAxis', 'listing'),
      least: count(0, 3),
      more: count(0, 6),
    }),
  ),
  pixels: maybe(fc.constantFrom(0, 400, 1000)),
  white: maybe(fc.constantFrom('none', 'main', 'all')),
  least: maybe(count(0, 50)),
  endings: maybe(fc.constantFrom(['90'], ['00', '50'], ['99', '49'])),
  spread: maybe(fc.constantFrom('1', '1.2', '5')),
  listAbove: maybe(fc.boolean()),
  variesBy: maybe(fc.constantFrom('child', 'axis', 'listing')),
  slabs: maybe(fc.constant([{ upTo: '100', percent: '5' }, { percent: '12' }])),
  stockLeast: maybe(count(0, 5)),
  stockVariesBy: maybe(fc.constantFrom('child', 'axis', 'listing')),
  nameAtMost: maybe(count(10, 100)),
  needs: maybe(fc.constantFrom('required', 'optional', 'recommended')),
});
type Bend = typeof anyBend extends fc.Arbitrary<infer T> ? T : never;

const given = (parts: Record<string, unknown>) =>
  Object.fromEntries(Object.entries(parts).filter(([, part]) => part !== undefined));

/** A rulebook bent so; null where it then contradicts itself. */
function bent(bend: Bend): Rulebook | null {
  const book = structuredClone(rulebooks[bend.of]!);
  const { rules } = book;
  const { axes, price, pictures } = rules;
  Object.assign(
    axes,
    given({
      atMost: bend.axesAtMost,
      valuesAtMost: bend.valuesAtMost,
      labelAtMost: bend.labelAtMost,
      labelForbids: bend.labelForbids,
      pictures: bend.pictures?.tied,
    }),
  );
  if (axes.sets) axes.sets = axes.sets.filter((set) => set.length <= axes.atMost);
  Object.assign(rules.children, given({ atMost: bend.childrenAtMost }));
  Object.assign(rules.identifiers, given({ gtin: bend.gtin, skuAtMost: bend.skuAtMost }));
  if (bend.pictures) {
    const { least, more } = bend.pictures;
    Object.assign(pictures, { atLeast: least, atMost: Math.max(1, least + more), perValue: 0 });
  }
  Object.assign(pictures, given({ leastPixels: bend.pixels }));
  if (bend.white) Object.assign(pictures, { whiteMain: bend.white === 'main', allWhite: bend.white === 'all' });
  Object.assign(price, given({ spreadAtMost: bend.spread, listAbovePrice: bend.listAbove, taxSlabs: bend.slabs }));
  Object.assign(price, given({ variesBy: bend.variesBy }));
  if (bend.least !== undefined) price.least = String(bend.least);
  if (bend.endings && !price.multipleOf) price.endings = [...bend.endings];
  Object.assign(rules.stock, given({ least: bend.stockLeast, variesBy: bend.stockVariesBy }));
  for (const rule of rules.fields) {
    if (rule.key === 'name') Object.assign(rule, given({ atMost: bend.nameAtMost }));
    else if (bend.needs) rule.need = bend.needs;
  }
  const read = readRulebook(JSON.parse(JSON.stringify(book)), registry);
  return read.ok ? read.rulebook : null;
}

describe('under bent rules', () => {
  it('product and a reader of rulebooks judge alike', async () => {
    const tally: Record<string, number> = {};
    await fc.assert(
      fc.asyncProperty(anyGoods, anyBend, async (goods, bend) => {
        const rulebook = bent(bend);
        if (!rulebook) return;
        const built = build(goods);
        const opened = openRulebook(rulebook, registry, compilePattern);
        const input = inputFor(built, goods, opened);
        const { fit, context } = computeWithContext(input);
        if (fit.state === 'absent' || !context) return;
        const entry = rulebook.categories.find((one) => one.id === fit.category!.id)!;
        const rules = mergedRules(rulebook, entry) as unknown as PlainRules;
        const { exemptBrands, exemptOnlyIn } = input.account.settings;
        const brand = String(built.family.fields.brand ?? '');
        const isExempt = exemptBrands.includes(brand) && exemptOnlyIn?.[brand]?.includes(entry.id) !== false;
        const lookAt = looking(built.pictures);
        const refusals: string[] = [];
        const listings = projectListings(context);
        for (const listing of listings)
          refusals.push(...(await refusalsByRules(GoodsSchema.parse(listing), rules, lookAt, isExempt)));
        const stops = fit.findings.filter((finding) => finding.severity === 'stops');
        const told = stops.map((finding) => findingText(finding, built.family));
        const verdict = `${stops.length > 0 ? 'stopped' : 'let go'}, ${refusals.length > 0 ? 'refused' : 'taken'}`;
        tally[verdict] = (tally[verdict] ?? 0) + 1;
        if (stops.length === 0) expect(refusals).toEqual([]);
        // What is of the seller's account, or of the family before there is a listing, no rulebook tells.
        else if (listings.length > 0 && !stops.some((one) => BEFORE.test(one.code)))
          expect({ told, refusals: refusals.length > 0 }).toEqual({ told, refusals: true });
      }),
      { numRuns: rounds(400, 1500) },
    );
    console.log(JSON.stringify(tally));
    expect(tally['let go, taken'] ?? 0).toBeGreaterThan(20);
    expect(tally['stopped, refused'] ?? 0).toBeGreaterThan(100);
    expect(tally['let go, refused'] ?? 0).toBe(0);
  }, 240_000);
});

const BEFORE =
  /^(sku\.missing|price\.missing|field\.differs|plan\.|setting\.|approval\.|name\.option-values|pairing\.)/;
