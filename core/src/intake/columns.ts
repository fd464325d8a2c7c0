/** The columns of a family's sheet: a row per child, options first, then every field a child can have. */
import { headerOf, type Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import type { Family } from '../family/shape';

export type SheetColumn =
  | { kind: 'option'; axisId: string; header: string }
  | { kind: 'field'; field: Field; header: string; unit?: string }
  | { kind: 'stock'; header: string };

const OPTION_MARK = 'Option: ';

/** Fields of a sheet: those a child may have of its own in a category, but pictures. */
export function sheetFields(registry: Registry, category: unknown): readonly Field[] {
  return registry.fieldsAt('child', category).filter((field) => field.type !== 'pictures' && !field.onlyScoped);
}

/** The columns for a family. */
export function sheetColumns(registry: Registry, family: Family): SheetColumn[] {
  return [
    ...family.axes.map((axis): SheetColumn => ({ kind: 'option', axisId: axis.id, header: OPTION_MARK + axis.label })),
    ...sheetFields(registry, family.fields.category).map((field): SheetColumn => {
      const header = headerOf(field);
      return field.type === 'stock' ? { kind: 'stock', header } : { kind: 'field', field, header };
    }),
  ];
}

export interface MatchedColumns {
  columns: (SheetColumn | null)[];
  /** Headers nothing is known by; their cells are left alone. */
  unknown: string[];
  /** Axes without a column. */
  missingAxes: string[];
}

/** How headers are compared: neither case nor blanks count. */
const foldHeader = (header: string) => header.trim().toLowerCase().replace(/\s+/g, ' ');

/** Units a header may name for its column instead of the field's own. */
const UNITS: Record<string, readonly string[]> = {
  weight: ['g', 'kg', 'oz', 'lb'],
  length: ['mm', 'cm', 'm', 'in', 'ft'],
};

/**
 * Which column of the family each header of a sheet means. The unit and the option mark may be left out; another unit
 * holds for the column.
 */
export function matchColumns(registry: Registry, family: Family, headers: readonly string[]): MatchedColumns {
  const known = new Map<string, SheetColumn>();
  for (const column of sheetColumns(registry, family)) {
    known.set(foldHeader(column.header), column);
    if (column.kind === 'stock') known.set('stock', column);
    if (column.kind !== 'field') continue;
    for (const name of [column.field.label, column.field.key]) known.set(foldHeader(name), column);
    for (const unit of UNITS[column.field.type] ?? []) {
      known.set(foldHeader(`${column.field.label} (${unit})`), { ...column, unit });
    }
  }
  for (const axis of family.axes) {
    const header = foldHeader(axis.label);
    if (!known.has(header)) known.set(header, { kind: 'option', axisId: axis.id, header: OPTION_MARK + axis.label });
  }
  const taken = new Set<string>();
  const columns = headers.map((header) => {
    const column = known.get(foldHeader(header)) ?? null;
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
