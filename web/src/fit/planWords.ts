/** A plan in the seller's words: what happens to the axes, and what it costs. */
import { showAmount, type Family, type Plan } from '@loom-kin/core';

/** "join Colour + Lining; carry Size". */
export function planText(family: Family, plan: Plan): string {
  const labelOf = (axisId: string) => family.axes.find((axis) => axis.id === axisId)?.label ?? '';
  const joined = plan.axes
    .filter((axis) => axis.from.length > 1)
    .map((axis) => `join ${axis.from.map(labelOf).join(' + ')}`);
  const carried = plan.axes.filter((axis) => axis.from.length === 1).map((axis) => labelOf(axis.from[0]!));
  const parts = [
    ...joined,
    ...(plan.split.length > 0 ? [`split by ${plan.split.map(labelOf).join(', ')}`] : []),
    ...(carried.length > 0 ? [`carry ${carried.join(', ')}`] : []),
    ...(plan.pinned.length > 0 ? [`pin ${plan.pinned.map(labelOf).join(', ')}`] : []),
  ];
  return parts.join('; ') || 'a single product';
}

/** "1 listing · $0.25 in fees · 8 joined options · labels to 20". */
export function planCost({ bill }: Plan, currency: string): string {
  const counted = (count: number, one: string, many: string) =>
    count > 0 ? `${count} ${count === 1 ? one : many}` : '';
  return [
    counted(bill.listings, 'listing', 'listings'),
    Number(bill.fees) > 0 ? `${showAmount(bill.fees, currency)} in fees` : '',
    counted(bill.joinedOptions, 'joined option', 'joined options'),
    bill.longestLabel > 0 ? `labels to ${bill.longestLabel}` : '',
    counted(bill.picturesLost, 'picture not shown', 'pictures not shown'),
    counted(bill.remade, 'live listing made again', 'live listings made again'),
    counted(bill.leftOut, 'child left out', 'children left out'),
  ]
    .filter(Boolean)
    .join(' · ');
}
