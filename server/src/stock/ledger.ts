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
  const wanted = counts.flatMap((count, number) => {
    if (!family.children[count.childId]) throw new Refusal('child.unknown', {});
    const place = placeKey(count);
    const where = placeLabel(family, { level: 'child', childId: count.childId });
    if (seen.has(place)) throw new Refusal('stock.twice', { where });
    seen.add(place);
    const before = held.get(place) ?? 0;
    const pieces = kind === 'counted' ? count.pieces - before : count.pieces;
    const move = { childId: count.childId, location: count.location, pieces, key: `${key}:${number}` };
    const line = { where, what: 'Stock', before: String(before), after: String(before + pieces) };
    return pieces === 0 ? [] : [{ move, line }];
  });
  const written = write(
    database,
    family.id,
    kind,
    wanted.map((one) => one.move),
    at,
  );
  const moved = wanted.filter((one) => written.has(one.move.key));
  return { moves: moved.map(({ move: { key: _key, ...move } }) => move), lines: moved.map((one) => one.line) };
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
  const opposite = moves.map((move, number) => ({ ...move, pieces: sign * move.pieces, key: `${key}:${number}` }));
  write(database, familyId, 'counted', opposite, at);
}

interface KeyedMove extends StockMove {
  key: string;
}

/** Writes movements and adds them to the sums; those whose key stands in the ledger already are left. The keys that were written. */
function write(
  database: Database,
  familyId: string,
  kind: MovementKind,
  moves: readonly KeyedMove[],
  at: string,
): Set<string> {
  const value = sql.placeholder;
  const base = { familyId, childId: value('childId'), location: value('location'), pieces: value('pieces') };
  // Made once for all rows: making a statement takes many times as long as running it.
  const insert = database
    .insert(movements)
    .values({ ...base, kind, at, key: value('key') })
    .onConflictDoNothing()
    .prepare();
  const add = database
    .insert(stockCounts)
    .values(base)
    .onConflictDoUpdate({
      target: [stockCounts.childId, stockCounts.location],
      set: { pieces: sql`${stockCounts.pieces} + excluded.pieces` },
    })
    .prepare();
  const written = new Set<string>();
  for (const { key, childId, location, pieces } of moves) {
    if (insert.run({ key, childId, location, pieces }).changes === 0) continue;
    add.run({ childId, location, pieces });
    written.add(key);
  }
  return written;
}
