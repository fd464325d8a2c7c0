/** The words of all families beside a channel's list: what each is there, what it most likely is, and how doubtful that is. */
import {
  foldForPairing,
  proposePairing,
  type ListedValue,
  type PairingProposal,
  type PairingTable,
  type Registry,
  type Role,
} from '@loom-kin/core';
import type { WordInUse } from '@loom-kin/contract';

export interface PairedWord extends WordInUse {
  /** The channel's value; empty where there is none yet. */
  to: string;
  /** Whether the seller has said so, and not just the same label. */
  isChosen: boolean;
  proposal: PairingProposal | null;
  /** 0: nothing known; then doubtful, likely, sure; last what is settled. */
  doubt: number;
}

const DOUBT = { doubtful: 1, likely: 2, sure: 3 } as const;

export function pairedWords(
  words: readonly WordInUse[],
  entries: readonly ListedValue[],
  table: PairingTable,
  registry: Registry,
): PairedWord[] {
  const byWord = new Map(entries.map((entry) => [entry.word, entry.label]));
  return words.map((word): PairedWord => {
    const folded = foldForPairing(word.label);
    const chosen = table[word.role]?.[folded];
    const settled = (chosen === undefined ? undefined : byWord.get(foldForPairing(chosen))) ?? byWord.get(folded);
    if (settled !== undefined)
      return { ...word, to: settled, isChosen: chosen !== undefined, proposal: null, doubt: 4 };
    const entry = registry.word(word.role as Role, word.label);
    const spellings = entry ? [entry.label, ...entry.synonyms] : [];
    const value = word.swatch ? { label: word.label, swatch: word.swatch } : { label: word.label };
    const proposal = proposePairing(word.role, value, { entries, byWord }, spellings);
    return { ...word, to: '', isChosen: false, proposal, doubt: proposal ? DOUBT[proposal.confidence] : 0 };
  });
}
