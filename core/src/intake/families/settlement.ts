/** What the seller said of the families of a list: rows put together or parted, names, axes, rows left out. */
import { z } from 'zod';
import { RoleSchema } from '../../family/shape';
import { tiesOfParent, tiesOfRow } from './parentTies';
import type { Item, ListFamily, ListSingle, ParentRow } from './shape';

const Row = z.string().regex(/^\d{1,7}$/);
const Key = z.string().regex(/^row\d{1,7}$/);

export const ListSettlementSchema = z.object({
  /** Row → group: rows of one group are one family, whatever they look like. */
  groups: z.record(Row, z.string().min(1).max(40)).default({}),
  /** Family → its name. */
  names: z.record(Key, z.string().trim().min(1).max(200)).default({}),
  /** Family → axis as it was found → what it is called, and what it is about. */
  axes: z
    .record(Key, z.record(z.string().max(60), z.object({ label: z.string().trim().min(1).max(40), role: RoleSchema })))
    .default({}),
  /** Rows that do not go in. */
  leftOut: z.array(z.number().int().min(1)).max(200_000).default([]),
});
export type ListSettlement = z.infer<typeof ListSettlementSchema>;
export const NO_SETTLEMENT: ListSettlement = { groups: {}, names: {}, axes: {}, leftOut: [] };

/** Marks groups of the seller's, which no parent's number can be. */
const BY_SELLER = '\u0000';
export const isBySeller = ({ belongs }: Item): boolean => belongs.startsWith(BY_SELLER);

/** Puts rows together as the seller wants them; those left out are gone. */
export function settleRows(items: readonly Item[], { groups, leftOut }: ListSettlement): Item[] {
  const out = new Set(leftOut);
  return items
    .filter(({ row }) => !out.has(row))
    .map((item) => {
      const group = groups[item.row];
      if (group === undefined) return item;
      const { belongs, style, block } = item;
      return { ...item, belongs: BY_SELLER + group, style: '', block: null, before: { belongs, style, block } };
    });
}

/** Parents that stay: those that the seller left out are gone, and those all of whose rows are. */
export function settleParents(parents: ParentRow[], items: readonly Item[], { leftOut }: ListSettlement): ParentRow[] {
  const out = new Set(leftOut);
  if (out.size === 0) return parents;
  const staying = new Set(items.filter(({ row }) => !out.has(row)).flatMap(tiesOfRow));
  const gone = new Set(items.filter(({ row }) => out.has(row)).flatMap(tiesOfRow));
  return parents.filter((parent) => {
    const own = tiesOfParent(parent);
    return !out.has(parent.row) && (own.some((tie) => staying.has(tie)) || !own.some((tie) => gone.has(tie)));
  });
}

/** What is sold singly, as the seller calls it: it is known by its first row, as families are. */
export const settleSingle = (single: ListSingle, { names }: ListSettlement): ListSingle => ({
  ...single,
  name: names[`row${single.rows[0]}`] ?? single.name,
});

/** Names and axes as the seller calls them. Two axes never get one label: the second keeps its own. */
export function settleFamily(family: ListFamily, { names, axes }: ListSettlement): ListFamily {
  const wanted = axes[family.key];
  const name = names[family.key] ?? family.name;
  if (!wanted) return name === family.name ? family : { ...family, name };
  const labels = new Map<string, string>();
  const used = new Set(family.axes.filter(({ label }) => !wanted[label]).map(({ label }) => label.toLowerCase()));
  const renamed = family.axes.map((axis) => {
    const to = wanted[axis.label];
    const label = to && !used.has(to.label.toLowerCase()) ? to.label : axis.label;
    used.add(label.toLowerCase());
    labels.set(axis.label, label);
    return { ...axis, label, role: to?.role ?? axis.role };
  });
  return {
    ...family,
    name,
    axes: renamed,
    children: family.children.map((child) => ({
      ...child,
      at: Object.fromEntries(Object.entries(child.at).map(([label, value]) => [labels.get(label) ?? label, value])),
    })),
  };
}
