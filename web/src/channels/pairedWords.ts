/** The words of all families beside a channel's list: what each is there, what it most likely is, and how doubtful that is. */
import {
  type ListedValue,
  type PairingProposal,
  type PairingTable,
  pairingList,
  pairingLookup,
  proposeFor,
} from '@loom-kin/core/pairing';
import type { Registry } from '@loom-kin/core/registry';
import type { WordInUse } from '@loom-kin/contract';

export interface PairedWord extends WordInUse {
  /** The channel's value; empty where there is none yet. */
  to: string;
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
  const list = pairingList(entries);
  return words.map((word): PairedWord => {
    const to = pairingLookup(table, new Map([[word.role, list]]))(word.role, word.label) ?? '';
    const proposal = to === '' ? proposeFor(registry, word.role, word, list, table[word.role]) : null;
    return { ...word, to, proposal, doubt: to !== '' ? 4 : proposal ? DOUBT[proposal.confidence] : 0 };
  });
}
