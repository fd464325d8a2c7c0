/**
 * What is refused is told to the entry it was typed in, so that its text stays there until it is put right or given up.
 * An entry commits its text within `committedBy`. Work that answers later takes `committing()` when it begins and hands it
 * on with the refusal, so that the refusal of anything else never marks an entry.
 */

/** An entry that is told why what it committed was refused. */
export type Committer = (message: string) => void;
let current: Committer | null = null;

/** Does what follows from a committed text: whatever is refused in it answers this entry. */
export function committedBy(entry: Committer, work: () => void): void {
  const before = current;
  current = entry;
  try {
    work();
  } finally {
    current = before;
  }
}

/** The entry whose committed text is being worked on at this moment; null where none is. */
export const committing = (): Committer | null => current;
