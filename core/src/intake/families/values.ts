/** Values of an axis: spelled in several ways they are one, and stand in their order. */
import { foldLabel } from '../../family/foldLabel';
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import type { Registry } from '../../registry/openRegistry';
import { areSizes, sortSizes } from '../../size/sortSizes';
import type { OptionReader } from '../options/readOptions';
import { MEASURES_AND_PACKS } from '../options/shape';
import { tokensOf } from '../options/tokens';
import { remembered } from './remembered';

/** A value as a row has it. */
export interface Said {
  key: string;
  text: string;
  /** How the trade writes it. */
  label: string | undefined;
}

export interface Values {
  /** What a row gives for a role. */
  read: (role: Role, text: string) => Said;
  /** The labels of values, by key, in the order of the axis. */
  labelsOf: (role: Role, said: readonly Said[]) => Map<string, string>;
}

/** Reads values; what was read is remembered, since lists say the same a thousand times. */
export function openValues(registry: Registry, options: OptionReader): Values {
  const readersBy = remembered((role: Role) => remembered((text: string) => read(registry, options, role, text)));
  // Families come in the same sizes.
  const sorted = remembered((labels: string) => (areSizes(labels.split('\n')) ? sortSizes(labels.split('\n')) : null));
  return {
    read: (role, text) => readersBy(role)(text),
    labelsOf(role, said) {
      const labels = labelsIn(role, said);
      return COMES_FIRST.has(role) ? labels : inOrder(labels, sorted);
    },
  };
}

function read(registry: Registry, options: OptionReader, role: Role, text: string): Said {
  const clean = text.replace(/\s+/g, ' ').trim().replace(ANNOUNCED, '');
  const word = registry.word(role, clean);
  const whole = options.whole(tokensOf(clean));
  const isSize = role !== 'colour' && whole !== null && MEASURES_AND_PACKS.has(whole.roles[0]!);
  if (isSize) return { key: whole.key, text: clean, label: word?.label ?? whole.label };
  if (role === 'size' && ONE_SIZE.test(clean)) return { key: 'one', text: clean, label: word?.label };
  if (word) return { key: compact(word.label), text: clean, label: word.label };
  if (whole?.roles.includes(role)) return { key: whole.key, text: clean, label: whole.label };
  return { key: compact(clean) || foldLabel(clean), text: clean, label: undefined };
}
/** What fits everybody, as a column of sizes says it. */
const ONE_SIZE = /^(?:unique|unica|única|unico|único|uni|universal|tu|o\/?s|o\.s\.?|one)$/i;
/** "Size 54" in a column of sizes is 54. */
const ANNOUNCED = /^(?:size|gr\.?|größe|taille|talla|taglia|maat)\s*[:.]?\s+(?=\S)/i;

/** The labels of values, by key, as they first come. */
function labelsIn(role: Role, said: readonly Said[]): Map<string, string> {
  const spellings = new Map<string, Map<string, number>>();
  const tradeLabels = new Map<string, string>();
  for (const [{ key, text, label }, times] of tally(said)) {
    const counts = spellings.get(key) ?? new Map<string, number>();
    counts.set(text, (counts.get(text) ?? 0) + times);
    spellings.set(key, counts);
    if (label !== undefined) tradeLabels.set(key, label);
  }
  // Letters anywhere on the axis, letters everywhere on it: "Medium" beside "XL" is M.
  const isLettered = [...tradeLabels].some(([key, label]) => spellings.get(key)!.has(label)) || role !== 'size';
  const labels = new Map<string, string>();
  const used = new Set<string>();
  for (const [key, counts] of spellings) {
    const trade = tradeLabels.get(key);
    const wanted = trade !== undefined && isLettered ? (counted(best(counts)) ?? trade) : best(counts);
    const label = used.has(foldLabel(wanted)) ? best(counts) : wanted;
    used.add(foldLabel(label));
    labels.set(key, label);
  }
  return labels;
}

/** "3XL" is written as well as XXXL is, and stays as a list has it. */
const counted = (text: string): string | null => (/^[2-9]X[SL]$/i.test(text) ? text.toUpperCase() : null);

/** How often each is said; rows that say the same share it. */
function tally(said: readonly Said[]): Map<Said, number> {
  const times = new Map<Said, number>();
  for (const one of said) times.set(one, (times.get(one) ?? 0) + 1);
  return times;
}

/** The spelling used most; among those used alike the one that begins with a capital and goes on small. */
function best(counts: ReadonlyMap<string, number>): string {
  if (counts.size === 1) return counts.keys().next().value!;
  const rank = (text: string) => (/^\p{Lu}(?!.*\p{Lu}{2})/u.test(text) ? 2 : /\p{Lu}/u.test(text) ? 1 : 0);
  return [...counts].sort(([a, one], [b, other]) => other - one || rank(b) - rank(a) || a.localeCompare(b))[0]![0];
}

/** Whose values stay as they first come. */
const COMES_FIRST = new Set<Role>(['colour', 'pattern', 'material']);

/** Sizes by size; all else as it first comes. */
function inOrder(
  labels: Map<string, string>,
  sorted: (labels: string) => readonly string[] | null,
): Map<string, string> {
  const sizes = sorted([...labels.values()].join('\n'));
  if (!sizes) return labels;
  const keyOf = new Map([...labels].map(([key, label]) => [label, key]));
  return new Map(sizes.map((label) => [keyOf.get(label)!, label]));
}
