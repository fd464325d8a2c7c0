/** Changes that wait to be stored, kept in the browser as well: a page closed or broken off loses none of them. */
import { z } from 'zod';
import { CommandSchema, type Family } from '@loom-kin/core';

const CountsSchema = z.array(z.object({ childId: z.string(), pieces: z.number().int().min(0) }));
/** A command, or a count of stock; its key names it, so that sending it twice makes it once. */
const ChangeSchema = z.union([
  z.object({ key: z.string(), command: CommandSchema }),
  z.object({ key: z.string(), counts: CountsSchema }),
]);
export type Change = z.infer<typeof ChangeSchema>;

const WaitingSchema = z.object({
  /** The revision the first change was made on. */
  revision: z.number(),
  changes: z.array(ChangeSchema),
  /** Changes set aside because the family had moved on: the seller decides about them. */
  aside: z.array(ChangeSchema),
});
export type Waiting = z.infer<typeof WaitingSchema>;

const keyOf = (familyId: string) => `loom-kin.waiting.${familyId}`;

/** Remembers what waits. Nothing waiting forgets. */
export function keepWaiting(familyId: string, waiting: Waiting): void {
  try {
    if (waiting.changes.length + waiting.aside.length === 0) localStorage.removeItem(keyOf(familyId));
    else localStorage.setItem(keyOf(familyId), JSON.stringify(waiting));
  } catch {
    // The browser gives no room: the changes still wait in the page.
  }
}

/**
 * What waited when a page was left: `changes` can be run on the family as it is now, `aside` cannot without asking,
 * because somebody
 * else changed the family since. Those the server stored just before the page ended are known by the key of its
 * newest change.
 */
export function takeWaiting(family: Family, lastKey: string | null): Pick<Waiting, 'changes' | 'aside'> {
  const waiting = readWaiting(family.id);
  if (!waiting) return { changes: [], aside: [] };
  const stored = waiting.changes.findIndex((change) => change.key === lastKey) + 1;
  const left = waiting.changes.slice(stored);
  return waiting.revision + stored === family.revision
    ? { changes: left, aside: waiting.aside }
    : { changes: [], aside: [...waiting.aside, ...left] };
}

function readWaiting(familyId: string): Waiting | null {
  try {
    const read = WaitingSchema.safeParse(JSON.parse(localStorage.getItem(keyOf(familyId)) ?? 'null'));
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}
