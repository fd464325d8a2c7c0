/** Reading a sheet back into a family: every row gets a verdict, good rows are not held back by bad ones. */
import { readFigure, showFigure } from '../registry/fields';
import { figureOf } from '../family/level';
import { fold } from '../family/labels';
import { crossingFor, crossingKey, familyIndex, placeLabel } from '../family/weave';
import { gtin14 } from '../identifiers/gtin';
import { liveSkuText } from '../identifiers/sku';
import type { Child, Family, Figure } from '../family/shape';
import type { SingleCommand } from '../change/commands';
import { matchColumns, type Column } from './columns';

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
  /**
   * To be run in this order; empty when nothing changes. New children are given figures by `afterwards`, once they
   * are woven.
   */
  commands: SingleCommand[];
  afterwards: (woven: Family) => SingleCommand[];
  /** Counted pieces, by option labels. */
  stock: { labels: string[]; pieces: number }[];
  /** The file as a whole cannot be read: why. */
  problem?: string;
}

interface GoodRow {
  labels: string[];
  child: Child | undefined;
  figures: { key: string; figure: Figure | null }[];
}

/** What the family does not know by itself. */
export interface Surroundings {
  /** The name of another family that an SKU or GTIN belongs to. */
  takenElsewhere: (kind: 'sku' | 'gtin', figure: string) => string | null;
  /** The name of a channel that lists an SKU. */
  listedOn: (sku: string) => string | null;
}
const ALONE: Surroundings = { takenElsewhere: () => null, listedOn: () => null };

/** Reads rows of text against a family. `stock` is what is held now. */
export function readSheet(
  family: Family,
  headers: readonly string[],
  rows: readonly (readonly string[])[],
  stock: Record<string, number>,
  around: Surroundings = ALONE,
): SheetReading {
  const matched = matchColumns(family, headers);
  const reading: SheetReading = {
    rows: [],
    unknownColumns: matched.unknown,
    commands: [],
    afterwards: () => [],
    stock: [],
  };
  if (matched.missingAxes.length > 0) {
    return {
      ...reading,
      problem: `The file has no column for ${matched.missingAxes.join(', ')}. Every axis needs one, such as "Option: ${matched.missingAxes[0]}".`,
    };
  }
  const good: GoodRow[] = [];
  const seen = new Set<string>();
  const world = { owners: identifierOwners(family), around };
  rows.forEach((cells, at) => {
    if (cells.every((cell) => cell.trim() === '')) return;
    const verdict = readRow(family, matched.columns, headers, cells, at + 2, stock, seen, world, reading.stock, good);
    reading.rows.push(verdict);
  });

  const known = new Map(family.axes.map((axis) => [axis.id, new Set(axis.values.map((value) => fold(value.label)))]));
  family.axes.forEach((axis, place) => {
    const fresh = new Map<string, string>();
    for (const row of good) {
      const label = row.labels[place]!;
      if (!known.get(axis.id)!.has(fold(label)) && !fresh.has(fold(label))) fresh.set(fold(label), label);
    }
    if (fresh.size > 0)
      reading.commands.push({
        do: 'addValues',
        axisId: axis.id,
        values: [...fresh.values()].map((label) => ({ label })),
      });
  });
  const changes = good.flatMap((row) =>
    row.child?.woven
      ? row.figures.map((one) => ({ place: { level: 'child' as const, childId: row.child!.id }, ...one }))
      : [],
  );
  if (changes.length > 0) reading.commands.push({ do: 'setFigures', changes });
  const fresh = good.filter((row) => !row.child?.woven);
  if (fresh.length > 0 || reading.commands.some((command) => command.do === 'addValues')) {
    reading.afterwards = (now) => newChildren(family, now, fresh);
  }
  return reading;
}

