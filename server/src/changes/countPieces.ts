/** Pieces counted, received or returned as part of a change. */
import { MAIN_LOCATION, moveStock, type Moved, type MovementKind } from '../stock/ledger';
import { familyIn, type Work } from './work';

/** Moves pieces of a family's children and notes it in the change; what moved. */
export function countPieces(
  work: Work,
  familyId: string,
  kind: MovementKind,
  counts: readonly { childId: string; pieces: number; location?: string | undefined }[],
): Moved {
  const places = counts.map((count) => ({ ...count, location: count.location ?? MAIN_LOCATION }));
  const key = `${work.key}:${work.stock.size}`;
  const moved = moveStock(work.store.database, familyIn(work, familyId), kind, places, key, work.at);
  if (moved.moves.length === 0) return moved;
  const there = work.stock.get(familyId);
  work.stock.set(familyId, {
    moves: [...(there?.moves ?? []), ...moved.moves],
    lines: [...(there?.lines ?? []), ...moved.lines],
  });
  return moved;
}
