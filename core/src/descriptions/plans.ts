/** A plan in the seller's words: what happens to the axes, what it costs, and what it costs more than another. */
import Big from 'big.js';
import type { PlanCost, Plan } from '../fit/planner';
import type { Family } from '../family/shape';
import { showAmount } from '../money/amount';
import { capital, count, listed } from '../text/counts';

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
  return text ? capital(text) : 'A single product';
}

/** Lines of a cost that count something, in their order of importance: what one and what several are called. */
const COUNTED: readonly (readonly [keyof PlanCost, string, string])[] = [
  ['leftOut', 'child left out', 'children left out'],
  ['wishesBroken', 'wish not kept', 'wishes not kept'],
  ['pricesLost', 'price that cannot be told', 'prices that cannot be told'],
  ['listings', 'listing', 'listings'],
  ['remade', 'live listing made again', 'live listings made again'],
  ['moved', 'child moved to another listing', 'children moved to another listing'],
  ['reshaped', 'live listing with other options', 'live listings with other options'],
  ['picturesLost', 'picture not shown', 'pictures not shown'],
  ['shortened', 'label shortened', 'labels shortened'],
  ['cutThrough', 'value in several listings', 'values in several listings'],
  ['joinedOptions', 'joined option', 'joined options'],
];

/** "1 listing · $0.25 in fees · 8 joined options · labels to 20". */
export function planCost({ cost, surplus }: Plan, currency: string): string {
  const lines = COUNTED.flatMap(([key, one, many]) => {
    const number = Number(cost[key]);
    const text = number > 0 ? [`${number.toLocaleString('en')} ${number === 1 ? one : many}`] : [];
    return key === 'listings' && Number(cost.fees) > 0 ? [...text, `${showAmount(cost.fees, currency)} in fees`] : text;
  });
  return [
    ...lines,
    ...(cost.longestLabel > 0 ? [`labels to ${cost.longestLabel}`] : []),
    ...(surplus > 0 ? [`perhaps up to ${surplus} listings fewer: the search was stopped`] : []),
  ].join(' · ');
}

/**
 * What a plan costs more, or less, than the best one: "1 listing more, $0.25 more, 8 joined options fewer". Empty where the two
 * differ in nothing that counts.
 */
export function planDifference({ cost }: Plan, best: Plan, currency: string): string {
  const lines = COUNTED.flatMap(([key, one, many]) => {
    const more = Number(cost[key]) - Number(best.cost[key]);
    const number = Math.abs(more);
    const text =
      more === 0 ? [] : [`${number.toLocaleString('en')} ${number === 1 ? one : many} ${more > 0 ? 'more' : 'fewer'}`];
    return key === 'listings' ? [...text, ...feesMore(cost, best.cost, currency)] : text;
  });
  const longer = cost.longestLabel - best.cost.longestLabel;
  const labels =
    longer === 0 ? [] : [`labels ${count(Math.abs(longer), 'character')} ${longer > 0 ? 'longer' : 'shorter'}`];
  return [...lines, ...labels].join(', ');
}

function feesMore(cost: PlanCost, best: PlanCost, currency: string): string[] {
  const more = new Big(cost.fees).minus(best.fees);
  if (more.eq(0)) return [];
  return [`${showAmount(more.abs().toString(), currency)} ${more.gt(0) ? 'more' : 'less'} in fees`];
}
