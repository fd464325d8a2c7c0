/**
 * A block of cells as it comes from a spreadsheet, matched to the children it is about: by the options it names, by SKU or GTIN, and only
 * where it names none by place. What would go to another place than it seems to is told, so that it can be shown first.
 */
import { columnOf } from '../family/column';
import { crossingFor, crossingKey, familyIndex } from '../family/weave';
import type { Child, Family } from '../family/shape';
import { identityOf, isIdentifier, type IdentifierKind } from '../identifiers/sameness';
import { readGtin } from '../identifiers/gtin';
import type { Registry } from '../registry/openRegistry';
import { matchColumns, type SheetColumn } from './columns';

/** Where a block is put: rows from its first row down, columns from its first column to the right. */
export interface ClipTarget {
  childIds: readonly string[];
  columns: readonly ClipColumn[];
  /** Further columns that a header may name, by how it names them. */
  named?: ReadonlyMap<string, ClipColumn> | undefined;
}

/** A column that takes figures; null for one that takes none, such as that of an axis. */
export type ClipColumn = { id: string; key: string } | null;

export type ClipMatch = 'options' | 'sku' | 'gtin' | 'place';

export interface ClipCell {
  childId: string;
  column: { id: string; key: string };
  text: string;
  /** The unit that the header names for its column. */
  unit?: string | undefined;
}

export interface ClipReading {
  by: ClipMatch;
  hasHeader: boolean;
  cells: ClipCell[];
  /** Rows that found no child, or whose child an earlier row has: their number in the block, the header counted, and what they say they are. */
  lost: { row: number; name: string; why: 'unknown' | 'twice' | 'beyond' }[];
  /** Headers that nothing is known by. */
  unknownColumns: string[];
  /** Identifiers that one child has and another would get, while the first gets another itself. One that stays where it is as well is a clash, no move. */
  moved: { kind: IdentifierKind; text: string; from: string; to: string }[];
  /** Whether the rows are children one after another as the target has them, from its first row on. */
  isInPlace: boolean;
  /** Children that the block is about, row by row. */
  childIds: string[];
}

interface Shape {
  header: readonly string[] | null;
  rows: readonly (readonly string[])[];
  /** What each column of the block is. */
  columns: readonly (ClipColumn | 'option')[];
  units: readonly (string | undefined)[];
  unknown: string[];
  /** Place of the column of each axis, -1 where there is none. */
  optionAt: readonly number[];
  at: Record<IdentifierKind, number>;
}

/**
 * Matches a block of cells. Nothing is checked or read here: that is for whoever takes the cells.
 * @param byPlace puts the rows where they seem to go, whatever they name
 */
export function readClip(
  registry: Registry,
  family: Family,
  block: readonly (readonly string[])[],
  target: ClipTarget,
  byPlace = false,
): ClipReading {
  const shape = shapeOf(registry, family, block, target);
  const found = byPlace ? null : findRows(family, shape);
  const by = found?.by ?? 'place';
  const childOf = found?.childOf ?? ((_row: readonly string[], at: number) => target.childIds[at]);
  const offset = shape.header ? 2 : 1;
  const reading: ClipReading = {
    by,
    hasHeader: shape.header !== null,
    unknownColumns: shape.unknown,
    cells: [],
    lost: [],
    moved: [],
    childIds: [],
    isInPlace: true,
  };
  const seen = new Set<string>();
  shape.rows.forEach((row, at) => {
    if (row.every((cell) => cell.trim() === '')) return;
    const childId = childOf(row, at);
    const lost = childId === undefined ? (by === 'place' ? 'beyond' : 'unknown') : seen.has(childId) ? 'twice' : null;
    if (lost || childId === undefined) {
      reading.lost.push({ row: at + offset, name: rowName(shape, row, by), why: lost! });
      return;
    }
    seen.add(childId);
    reading.childIds.push(childId);
    shape.columns.forEach((column, place) => {
      const isKey = by !== 'place' && place === shape.at[by as IdentifierKind];
      if (column === 'option' || column === null || isKey || row[place] === undefined) return;
      reading.cells.push({ childId, column, text: row[place], unit: shape.units[place] });
    });
  });
  reading.moved = movedIn(family, reading.cells);
  reading.isInPlace = reading.childIds.every((id, at) => id === target.childIds[at]);
  return reading;
}

function rowName(shape: Shape, row: readonly string[], by: ClipMatch): string {
  if (by === 'options') return shape.optionAt.map((at) => row[at] ?? '').join(' · ');
  if (by === 'place') return row.find((cell) => cell.trim() !== '') ?? '';
  return row[shape.at[by]] ?? '';
}

function shapeOf(registry: Registry, family: Family, block: readonly (readonly string[])[], target: ClipTarget): Shape {
  const named = block.length > 1 ? headerOf(registry, family, block[0]!, target) : null;
  if (named) return { ...named, header: block[0]!, rows: block.slice(1) };
  const width = block.reduce((most, row) => Math.max(most, row.length), 0);
  const optionAt = optionColumns(family, block, width);
  const takes = optionAt.every((at) => at >= 0) && optionAt.length > 0;
  const options = new Set(takes ? optionAt : []);
  // Options take no cell of the grid: what stands beside them goes into the columns from the first on.
  let next = 0;
  const columns = Array.from({ length: width }, (_, at): ClipColumn | 'option' =>
    options.has(at) ? 'option' : (target.columns[next++] ?? null),
  );
  const at = {
    sku: identifierColumn(family, 'sku', block, columns),
    gtin: identifierColumn(family, 'gtin', block, columns),
  };
  return {
    header: null,
    rows: block,
    columns,
    units: [],
    unknown: [],
    at,
    optionAt: takes ? optionAt : family.axes.map(() => -1),
  };
}

