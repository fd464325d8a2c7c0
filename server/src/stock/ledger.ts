/**
 * Stock: a ledger of movements per child and location, each with a key of its own, and the sum of it. It stands beside the family,
 * so that a counted or sold piece never makes somebody's typing stale.
 */
import { and, desc, eq, sql } from 'drizzle-orm';
import type { ChangeLine } from '@loom-kin/core/descriptions';
import { type Family, placeLabel } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import { type Location, MAIN_LOCATION, type MovementKind, type StockPlaces } from '@loom-kin/core/stock';
import type { Database } from '../store/database';
import { prepared } from '../store/prepared';
import { movements, stockCounts, type StockMove } from '../store/schema';
import { bundlesOf, itemFinder, setsAt, setsOf } from './bundles';

const value = sql.placeholder;
const OF_FAMILY = eq(stockCounts.familyId, value('familyId'));
const countsOf = prepared((database) => database.select().from(stockCounts).where(OF_FAMILY).prepare());
const sumsOf = prepared((database) =>
  database
    .select({ childId: stockCounts.childId, pieces: sql<number>`sum(${stockCounts.pieces})` })
    .from(stockCounts)
    .where(OF_FAMILY)
    .groupBy(stockCounts.childId)
    .prepare(),
);
const AT_PLACE = {
  familyId: value('familyId'),
  childId: value('childId'),
  location: value('location'),
  pieces: value('pieces'),
};
const insertMove = prepared((database) =>
  database
    .insert(movements)
    .values({ ...AT_PLACE, kind: value('kind'), reason: value('reason'), at: value('at'), key: value('key') })
    .onConflictDoNothing()
    .prepare(),
);
const addPieces = prepared((database) =>
  database
    .insert(stockCounts)
    .values(AT_PLACE)
    .onConflictDoUpdate({
      target: [stockCounts.childId, stockCounts.location],
      set: { pieces: sql`${stockCounts.pieces} + excluded.pieces` },
    })
    .prepare(),
);

/** child id → pieces at all locations together; of sets, as many as there are parts for. */
export function loadStock(database: Database, familyId: string): Record<string, number> {
  const rows = sumsOf(database).all({ familyId });
  const stock = Object.fromEntries(rows.map((row) => [row.childId, row.pieces]));
  const find = itemFinder(database);
  for (const [childId, parts] of bundlesOf(database, familyId)) stock[childId] = setsOf(parts, find) ?? 0;
  return stock;
}

/** Child → location → pieces that were counted, for every child that has any. */
export function loadPlaces(database: Database, familyId: string): Record<string, Record<string, number>> {
  const rows = countsOf(database).all({ familyId });
  const places: Record<string, Record<string, number>> = {};
  for (const { childId, location, pieces } of rows) (places[childId] ??= {})[location] = pieces;
  return places;
}

/** The same for those alone whose pieces are not all at the first place. */
export function loadStockAt(database: Database, familyId: string): StockPlaces {
  const isElsewhere = (places: Record<string, number>) =>
    Object.entries(places).some(([location, pieces]) => location !== MAIN_LOCATION.id && pieces !== 0);
  const all = loadPlaces(database, familyId);
  const find = itemFinder(database);
  for (const [childId, parts] of bundlesOf(database, familyId)) all[childId] = setsAt(parts, find);
  return Object.fromEntries(Object.entries(all).filter(([, places]) => isElsewhere(places)));
}

/** Pieces of one child: what there is after counting, or what came or went. Without a place what is counted is all there is, and the first place takes the difference. */
export interface Count {
  childId: string;
  location?: string | undefined;
  pieces: number;
}

