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
  /** Where the channel's tax goes by price. */
  taxPercent: Text.optional(),
  stock: z.number().int(),
  fields: z.record(Text, z.union([Text, z.number(), z.array(Text), z.boolean()])),
  /** Addresses, main one first; only where the channel ties pictures to children. */
  pictures: z.array(Text).optional(),
  /** The entry of the channel it stands under: all but the offer is said there. */
  entry: Text.optional(),
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
  /** What stands for the pictures where they cannot be seen; only where the channel takes it. */
  pictureTexts: z.array(z.object({ picture: Text, text: Text })).optional(),
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
export type RevisedOffer = Partial<ListingOffer> & { sku: string; cleared?: string[] };
export type ListingMessage = z.infer<typeof ListingMessageSchema>;
