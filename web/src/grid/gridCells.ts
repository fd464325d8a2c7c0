/**
 * Cells as typed or pasted into the children's grid, read into changes: good ones are taken, bad ones named with
 * their place.
 */
import { fieldOf, liveSkuText, placeLabel, readFigure, type Family, type Figure, type Place } from '@loom-kin/core';

/** Row → column → text. */
export type Cells = Record<number, Record<string, unknown>>;
export type GridRow = Record<string, string> & { id: string };

export interface CellChange {
  place: Place & { level: 'child' };
  key: string;
  figure: Figure | null;
}

export interface ReadCells {
  changes: CellChange[];
  counts: { childId: string; pieces: number }[];
  problems: string[];
}

/**
 * Reads cells against what the grid shows. A cell that says what is shown already changes nothing; an empty one gives
 * the figure back.
 * @param listedOn name of the channel that lists an SKU: such an SKU stays, because orders come in under it
 */
export function readCells(
  family: Family,
  rows: readonly GridRow[],
  cells: Cells,
  listedOn: (sku: string) => string | undefined,
): ReadCells {
  const read: ReadCells = { changes: [], counts: [], problems: [] };
  const identifiers = identifierKeeper(family);
  const wanted: { change: CellChange; where: string }[] = [];
  for (const [at, cellsOfRow] of Object.entries(cells)) {
    const row = rows[Number(at)];
    if (!row) continue;
    const place = { level: 'child' as const, childId: row.id };
    for (const [key, typed] of Object.entries(cellsOfRow)) {
      const text = String(typed ?? '');
      const field = fieldOf(key);
      if (text === row[key] || (key !== 'stock' && !field)) continue;
      const where = `${placeLabel(family, place)}, ${field?.label ?? 'Stock'}`;
      if (key === 'stock') {
        if (/^\d{1,9}$/.test(text.trim())) read.counts.push({ childId: row.id, pieces: Number(text) });
        else read.problems.push(`${where}: "${text}" is no whole number of pieces.`);
        continue;
      }
      const figure = readFigure(field!, text);
      if (!figure.ok) read.problems.push(`${where}: ${figure.message}`);
      else wanted.push({ change: { place, key, figure: figure.figure }, where });
    }
  }
  for (const { change } of wanted) identifiers.free(change);
  for (const { change, where } of wanted) {
    const held = family.children[change.place.childId]?.fields.sku;
    const channel = change.key === 'sku' && typeof held === 'string' ? listedOn(held) : undefined;
    const owner = identifiers.take(change);
    if (channel) read.problems.push(liveSkuText(String(held), channel));
    else if (owner)
      read.problems.push(
        `${where}: ${String(change.figure)} belongs to ${placeLabel(family, { level: 'child', childId: owner })} already.`,
      );
    else read.changes.push(change);
  }
  return read;
}

/** Who has which SKU and GTIN while cells are taken one after another: two children never have the same. */
function identifierKeeper(family: Family) {
  const same = (key: string, figure: unknown) =>
    `${key}|${key === 'gtin' ? String(figure).padStart(14, '0') : String(figure).toUpperCase()}`;
  const owners = new Map<string, string>();
  for (const child of [...Object.values(family.children), ...Object.values(family.shelf).map((one) => one.child)]) {
    for (const key of ['sku', 'gtin'])
      if (child.fields[key] !== undefined) owners.set(same(key, child.fields[key]), child.id);
  }
  const isIdentifier = (key: string) => key === 'sku' || key === 'gtin';
  return {
    /** What a child has now may go to another in the same paste. */
    free({ place, key }: CellChange): void {
      const held = family.children[place.childId]?.fields[key];
      if (isIdentifier(key) && held !== undefined) owners.delete(same(key, held));
    },
    /** The child that has it already, or nobody: then it is this child's. */
    take({ place, key, figure }: CellChange): string | undefined {
      if (!isIdentifier(key) || figure === null) return undefined;
      const owner = owners.get(same(key, figure));
      if (owner && owner !== place.childId) return owner;
      owners.set(same(key, figure), place.childId);
      return undefined;
    },
  };
}