/** A movement to be written, and what it is called. */
export interface Movement {
  kind: MovementKind;
  reason?: string | undefined;
  counts: readonly Count[];
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
  { kind, reason, counts }: Movement,
  { key, at, locations }: { key: string; at: string; locations: readonly Location[] },
): Moved {
  const held = loadPlaces(database, family.id);
  const seen = new Set<string>();
  const wanted = counts.flatMap((count, number) => {
    if (!family.children[count.childId]) throw new Refusal('child.unknown', {});
    const location = count.location ?? MAIN_LOCATION.id;
    const named = locations.find((one) => one.id === location);
    if (!named) throw new Refusal('location.unknown', {});
    const where = placeLabel(family, { level: 'child', childId: count.childId });
    if (seen.has(`${count.childId}|${location}`)) throw new Refusal('stock.twice', { where });
    seen.add(`${count.childId}|${location}`);
    const places = held[count.childId] ?? {};
    const before = places[location] ?? 0;
    const pieces = kind === 'counted' ? countedTo(count, places, where) - before : count.pieces;
    const move = { childId: count.childId, location, pieces, key: `${key}:${number}` };
    const what = locations.length > 1 ? `Stock at ${named.label}` : 'Stock';
    const line = {
      where,
      what: reason ? `${what} (${reason})` : what,
      before: String(before),
      after: String(before + pieces),
    };
    return pieces === 0 ? [] : [{ move, line }];
  });
  const moves = wanted.map((one) => one.move);
  const written = write(database, family.id, { kind, reason }, moves, at);
  const moved = wanted.filter((one) => written.has(one.move.key));
  return { moves: moved.map(({ move: { key: _key, ...move } }) => move), lines: moved.map((one) => one.line) };
}

/** How many pieces there are at the place after counting. */
function countedTo({ location, pieces }: Count, places: Readonly<Record<string, number>>, where: string): number {
  if (location !== undefined) return pieces;
  const elsewhere = Object.entries(places).reduce(
    (sum, [id, there]) => (id === MAIN_LOCATION.id ? sum : sum + there),
    0,
  );
  if (pieces < elsewhere) throw new Refusal('stock.elsewhere', { where, pieces, elsewhere });
  return pieces - elsewhere;
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
  write(database, familyId, { kind: 'corrected', reason: sign === -1 ? 'taken back' : 'made again' }, opposite, at);
}

interface KeyedMove extends StockMove {
  key: string;
}

/** Writes movements and adds them to the sums; those whose key stands in the ledger already are left. The keys that were written. */
function write(
  database: Database,
  familyId: string,
  { kind, reason = null }: { kind: MovementKind; reason?: string | null | undefined },
  moves: readonly KeyedMove[],
  at: string,
): Set<string> {
  const written = new Set<string>();
  for (const { key, childId, location, pieces } of moves) {
    const row = { familyId, childId, location, pieces };
    if (insertMove(database).run({ ...row, key, kind, reason, at }).changes === 0) continue;
    addPieces(database).run(row);
    written.add(key);
  }
  return written;
}

/** A movement of one child, and the pieces at its place after it. */
export interface LedgerLine {
  id: number;
  at: string;
  kind: MovementKind;
  location: string;
  pieces: number;
  after: number;
  reason: string | null;
}

/** So many movements of a child are told at once. */
const TOLD = 200;

/** The newest movements of a child, newest first, and what stands at each place. */
export function ledgerOf(
  database: Database,
  familyId: string,
  childId: string,
): { places: Record<string, number>; lines: LedgerLine[]; more: boolean } {
  const places = loadPlaces(database, familyId)[childId] ?? {};
  const rows = database
    .select()
    .from(movements)
    .where(and(eq(movements.familyId, familyId), eq(movements.childId, childId)))
    .orderBy(desc(movements.id))
    .limit(TOLD + 1)
    .all();
  const now = { ...places };
  const lines = rows.slice(0, TOLD).map(({ id, at, kind, location, pieces, reason }): LedgerLine => {
    const after = now[location] ?? 0;
    now[location] = after - pieces;
    return { id, at, kind, location, pieces, after, reason };
  });
  return { places, lines, more: rows.length > TOLD };
}

/** The pieces of all children at a place. */
export function piecesAt(database: Database, location: string): number {
  const row = database
    .select({ pieces: sql<number>`coalesce(sum(abs(${stockCounts.pieces})), 0)` })
    .from(stockCounts)
    .where(eq(stockCounts.location, location))
    .get();
  return row!.pieces;
}
