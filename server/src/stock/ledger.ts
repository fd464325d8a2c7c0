/**
 * Stock: a ledger of movements per child and location, each with a key of its own, and the sum of it. It stands beside the family,
 * so that a counted or sold piece never makes somebody's typing stale.
 */
import { eq, sql } from 'drizzle-orm';
import { placeLabel, Refusal, type ChangeLine, type Family } from '@loom-kin/core';
import type { Database } from '../store/database';
import { movements, stockCounts, type StockMove } from '../store/schema';

export type MovementKind = (typeof movements.$inferSelect)['kind'];
export const MAIN_LOCATION = 'main';

/** child id → pieces at all locations together. */
export function loadStock(database: Database, familyId: string): Record<string, number> {
  const rows = database
    .select({ childId: stockCounts.childId, pieces: sql<number>`sum(${stockCounts.pieces})` })
    .from(stockCounts)
    .where(eq(stockCounts.familyId, familyId))
    .groupBy(stockCounts.childId)
    .all();
  return Object.fromEntries(rows.map((row) => [row.childId, row.pieces]));
}

/** `child|location` → pieces. */
function loadPlaces(database: Database, familyId: string): Map<string, number> {
  const rows = database.select().from(stockCounts).where(eq(stockCounts.familyId, familyId)).all();
  return new Map(rows.map((row) => [placeKey(row), row.pieces]));
}

const placeKey = (at: { childId: string; location: string }) => `${at.childId}|${at.location}`;

/** Pieces of one child at one place: what there is after counting, or what came or went. */
export interface Count {
  childId: string;
  location: string;
  pieces: number;
}

export interface Moved {
  moves: StockMove[];
  lines: ChangeLine[];
}

/**
 * Writes movements into the ledger. Counting gives it the difference to what it held; everything else moves by so many pieces.
 * A child that stands in the list twice is refused. `key` names the whole; the same again moves nothing.
 */
export function moveStock(
  database: Database,
  family: Family,
  kind: MovementKind,
  counts: readonly Count[],
  key: string,
  at: string,
): Moved {
  const held = loadPlaces(database, family.id);
  const seen = new Set<string>();
  const moved: Moved = { moves: [], lines: [] };
  for (const [number, count] of counts.entries()) {
    if (!family.children[count.childId]) throw new Refusal('child.unknown', {});
    const place = placeKey(count);
    const where = placeLabel(family, { level: 'child', childId: count.childId });
    if (seen.has(place)) throw new Refusal('stock.twice', { where });
    seen.add(place);
    const before = held.get(place) ?? 0;
    const pieces = kind === 'counted' ? count.pieces - before : count.pieces;
    if (pieces === 0) continue;
    const move = { childId: count.childId, location: count.location, pieces };
    if (!write(database, family.id, kind, move, `${key}:${number}`, at)) continue;
    moved.moves.push(move);
    moved.lines.push({ where, what: 'Stock', before: String(before), after: String(before + pieces) });
  }
  return moved;
}

/** Moves the opposite of what was moved, or the same again. */
export function repeatMoves(
  database: Database,
  familyId: string,
  moves: readonly StockMove[],
  sign: 1 | -1,
  key: string,
  at: string,
): void {
  for (const [number, move] of moves.entries()) {
    write(database, familyId, 'counted', { ...move, pieces: sign * move.pieces }, `${key}:${number}`, at);
  }
}

/** One movement; false where its key stands in the ledger already. */
function write(
  database: Database,
  familyId: string,
  kind: MovementKind,
  move: StockMove,
  key: string,
  at: string,
): boolean {
  const row = { ...move, key, kind, familyId, at };
  if (database.insert(movements).values(row).onConflictDoNothing().run().changes === 0) return false;
  database
    .insert(stockCounts)
    .values({ ...move, familyId })
    .onConflictDoUpdate({
      target: [stockCounts.childId, stockCounts.location],
      set: { pieces: sql`${stockCounts.pieces} + ${move.pieces}` },
    })
    .run();
  return true;
}
