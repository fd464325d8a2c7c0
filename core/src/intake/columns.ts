/** The columns of a family's sheet: a row per child, options first, then every field a child can have. */
import { FIELDS, headerOf, type Field } from '../registry/fields';
import type { Family } from '../family/shape';

export type Column =
  | { kind: 'option'; axisId: string; header: string }
  | { kind: 'field'; field: Field; header: string }
  | { kind: 'stock'; header: string };

export const STOCK_HEADER = 'Stock (pieces)';
const OPTION_MARK = 'Option: ';

/** Fields that stand on a child, in the registry's order. */
export const CHILD_FIELDS: readonly Field[] = FIELDS.filter((field) => field.levels.includes('child'));

/** The columns for a family. */
export function sheetColumns(family: Family): Column[] {
  return [
    ...family.axes.map((axis): Column => ({ kind: 'option', axisId: axis.id, header: OPTION_MARK + axis.label })),
    ...CHILD_FIELDS.map((field): Column => ({ kind: 'field', field, header: headerOf(field) })),
    { kind: 'stock', header: STOCK_HEADER },
  ];
}

export interface MatchedColumns {
  columns: (Column | null)[];
  /** Headers nothing is known by; their cells are left alone. */
  unknown: string[];
  /** Axes without a column. */
  missingAxes: string[];
}

/**
 * Which column of the family each header of a sheet means. Case and blanks do not matter; the unit and the option
 * mark may be left out.
 */
export function matchColumns(family: Family, headers: readonly string[]): MatchedColumns {
  const known = new Map<string, Column>();
  for (const column of sheetColumns(family)) {
    known.set(fold(column.header), column);
    if (column.kind === 'field') {
      known.set(fold(column.field.label), column);
      known.set(fold(column.field.key), column);
    }
    if (column.kind === 'stock') known.set('stock', column);
  }
  for (const axis of family.axes) {
    if (!known.has(fold(axis.label)))
      known.set(fold(axis.label), { kind: 'option', axisId: axis.id, header: OPTION_MARK + axis.label });
  }
  const taken = new Set<string>();
  const columns = headers.map((header) => {
    const column = known.get(fold(header)) ?? null;
    if (!column || taken.has(column.header)) return null;
    taken.add(column.header);
    return column;
  });
  return {
    columns,
    unknown: headers.filter((header, at) => header.trim() !== '' && columns[at] === null),
    missingAxes: family.axes.filter((axis) => !taken.has(OPTION_MARK + axis.label)).map((axis) => axis.label),
  };
}

const fold = (header: string) => header.trim().toLowerCase().replace(/\s+/g, ' ');
