/** After any doubt about what an account holds, the channel is asked, and what it says is written down. */
import type { Account } from '@loom-kin/core';
import { hasFamily } from '../families/load';
import { markDue } from '../fits/due';
import { inTransaction } from '../store/database';
import type { Store } from '../store/store';
import { forgetHeld, putHeld } from './book';
import { setLines, type LineRow } from './dispatches';
import { heldBy } from './standing';
import { askHeld } from './transports/channelClient';
import { withoutAddresses } from './transports/pictureAddresses';

/** Lines that were handed over under a key whose answer never came: the channel may have taken them, or not. */
export const inDoubt = (line: LineRow): boolean => line.submission !== null;

/** Asks what the channel holds of the listings in doubt and writes it down. The doubt is gone then. */
export async function reconcile(
  store: Store,
  base: string,
  account: Account,
  lines: readonly LineRow[],
): Promise<void> {
  const there = new Map((await askHeld(base, account)).map((held) => [held.listing.key, held]));
  inTransaction(store.database, () => {
    for (const line of lines) {
      const held = there.get(line.key);
      const page = heldBy(store.database, account.id, line.familyId).get(line.key)?.page ?? null;
      if (!held) forgetHeld(store.database, account.id, line.key);
      else if (hasFamily(store.database, line.familyId)) {
        putHeld(store.database, account.id, line.familyId, {
          listing: withoutAddresses(held.listing),
          draft: held.draft,
          page,
        });
      }
    }
    setLines(
      store.database,
      lines.map((line) => line.id),
      { submission: null },
    );
    markDue(store.database, new Set(lines.map((line) => line.familyId)));
  });
}
