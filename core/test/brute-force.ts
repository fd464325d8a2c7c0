/**
 * A second planner, as plain as can be: it writes down every assignment of axes to "pin", "split" or one of the
 * listing's axes, every choice of leading axes and every way of putting children into listings, and keeps the least
 * cost. Nothing is shared with the planner but labels.
 */
import { optionLabels } from '../src/fit/planner/labels';
import type { PlanTask } from '../src/fit/planner/shape';

export interface Wanted {
  /** The lines of the cost in their order of importance. */
  order: number[];
  /** Whether a listing was too large somewhere: which of several cuts is nicest is then not told. */
  isCut: boolean;
}

/** Sets of more children are not put into listings by trying every way. */
const MOST_TRIED = 9;

/** The least cost; null where no plan is possible, undefined where there are too many ways to try. */
export function bruteForce(task: PlanTask): Wanted | null | undefined {
  const { axes, rules, children } = task;
  if (children.length === 0) return null;
  let best: number[] | null = null;
  let isCut = false;
  const states = rules.axes.atMost + 2; // 0 pin, 1 split, 2… listing axis
  const used = axes.map((_, axis) => new Set(children.map((child) => child.at[axis])).size);
  for (let code = 0; code < states ** axes.length; code++) {
    const role = axes.map((_, axis) => Math.floor(code / states ** axis) % states);
    const groups = Array.from({ length: rules.axes.atMost }, (_, number) =>
      axes.flatMap((_axis, axis) => (role[axis] === number + 2 ? [axis] : [])),
    ).filter((group) => group.length > 0);
    if (role.some((state, axis) => (state === 0 && used[axis]! > 1) || (state === 1 && used[axis]! <= 1))) continue;
    const mayNotJoin = (axis: number) => used[axis]! <= 1 || task.wish.apart.includes(axes[axis]!.id);
    if (groups.some((group) => group.length > 1 && group.some(mayNotJoin))) continue;
    // What the channel always splits it splits whatever is wished.
    const isForced = (axis: number) => rules.axes.alwaysSplit.includes(axes[axis]!.role);
    if (role.some((state, axis) => state === 1 && !isForced(axis) && task.wish.whole.includes(axes[axis]!.id)))
      continue;
    if (axes.some((_, axis) => isForced(axis) && used[axis]! > 1 && role[axis] !== 1)) continue;
    for (const led of everyLead(groups)) {
      const roles = led.map((group) => axes[group[0]!]!.role);
      const isListed = (at: number) => rules.axes.roles[roles[at]!]?.shows === 'list';
      if (led.some((group, at) => group.length > 1 && isListed(at))) continue;
      const { sets } = rules.axes;
      if (
        sets &&
        led.length > 0 &&
        !sets.some((set) => set.length === roles.length && set.every((one) => roles.includes(one)))
      )
        continue;
      const cost = billOf(task, role, led);
      if (cost === undefined) return undefined;
      if (!cost) continue;
      isCut ||= cost.isCut;
      if (!best || less(cost.order, best)) best = cost.order;
    }
  }
  return best && { order: best, isCut };
}

function everyLead(groups: number[][]): number[][][] {
  if (groups.length === 0) return [[]];
  const [first, ...rest] = groups as [number[], ...number[][]];
  return first.flatMap((lead) =>
    everyLead(rest).map((tail) => [[lead, ...first.filter((axis) => axis !== lead)], ...tail]),
  );
}

function billOf(task: PlanTask, role: number[], groups: number[][]): Wanted | null | undefined {
  const { axes, rules, children } = task;
  const comboOf = (group: number[], at: number[]) => group.map((axis) => at[axis]).join();
  const combos = groups.map((group) => [...new Set(children.map((child) => comboOf(group, child.at)))]);
  const labels = groups.map((group, at) => {
    const rows = combos[at]!.map((key) => key.split(',').map(Number));
    const rule = rules.axes.roles[axes[group[0]!]!.role];
    if (rule?.shows === 'list')
      return { labels: rows.map(([value]) => axes[group[0]!]!.values[value!]!.label), byRule: 0 };
    const limit = rule?.labelAtMost ?? rules.axes.labelAtMost;
    return optionLabels(
      group.map((axis) => axes[axis]!),
      group.map((_, axis) => rows.map((row) => row[axis]!)),
      limit,
      rules.axes.labelForbids,
    );
  });
  if (labels.some((one) => one === null)) return null;

  const limits = groups.map(
    (group) => rules.axes.roles[axes[group[0]!]!.role]?.valuesAtMost ?? rules.axes.valuesAtMost,
  );
  const whole = axes.flatMap((axis, at) => (task.wish.whole.includes(axis.id) && role[at]! >= 2 ? [at] : []));
  const splitOf = (at: number[]) => axes.flatMap((_, axis) => (role[axis] === 1 ? [at[axis]] : [])).join();
  const parts = Object.values(groupBy(children, (child) => splitOf(child.at)));
  const options = (some: typeof children) =>
    groups.map((group) => new Set(some.map((row) => comboOf(group, row.at))).size);
  const fits = (some: typeof children) =>
    some.length <= rules.children.atMost && options(some).every((count, at) => count <= limits[at]!);
  const isCut = parts.some((rows) => !fits(rows));
  if (parts.some((rows) => !fits(rows) && rows.length > MOST_TRIED)) return undefined;
  const values = parts.reduce((sum, rows) => sum + options(rows).reduce((all, count) => all + count, 0), 0);
  // Every choice of wishes that are kept; as few as can be are broken, and of alike ones those that make fewer listings.
  const tries = subsetsOf(whole).map((kept) => {
    const others = (row: (typeof children)[number]) => row.at.filter((_, axis) => !kept.includes(axis)).join();
    const fewest = parts.map((rows) => (fits(rows) ? 1 : fewestSets(Object.values(groupBy(rows, others)), fits)));
    const listings = fewest.reduce<number>((sum, some) => sum + (some ?? Infinity), 0);
    return { broken: whole.length - kept.length, listings };
  });
  const [least] = tries
    .filter((one) => one.listings < Infinity)
    .sort((a, b) => a.broken - b.broken || a.listings - b.listings);
  if (!least) return null;
  const { broken, listings } = least;
  const joined = groups.reduce((sum, group, at) => sum + (group.length > 1 ? combos[at]!.length : 0), 0);
  const { perListing, perChild, perValue } = rules.fees;
  const fees = Number(perListing) * listings + Number(perChild) * children.length + Number(perValue) * values;
  return {
    isCut,
    order: [
      task.leftOut.length,
      broken,
      pricesLost(task, role, groups),
      task.objective === 'fees' ? Math.round(fees * 1e6) / 1e6 : 0,
      listings,
      ...disturbed(
        task,
        groups,
        parts.map((rows) => rows.map((row) => row.id)),
      ),
      groups.reduce((sum, group) => sum + group.length - 1, 0),
      pictures(task, role, groups),
      labels.reduce((sum, one) => sum + one!.byRule, 0),
      0, // where nothing is cut, nothing is cut through
      joined,
      Math.max(0, ...labels.flatMap((one) => one!.labels.map((label) => label.length))),
      groups.length,
    ],
  };
}

