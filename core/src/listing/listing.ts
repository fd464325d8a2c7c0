/** A listing: what goes to a channel and what it then holds. Plain data, in the channel's currency and units. */
import { z } from 'zod';

const Text = z.string();

export const ListingOfferSchema = z.object({
  sku: Text,
  gtin: Text.optional(),
  gtinExempt: z.boolean().optional(),
  /** The label per axis, in the order of the listing's axes. */
  options: z.array(Text),
  price: Text,
  listPrice: Text.optional(),
  salePrice: Text.optional(),
  saleFrom: Text.optional(),
  saleUntil: Text.optional(),
  stock: z.number().int(),
  fields: z.record(Text, z.union([Text, z.number(), z.array(Text), z.boolean()])),
  /** Addresses, main one first; only where the channel ties pictures to children. */
  pictures: z.array(Text).optional(),
});
export type ListingOffer = z.infer<typeof ListingOfferSchema>;

export const ListingSchema = z.object({
  key: Text,
  styleCode: Text,
  category: Text,
  currency: Text,
  /** Signature of the plan; a listing of another structure has to be made again. */
  structure: Text,
  axes: z.array(
    z.object({
      name: Text,
      role: Text,
      options: z.array(
        z.object({
          label: Text,
          /** The channel's own value, where it keeps a list. */
          paired: Text.optional(),
          pictures: z.array(Text).optional(),
        }),
      ),
    }),
  ),
  fields: z.record(Text, z.union([Text, z.number(), z.array(Text), z.boolean()])),
  pictures: z.array(Text),
  /** The price of the cheapest offer, for the parent. */
  fromPrice: Text,
  offers: z.array(ListingOfferSchema),
});
export type Listing = z.infer<typeof ListingSchema>;

/** What is sent about one listing. `revise` holds only what differs. */
export const ListingMessageSchema = z.discriminatedUnion('action', [
  z.object({ action: z.literal('list'), key: Text, draft: z.boolean(), listing: ListingSchema }),
  z.object({
    action: z.literal('revise'),
    key: Text,
    draft: z.boolean(),
    changes: ListingSchema.omit({ key: true, offers: true }).partial(),
    offers: z.array(ListingOfferSchema.partial().extend({ sku: Text, cleared: z.array(Text).optional() })),
    gone: z.array(Text),
  }),
  z.object({ action: z.literal('takeDown'), key: Text }),
]);
type RevisedOffer = Partial<ListingOffer> & { sku: string; cleared?: string[] };
export type ListingMessage = z.infer<typeof ListingMessageSchema>;

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * What has to be sent so that the channel holds `next`, given that it holds `live`. Null where nothing differs.
 * A changed structure is listed whole again under its key. A draft is published by a revision, even one without
 * changes.
 */
export function listingMessage(
  live: Listing | undefined,
  next: Listing | undefined,
  draft = false,
  liveIsDraft = false,
): ListingMessage | null {
  if (!next) return live ? { action: 'takeDown', key: live.key } : null;
  if (!live || live.structure !== next.structure) return { action: 'list', key: next.key, draft, listing: next };
  const { key, offers, ...shared } = next;
  const changes: Partial<Omit<Listing, 'key' | 'offers'>> = Object.fromEntries(
    Object.entries(shared).filter(([name, figure]) => !same(live[name as keyof Listing], figure)),
  );
  // A sheet names options on the rows of children, so when the options change every child says its own again.
  const bare = (listing: Listing) =>
    listing.axes.map((axis) => ({ ...axis, options: axis.options.map(({ label, paired }) => ({ label, paired })) }));
  const optionsChanged = !same(bare(live), bare(next));
  const before = new Map(live.offers.map((offer) => [offer.sku, offer]));
  const changed = offers.flatMap((offer): RevisedOffer[] => {
    const was = before.get(offer.sku);
    before.delete(offer.sku);
    if (!was) return [offer];
    const differing = Object.entries(offer).filter(
      ([name, figure]) => (name === 'options' && optionsChanged) || !same(was[name as keyof ListingOffer], figure),
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
