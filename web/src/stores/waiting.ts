/** Changes that wait to be stored, kept in the browser as well: a page closed or broken off loses none of them. */
import { delMany, get, set } from 'idb-keyval';
import { z } from 'zod';
import { type Family, FamilySchema } from '@loom-kin/core/family';
import { PendingSchema, type Pending } from './pending';

const WaitingSchema = z.object({
  /** Revision of the family the first change was made on, as the server had it. */
  revision: z.number().int().min(0),
  changes: z.array(PendingSchema),
  /** Changes that somebody else's stands against: the seller decides about them. */
  aside: z.array(PendingSchema),
});
export interface Waiting extends z.infer<typeof WaitingSchema> {
  /** The family of that revision; null where the page ended before it was kept. */
  base: Family | null;
}

const keyOf = (familyId: string) => `loom-kin.waiting.${familyId}`;
const baseKeyOf = (familyId: string) => `loom-kin.waiting-base.${familyId}`;

/** Remembers what waits. Nothing waiting forgets. Fails where the browser gives no room. */
export async function keepWaiting(base: Family, changes: readonly Pending[], aside: readonly Pending[]): Promise<void> {
  if (changes.length + aside.length > 0) return set(keyOf(base.id), { revision: base.revision, changes, aside });
  await delMany([keyOf(base.id), baseKeyOf(base.id)]);
}

/** Remembers the family that waiting changes were made on. It is large: most changes are stored before anybody needs it. */
export const keepBase = (base: Family): Promise<void> => set(baseKeyOf(base.id), base);

/** What waited when a page was left; nothing where there is none, or somebody wrote something else. */
export async function takeWaiting(familyId: string): Promise<Waiting | null> {
  const read = WaitingSchema.safeParse(await get(keyOf(familyId)).catch(() => null));
  if (!read.success) return null;
  const base = FamilySchema.safeParse(await get(baseKeyOf(familyId)).catch(() => null));
  return { ...read.data, base: base.success && base.data.revision === read.data.revision ? base.data : null };
}
