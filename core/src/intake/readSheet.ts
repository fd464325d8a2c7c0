/** Reading a sheet back into a family: every row gets a verdict, good rows are not held back by bad ones. */
import { columnOf } from '../family/column';
import { foldLabel } from '../family/foldLabel';
import { childAt, crossingFor, familyIndex, placeLabel } from '../family/weave';
import type { Child, Family, Figure } from '../family/shape';
import type { SingleCommand } from '../change/commands';
import { identifierOwners, identityOf, isIdentifier, type IdentifierKind } from '../identifiers/sameness';
import { Refusal, unreadable, unreadableText, type Unreadable } from '../refusal/refusal';
import { habitsOf, readFigure, showFigure, type Source } from '../registry/figures';
import { compareAmounts } from '../money/amount';
import type { Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';
import { matchColumns, type SheetColumn } from './columns';

export interface CellProblem {
  /** Header of the column. */
  column: string;
  message: string;
}

export interface RowVerdict {
  /** Number of the row in the file; the header is row 1. */
  row: number;
  verdict: 'new' | 'changed' | 'same' | 'refused';
  /** The child by its options. */
  child: string;
  problems: CellProblem[];
  /** What would change: header, from, to. */
  changes: { column: string; before: string; after: string }[];
}

export interface SheetReading {
  rows: RowVerdict[];
  unknownColumns: string[];
  /** What takes the good rows in, one stage after the other, each made from the family as the one before has left it. */
  stages: readonly Stage[];
  /** Counted pieces, by option labels. */
  stock: { labels: string[]; pieces: number }[];
}

/** Commands for a family; none where there is nothing to do. */
export type Stage = (family: Family) => SingleCommand[];

interface GoodRow {
  labels: string[];
  child: Child | undefined;
  figures: { key: string; figure: Figure | null }[];
}

/** What the family does not know by itself. Each gives the reason an identifier cannot be taken, or null. */
export interface Surroundings {
  /** Why an SKU or GTIN cannot be given to a child of this family: it belongs to another, or did. */
  takenElsewhere: (kind: IdentifierKind, figure: string) => Unreadable | null;
  /** Why an SKU of this family cannot go: an account lists it. */
  bound: (sku: string) => Unreadable | null;
  /** An empty cell takes nothing away. */
  emptyKeeps?: boolean;
  /** Hears how many rows are read, now and then. */
  tell?: (rows: number) => void;
}
/** So many rows are read between two words about it. */
const TELL_EVERY = 250;
const ALONE: Surroundings = { takenElsewhere: () => null, bound: () => null };

interface Sheet {
  registry: Registry;
  family: Family;
  columns: readonly (SheetColumn | null)[];
  headers: readonly string[];
  /** Place of the option column of each axis. */
  optionAt: readonly number[];
  /** How numbers are written in each column. */
  sources: readonly Source[];
  stock: Record<string, number>;
  around: Surroundings;
  owners: Map<string, string>;
  seen: Set<string>;
}

const labelsKey = (labels: readonly string[]) => JSON.stringify(labels.map(foldLabel));

/** Cells of a row; null for a row of a sheet that holds nothing and says nothing. */
export type SheetCells = readonly string[] | null;

/** Rows of a sheet as they are read: those without anything in them are none. */
export const sheetRows = (rows: readonly (readonly string[])[]): SheetCells[] =>
  rows.map((cells) => (cells.every((cell) => cell.trim() === '') ? null : cells));

/** Reads rows of text against a family. `stock` is what is held now. Throws a Refusal where an axis has no column. */
export function readSheet(
  registry: Registry,
  family: Family,
  headers: readonly string[],
  rows: readonly SheetCells[],
  stock: Record<string, number>,
  around: Surroundings = ALONE,
): SheetReading {
  const { columns, unknown, missingAxes } = matchColumns(registry, family, headers);
  const [first] = missingAxes;
  if (first !== undefined) throw new Refusal('sheet.no-axis-column', { axes: missingAxes.join(', '), first });
  const sheet: Sheet = {
    registry,
    family,
    columns,
    headers,
    stock,
    around,
    optionAt: family.axes.map((axis) => columns.findIndex((one) => one?.kind === 'option' && one.axisId === axis.id)),
    sources: columns.map((column, at) => sourceOf(column, rows, at)),
    owners: new Map([...identifierOwners(family)].map(([key, child]) => [key, child.id])),
    seen: new Set(),
  };
  const reading: SheetReading = { rows: [], unknownColumns: unknown, stages: [], stock: [] };
  const good: GoodRow[] = [];
  rows.forEach((cells, at) => {
    if (at % TELL_EVERY === 0) around.tell?.(at);
    if (cells) reading.rows.push(readRow(sheet, cells, at + 2, reading.stock, good));
  });
  const fresh = good.filter((row) => !row.child?.woven);
  reading.stages = [
    () => valuesAndFigures(family, good),
    (now) => newCrossings(family, now, fresh),
    (now) => newFigures(now, fresh),
  ];
  return reading;
}

/** The column's unit and how its numbers are written: what its other cells say decides what could be read two ways. */
function sourceOf(column: SheetColumn | null, rows: readonly SheetCells[], at: number): Source {
  if (column?.kind !== 'field') return {};
  const unit = column.unit === undefined ? {} : { unit: column.unit };
  return { ...unit, ...habitsOf(rows.map((cells) => cells?.[at] ?? '')) };
}

function readRow(
  sheet: Sheet,
  cells: readonly string[],
  row: number,
  counted: SheetReading['stock'],
  good: GoodRow[],
): RowVerdict {
  const { family, headers } = sheet;
  const problems: CellProblem[] = [];
  const refuse = (at: number, problem: Unreadable) => {
    problems.push({ column: headers[at] ?? '', message: unreadableText(problem) });
  };
  const labels = family.axes.map((axis, place) => {
    const at = sheet.optionAt[place]!;
    const label = (cells[at] ?? '').trim();
    if (label === '') refuse(at, unreadable('cell.empty', { label: axis.label }));
    return familyIndex(family).valueCalled(axis.id, label)?.label ?? label;
  });
  const child = childAt(family, labels);
  const key = labelsKey(labels);
  if (problems.length === 0 && sheet.seen.has(key)) refuse(0, unreadable('cell.twice', {}));
  const changes: RowVerdict['changes'] = [];
  const figures: GoodRow['figures'] = [];
  let pieces: number | undefined;
  sheet.columns.forEach((column, at) => {
    const text = (cells[at] ?? '').trim();
    if (column?.kind === 'stock' && text !== '') {
      const read = readPieces(sheet, text, child);
      if (!read.ok) return refuse(at, read);
      if (read.pieces === null) return;
      pieces = read.pieces;
      const before = child ? String(sheet.stock[child.id] ?? 0) : '';
      changes.push({ column: headers[at] ?? '', before, after: String(pieces) });
    }
    if (column?.kind !== 'field') return;
    const read = readCell(sheet, column, text, child, { at, key });
    if (!read) return;
    if ('code' in read) return refuse(at, read);
    figures.push({ key: column.field.key, figure: read.figure });
    changes.push({
      column: headers[at] ?? '',
      before: read.before,
      after: showFigure(sheet.registry, column.field, read.figure),
    });
  });
  const name = labels.join(' · ') || 'the only child';
  if (problems.length > 0) return { row, verdict: 'refused', child: name, problems, changes: [] };
  sheet.seen.add(key);
  good.push({ labels, child, figures });
  if (pieces !== undefined) counted.push({ labels, pieces });
  const verdict = !child?.woven ? 'new' : changes.length > 0 ? 'changed' : 'same';
  return { row, verdict, child: name, problems, changes };
}

/** Pieces as counted; null where that many are held. */
function readPieces(
  sheet: Sheet,
  text: string,
  child: Child | undefined,
): { ok: true; pieces: number | null } | Unreadable {
  const field = sheet.registry.field('stock')!;
  const read = readFigure(sheet.registry, field, text);
  if (!read.ok) return read;
  const pieces = Number(read.figure);
  return { ok: true, pieces: pieces === (child?.woven ? (sheet.stock[child.id] ?? 0) : 0) ? null : pieces };
}

/** A cell of a field: what changes, why it cannot, or null where it says what holds already. */
function readCell(
  sheet: Sheet,
  { field }: Extract<SheetColumn, { kind: 'field' }>,
  text: string,
  child: Child | undefined,
  row: { at: number; key: string },
): { figure: Figure | null; before: string } | Unreadable | null {
  const { registry, family, around } = sheet;
  const standing = child?.woven ? child : undefined;
  const position = standing && familyIndex(family).position.get(standing.id);
  const held = position === undefined ? undefined : columnOf(family, field.key).at(position);
  const before = showFigure(registry, field, held);
  // A cell that came back as it left says nothing new, however it could be read.
  if (text === before.trim() || (text === '' && around.emptyKeeps)) return null;
  const read = readFigure(registry, field, text, sheet.sources[row.at]);
  if (!read.ok) return read;
  const own = child?.fields[field.key];
  if (read.figure === null) {
    if (own === undefined || !standing) return null;
    if (field.key === 'sku') return unreadable('cell.sku-missing', {});
  } else if (showFigure(registry, field, read.figure) === before || isSameAmount(field, read.figure, held)) return null;
  if (!isIdentifier(field.key)) return { figure: read.figure, before };
  const problem = identifierProblem(sheet, field.key, read.figure, text, child?.id ?? row.key);
  if (problem) return problem;
  const bound = field.key === 'sku' && typeof own === 'string' ? around.bound(own) : null;
  return bound ?? { figure: read.figure, before };
}

/** A program that keeps 189.00 as a number brings 189 back: nothing changed, and what was inherited stays so. */
const isSameAmount = ({ type }: Field, read: Figure, held: Figure | undefined): boolean =>
  type === 'money' && held !== undefined && compareAmounts(String(read), String(held)) === 0;

function identifierProblem(
  sheet: Sheet,
  kind: IdentifierKind,
  figure: Figure | null,
  text: string,
  owner: string,
): Unreadable | null {
  if (typeof figure !== 'string') return null;
  const key = `${kind}|${identityOf(kind, figure)}`;
  const there = sheet.owners.get(key);
  if (there !== undefined && there !== owner) {
    return unreadable('cell.belongs', { text, owner: placeLabel(sheet.family, { level: 'child', childId: there }) });
  }
  const elsewhere = sheet.around.takenElsewhere(kind, figure);
  if (!elsewhere) sheet.owners.set(key, owner);
  return elsewhere;
}

/** New values of axes, woven nowhere yet, then figures of the children that are there. */
function valuesAndFigures(family: Family, good: readonly GoodRow[]): SingleCommand[] {
  const commands: SingleCommand[] = [];
  family.axes.forEach((axis, place) => {
    const known = new Set(axis.values.map((value) => foldLabel(value.label)));
    const fresh = new Map<string, string>();
    for (const { labels } of good) {
      const folded = foldLabel(labels[place]!);
      if (!known.has(folded) && !fresh.has(folded)) fresh.set(folded, labels[place]!);
    }
    if (fresh.size > 0) {
      const values = [...fresh.values()].map((label) => ({ label }));
      commands.push({ do: 'addValues', axisId: axis.id, values, weave: false });
    }
  });
  const changes = good.flatMap(({ child, figures }) =>
    child?.woven ? figures.map((one) => ({ place: { level: 'child' as const, childId: child.id }, ...one })) : [],
  );
  if (changes.length > 0) commands.push({ do: 'setFigures', changes });
  return commands;
}

/** Crossings of new children, and those that values brought back from the shelf although the sheet does not name them. */
function newCrossings(before: Family, now: Family, rows: readonly GoodRow[]): SingleCommand[] {
  const wanted = new Set(rows.map((row) => labelsKey(row.labels)));
  const { valueById } = familyIndex(now);
  const uncalled = Object.values(now.children).filter((child) => {
    if (!child.woven || before.children[child.id]?.woven) return false;
    return !wanted.has(labelsKey(now.axes.map((axis) => valueById.get(child.at[axis.id]!)!.label)));
  });
  const missing = rows.flatMap((row) => {
    const at = crossingFor(now, row.labels);
    return at && !childAt(now, row.labels)?.woven ? [at] : [];
  });
  const weave = (crossings: Record<string, string>[], woven: boolean): SingleCommand[] =>
    crossings.length > 0 ? [{ do: 'setWoven', crossings, woven }] : [];
  return [
    ...weave(
      uncalled.map((child) => ({ ...child.at })),
      false,
    ),
    ...weave(missing, true),
  ];
}

function newFigures(now: Family, rows: readonly GoodRow[]): SingleCommand[] {
  const changes = rows.flatMap((row) => {
    const child = childAt(now, row.labels);
    return child ? row.figures.map((one) => ({ place: { level: 'child' as const, childId: child.id }, ...one })) : [];
  });
  return changes.length > 0 ? [{ do: 'setFigures', changes }] : [];
}
