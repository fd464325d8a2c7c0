/** Pieces as a channel counts them: for each child, or one count for all children that share an option, or a listing. */
import { familyIndex } from '../../family/weave';
import { piecesFor } from '../../stock/stockRule';
import type { CheckContext } from '../context';
import type { Plan } from '../planner';
import { chosenOptions } from './chosenOptions';

export interface PiecesSent {
  /** The pieces sent of the child at a position, no more than the channel takes. */
  at(position: number): number;
  /** The axis of the plan that pieces are counted by; null where each child, or the listing, has a count. */
  axis: number | null;
  /** Positions of children that have more pieces than those they share a count with: the least goes out, so that nothing is sold that is not there. */
  more: readonly number[];
}

/** What is sent; what is not counted is never the least. */
export function piecesSent(context: CheckContext): PiecesSent {
  const { most, variesBy } = context.category.rules.stock;
  const { woven } = familyIndex(context.family);
  const counting = context.column('counting');
  const rule = context.account.settings.stock;
  const own = (position: number): number => {
    const { id } = woven[position]!;
    const isCounted = (counting.at(position) ?? 'counted') === 'counted';
    if (isCounted) return Math.min(piecesFor(rule, context.stock[id] ?? 0, context.stockAt?.[id]), most);
    return rule?.none ? 0 : Math.min(most, rule?.cap ?? most);
  };
  if (variesBy === 'child' || !context.plan) return { at: own, axis: null, more: [] };
  const [best] = waysToCount(context, context.plan)
    .map(({ axis, shares }) => ({ axis, ...leastOf(shares, own) }))
    .sort((a, b) => a.lost - b.lost);
  const { axis, least, more } = best!;
  return { axis, more, at: (position) => least.get(position) ?? own(position) };
}

/** Children that share a count, for each axis that counts can go by. */
function waysToCount(context: CheckContext, plan: Plan): { axis: number | null; shares: number[][] }[] {
  const { listings, category } = context;
  if (category.rules.stock.variesBy === 'listing' || plan.axes.length === 0)
    return [{ axis: null, shares: listings.map((positions) => [...positions]) }];
  return chosenOptions(context, plan).map((chosen, axis) => {
    return { axis, shares: listings.flatMap((positions) => byOption(positions, chosen)) };
  });
}

function byOption(positions: readonly number[], chosen: Int32Array): number[][] {
  const shares = new Map<number, number[]>();
  for (const position of positions) {
    const option = chosen[position]!;
    const there = shares.get(option);
    if (there) there.push(position);
    else shares.set(option, [position]);
  }
  return [...shares.values()];
}

function leastOf(shares: readonly number[][], own: (position: number) => number) {
  const least = new Map<number, number>();
  const more: number[] = [];
  let lost = 0;
  for (const share of shares) {
    const fewest = Math.min(...share.map(own));
    for (const position of share) {
      least.set(position, fewest);
      lost += own(position) - fewest;
      if (own(position) > fewest) more.push(position);
    }
  }
  return { least, more, lost };
}