const subsetsOf = <T>(all: readonly T[]): T[][] =>
  all.reduce<T[][]>((done, one) => [...done, ...done.map((some) => [...some, one])], [[]]);

function groupBy<T>(items: readonly T[], keyOf: (item: T) => string): Record<string, T[]> {
  const groups: Record<string, T[]> = {};
  for (const item of items) (groups[`k${keyOf(item)}`] ??= []).push(item);
  return groups;
}

/** Live listings made again, children moved and listings reshaped, for one live listing at most. */
function disturbed(task: PlanTask, groups: number[][], parts: string[][]): [number, number, number] {
  const [live] = task.live;
  if (!live) return [0, 0, 0];
  const leads = groups.map((group) => task.axes[group[0]!]!.id);
  const held = live.structure.split('|').flatMap((group) => group.split('+')[0] || []);
  const isSame = held.every((lead) => leads.includes(lead)) || leads.every((lead) => held.includes(lead));
  if (!isSame) return [1, 0, 0];
  const shown = groups.map((group) => group.map((axis) => task.axes[axis]!.id).join('+'));
  const isReshaped = shown.toSorted().join('|') !== live.structure.split('|').sort().join('|');
  const shared = parts.map((part) => part.filter((id) => live.childIds.includes(id)).length);
  return [0, live.childIds.length - Math.max(...shared), isReshaped ? 1 : 0];
}

/** The fewest sets that these can be put into so that each fits: every way is tried. */
function fewestSets<T>(items: T[][], fits: (some: T[]) => boolean): number | null {
  let best: number | null = null;
  const place = (at: number, sets: T[][]): void => {
    if (best !== null && sets.length >= best) return;
    if (at === items.length) {
      best = sets.length;
      return;
    }
    sets.forEach((set, number) => {
      const more = [...set, ...items[at]!];
      if (fits(more)) place(at + 1, sets.with(number, more));
    });
    if (fits(items[at]!)) place(at + 1, [...sets, items[at]!]);
  };
  place(0, []);
  return best;
}

function pictures(task: PlanTask, role: number[], groups: number[][]): number {
  if (task.rules.axes.pictures === 'child') return 0;
  const lost = (shown: number[]) =>
    task.pictures.onAxis.reduce((sum, count, axis) => sum + (role[axis]! < 2 || shown.includes(axis) ? 0 : count), 0);
  return groups.length === 0 ? lost([]) : Math.min(...groups.map(lost));
}

/** Children that do not have the price of most they share one with: in the listing, or with one axis's option in it. */
function pricesLost(task: PlanTask, role: number[], groups: number[][]): number {
  const { prices, rules, children, axes } = task;
  if (!prices) return 0;
  const split = axes.flatMap((_, axis) => (role[axis] === 1 ? [axis] : []));
  const lostWith = (shared: number[]) => {
    const sets = Object.values(
      groupBy([...children.keys()], (child) => shared.map((axis) => children[child]!.at[axis]).join()),
    );
    const most = (set: number[]) => {
      const alike = Object.values(groupBy(set, (child) => String(prices[child])));
      return Math.max(...alike.map((some) => some.length));
    };
    return children.length - sets.reduce((sum, set) => sum + most(set), 0);
  };
  if (rules.price.variesBy === 'listing' || groups.length === 0) return lostWith(split);
  return Math.min(...groups.map((group) => lostWith([...split, ...group])));
}

function less(a: number[], b: number[]): boolean {
  const at = a.findIndex((figure, place) => figure !== b[place]);
  return at >= 0 && a[at]! < b[at]!;
}
