/** How the seller has arranged views: kept for the seller, not for one browser, and no part of any change. */
import { z } from 'zod';
import { define, done, Id, withId } from './endpoint';

/** `axis:…` for an axis, the key of a field, or a key with the account it is for: `price@account:fernpost`. */
export const ColumnIdSchema = z.string().min(1).max(140);

/** Columns under a name. One that the program offers keeps here only what the seller has changed of it. */
export const ColumnSetSchema = z.object({
  /** Columns that stand first, in this order. */
  order: z.array(ColumnIdSchema).max(300),
  hidden: z.array(ColumnIdSchema).max(300),
  /** Columns beside those that the program offers. */
  shown: z.array(ColumnIdSchema).max(300),
  /** Made by the seller: it has those columns alone that it names in `shown`. */
  own: z.boolean(),
});
export type ColumnSet = z.infer<typeof ColumnSetSchema>;

/** The grid of children. */
export const GridLayoutSchema = z.object({
  /** Pixels, by column. */
  widths: z.record(ColumnIdSchema, z.number().int().min(36).max(800)),
  /** Columns that stay in view beside the options, while others are scrolled. */
  frozen: z.array(ColumnIdSchema).max(20),
  /** The chosen set. */
  set: z.string().max(40),
  sets: z.record(z.string().min(1).max(40), ColumnSetSchema).refine((sets) => Object.keys(sets).length <= 40, {
    message: 'There are more than 40 sets.',
  }),
});
export type GridLayout = z.infer<typeof GridLayoutSchema>;

/** How the weave of a family is looked at. */
export const WeaveLookSchema = z.object({
  /** Size of the crossings, from the smallest. */
  zoom: z.number().int().min(0).max(3).default(2),
  /** Key of the field that stands in the crossings; null for ticks. */
  figure: z.string().max(40).nullable().default(null),
  /** Ids of the axes along the side and the top; null as they come. */
  edges: z
    .object({ side: z.array(Id).max(6), top: z.array(Id).max(6) })
    .nullable()
    .default(null),
});
export type WeaveLook = z.infer<typeof WeaveLookSchema>;

export const layoutEndpoints = {
  gridLayout: define('get', '/api/layouts/grid', 'How the seller has arranged the grid of children', {
    response: GridLayoutSchema.nullable(),
  }),
  saveGridLayout: define('put', '/api/layouts/grid', 'Keep how the grid of children is arranged', {
    body: GridLayoutSchema,
    response: done,
  }),
  weaveLook: define('get', '/api/layouts/weave/:id', 'How the seller looks at the weave of a family', {
    params: withId,
    response: WeaveLookSchema.nullable(),
  }),
  saveWeaveLook: define('put', '/api/layouts/weave/:id', 'Keep how the weave of a family is looked at', {
    params: withId,
    body: WeaveLookSchema,
    response: done,
  }),
};
