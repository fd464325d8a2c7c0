/** Pieces counted, received, corrected or returned as part of a change. */
import { moveStock, type Moved, type Movement } from '../stock/ledger';
import { familyIn, registryIn, type Work } from './work';

/** Moves pieces of a family's children and notes it in the change; what moved. */
export function countPieces(work: Work, familyId: string, movement: Movement): Moved {
  const { locations } = registryIn(work);
  const ground = { key: `${work.key}:${work.stock.size}`, at: work.at, locations };
  const moved = moveStock(work.store.database, familyIn(work, familyId), movement, ground);
  if (moved.moves.length === 0) return moved;
  const there = work.stock.get(familyId);
  work.stock.set(familyId, {
    moves: [...(there?.moves ?? []), ...moved.moves],
    lines: [...(there?.lines ?? []), ...moved.lines],
  });
  return moved;
}
