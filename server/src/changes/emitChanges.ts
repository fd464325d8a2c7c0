/** Tells the open pages what a change touched. */
import { inArray } from 'drizzle-orm';
import { families } from '../store/schema';
import type { Store } from '../store/store';
import type { Part } from '../journal/journal';

export function emitChanges(store: Store, parts: readonly Pick<Part, 'thing' | 'thingId'>[]): void {
  if (parts.length === 0) return;
  const ids = parts.filter((part) => part.thing === 'family').map((part) => part.thingId);
  const columns = { id: families.id, revision: families.revision };
  const rows =
    ids.length === 0 ? [] : store.database.select(columns).from(families).where(inArray(families.id, ids)).all();
  store.events.emit({
    // A family that went is told of, too: pages that show it look again.
    families: {
      ...Object.fromEntries(ids.map((id) => [id, 0])),
      ...Object.fromEntries(rows.map((row) => [row.id, row.revision])),
    },
    stock: parts.filter((part) => part.thing === 'stock').map((part) => part.thingId),
    setup: parts.some((part) => part.thing !== 'family' && part.thing !== 'stock'),
  });
}
