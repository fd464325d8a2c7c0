/** What the seller does with the families of a list, as what is said of it next. */
import type { Role } from '@loom-kin/core/family';
import type { ListSettlement } from '@loom-kin/core/intake';
import type { ListFamilyView } from '@loom-kin/contract';

const rowsOf = ({ children }: ListFamilyView): number[] => [...new Set(children.flatMap(({ rows }) => rows))];

/** A group that no row has yet. */
function freshGroup({ groups }: ListSettlement): string {
  const taken = new Set(Object.values(groups));
  let number = 1;
  while (taken.has(`g${number}`)) number += 1;
  return `g${number}`;
}

const grouped = (settlement: ListSettlement, rows: readonly number[], group: string): ListSettlement => ({
  ...settlement,
  groups: { ...settlement.groups, ...Object.fromEntries(rows.map((row) => [String(row), group])) },
});

/** Families put together into one. */
export const putTogether = (settlement: ListSettlement, families: readonly ListFamilyView[]): ListSettlement =>
  grouped(settlement, families.flatMap(rowsOf), freshGroup(settlement));

/** A family parted: one for each value of an axis. */
export function partBy(settlement: ListSettlement, family: ListFamilyView, axis: string): ListSettlement {
  const byValue = new Map<string, number[]>();
  for (const { rows, at } of family.children) byValue.set(at[axis]!, [...(byValue.get(at[axis]!) ?? []), ...rows]);
  return [...byValue.values()].reduce((now, rows) => grouped(now, rows, freshGroup(now)), settlement);
}

/** Rows moved into a family, or into one of their own. */
export function moveRows(
  settlement: ListSettlement,
  rows: readonly number[],
  into: ListFamilyView | null,
): ListSettlement {
  if (!into) return grouped(settlement, rows, freshGroup(settlement));
  const own = rowsOf(into);
  const known = settlement.groups[String(own[0])];
  const group = known ?? freshGroup(settlement);
  return grouped(settlement, [...own, ...rows], group);
}

export const leaveOut = (settlement: ListSettlement, rows: readonly number[]): ListSettlement => ({
  ...settlement,
  leftOut: [...new Set([...settlement.leftOut, ...rows])].sort((a, b) => a - b),
});
export const leaveFamiliesOut = (settlement: ListSettlement, families: readonly ListFamilyView[]): ListSettlement =>
  leaveOut(settlement, families.flatMap(rowsOf));

export const rename = (settlement: ListSettlement, key: string, name: string): ListSettlement => ({
  ...settlement,
  names: { ...settlement.names, [key]: name },
});

/** An axis called otherwise. `was` is its label as it is shown; what it was found as is what the settlement knows it by. */
export function renameAxis(
  settlement: ListSettlement,
  key: string,
  was: string,
  to: { label: string; role: Role },
): ListSettlement {
  const own = settlement.axes[key] ?? {};
  const found = Object.entries(own).find(([, { label }]) => label === was)?.[0] ?? was;
  return { ...settlement, axes: { ...settlement.axes, [key]: { ...own, [found]: to } } };
}
