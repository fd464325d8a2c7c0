/** Tax in prices: percentages added and taken out, and rates that hold up to a price. All exact. */
import Big from 'big.js';
import { z } from 'zod';

const Decimal = z.string().regex(/^\d{1,12}(\.\d{1,6})?$/, 'This is a number, such as 1000 or 12.5.');

/** The rate that holds up to and including a price, tax included. The last slab has no upper end. */
export const TaxSlabSchema = z.object({ upTo: Decimal.optional(), percent: Decimal });
export type TaxSlab = z.infer<typeof TaxSlabSchema>;

/** A country as ISO 3166-1 alpha-2 writes it. */
export const CountrySchema = z.string().regex(/^[A-Z]{2}$/, 'A country has two letters, such as DE or IN.');

/** Rates from the lowest price up; the last holds for all prices above. */
export const TaxRatesSchema = z
  .array(TaxSlabSchema)
  .min(1)
  .max(10)
  .superRefine((slabs, check) => {
    const problem = slabProblem(slabs);
    if (problem) check.addIssue({ code: 'custom', path: [problem.at, 'upTo'], message: problem.text });
  });

/** What is wrong with rates, and at which of them; null where nothing is. */
export function slabProblem(slabs: readonly TaxSlab[]): { at: number; text: string } | null {
  const last = slabs.length - 1;
  const open = slabs.findIndex((slab, at) => slab.upTo === undefined && at < last);
  if (open >= 0) return { at: open, text: 'Only the last rate holds for all prices above.' };
  if (slabs[last]?.upTo !== undefined) return { at: last, text: 'The last rate has to hold for all prices above.' };
  const wrong = slabs.findIndex((slab, at) => at > 0 && slab.upTo && new Big(slab.upTo).lte(slabs[at - 1]!.upTo!));
  return wrong > 0 ? { at: wrong, text: 'The prices have to rise from rate to rate.' } : null;
}

/** A customs number with its tax by country. Bounds are in the money of that country's prices. */
export const TaxCodeSchema = z.object({
  code: z.string().regex(/^\d{2,12}$/, 'A tax code has 2 to 12 digits.'),
  label: z.string().trim().min(1).max(120),
  rates: z.record(CountrySchema, TaxRatesSchema),
  retired: z.boolean().default(false),
});
export type TaxCode = z.infer<typeof TaxCodeSchema>;

/** amount + tax: 300 plus 10 % is 330. */
export function withTax(amount: string, percent: string): Big {
  return new Big(amount).times(new Big(percent).div(100).plus(1));
}

/** The amount before tax that becomes `amount` with it: 330 at 10 % is 300. */
export function withoutTax(amount: string, percent: string): Big {
  return new Big(amount).div(new Big(percent).div(100).plus(1));
}

/** The rate for a price: the first slab that reaches it. Throws a RangeError where none does. */
export function slabRate(slabs: readonly TaxSlab[], price: string): string {
  const slab = slabs.find((one) => one.upTo === undefined || new Big(price).lte(one.upTo));
  if (!slab) throw new RangeError(`no tax slab reaches ${price}`);
  return slab.percent;
}

/** The price with tax whose price without it is this: in the first slab that it comes to stand in. */
export function grossOf(net: string, slabs: readonly TaxSlab[]): Big {
  // A net amount was rounded to hundredths once: at the edge of a slab that is no step over it.
  const shown = (percent: string) => withTax(net, percent).round(2, Big.roundHalfUp);
  const within = slabs.find(({ upTo, percent }) => upTo === undefined || shown(percent).lte(upTo));
  if (!within) throw new RangeError(`no tax slab takes ${net}`);
  return withTax(net, within.percent);
}

/** The edge of the slab below a price at which more is left after tax than at the price itself; null where there is none. */
export function betterEdge(
  slabs: readonly TaxSlab[],
  price: string,
): { edge: string; lower: string; higher: string; more: Big } | null {
  const at = slabs.findIndex((slab) => slab.upTo === undefined || new Big(price).lte(slab.upTo));
  const below = slabs[at - 1];
  if (below?.upTo === undefined) return null;
  const higher = slabs[at]!.percent;
  const more = withoutTax(below.upTo, below.percent).minus(withoutTax(price, higher));
  return more.gt(0) ? { edge: below.upTo, lower: below.percent, higher, more } : null;
}
