/** Cells as typed or pasted into the children's grid, read into changes: good ones are taken, bad ones named with their place. */
import { partsOf } from '@loom-kin/core/bundles';
import type { FigureChange } from '@loom-kin/core/change';
import {
  type Child,
  EVERYWHERE,
  type Family,
  type Figure,
  columnOf,
  familyIndex,
  placeLabel,
} from '@loom-kin/core/family';
import { identifierOwners, identityOf, isIdentifier } from '@loom-kin/core/identifiers';
import type { ClipReading } from '@loom-kin/core/intake';
import type { Place } from '@loom-kin/core/place';
import { refusalText, unreadableText } from '@loom-kin/core/refusal';
import { type Registry, habitsOf, readFigure, readTyped } from '@loom-kin/core/registry';
import { commandScope } from '../common/scopes';
import type { FieldColumn, GridColumn } from './gridColumns';

/** A cell is a child and a column, wherever both are shown. */
export interface TypedCell {
  childId: string;
  column: FieldColumn;
  text: string;
  /** The unit of its column, where another than the field's own was named. */
  unit?: string | undefined;
}

export type CellChange = FigureChange & { place: Place & { level: 'child' } };

export interface ReadCells {
  changes: CellChange[];
  counts: { childId: string; pieces: number; location?: string }[];
  problems: string[];
}

/** The cells of a pasted block, with the columns they go to. */
export function cellsOfClip(reading: ClipReading, columnOf: (id: string) => GridColumn | undefined): TypedCell[] {
  return reading.cells.flatMap(({ childId, column: { id }, text, unit }) => {
    const column = columnOf(id);
    return column?.kind === 'field' ? [{ childId, column, text, unit }] : [];
  });
}

/** What the cells are read against. */
export interface CellContext {
  registry: Registry;
  family: Family;
  currency: string;
  stock: Readonly<Record<string, number>>;
  /** Pieces of a child at a place. */
  piecesAt(childId: string, location: string): number;
  /** What a cell shows. */
  shown(childId: string, column: FieldColumn): string;
  /** Whether sums are worked out: where somebody types, not where a sheet is pasted. */
  takesSums: boolean;
  /** Name of the account that lists an SKU: such an SKU stays, because orders come in under it. */
  listedOn(sku: string): string | undefined;
}

/**
 * Reads cells. One that says what is shown already changes nothing; an empty one gives the figure back; a sum goes on from what holds.
 * What could be read two ways is decided by the other cells of its column.
 */
export function readCells(ground: CellContext, cells: readonly TypedCell[]): ReadCells {
  const { registry, family } = ground;
  const read: ReadCells = { changes: [], counts: [], problems: [] };
  const wanted: { change: CellChange; where: string }[] = [];
  const habits = habitsByColumn(cells);
  for (const { childId, column, text, unit } of cells) {
    if (!family.children[childId]?.woven || text.trim() === ground.shown(childId, column).trim()) continue;
    const { field } = column;
    const place = { level: 'child' as const, childId };
    const where = `${placeLabel(family, place)}, ${column.name}`;
    const source = { ...habits.get(column.id), ...(unit === undefined ? {} : { unit }) };
    const reading = ground.takesSums
      ? readTyped(registry, field, text, { held: heldAt(ground, childId, column), currency: ground.currency, source })
      : readFigure(registry, field, text, source);
    if (!reading.ok) read.problems.push(`${where}: ${unreadableText(reading)}`);
    else if (field.type === 'stock' && partsOf(family.children[childId]).length > 0)
      read.problems.push(refusalText('stock.set', { where: placeLabel(family, place) }));
    else if (field.type === 'stock')
      read.counts.push({
        childId,
        pieces: Number(reading.figure ?? 0),
        ...(column.location ? { location: column.location } : {}),
      });
    else {
      const change = { place, key: field.key, figure: reading.figure };
      wanted.push({
        change: column.scope === EVERYWHERE ? change : { ...change, scope: commandScope(column.scope) },
        where,
      });
    }
  }
  const { changes, problems } = withIdentifiers(ground, wanted);
  return { ...read, changes, problems: [...read.problems, ...problems] };
}

function heldAt(ground: CellContext, childId: string, { field, scopes, location }: FieldColumn): Figure | undefined {
  const { family, stock } = ground;
  if (field.type === 'stock') return location ? ground.piecesAt(childId, location) : (stock[childId] ?? 0);
  const position = familyIndex(family).position.get(childId);
  return position === undefined ? undefined : columnOf(family, field.key, scopes).at(position);
}

/** What was typed or pasted into each column says how numbers are written there. */
function habitsByColumn(cells: readonly TypedCell[]) {
  const texts = new Map<string, string[]>();
  for (const { column, text } of cells) {
    const list = texts.get(column.id);
    if (list) list.push(text);
    else texts.set(column.id, [text]);
  }
  return new Map([...texts].map(([id, list]) => [id, habitsOf(list)]));
}

/** Two children never have the same SKU or GTIN, and one that is listed stays. */
function withIdentifiers(
  { family, listedOn }: CellContext,
  wanted: readonly { change: CellChange; where: string }[],
): Pick<ReadCells, 'changes' | 'problems'> {
  const found: Pick<ReadCells, 'changes' | 'problems'> = { changes: [], problems: [] };
  if (!wanted.some(({ change }) => isIdentifier(change.key)))
    return { ...found, changes: wanted.map((one) => one.change) };
  const identifiers = identifierKeeper(family);
  for (const { change } of wanted) identifiers.free(change);
  for (const { change, where } of wanted) {
    const held = family.children[change.place.childId]?.fields.sku;
    const account = change.key === 'sku' && typeof held === 'string' ? listedOn(held) : undefined;
    const owner = identifiers.take(change);
    if (account) found.problems.push(refusalText('sku.live', { sku: String(held), account }));
    else if (owner) {
      const name = placeLabel(family, { level: 'child', childId: owner });
      found.problems.push(`${where}: ${String(change.figure)} belongs to ${name} already.`);
    } else found.changes.push(change);
  }
  return found;
}

/** Who has which SKU and GTIN while cells are taken one after another. */
function identifierKeeper(family: Family) {
  const owners = new Map([...identifierOwners(family)].map(([key, child]: [string, Child]) => [key, child.id]));
  return {
    /** What a child has now may go to another in the same paste. */
    free({ place, key }: CellChange): void {
      const held = family.children[place.childId]?.fields[key];
      if (isIdentifier(key) && typeof held === 'string') owners.delete(`${key}|${identityOf(key, held)}`);
    },
    /** The child that has it already, or nobody: then it is this child's. */
    take({ place, key, figure }: CellChange): string | undefined {
      if (!isIdentifier(key) || typeof figure !== 'string') return undefined;
      const name = `${key}|${identityOf(key, figure)}`;
      const owner = owners.get(name);
      if (owner && owner !== place.childId) return owner;
      owners.set(name, place.childId);
      return undefined;
    },
  };
}
