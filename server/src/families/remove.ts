/** Taking a family out of the catalogue whole, with all that is kept beside it. Only the undo of its start does so. */
import { eq, sql } from 'drizzle-orm';
import { prepared } from '../store/prepared';
import { families, givenIdentifiers } from '../store/schema';
import type { Store } from '../store/store';
import { forgetSearchWords } from '../store/searchWords';

const removeNumbers = prepared((database) =>
  database
    .delete(givenIdentifiers)
    .where(eq(givenIdentifiers.familyId, sql.placeholder('id')))
    .prepare(),
);
const removeRow = prepared((database) =>
  database
    .delete(families)
    .where(eq(families.id, sql.placeholder('id')))
    .prepare(),
);

/** Must run inside a transaction. Its numbers were never anybody's: the next list may give them. */
export function removeFamily(store: Store, id: string): void {
  forgetSearchWords(store, id);
  removeNumbers(store.database).run({ id });
  removeRow(store.database).run({ id });
}
