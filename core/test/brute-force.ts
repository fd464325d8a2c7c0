/**
 * A second planner, as plain as can be: it writes down every assignment of axes to "pin", "split" or one of the
 * listing's axes, every choice of leading axes and every way of cutting, and keeps the least bill. Nothing is shared
 * with the planner but labels.
 */
import { optionLabels, type PlanTask } from '../src/index';

export function bruteForce(task: PlanTask): number[] | null {
  const { axes, rules, children } = task;
  if (children.length === 0) return null;
  let best: number[] | null = null;
  const states = rules.axes.atMost + 2; // 0 pin, 1 split, 2… listing axis
  for (let code = 0; code < states ** axes.length; code++) {
    const role = axes.map((_, axis) => Math.floor(code / states ** axis) % states);
    const used = axes.map((_, axis) => new Set(children.map((child) => child.at[axis])).size);
    const groups = Array.from({ length: rules.axes.atMost }, (_, number) =>
      axes.flatMap((_axis, axis) => (role[axis] === number + 2 ? [axis] : [])),
    ).filter((group) => group.length > 0);
    if (role.some((state, axis) => (state === 0 && used[axis]! > 1) || (state === 1 && used[axis]! <= 1))) continue;
    if (
      groups.some(
        (group) =>
          group.length > 1 && group.some((axis) => used[axis]! <= 1 || task.wish.apart.includes(axes[axis]!.id)),
      )
    )
      continue;
    if (role.some((state, axis) => state === 1 && task.wish.whole.includes(axes[axis]!.id))) continue;
    for (const led of everyLead(groups)) {
      const roles = led.map((group) => axes[group[0]!]!.role);
      if (
        rules.axes.sets &&
        led.length > 0 &&
        !rules.axes.sets.some((set) => set.length === roles.length && set.every((one) => roles.includes(one)))
      )
        continue;
      if (!rules.axes.sets && led.some((group) => group[0] !== Math.min(...group))) continue;
      const bill = billOf(task, role, led);
      if (bill && (!best || less(bill, best))) best = bill;
    }
  }
  return best;
}

function everyLead(groups: number[][]): number[][][] {
  if (groups.length === 0) return [[]];
  const [first, ...rest] = groups as [number[], ...number[][]];
  return first.flatMap((lead) =>
    everyLead(rest).map((tail) => [[lead, ...first.filter((axis) => axis !== lead)], ...tail]),
  );
}

function billOf(task: PlanTask, role: number[], groups: number[][]): number[] | null {
  const { axes, rules, children } = task;
  const combos = groups.map((group) => {
    const rows = [...new Set(children.map((child) => group.map((axis) => child.at[axis]).join()))].map((key) =>
      key.split(',').map(Number),
    );
    const inFamilyOrder = [...group].sort((a, b) => a - b);
    rows.sort((a, b) => {
      for (const axis of inFamilyOrder) {
        const difference = a[group.indexOf(axis)]! - b[group.indexOf(axis)]!;
        if (difference) return difference;
      }
      return 0;
    });
    return rows.map((row) => row.join());
  });
  const labels = groups.map((group, at) =>
    optionLabels(
      group.map((axis) => axes[axis]!),
      combos[at]!.map((key) => key.split(',').map(Number)),
      rules.axes.labelAtMost,
      '',
    ),
  );
  if (labels.some((one) => one === null)) return null;
  const split = axes.flatMap((_, axis) => (role[axis] === 1 ? [axis] : []));
  let listings = 0;
  for (const key of new Set(children.map((child) => split.map((axis) => child.at[axis]).join()))) {
    const rows = children
      .filter((child) => split.map((axis) => child.at[axis]).join() === key)
      .map((child) => groups.map((group, at) => combos[at]!.indexOf(group.map((axis) => child.at[axis]).join())));
    if (new Set(rows.map(String)).size < rows.length) return null;
    const present = groups.map((_, at) => [...new Set(rows.map((row) => row[at]!))].sort((a, b) => a - b));
    const places = rows.map((row) => row.map((one, at) => present[at]!.indexOf(one)));
    const parts = leastParts(
      places,
      present.map((one) => one.length),
      task,
    );
    if (parts === null) return null;
    listings += parts;
  }
  const longest = Math.max(0, ...labels.flatMap((one) => one!.labels.map((label) => label.length)));
  const joined = groups.reduce((sum, group, at) => sum + (group.length > 1 ? combos[at]!.length : 0), 0);
  return [
    0,
    listings,
    0, // nothing is live, so nothing is made anew
    groups.reduce((sum, group) => sum + group.length - 1, 0),
    pictures(task, role, groups),
    joined,
    longest,
    groups.length,
  ];
}

/** Fewest parts when each axis is cut evenly into some number of groups; the parts that hold nothing do not count. */
function leastParts(rows: number[][], counts: number[], task: PlanTask): number | null {
  let best: { product: number; parts: number } | null = null;
  const tryAll = (at: number, groups: number[]): void => {
    if (at < counts.length) {
      for (let n = 1; n <= counts[at]!; n++) tryAll(at + 1, [...groups, n]);
      return;
    }
    const product = groups.reduce((all, n) => all * n, 1);
    if (best && best.product <= product) return;
    const parts = new Map<string, number[][]>();
    for (const row of rows) {
      const key = row.map((place, axis) => evenGroups(counts[axis]!, groups[axis]!)[place]).join();
      parts.set(key, [...(parts.get(key) ?? []), row]);
    }
    const fits = [...parts.values()].every(
      (part) =>
        part.length <= task.rules.children.atMost &&
        counts.every((_, axis) => new Set(part.map((row) => row[axis])).size <= task.rules.axes.valuesAtMost),
    );
    if (fits) best = { product, parts: parts.size };
  };
  tryAll(0, []);
  return (best as { parts: number } | null)?.parts ?? null;
}

/** The group of each of `count` places: dealt out in order, the first groups one larger. */
function evenGroups(count: number, groups: number): number[] {
  return Array.from({ length: groups }, (_, group) => group).flatMap((group) =>
    new Array<number>(Math.floor(count / groups) + (group < count % groups ? 1 : 0)).fill(group),
  );
}

function pictures(task: PlanTask, role: number[], groups: number[][]): number {
  if (task.rules.axes.pictures === 'child') return 0;
  const lost = (shown: number[]) =>
    task.pictures.onAxis.reduce((sum, count, axis) => sum + (role[axis]! < 2 || shown.includes(axis) ? 0 : count), 0);
  return groups.length === 0 ? lost([]) : Math.min(...groups.map(lost));
}

function less(a: number[], b: number[]): boolean {
  const at = a.findIndex((figure, place) => figure !== b[place]);
  return at >= 0 && a[at]! < b[at]!;
}
