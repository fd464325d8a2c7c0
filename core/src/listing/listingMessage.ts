/** What has to be sent so that a channel holds one listing, given that it holds another. */
import { dequal } from 'dequal';
import { isSameListing, shownOf } from './structure';
import type { Listing, ListingMessage, ListingOffer, RevisedOffer } from './listing';

/**
 * What has to be sent so that the channel holds `next`, given that it holds `live`. Null where nothing differs. A
 * listing that cannot be revised into what it should be is listed whole again under its key. A draft is published by a revision, even one without
 * changes.
 */
export function listingMessage(
  live: Listing | undefined,
  next: Listing | undefined,
  draft = false,
  liveIsDraft = false,
): ListingMessage | null {
  if (!next) return live ? { action: 'takeDown', key: live.key } : null;
  if (!live || !isSameListing(live.structure, next.structure))
    return { action: 'list', key: next.key, draft, listing: next };
  const { key, offers, ...shared } = next;
  const changes: Partial<Omit<Listing, 'key' | 'offers'>> = Object.fromEntries(
    Object.entries(shared).filter(([name, figure]) =>
      name === 'structure'
        ? shownOf(live.structure) !== shownOf(next.structure)
        : !dequal(live[name as keyof Listing], figure),
    ),
  );
  // A sheet names options on the rows of children, so when the options change every child says its own again.
  const bare = (listing: Listing) =>
    listing.axes.map((axis) => ({ ...axis, options: axis.options.map(({ label, paired }) => ({ label, paired })) }));
  const optionsChanged = !dequal(bare(live), bare(next));
  const before = new Map(live.offers.map((offer) => [offer.sku, offer]));
  const changed = offers.flatMap((offer): RevisedOffer[] => {
    const was = before.get(offer.sku);
    before.delete(offer.sku);
    if (!was) return [offer];
    const differing = Object.entries(offer).filter(
      ([name, figure]) => (name === 'options' && optionsChanged) || !dequal(was[name as keyof ListingOffer], figure),
    );
    const cleared = Object.keys(was).filter((name) => offer[name as keyof ListingOffer] === undefined);
    if (differing.length === 0 && cleared.length === 0) return [];
    return [{ ...Object.fromEntries(differing), sku: offer.sku, ...(cleared.length > 0 ? { cleared } : {}) }];
  });
  const gone = [...before.keys()];
  const publishes = liveIsDraft && !draft;
  if (Object.keys(changes).length === 0 && changed.length === 0 && gone.length === 0 && !publishes) return null;
  // Options can only be read beside the axes they belong to.
  if (changed.some((offer) => offer.options)) changes.axes = next.axes;
  return { action: 'revise', key, draft, changes, offers: changed, gone };
}
