/**
 * Keys of listings: on the channel they begin with the family's id, in the planner they tell a family's listings
 * apart.
 */
import type { Family } from '../../family/shape';

/** The planner's key of the one listing that holds all children. */
export const WHOLE = 'all';

/** The key of a listing on the channel. */
export function listingKey(family: Pick<Family, 'id'>, plannerKey: string): string {
  return plannerKey === WHOLE ? family.id : `${family.id}.${plannerKey}`;
}

/** The id of the family that a key on the channel belongs to. */
export const familyOfListing = (key: string): string => key.split('.')[0]!;

/** The planner's key for a key on the channel; null where it is no listing of this family. */
export function plannerKey(family: Pick<Family, 'id'>, key: string): string | null {
  if (key === family.id) return WHOLE;
  return key.startsWith(`${family.id}.`) ? key.slice(family.id.length + 1) : null;
}