/** What a first row names, where it is a header: at least half of its cells are known, and none of the other rows looks like it. */
function headerOf(
  registry: Registry,
  family: Family,
  first: readonly string[],
  target: ClipTarget,
): Omit<Shape, 'header' | 'rows'> | null {
  const { columns: matched, unknown } = matchColumns(registry, family, first);
  const accountColumn = (header: string) => target.named?.get(header.trim().toLowerCase());
  const columns = first.map((header, at) => columnFor(matched[at] ?? null, accountColumn(header)));
  const cells = first.filter((cell) => cell.trim() !== '').length;
  const known = columns.filter((column) => column !== null).length;
  if (known === 0 || known * 2 < cells) return null;
  const keyAt = (key: string) =>
    columns.findIndex((column) => column !== null && column !== 'option' && column.key === key);
  return {
    columns,
    units: matched.map((column) => (column?.kind === 'field' ? column.unit : undefined)),
    unknown: unknown.filter((header) => accountColumn(header) === undefined),
    optionAt: family.axes.map((axis) => matched.findIndex((one) => one?.kind === 'option' && one.axisId === axis.id)),
    at: { sku: keyAt('sku'), gtin: keyAt('gtin') },
  };
}

function columnFor(matched: SheetColumn | null, named: ClipColumn | undefined): ClipColumn | 'option' {
  if (matched?.kind === 'option') return 'option';
  if (named) return named;
  if (!matched) return null;
  const key = matched.kind === 'stock' ? 'stock' : matched.field.key;
  return { id: key, key };
}

/** Which column of a block without a header holds the options of each axis: one whose every cell is a value there; -1 where none is. */
function optionColumns(family: Family, block: readonly (readonly string[])[], width: number): number[] {
  const { valueCalled } = familyIndex(family);
  const taken = new Set<number>();
  return family.axes.map((axis) => {
    // Values that are numbers could be figures as well: they need a header.
    if (axis.values.every((value) => /^[\d.,\s]+$/.test(value.label))) return -1;
    for (let at = 0; at < width; at++) {
      const isOption =
        !taken.has(at) && block.every((row) => valueCalled(axis.id, (row[at] ?? '').trim()) !== undefined);
      if (!isOption) continue;
      taken.add(at);
      return at;
    }
    return -1;
  });
}

/** A column of a block without a header in which at least half of the cells are identifiers of the family's children; -1 where none is. */
function identifierColumn(
  family: Family,
  kind: IdentifierKind,
  block: readonly (readonly string[])[],
  columns: readonly (ClipColumn | 'option')[],
): number {
  if (block.length < 2) return -1;
  const owners = ownersOf(family, kind);
  return columns.findIndex((column, at) => {
    if (column === 'option') return false;
    const known = block.filter((row) => owners.has(identity(kind, row[at] ?? ''))).length;
    return known > 0 && known * 2 >= block.length;
  });
}

function findRows(
  family: Family,
  shape: Shape,
): { by: ClipMatch; childOf: (row: readonly string[]) => string | undefined } | null {
  const { byCrossing } = familyIndex(family);
  const isWoven = (child: Child | undefined) => (child?.woven ? child.id : undefined);
  if (family.axes.length > 0 && shape.optionAt.every((at) => at >= 0)) {
    return {
      by: 'options',
      childOf: (row) => {
        const at = crossingFor(
          family,
          shape.optionAt.map((place) => (row[place] ?? '').trim()),
        );
        return at && isWoven(byCrossing.get(crossingKey(family.axes, at)));
      },
    };
  }
  for (const kind of ['sku', 'gtin'] as const) {
    const at = shape.at[kind];
    if (at < 0) continue;
    const owners = ownersOf(family, kind);
    // Identifiers that nobody has yet are to be given, not to be found by.
    if (!shape.rows.some((row) => owners.has(identity(kind, row[at] ?? '')))) continue;
    return { by: kind, childOf: (row) => owners.get(identity(kind, row[at] ?? '')) };
  }
  return null;
}

function ownersOf(family: Family, kind: IdentifierKind): Map<string, string> {
  const { woven } = familyIndex(family);
  const column = columnOf(family, kind);
  return new Map(
    woven.flatMap((child, at) => {
      const held = column.at(at);
      return typeof held === 'string' ? [[identityOf(kind, held), child.id] as const] : [];
    }),
  );
}

/** The form in which an identifier as typed is compared; what is none finds nobody. */
function identity(kind: IdentifierKind, text: string): string {
  const plain = text.trim();
  if (kind === 'sku') return identityOf('sku', plain);
  const read = readGtin(plain);
  return read.ok ? identityOf('gtin', read.gtin) : '';
}

function movedIn(family: Family, cells: readonly ClipCell[]): ClipReading['moved'] {
  const identifiers = cells.flatMap(({ childId, column: { key }, text }) =>
    isIdentifier(key) ? [{ kind: key, text: text.trim(), to: childId }] : [],
  );
  if (identifiers.length === 0) return [];
  const owners = { sku: ownersOf(family, 'sku'), gtin: ownersOf(family, 'gtin') };
  const given = new Set(identifiers.map(({ kind, to }) => `${kind}|${to}`));
  return identifiers.flatMap(({ kind, text, to }) => {
    const from = owners[kind].get(identity(kind, text));
    return from !== undefined && from !== to && given.has(`${kind}|${from}`) ? [{ kind, text, from, to }] : [];
  });
}
