/** Taking a family out of the catalogue whole, with all that is kept beside it. Only the undo of its start does so. */
import { eq } from 'drizzle-orm';
import { families, givenIdentifiers } from '../store/schema';
import type { Store } from '../store/store';
import { forgetSearchWords } from './searchWords';

/** Must run inside a transaction. Its numbers were never anybody's: the next list may give them. */
export function removeFamily(store: Store, id: string): void {
  forgetSearchWords(store, id);
  store.database.delete(givenIdentifiers).where(eq(givenIdentifiers.familyId, id)).run();
  store.database.delete(families).where(eq(families.id, id)).run();
}
