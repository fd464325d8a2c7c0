/** SKUs that go from one listing to another: what holds one lets go of it before another takes it. */
import type { Database } from '../store/database';
import type { LineHead, LineRow } from './dispatches';
import { heldBy } from './standing';

/**
 * The lines that need not wait for others of their family: those that take an SKU which another listing still holds, and lets go of
 * in a line under way, wait. Where all wait for each other all go, and the channel says what it cannot do.
 * @param underWay all lines of the account that are not answered yet
 */
export function withoutWaiting(
  database: Database,
  lines: readonly LineRow[],
  underWay: readonly Pick<LineHead, 'key' | 'state'>[],
): LineRow[] {
  const holders = new Map<string, Map<string, string>>();
  const holderOf = ({ account, familyId }: LineRow, sku: string): string | undefined => {
    const place = `${account}|${familyId}`;
    let found = holders.get(place);
    if (!found) {
      const held = [...heldBy(database, account, familyId)];
      found = new Map(held.flatMap(([key, { listing }]) => listing.offers.map((offer) => [offer.sku, key] as const)));
      holders.set(place, found);
    }
    return found.get(sku);
  };
  /** Keys of listings that let something go, or may. */
  const onTheWay = new Set(underWay.map((line) => line.key));
  const waits = (line: LineRow) =>
    (line.listing?.offers ?? []).some(({ sku }) => {
      const holder = holderOf(line, sku);
      return holder !== undefined && holder !== line.key && onTheWay.has(holder);
    });
  const going = lines.filter((line) => !waits(line));
  // Nothing that was sent can let go any more; what is queued behind these cannot go before them.
  const isStuck = going.length === 0 && !underWay.some((line) => line.state === 'sent');
  return isStuck ? [...lines] : going;
}
