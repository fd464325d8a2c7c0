/** The one figure that a listing has of a field, where its children share it. */
import { dequal } from 'dequal';
import type { Column, ColumnGroup } from '../../family/columnShape';
import { familyFigure } from '../../family/level';
import type { FieldCheck } from '../../rulebook/openRulebook';
import type { CheckContext } from '../context';

const TEXTS = ['text', 'longtext', 'list'];

/**
 * What the children at these positions share of a field; null where they differ. A text that some values or children
 * have another of is the family's for the listing as a whole.
 */
export function sharedGroup(
  context: CheckContext,
  check: FieldCheck,
  positions: readonly number[],
): ColumnGroup | null {
  const column = context.column(check.rule.key);
  const first = column.groupAt(positions[0]!);
  if (column.groups.length === 1) return first;
  const same = positions.every((position) => {
    const group = column.groupAt(position);
    return group === first || dequal(group.figure, first.figure);
  });
  if (same) return first;
  if (check.field?.lowest) return lowestOf(column, positions);
  if (!TEXTS.includes(check.field?.type ?? '')) return null;
  const figure = familyFigure(context.family, check.rule.key, context.scopes);
  return figure === undefined ? null : { figure, place: { level: 'family' }, scope: 'everywhere', members: positions };
}

/** The group with the lowest number; of several materials the one that counts. */
function lowestOf(column: Column, positions: readonly number[]): ColumnGroup {
  const groups = positions.map((position) => column.groupAt(position)).filter((one) => typeof one.figure === 'number');
  return groups.reduce((least, one) => (Number(one.figure) < Number(least.figure) ? one : least));
}
