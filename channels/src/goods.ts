/** What the channels hold and take: their own reading of listings, kept apart from the product's. */
import { z } from 'zod';

const Figure = z.union([z.string().max(20_000), z.number(), z.boolean(), z.array(z.string().max(2000)).max(200)]);

export const OfferSchema = z.object({
  sku: z.string().max(200),
  gtin: z.string().max(40).optional(),
  gtinExempt: z.boolean().optional(),
  options: z.array(z.string().max(400)).max(10),
  price: z.string().max(40),
  listPrice: z.string().max(40).optional(),
  salePrice: z.string().max(40).optional(),
  saleFrom: z.string().max(40).optional(),
  saleUntil: z.string().max(40).optional(),
  taxPercent: z.string().max(10).optional(),
  stock: z.number(),
  fields: z.record(z.string(), Figure),
  pictures: z.array(z.string().max(500)).max(200).optional(),
  /** The channel's entry it stands under. */
  entry: z.string().max(80).optional(),
});
export type Offer = z.infer<typeof OfferSchema>;

export const GoodsSchema = z.object({
  key: z.string().min(1).max(200),
  styleCode: z.string().max(200),
  category: z.string().max(200),
  currency: z.string().max(10),
  structure: z.string().max(1000),
  axes: z
    .array(
      z.object({
        name: z.string().max(200),
        role: z.string().max(40),
        options: z
          .array(
            z.object({
              label: z.string().max(400),
              paired: z.string().max(200).optional(),
              pictures: z.array(z.string().max(500)).max(200).optional(),
            }),
          )
          .max(5000),
      }),
    )
    .max(10),
  fields: z.record(z.string(), Figure),
  pictures: z.array(z.string().max(500)).max(200),
  /** What is read out in the stead of pictures. */
  pictureTexts: z
    .array(z.object({ picture: z.string().max(500), text: z.string().max(600) }))
    .max(2000)
    .optional(),
  fromPrice: z.string().max(40),
  offers: z.array(OfferSchema).max(5000),
});
/** One listing as a channel holds it. */
export type Goods = z.infer<typeof GoodsSchema>;

export const MessageSchema = z.discriminatedUnion('action', [
  z.object({ action: z.literal('list'), key: z.string().max(200), draft: z.boolean(), listing: GoodsSchema }),
  z.object({
    action: z.literal('revise'),
    key: z.string().max(200),
    draft: z.boolean(),
    changes: GoodsSchema.omit({ key: true, offers: true }).partial(),
    offers: z
      .array(OfferSchema.partial().extend({ sku: z.string().max(200), cleared: z.array(z.string()).optional() }))
      .max(5000),
    gone: z.array(z.string()).max(5000),
  }),
  z.object({ action: z.literal('takeDown'), key: z.string().max(200) }),
]);
export type Message = z.infer<typeof MessageSchema>;

/** Why something is refused: in words, with the SKU and the channel's field name where there is one. */
export interface Reason {
  text: string;
  sku: string | null;
  field: string | null;
  /** The option it is about, where it is about one. */
  option?: string;
}

/** What a channel sees when it looks at a picture. */
export interface Seen {
  width: number;
  height: number;
  white: boolean;
}
export type LookAt = (address: string) => Promise<Seen | null>;

/** The goods after a revision. A child that is revised but was never listed is taken as new when it is whole. */
export function revise(
  held: Goods,
  message: Extract<Message, { action: 'revise' }>,
): { goods: Goods; reasons: Reason[] } {
  const reasons: Reason[] = [];
  const offers = new Map(held.offers.map((offer) => [offer.sku, offer]));
  for (const sku of message.gone) offers.delete(sku);
  for (const { cleared, ...change } of message.offers) {
    const merged = { ...offers.get(change.sku), ...change } as Record<string, unknown>;
    for (const name of cleared ?? []) delete merged[name];
    const read = OfferSchema.safeParse(merged);
    if (read.success) offers.set(change.sku, read.data);
    else
      reasons.push({
        text: `${change.sku} is not listed yet and comes without ${read.error.issues.map((issue) => issue.path.join('.')).join(', ')}.`,
        sku: change.sku,
        field: null,
      });
  }
  const left = [...offers.values()];
  const axes = mergeAxes(held.axes, message.changes.axes ?? [], left);
  return { goods: { ...held, ...message.changes, axes, offers: left }, reasons };
}

/** A revision may name only the options it touches; those no child has any more go. */
function mergeAxes(held: Goods['axes'], changed: Goods['axes'], offers: Offer[]): Goods['axes'] {
  const base = changed.length > 0 ? changed : held;
  return base.map((axis, at) => {
    const fresh = new Set(axis.options.map((option) => option.label));
    const options = [...axis.options, ...(held[at]?.options ?? []).filter((option) => !fresh.has(option.label))];
    return { ...axis, options: options.filter((option) => offers.some((offer) => offer.options[at] === option.label)) };
  });
}
