/** The axes of a list's family beside those of the family that is there: which is which, and those that are only in the list. */
import { runCommand } from '../../change/run';
import { foldLabel } from '../../family/foldLabel';
import { familyIndex } from '../../family/weave';
import type { Child, Family } from '../../family/shape';
import { identifierOwners, identityOf } from '../../identifiers/sameness';
import { Refusal } from '../../refusal/refusal';
import type { Registry } from '../../registry/openRegistry';
import { axisAddedText } from '../listText';
import type { ListAxis, ListChild, ListFamily } from '../families/shape';
import type { Table } from '../table/shape';
import type { FigureColumn } from './figureColumns';
import type { ListRow } from './shape';

export interface AxisMatch {
  /** Axis of the family by its place → the label of the list's axis; undefined where the list has none. */
  matched: (string | undefined)[];
  /** Axes of the list that the family has not. */
  more: ListAxis[];
}

/** Axes of one name are one, and those of one role where there is no other. */
export function matchAxes(held: Family, { axes }: ListFamily): AxisMatch {
  const used = new Set<string>();
  const matched = held.axes.map((axis) => {
    const same = axes.find(({ label }) => foldLabel(label) === foldLabel(axis.label) && !used.has(label));
    const alike = axes.filter(({ label, role }) => role === axis.role && !used.has(label));
    const found = same ?? (alike.length === 1 ? alike[0] : undefined);
    if (found) used.add(found.label);
    return found?.label;
  });
  return { matched, more: axes.filter(({ label, values }) => !used.has(label) && values.length > 1) };
}

/** Whose a row is, by its numbers. */
export function ownerOfRow(
  held: Family,
  table: Table,
  columns: readonly FigureColumn[],
): (row: number) => Child | undefined {
  const owners = identifierOwners(held);
  const numbers = columns.filter(({ field }) => field.key === 'sku' || field.key === 'gtin');
  return (row) =>
    numbers
      .map(({ at, field }) =>
        owners.get(`${field.key}|${identityOf(field.key as 'sku' | 'gtin', (table[row - 1]![at] ?? '').trim())}`),
      )
      .find((child) => child !== undefined);
}

/**
 * The family with the axes that only the list has: where its rows say of every child that is there what it is on them, and of all the same.
 * Throws a Refusal where a child is not named, or they are several things.
 */
export function withMoreAxes(
  registry: Registry,
  held: Family,
  family: ListFamily,
  ownerOf: (row: number) => Child | undefined,
): { family: Family; changes: ListRow['changes'] } {
  const { more } = matchAxes(held, family);
  if (more.length === 0) return { family: held, changes: [] };
  const known = family.children.filter(({ rows }) => ownerOf(rows[0]!));
  const named = new Set(known.map(({ rows }) => ownerOf(rows[0]!)!.id));
  const areAllNamed = familyIndex(held).woven.every(({ id }) => named.has(id));
  const added = more.map(({ role, label }) => ({
    role,
    label,
    taken: areAllNamed ? onlyValue(known, label) : undefined,
  }));
  const unclear = added.find(({ taken }) => taken === undefined);
  if (unclear) throw new Refusal('list.axis-more', { family: String(held.fields.name), label: unclear.label });
  // With the one value that is taken nothing new is woven: the rows bring the others.
  const commands = added.map(({ role, label, taken }) => ({
    do: 'addAxis' as const,
    role,
    label,
    existingTake: 0,
    values: [{ label: taken! }],
  }));
  const change = {
    column: 'Axes',
    before: held.axes.map(({ label }) => label).join(', '),
    after: added.map(({ label, taken }) => axisAddedText(label, taken!)).join(' '),
  };
  return { family: runCommand(registry, held, { do: 'batch', title: '', commands }).family, changes: [change] };
}

/** The value that all of them have on an axis of the list. */
function onlyValue(children: readonly ListChild[], axis: string): string | undefined {
  const values = new Set(children.map(({ at }) => at[axis]));
  return values.size === 1 ? [...values][0] : undefined;
}
