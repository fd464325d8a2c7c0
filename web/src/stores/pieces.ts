/** Pieces of the open family's children: all of a child's, and apart where they are at several places. */
import { MAIN_LOCATION, type StockPlaces } from '@loom-kin/core/stock';
import type { Count } from './pending';

export interface Pieces {
  /** Child → all its pieces. */
  stock: Record<string, number>;
  /** Child → place → pieces, of those that are not all at the first place. */
  stockAt: StockPlaces;
}

/** The pieces of a child at each place that has any. */
export const placesOf = ({ stock, stockAt }: Pieces, childId: string): Readonly<Record<string, number>> =>
  stockAt[childId] ?? { [MAIN_LOCATION.id]: stock[childId] ?? 0 };

/** Pieces after counting, as the server will have them: without a place all is counted, and the first place takes the difference. */
export function afterCounts(before: Pieces, counts: readonly Count[]): Pieces {
  const stock = { ...before.stock };
  const stockAt: Record<string, Readonly<Record<string, number>>> = { ...before.stockAt };
  for (const { childId, location, pieces } of counts) {
    const places = { ...placesOf({ stock, stockAt }, childId) };
    const first = MAIN_LOCATION.id;
    const elsewhere = sumOf(places) - (places[first] ?? 0);
    if (location === undefined) places[first] = pieces - elsewhere;
    else places[location] = pieces;
    stock[childId] = sumOf(places);
    const isApart = Object.entries(places).some(([id, there]) => id !== first && there !== 0);
    if (isApart) stockAt[childId] = places;
    else delete stockAt[childId];
  }
  return { stock, stockAt };
}

const sumOf = (places: Readonly<Record<string, number>>) => Object.values(places).reduce((sum, one) => sum + one, 0);
