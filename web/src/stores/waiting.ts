/** Changes that wait to be stored, kept in the browser as well: a page closed or broken off loses none of them. */
import { del, get, set } from 'idb-keyval';
import { z } from 'zod';
import { FamilySchema, type Family } from '@loom-kin/core';
import { PendingSchema, type Pending } from './pending';

const WaitingSchema = z.object({
  /** The family the first change was made on, as the server had it. */
  base: FamilySchema,
  changes: z.array(PendingSchema),
  /** Changes that somebody else's stands against: the seller decides about them. */
  aside: z.array(PendingSchema),
});
export type Waiting = z.infer<typeof WaitingSchema>;

const keyOf = (familyId: string) => `loom-kin.waiting.${familyId}`;

/** Remembers what waits. Nothing waiting forgets. Fails where the browser gives no room. */
export async function keepWaiting(base: Family, changes: readonly Pending[], aside: readonly Pending[]): Promise<void> {
  if (changes.length + aside.length === 0) await del(keyOf(base.id));
  else await set(keyOf(base.id), { base, changes, aside });
}

/** What waited when a page was left; nothing where there is none, or somebody wrote something else. */
export async function takeWaiting(familyId: string): Promise<Waiting | null> {
  const read = WaitingSchema.safeParse(await get(keyOf(familyId)).catch(() => null));
  return read.success ? read.data : null;
}
