/** A block of rows with a header as the beginning of a family: which columns are its axes, which crossings exist, what the rest says. */
import { foldLabel } from '../family/foldLabel';
import { ROLES, type Role } from '../family/shape';
import { readFigure } from '../registry/figures';
import { headerOf, type Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import { ROLE_LABELS } from '../registry/roles';
import { openHeaders } from './table/headerWords';
import { isSize } from '../size/sortSizes';

export interface BlockAxis {
  /** Place of its column in the block. */
  column: number;
  role: Role;
  label: string;
  /** Values as they first come. */
  values: string[];
}

export interface BlockFamily {
  axes: BlockAxis[];
  /** Crossings that no row names: value labels in the order of the axes. */
  off: string[][];
  /** Figures of the whole family: columns that say the same in every row. */
  figures: Record<string, string>;
  /** Columns that hold figures of children, by their header. */
  childColumns: string[];
  /** Columns that nothing is known of. */
  unknown: string[];
  /** The header of each column as the family's own sheet has it; as it came where nothing is known of it. */
  headers: string[];
  rows: number;
  /** Rows that stand at the crossing of another. */
  doubled: number;
}

/** Most values an axis begun so has, and crossings a family begun so. */
const VALUES_AT_MOST = 200;
const CROSSINGS_AT_MOST = 20_000;

const OPTION = /^option:?\s+/i;
/** Reads a block; null where its first row is no header, or no column can be an axis. */
export function blockFamily(registry: Registry, block: readonly (readonly string[])[]): BlockFamily | null {
  const [header, ...all] = block;
  const rows = all.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (!header || rows.length === 0) return null;
  const columns = header.map((name, at) => ({
    at,
    name: name.trim(),
    cells: rows.map((row) => (row[at] ?? '').trim()),
  }));
  const meaningOf = openHeaders(registry);
  const known = fieldsByHeader(registry);
  const axes: BlockAxis[] = [];
  const result: BlockFamily = {
    axes,
    off: [],
    figures: {},
    childColumns: [],
    unknown: [],
    headers: columns.map(({ name }) => name),
    rows: rows.length,
    doubled: 0,
  };
  for (const column of columns) {
    const field = known.get(foldHeader(column.name)) ?? fieldMeant(registry, meaningOf, column.name);
    if (field) result.headers[column.at] = headerInUnit(field, column.name);
    const role = field ? null : roleOf(registry, meaningOf, column);
    if (role)
      axes.push({
        column: column.at,
        role,
        label: column.name.replace(OPTION, '') || ROLE_LABELS[role],
        values: distinct(column.cells),
      });
    else if (field?.levels.includes('family') && distinct(column.cells).length === 1) {
      const read = readFigure(registry, field, column.cells[0]!, {});
      if (read.ok && typeof read.figure === 'string') result.figures[field.key] = read.figure;
      else result.childColumns.push(column.name);
    } else if (field?.levels.includes('child')) result.childColumns.push(column.name);
    else if (column.name !== '') result.unknown.push(column.name);
  }
  const crossings = axes.reduce((product, axis) => product * axis.values.length, 1);
  if (axes.length === 0 || axes.length > 6 || crossings > CROSSINGS_AT_MOST) return null;
  return { ...result, ...crossingsNamed(axes, rows) };
}

const foldHeader = (header: string) =>
  header
    .trim()
    .toLowerCase()
    .replace(/\s+/g, ' ')
    .replace(/\s*\([^)]*\)$/, '');

/** The field that lists call by this header: "EAN", "Weight g"; undefined where it is an option, or only a part of it is known. */
function fieldMeant(registry: Registry, meaningOf: ReturnType<typeof openHeaders>, name: string): Field | undefined {
  if (OPTION.test(name)) return undefined;
  const meant = meaningOf(name);
  const field = meant?.certainty === 1 && meant.meaning.is === 'field' ? registry.field(meant.meaning.key) : undefined;
  return field?.onlyScoped ? undefined : field;
}

/** The header of a field in the unit that a column names. */
function headerInUnit(field: Field, name: string): string {
  const unit = /[\s(]([a-z]{1,2})\)?\s*$/i.exec(name)?.[1]?.toLowerCase();
  const isUnit = unit !== undefined && (UNITS[field.type] ?? []).includes(unit);
  return isUnit ? `${field.label} (${unit})` : headerOf(field);
}

const UNITS: Partial<Record<Field['type'], readonly string[]>> = {
  weight: ['g', 'kg', 'oz', 'lb'],
  length: ['mm', 'cm', 'm', 'in', 'ft'],
};

function fieldsByHeader(registry: Registry): Map<string, Field> {
  const fields = registry.fields.filter(
    (field) => !field.onlyScoped && field.type !== 'pictures' && field.type !== 'surcharge',
  );
  return new Map(fields.flatMap((field) => [field.key, field.label].map((name) => [foldHeader(name), field] as const)));
}

/** What an axis of a column is about: by its header, else by what the dictionary and sizes know of its cells. Null where it is no axis. */
function roleOf(
  registry: Registry,
  meaningOf: ReturnType<typeof openHeaders>,
  { name, cells }: { name: string; cells: readonly string[] },
): Role | null {
  const values = distinct(cells);
  if (values.length === 0 || values.length > VALUES_AT_MOST || cells.some((cell) => cell === '' || cell.length > 80))
    return null;
  const meant = meaningOf(name.replace(OPTION, ''));
  if (meant?.meaning.is === 'option' && meant.certainty === 1) return meant.meaning.role;
  const known = ROLES.find((role) => values.filter((value) => registry.word(role, value)).length * 2 > values.length);
  if (known) return known;
  if (values.every((value) => /\D/.test(value) && isSize(value))) return 'size';
  // Marked as an option, or so few values for so many rows that they can only part them.
  return OPTION.test(name) ||
    (values.length > 1 && values.length * 2 <= cells.length && values.every((value) => /\p{L}/u.test(value)))
    ? 'other'
    : null;
}

function distinct(cells: readonly string[]): string[] {
  const first = new Map<string, string>();
  for (const cell of cells) if (cell !== '' && !first.has(foldLabel(cell))) first.set(foldLabel(cell), cell);
  return [...first.values()];
}

function crossingsNamed(
  axes: readonly BlockAxis[],
  rows: readonly (readonly string[])[],
): Pick<BlockFamily, 'off' | 'doubled'> {
  const keyOf = (labels: readonly string[]) => JSON.stringify(labels.map(foldLabel));
  const named = rows.map((row) => keyOf(axes.map((axis) => row[axis.column] ?? '')));
  const there = new Set(named);
  const every = axes.reduce<string[][]>(
    (found, axis) => found.flatMap((labels) => axis.values.map((value) => [...labels, value])),
    [[]],
  );
  return { off: every.filter((labels) => !there.has(keyOf(labels))), doubled: named.length - there.size };
}
