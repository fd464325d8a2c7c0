/** How many of a child's pieces an account is told of: so that the last one is not sold twice. */
import { z } from 'zod';
import { MAIN_LOCATION } from './locations';

const Pieces = z.number().int().min(0).max(1_000_000);

export const StockRuleSchema = z.object({
  none: z.boolean().optional().describe("The channel's own warehouse has the goods: it is told 0."),
  from: z.array(z.string().max(40)).min(1).max(50).optional().describe('Pieces at these locations alone count.'),
  buffer: Pieces.optional().describe('So many are kept back.'),
  share: z.number().int().min(1).max(100).optional().describe('Of the rest so many percent, rounded down.'),
  cap: Pieces.optional().describe('No more than so many.'),
});
export type StockRule = z.infer<typeof StockRuleSchema>;

/**
 * The pieces of a child that an account is told of, before the channel's own bounds.
 * @param total pieces at all locations
 * @param places location → pieces; left out where all of them are at the first place
 */
export function piecesFor(
  rule: StockRule | undefined,
  total: number,
  places: Readonly<Record<string, number>> | undefined,
): number {
  if (!rule) return total;
  if (rule.none) return 0;
  const at = places ?? { [MAIN_LOCATION.id]: total };
  const there = rule.from ? rule.from.reduce((sum, id) => sum + (at[id] ?? 0), 0) : total;
  const free = Math.max(0, there - (rule.buffer ?? 0));
  return Math.min(Math.floor((free * (rule.share ?? 100)) / 100), rule.cap ?? Infinity);
}
