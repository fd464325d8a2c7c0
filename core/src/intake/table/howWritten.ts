/** How numbers and days are written in the columns of a list: what the seller said, else what their cells say, else what the list's other numbers say. */
import { habitsOf, type Source } from '../../registry/figures';
import type { ListColumn, ListMapping, Table } from './shape';

/** So many rows are looked at. */
const ROWS_LOOKED_AT = 5000;

/** Column by its place → how its figures are written. */
export function howWritten(
  table: Table,
  columns: readonly ListColumn[],
  { decimal }: ListMapping,
): (at: number) => Source {
  if (decimal) return () => ({ decimal });
  const some = table.slice(0, ROWS_LOOKED_AT);
  const own = new Map(
    columns.flatMap(({ at, meaning }) =>
      meaning.is === 'field' || meaning.is === 'across'
        ? [[at, habitsOf(some.map((row) => row[at] ?? ''))] as const]
        : [],
    ),
  );
  const marks = new Set([...own.values()].flatMap((one) => one.decimal ?? []));
  const common: Source = marks.size === 1 ? { decimal: [...marks][0] } : {};
  return (at) => ({ ...common, ...own.get(at) });
}
