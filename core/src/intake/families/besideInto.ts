/** Words right beside an option that are of one colour with it: "Gannet grey", "Velvet magic". */
import type { Role } from '../../family/shape';
import type { OptionRead } from '../options/shape';
import type { Cluster } from './clusters';
import type { MergeCandidate, ListEvidence } from './mergeCandidates';
import { stemWords } from './nameStems';

/** What colours are made of and are called by: "Velvet magic", "Walnut milk". */
const OF_COLOURS: ReadonlySet<Role> = new Set(['colour', 'material', 'pattern']);

/** The option right beside a word that is of one colour with it. */
export interface Beside {
  role: Role;
  /** Where the word stands. */
  side: 'before' | 'behind';
}

/** "Gannet grey", "red gannet": what the word makes a colour of together, where the others of a cluster have theirs. */
export function besideInto(base: Cluster, candidate: MergeCandidate, { facts }: ListEvidence): Beside | null {
  const beside = besideWhat(candidate);
  return beside && hasRolesOf(facts.of(base).roles, facts.of(candidate.cluster).roles, beside.role) ? beside : null;
}

/** Whether a cluster has the options of another, where one of its own is a colour there. */
function hasRolesOf(base: ReadonlyMap<string, unknown>, own: ReadonlyMap<string, unknown>, asColour: Role): boolean {
  const roles = new Set([...own.keys()].map((role) => (role === asColour ? 'colour' : role)));
  return roles.size === base.size && [...base.keys()].every((role) => roles.has(role));
}

/** Beside which kind of option the word stands, in all rows, and beside that one alone. */
function besideWhat({ cluster, differingWords, at }: MergeCandidate): Beside | null {
  const found = new Map<string, Beside>();
  for (const item of cluster.items) {
    const words = stemWords(item);
    const [from, to] = [words[at]!.at, words[at + differingWords.length - 1]!.at + 1];
    const span = item.spans.find((one) => OF_COLOURS.has(one.roles[0]!) && sideOf(one, from, to));
    if (!span) return null;
    const beside: Beside = { role: span.roles[0]!, side: sideOf(span, from, to)! };
    found.set(`${beside.role} ${beside.side} ${span.key}`, beside);
  }
  return found.size === 1 ? [...found.values()][0]! : null;
}

/** On which side of an option words stand, right beside it. */
export const sideOf = (span: OptionRead, from: number, to: number): Beside['side'] | null =>
  span.from === to ? 'before' : span.to === from ? 'behind' : null;
