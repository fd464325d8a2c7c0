/** A value renamed on all families that have it, as one change: a word of the dictionary was changed, and is wanted everywhere. */
import { renamesOf, runCommand } from '@loom-kin/core/change';
import { PairingTableSchema, foldForPairing, withPairings } from '@loom-kin/core/pairing';
import { count, listed } from '@loom-kin/core/text';
import type { Step } from '@loom-kin/contract';
import { familiesWithValue } from '../families/valueUses';
import { documentIn, familyIn, putDocument, putFamily, type Work } from './work';

type RenameValue = Extract<Step, { on: 'renameValue' }>;

/** So many families in one change: the change holds every other request while it is stored. */
const AT_ONCE = 500;
/** So many that were left as they are told by name. */
const NAMED = 5;

/** Renames the value on the families changed last, five hundred at most, and says which were left. */
export function renameValue(work: Work, { role, from, to }: RenameValue): void {
  const uses = familiesWithValue(work.store.database, role, from);
  const { registry } = work.store.catalogue();
  const left: string[] = [];
  let renamed = 0;
  let more = 0;
  for (const [at, { id, name }] of uses.entries()) {
    if (renamed === AT_ONCE) {
      more = uses.length - at;
      break;
    }
    const before = familyIn(work, id);
    const { commands, taken } = renamesOf(before, role, from, to);
    if (taken) left.push(name);
    if (commands.length === 0) continue;
    const command = { do: 'batch', title: `Rename ${from} to ${to}`, commands } as const;
    putFamily(work, runCommand(registry, before, command).family);
    renamed += 1;
  }
  if (renamed > 0) keepPairings(work, { role, from, to });
  if (left.length > 0) work.notices.push(leftText(left, to));
  if (more > 0) work.notices.push(`${count(more, 'family', 'families')} still to do: rename again.`);
  work.titles.push(`Rename ${from} to ${to} in ${count(renamed, 'family', 'families')}`);
}

function leftText(left: readonly string[], to: string): string {
  const names = left.length > NAMED ? `${left.slice(0, NAMED).join(', ')} and others` : listed(left);
  return `Left as they are, since they have a value ${to} already: ${names}.`;
}

/** What the value is on the channels stays so under its new name. */
function keepPairings(work: Work, { role, from, to }: Omit<RenameValue, 'on'>): void {
  for (const channel of work.store.catalogue().rulebooks.keys()) {
    const table = documentIn(work, PairingTableSchema, 'pairings', channel);
    const paired = table?.[role]?.[foldForPairing(from)];
    if (!paired || table[role]?.[foldForPairing(to)]) continue;
    putDocument(work, 'pairings', channel, table, withPairings(table, [{ role, value: to, to: paired }]));
  }
}
