/** The state that the catalogue is in: a name that is another after every change, and after everything that was sent. */
import { sql } from 'drizzle-orm';
import { prepared } from '../store/prepared';
import { changes, dispatchLines, heldListings } from '../store/schema';
import type { Database } from '../store/database';

const read = prepared((database) =>
  database
    .select({
      change: sql<number | null>`max(${changes.id})`,
      sent: sql<number>`(SELECT count(*) FROM ${dispatchLines})`,
      held: sql<number>`(SELECT count(*) FROM ${heldListings})`,
    })
    .from(changes)
    .prepare(),
);

export function stateOf(database: Database): string {
  const { change, sent, held } = read(database).get()!;
  return [change ?? 0, sent, held].join(' ');
}
