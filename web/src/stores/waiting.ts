/** Commands that wait to be stored, kept in the browser as well: a page closed or broken off loses none of them. */
import { z } from 'zod';
import { CommandSchema, titleOf, type Command, type Family } from '@loom-kin/core';

const WaitingSchema = z.object({ revision: z.number(), commands: z.array(CommandSchema) });
const keyOf = (familyId: string) => `loom-kin.waiting.${familyId}`;

/** Remembers what waits, on top of the revision the server is known to have. Nothing waiting forgets. */
export function keepWaiting(familyId: string, revision: number, commands: readonly Command[]): void {
  try {
    if (commands.length === 0) localStorage.removeItem(keyOf(familyId));
    else localStorage.setItem(keyOf(familyId), JSON.stringify({ revision, commands }));
  } catch {
    // The browser gives no room: the changes still wait in the page.
  }
}

/**
 * What waited when a page was left, to be run on the family as it is now; `lost` counts what can no longer be placed, because the
 * family was changed by somebody else since. The first command may have been stored just before the page ended: then it is dropped.
 */
export function takeWaiting(family: Family, lastTitle: string | null): { commands: Command[]; lost: number } {
  const text = localStorage.getItem(keyOf(family.id));
  if (!text) return { commands: [], lost: 0 };
  localStorage.removeItem(keyOf(family.id));
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch {
    return { commands: [], lost: 0 };
  }
  const read = WaitingSchema.safeParse(data);
  if (!read.success) return { commands: [], lost: 0 };
  const { revision, commands } = read.data;
  if (revision === family.revision) return { commands, lost: 0 };
  const first = commands[0];
  if (first && revision + 1 === family.revision && titleOf(first, family) === lastTitle) return { commands: commands.slice(1), lost: 0 };
  return { commands: [], lost: commands.length };
}
