/** Routes: the conditions that send families to an account, and to one of its channel's categories. The first that holds wins. */
import { z } from 'zod';
import type { Family } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { mappedCategory, type CategoryMap } from './categoryMap';
import { ConditionsSchema, holds, type Sorted } from './conditions';

export const RouteSchema = z.object({
  id: z.string().regex(/^[a-z0-9]{1,20}$/),
  name: z.string().trim().max(80).default(''),
  when: ConditionsSchema,
  /** The channel's category; null: where the seller's category goes anyway. */
  category: z.string().max(80).nullable(),
  /** Whether a family that comes this way is offered by itself, or waits until the seller says so. */
  offers: z.boolean(),
});
export type Route = z.infer<typeof RouteSchema>;

/** The routes of one account, in their order. */
export const RoutesSchema = z.array(RouteSchema).max(200);
export type Routes = z.infer<typeof RoutesSchema>;

/** All routes that a family could take, the one it takes first. */
export const routesFor = (routes: Routes, family: Sorted, registry: Registry): Route[] =>
  routes.filter((route) => holds(route.when, family, registry));

/** Where a family goes on an account. */
export interface Destination {
  /** The channel's category; null where it has no place for it. */
  category: string | null;
  /** The route it came by; null where the account has none, or none leads there. */
  route: Route | null;
  /** Why it is not offered, where it is not. */
  notOffered: 'wish' | 'noRoute' | 'waits' | null;
}

/**
 * Where a family goes on an account: by its routes, where it has any, else by the map of categories. What the seller has
 * said of this very family counts more than what its route says.
 */
export function destinationOf(
  { family, accountId, sorted }: { family: Family; accountId: string; sorted: () => Sorted },
  { routes, categories, registry }: { routes: Routes; categories: CategoryMap; registry: Registry },
): Destination {
  const wish = family.wishes[accountId];
  const mapped = () => mappedCategory(registry, categories, family.fields.category);
  if (routes.length === 0)
    return { category: mapped(), route: null, notOffered: wish?.offered === false ? 'wish' : null };
  const seen = sorted();
  const route = routes.find((one) => holds(one.when, seen, registry)) ?? null;
  const notOffered =
    wish?.offered === false
      ? 'wish'
      : !route
        ? 'noRoute'
        : wish?.offered === undefined && !route.offers
          ? 'waits'
          : null;
  return { category: route ? (route.category ?? mapped()) : null, route, notOffered };
}
