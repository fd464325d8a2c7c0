/** A plan in the seller's words: what happens to the axes, and what it costs. */
import { listed, showAmount, type Family, type Plan } from '@loom-kin/core';

/** "Colour + Lining as one option, Size as an option of its own". */
export function planText(family: Family, plan: Plan): string {
  const labelOf = (axisId: string) => family.axes.find((axis) => axis.id === axisId)?.label ?? '';
  const joined = plan.axes
    .filter((axis) => axis.from.length > 1)
    .map((axis) => `${axis.from.map(labelOf).join(' + ')} as one option`);
  const carried = plan.axes.filter((axis) => axis.from.length === 1).map((axis) => labelOf(axis.from[0]!));
  const parts = [
    ...(plan.split.length > 0 ? [`a listing for each ${listed(plan.split.map(labelOf))}`] : []),
    ...joined,
    ...(carried.length > 0 ? [`${listed(carried)} as ${carried.length === 1 ? 'an option' : 'options'}`] : []),
    ...(plan.pinned.length > 0 ? [`${listed(plan.pinned.map(labelOf))} as a plain fact`] : []),
  ];
  const text = parts.join(', ');
  return text ? text.charAt(0).toUpperCase() + text.slice(1) : 'A single product';
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
