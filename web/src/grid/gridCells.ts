/** Cells as typed or pasted into the children's grid, read into changes: good ones are taken, bad ones named with their place. */
import {
  habitOf,
  identifierOwners,
  identityOf,
  isIdentifier,
  placeLabel,
  readFigure,
  refusalText,
  unreadableText,
  type Child,
  type Family,
  type FigureChange,
  type Place,
  type Registry,
} from '@loom-kin/core';

/** Row → column → text. */
export type Cells = Record<number, Record<string, unknown>>;
export type GridRow = Record<string, string> & { id: string };

export type CellChange = FigureChange & { place: Place & { level: 'child' } };

export interface ReadCells {
  changes: CellChange[];
  counts: { childId: string; pieces: number }[];
  problems: string[];
}

/**
 * Reads cells against what the grid shows. A cell that says what is shown already changes nothing; an empty one gives the figure back.
 * What could be read two ways is decided by the other cells of its column.
 * @param listedOn name of the account that lists an SKU: such an SKU stays, because orders come in under it
 */
export function readCells(
  registry: Registry,
  family: Family,
  rows: readonly GridRow[],
  cells: Cells,
  listedOn: (sku: string) => string | undefined,
): ReadCells {
  const read: ReadCells = { changes: [], counts: [], problems: [] };
  const identifiers = identifierKeeper(family);
  const wanted: { change: CellChange; where: string }[] = [];
  const columns = columnTexts(cells);
  for (const [at, cellsOfRow] of Object.entries(cells)) {
    const row = rows[Number(at)];
    if (!row) continue;
    const place = { level: 'child' as const, childId: row.id };
    for (const [key, typed] of Object.entries(cellsOfRow)) {
      const text = String(typed ?? '');
      const field = registry.field(key);
      if (text === row[key] || !field) continue;
      const where = `${placeLabel(family, place)}, ${field.label}`;
      const reading = readFigure(registry, field, text, habitOf(columns.get(key) ?? []));
      if (!reading.ok) read.problems.push(`${where}: ${unreadableText(reading)}`);
      else if (field.type === 'stock') read.counts.push({ childId: row.id, pieces: Number(reading.figure ?? 0) });
      else wanted.push({ change: { place, key, figure: reading.figure }, where });
    }
  }
  for (const { change } of wanted) identifiers.free(change);
  for (const { change, where } of wanted) {
    const held = family.children[change.place.childId]?.fields.sku;
    const account = change.key === 'sku' && typeof held === 'string' ? listedOn(held) : undefined;
    const owner = identifiers.take(change);
    if (account) read.problems.push(refusalText('sku.live', { sku: String(held), account }));
    else if (owner) {
      const name = placeLabel(family, { level: 'child', childId: owner });
      read.problems.push(`${where}: ${String(change.figure)} belongs to ${name} already.`);
    } else read.changes.push(change);
  }
  return read;
}

/** What was typed or pasted into each column. */
function columnTexts(cells: Cells): Map<string, string[]> {
  const columns = new Map<string, string[]>();
  for (const row of Object.values(cells)) {
    for (const [key, text] of Object.entries(row)) columns.set(key, [...(columns.get(key) ?? []), String(text ?? '')]);
  }
  return columns;
}

/** Who has which SKU and GTIN while cells are taken one after another: two children never have the same. */
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