function readRow(
  family: Family,
  columns: readonly (Column | null)[],
  headers: readonly string[],
  cells: readonly string[],
  row: number,
  stock: Record<string, number>,
  seen: Set<string>,
  { owners, around }: { owners: Map<string, string>; around: Surroundings },
  counted: SheetReading['stock'],
  good: GoodRow[],
): RowVerdict {
  const problems: CellProblem[] = [];
  const changes: RowVerdict['changes'] = [];
  const cell = (wanted: (column: Column) => boolean) =>
    cells[columns.findIndex((column) => column !== null && wanted(column))] ?? '';
  const labels = family.axes.map((axis) => {
    const label = cell((column) => column.kind === 'option' && column.axisId === axis.id).trim();
    const known = axis.values.find((value) => fold(value.label) === fold(label));
    if (label === '')
      problems.push({
        column:
          headers[columns.findIndex((column) => column?.kind === 'option' && column.axisId === axis.id)] ?? axis.label,
        message: `${axis.label} is empty.`,
      });
    return known?.label ?? label;
  });
  const child = childAt(family, labels);
  const key = labels.map(fold).join('|');
  if (problems.length === 0 && seen.has(key))
    problems.push({
      column: headers[0] ?? '',
      message: 'This child stands in the file twice; the first row was taken.',
    });
  const figures: GoodRow['figures'] = [];
  let pieces: number | undefined;
  columns.forEach((column, at) => {
    const text = (cells[at] ?? '').trim();
    const header = headers[at] ?? '';
    if (column?.kind === 'stock' && text !== '') {
      if (!/^\d{1,9}$/.test(text))
        problems.push({ column: header, message: `"${text}" is no whole number of pieces.` });
      else if (Number(text) !== (child?.woven ? (stock[child.id] ?? 0) : 0)) {
        pieces = Number(text);
        changes.push({ column: header, before: child ? String(stock[child.id] ?? 0) : '', after: text });
      }
    }
    if (column?.kind !== 'field') return;
    const { field } = column;
    const read = readFigure(field, text);
    if (!read.ok) return void problems.push({ column: header, message: read.message });
    const holds = child?.woven ? figureOf(family, child, field.key) : undefined;
    const before = showFigure(field, holds);
    const own = child?.fields[field.key];
    if (read.figure === null) {
      if (own === undefined || !child?.woven) return;
      if (field.key === 'sku')
        return void problems.push({ column: header, message: 'The SKU is missing; orders find the child by it.' });
    } else if (showFigure(field, read.figure) === before) return;
    const owner =
      field.key === 'sku' || field.key === 'gtin' ? owners.get(identity(field.key, read.figure)) : undefined;
    if (owner && owner !== (child?.id ?? key)) {
      return void problems.push({
        column: header,
        message: `${text} belongs to ${placeLabel(family, { level: 'child', childId: owner })} already.`,
      });
    }
    const other =
      (field.key === 'sku' || field.key === 'gtin') && typeof read.figure === 'string'
        ? around.takenElsewhere(field.key, read.figure)
        : null;
    if (other) return void problems.push({ column: header, message: `${text} belongs to ${other} already.` });
    const listedOn = field.key === 'sku' && typeof own === 'string' ? around.listedOn(own) : null;
    if (listedOn) return void problems.push({ column: header, message: liveSkuText(String(own), listedOn) });
    if (read.figure !== null && (field.key === 'sku' || field.key === 'gtin'))
      owners.set(identity(field.key, read.figure), child?.id ?? key);
    figures.push({ key: field.key, figure: read.figure });
    changes.push({ column: header, before, after: showFigure(field, read.figure) });
  });
  const name = labels.join(' · ') || 'the only child';
  if (problems.length > 0) return { row, verdict: 'refused', child: name, problems, changes: [] };
  seen.add(key);
  good.push({ labels, child, figures });
  if (pieces !== undefined) counted.push({ labels, pieces });
  return {
    row,
    verdict: !child?.woven ? 'new' : changes.length > 0 ? 'changed' : 'same',
    child: name,
    problems,
    changes,
  };
}

/**
 * After values were added every combination of them is woven; what the sheet does not name is taken out again, and
 * the new get their figures.
 */
function newChildren(before: Family, now: Family, rows: readonly GoodRow[]): SingleCommand[] {
  const wanted = new Map(rows.map((row) => [row.labels.map(fold).join('|'), row]));
  const { valueById, byCrossing } = familyIndex(now);
  const uncalled = Object.values(now.children).filter((child) => {
    if (!child.woven || before.children[child.id]?.woven) return false;
    return !wanted.has(now.axes.map((axis) => fold(valueById.get(child.at[axis.id]!)!.label)).join('|'));
  });
  const missing = rows.flatMap((row) => {
    const at = crossingFor(now, row.labels);
    return at && !byCrossing.get(crossingKey(now.axes, at))?.woven ? [at] : [];
  });
  const figures = rows.flatMap((row) => {
    const at = crossingFor(now, row.labels);
    const child = at && byCrossing.get(crossingKey(now.axes, at));
    return child ? row.figures.map((one) => ({ place: { level: 'child' as const, childId: child.id }, ...one })) : [];
  });
  return [
    ...(uncalled.length > 0
      ? [{ do: 'setWoven' as const, crossings: uncalled.map((child) => ({ ...child.at })), woven: false }]
      : []),
    ...(missing.length > 0 ? [{ do: 'setWoven' as const, crossings: missing, woven: true }] : []),
    ...(figures.length > 0 ? [{ do: 'setFigures' as const, changes: figures }] : []),
  ];
}

function childAt(family: Family, labels: readonly string[]): Child | undefined {
  const at = crossingFor(family, labels);
  return at && familyIndex(family).byCrossing.get(crossingKey(family.axes, at));
}

function identifierOwners(family: Family): Map<string, string> {
  const owners = new Map<string, string>();
  for (const child of [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)]) {
    for (const key of ['sku', 'gtin'] as const)
      if (child.fields[key] !== undefined) owners.set(identity(key, child.fields[key]), child.id);
  }
  return owners;
}

const identity = (key: 'sku' | 'gtin', figure: unknown) =>
  `${key}|${key === 'gtin' ? gtin14(String(figure)) : String(figure).toUpperCase()}`;
