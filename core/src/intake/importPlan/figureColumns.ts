/** Columns of a list that hold figures: which of them say something of the family, and which of its children. */
import { headerOf, type Field } from '../../registry/field';
import { readFigure, showFigure, type Source } from '../../registry/figures';
import type { Registry } from '../../registry/openRegistry';
import { unreadableText } from '../../refusal/refusal';
import { rowsDifferText } from '../listText';
import type { Family, Figures } from '../../family/shape';
import type { CellProblem } from '../readSheet';
import { howWritten } from '../table/howWritten';
import type { ListColumn, ListMapping, Table } from '../table/shape';

export interface FigureColumn {
  at: number;
  header: string;
  field: Field;
  source: Source;
}

/** The columns of figures, each with how numbers are written in it. */
export function figureColumns(
  registry: Registry,
  table: Table,
  columns: readonly ListColumn[],
  mapping: ListMapping,
): FigureColumn[] {
  const written = howWritten(table, columns, mapping);
  return columns.flatMap(({ at, header, meaning }): FigureColumn[] => {
    if (meaning.is !== 'field') return [];
    const field = registry.field(meaning.key);
    if (!field || field.type === 'pictures') return [];
    const unit = unitIn(header, field);
    return [{ at, header, field, source: { ...written(at), ...(unit ? { unit } : {}) } }];
  });
}

/** The same of what stands below values that go across, by the place of the column. */
export function acrossColumns(
  registry: Registry,
  table: Table,
  columns: readonly ListColumn[],
  mapping: ListMapping,
): Map<number, FigureColumn> {
  const written = howWritten(table, columns, mapping);
  return new Map(
    columns.flatMap(({ at, header, meaning }) => {
      if (meaning.is !== 'across') return [];
      const field = registry.field(meaning.key ?? 'stock')!;
      // "S" alone says nothing of what stands below it.
      const said = meaning.key === undefined || header === meaning.value ? field.label : header;
      return [[at, { at, header: said, field, source: written(at) }] as const];
    }),
  );
}

/** The unit that a header names: "Weight (kg)", "Gewicht in g". */
function unitIn(header: string, { type }: Field): string | undefined {
  const units = type === 'weight' ? 'kg|g|oz|lb' : type === 'length' ? 'mm|cm|m|in|ft' : null;
  return units === null
    ? undefined
    : new RegExp(`(?:^|[\\s(\\[./])(${units})[)\\].]?$`, 'i').exec(header.trim())?.[1]?.toLowerCase();
}

/** The header under which the reader of a family's sheet knows a column. */
export const sheetHeader = ({ field, source }: FigureColumn): string =>
  source.unit && (field.type === 'weight' || field.type === 'length')
    ? `${field.label} (${source.unit})`
    : headerOf(field);

/** The cell that all rows with one agree on; null where they do not, or have none. */
export function agreedCell(rows: readonly (readonly string[])[], at: number): string | null {
  let agreed: string | null = null;
  for (const row of rows) {
    const text = (row[at] ?? '').trim();
    if (text === '') continue;
    if (agreed !== null && agreed !== text) return null;
    agreed = text;
  }
  return agreed;
}

export interface FamilyFigures {
  figures: Figures;
  problems: CellProblem[];
  /** Columns whose figure stands with the family: children need no figure of their own. */
  taken: Set<FigureColumn>;
}

/**
 * Figures of a new family: those that only a family has, and those that all its rows agree on.
 * @param rows cells of all its rows, its parents' too
 */
export function familyFigures(
  registry: Registry,
  columns: readonly FigureColumn[],
  rows: readonly (readonly string[])[],
): FamilyFigures {
  const result: FamilyFigures = { figures: {}, problems: [], taken: new Set() };
  for (const column of columns) {
    const { field, at, header, source } = column;
    if (!field.levels.includes('family') || field.key === 'name') continue;
    const isOnlyThere = !field.levels.includes('child');
    const text = isOnlyThere ? firstCell(rows, at) : agreedByAll(rows, at);
    if (text === null) continue;
    const read = readFigure(registry, field, text, source);
    if (read.ok && read.figure !== null) {
      result.figures[field.key] = read.figure;
      result.taken.add(column);
      const other = isOnlyThere ? otherCell(rows, at, text) : null;
      if (other !== null) result.problems.push({ column: header, message: rowsDifferText(text, other) });
    } else if (!read.ok && isOnlyThere) result.problems.push({ column: header, message: unreadableText(read) });
  }
  return result;
}

const firstCell = (rows: readonly (readonly string[])[], at: number) =>
  rows.map((row) => (row[at] ?? '').trim()).find((text) => text !== '') ?? null;

/** What a row says that says something else; null where none does. */
const otherCell = (rows: readonly (readonly string[])[], at: number, text: string) =>
  rows.map((row) => (row[at] ?? '').trim()).find((cell) => cell !== '' && cell !== text) ?? null;

/** All rows say it, and the same. */
function agreedByAll(rows: readonly (readonly string[])[], at: number): string | null {
  const text = (rows[0]?.[at] ?? '').trim();
  return text !== '' && rows.every((row) => (row[at] ?? '').trim() === text) ? text : null;
}

/** What a list changes of a family that is there: only what a family alone has, and its name where it is named by its key. */
export function familyChanges(
  registry: Registry,
  held: Family,
  columns: readonly FigureColumn[],
  rows: readonly (readonly string[])[],
  mayRename: boolean,
): { figures: Figures; changes: { column: string; before: string; after: string }[]; problems: CellProblem[] } {
  const figures: Figures = {};
  const changes: { column: string; before: string; after: string }[] = [];
  const problems: CellProblem[] = [];
  for (const { field, at, header, source } of columns) {
    if (field.levels.includes('child') || !field.levels.includes('family') || (field.key === 'name' && !mayRename))
      continue;
    const text = agreedCell(rows, at);
    if (text === null) continue;
    const before = showFigure(registry, field, held.fields[field.key]);
    if (text === before.trim()) continue;
    const read = readFigure(registry, field, text, source);
    if (!read.ok) problems.push({ column: header, message: unreadableText(read) });
    else if (read.figure !== null && showFigure(registry, field, read.figure) !== before) {
      figures[field.key] = read.figure;
      changes.push({ column: header, before, after: showFigure(registry, field, read.figure) });
    }
  }
  return { figures, changes, problems };
}
