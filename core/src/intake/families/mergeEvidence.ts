/**
 * What speaks for clusters being one family and what against it: codes, prices, the options they have, where a word
 * stands.
 */
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import { areTasted, isGoods } from '../options/goodsWords';
import { MEASURES } from '../options/shape';
import type { Token } from '../options/tokens';
import { besideInto } from './besideInto';
import { codeKey } from './codeKey';
import type { Cluster } from './clusters';
import { push, put } from '../filing';
import { isCodeOf } from './codeHeads';
import type { MergeCandidate, ListEvidence } from './mergeCandidates';
import { stemWords } from './nameStems';
import type { Item } from './shape';

/** Whether the word is a colour elsewhere in the list. */
export const isLearned = ({ differingWords }: MergeCandidate, { colours }: ListEvidence): boolean =>
  colours.has(differingWords.join(''));

/** The one role that a cluster has and another lacks. */
export function roleMissing(base: Cluster, other: Cluster, { facts }: ListEvidence): Role | null {
  const has = facts.of(other).roles;
  const missing = [...facts.of(base).roles.keys()].filter((role) => !has.has(role));
  return missing.length === 1 ? (missing[0] as Role) : null;
}

/**
 * Whether a cluster with a word more is part of one without: the word stands where an option is lacking, or belongs
 * to a colour.
 */
export function fitsInto(base: Cluster, candidate: MergeCandidate, says: ListEvidence): boolean {
  if (base === candidate.cluster) return false;
  const evidence = codesSay([base, candidate.cluster], says, [candidate]);
  if (evidence === 'against' || !pricesAgree(base, candidate.cluster, says)) return false;
  if (evidence !== 'for' && isQuoted(candidate)) return false;
  const { roles } = says.facts.of(candidate.cluster);
  const { roles: baseRoles } = says.facts.of(base);
  const beside = besideInto(base, candidate, says);
  if (beside) {
    if (evidence === 'for') return true;
    const isShade = beside.role === 'colour' && beside.side === 'before';
    return (isShade && !clashes(base, candidate.cluster)) || goesOnFrom(base, candidate, says);
  }
  if (evidence !== 'for' && areOtherSizes(baseRoles.get('size'), roles.get('size'))) return false;
  const missing = roleMissing(base, candidate.cluster, says);
  if (!missing || [...roles.keys()].some((role) => !baseRoles.has(role))) return false;
  if (!['colour', 'pattern', 'material', 'other', 'model'].includes(missing)) return false;
  // "Bamboo socks" alone have no choice of material that "Ski socks" could be another of.
  if (missing !== 'colour' && baseRoles.get(missing)!.size < 2) return false;
  if (evidence === 'for') return true;
  if (missing === 'colour' && isLearned(candidate, says)) return true;
  // "Jacket pro tarn" beside "Jacket tarn" is another make, in that colour.
  if (
    candidate.isDoubtful &&
    candidate.differingWords.some((_, at) => at > 0 && says.colours.has(candidate.differingWords.slice(at).join('')))
  )
    return false;
  if (candidate.isDoubtful)
    return missing === 'colour' && isWovenInto(base, candidate, says) && isSamePrice(base, candidate.cluster, says);
  // One row alone that has no option at all is more likely something else.
  const isBare = roles.size === 0;
  if (standsAsOption(candidate) && (!isBare || isSetApart(candidate) || isPricedAlike(base, candidate, says)))
    return true;
  return missing === 'colour' && standsAsUsual(candidate, says) && isOfferedAlike(base, candidate.cluster, says);
}

/** Goods of which one runs from 37 to 41 and the other from XS to XL are two, though their names be alike. */
const areOtherSizes = (some: ReadonlySet<string> = new Set(), others: ReadonlySet<string> = new Set()) =>
  some.size > 1 && others.size > 1 && ![...some].some((one) => others.has(one));

/**
 * "Smock red gannet 8" beside "Smock navy 8": the word may be of the colour beside it, where price and sizes are
 * those of the others.
 */
const goesOnFrom = (base: Cluster, candidate: MergeCandidate, says: ListEvidence): boolean =>
  isCalledMore(base) &&
  !candidate.isDoubtful &&
  isOfferedAlike(base, candidate.cluster, says) &&
  haveSameSizes(base, candidate.cluster, says);

/** Whether goods are called by more than one word, what they are made of among them: "Linen Shirt". */
const isCalledMore = ({ words, items }: Cluster): boolean =>
  words.length > 1 ||
  (words.length === 1 && items.every(({ spans }) => spans.some(({ roles }) => roles[0] === 'material')));

/** The word stands first, last, or beside an option. */
function standsAsOption({ cluster, differingWords, at }: MergeCandidate): boolean {
  const isEdge = at + differingWords.length === cluster.words.length;
  return isEdge || cluster.items.every((item) => isBesideSpan(item, at, differingWords.length));
}

function isBesideSpan(item: Item, at: number, length: number): boolean {
  const words = stemWords(item);
  const first = words[at];
  const last = words[at + length - 1];
  if (!first || !last) return false;
  return item.spans.some((span) => span.to === first.at || span.from === last.at + 1);
}

/** The word stands where the names of this list have their colours. */
const standsAsUsual = ({ cluster, differingWords, at }: MergeCandidate, { isUsualPlace }: ListEvidence): boolean =>
  isUsualPlace(
    'colour',
    at === 0 ? 'before' : at + differingWords.length === cluster.words.length ? 'after' : 'between',
  );

/** Signs part the word from the name: " - Kelp", "(Kelp)", ", Kelp"; "in Kelp" says so as well. */
export function isSetApart({ cluster, differingWords, at }: MergeCandidate): boolean {
  return cluster.items.every((item) => {
    const words = stemWords(item);
    const first = words[at];
    const last = words[at + differingWords.length - 1];
    if (!first || !last) return false;
    const before = item.tokens[first.at - 1];
    // The sign of a number before the name parts nothing of it.
    if (item.said.some(({ to }) => to === first.at)) return false;
    if (before?.text === 'in' || (differingWords.length > 1 && differingWords[0] === 'in')) return true;
    return before?.kind === 'sign' && !(before.text === '-' && before.glued && item.tokens[first.at]!.glued);
  });
}

/** What stands between quotation marks is what goods are called. */
const isQuoted = ({ cluster, differingWords, at }: MergeCandidate): boolean =>
  cluster.items.every((item) => {
    const [first, last] = [stemWords(item)[at], stemWords(item)[at + differingWords.length - 1]];
    return first && last && isQuote(item.tokens[first.at - 1]) && isQuote(item.tokens[last.at + 1]);
  });
const isQuote = (token: Token | undefined): boolean => token?.kind === 'sign' && '"“”„«»'.includes(token.text);

/** After the goods, at the very price of the others. */
const isPricedAlike = (base: Cluster, { cluster, at }: MergeCandidate, says: ListEvidence): boolean =>
  isSamePrice(base, cluster, says) && cluster.words.slice(0, at).some(isGoods);

function isSamePrice(a: Cluster, b: Cluster, { facts }: ListEvidence): boolean {
  const { price } = facts.of(a);
  return price !== null && price === facts.of(b).price;
}

/**
 * Whether both cost the same; where neither says a price, whether both come in the same sizes, of which there are
 * several.
 */
function isOfferedAlike(a: Cluster, b: Cluster, says: ListEvidence): boolean {
  const { facts } = says;
  if (facts.of(a).price !== null || facts.of(b).price !== null) return isSamePrice(a, b, says);
  return sizesOf(b, says).size > 1 && haveSameSizes(a, b, says);
}

/** Whether the same crossing would stand twice. */
function clashes(a: Cluster, b: Cluster): boolean {
  const crossings = new Set(a.items.map(crossingOf));
  return b.items.some((item) => crossings.has(crossingOf(item)));
}
const crossingOf = (item: Item) =>
  [
    ...item.given.map(({ axis, text, key }) => `${axis}=${key ?? compact(text)}`),
    ...item.spans.map((span) => `${span.roles[0]}=${span.key}`),
  ]
    .sort()
    .join('|');

type Evidence = 'for' | 'against' | 'none';

/** What style codes and SKUs say of clusters being one. */
export function codesSay(
  clusters: readonly Cluster[],
  { facts }: ListEvidence,
  candidates: readonly MergeCandidate[],
): Evidence {
  const say = (kind: 'styles' | 'styleHeads' | 'skuHeads') =>
    new Set(clusters.flatMap((cluster) => [...facts.of(cluster)[kind]]));
  const styles = say('styles');
  if (!styles.has('')) {
    if (styles.size === 1) return 'for';
    const bare = say('styleHeads');
    if (bare.size === 1 && !bare.has('')) return 'for';
    if (
      !candidates.some(({ differingWords, cluster }) =>
        cluster.items.some((item) => endsInCode(item.style, differingWords)),
      )
    )
      return 'against';
  }
  const found = say('skuHeads');
  if (found.has('')) return 'none';
  if (found.size === 1) return 'for';
  const areCodes = candidates.every(({ differingWords, cluster }) =>
    [...facts.of(cluster).skuHeads].every((head) => endsInCode(head, differingWords)),
  );
  return areCodes ? 'for' : 'against';
}

const endsInCode = (code: string, differingWords: readonly string[]): boolean => {
  const last = /[\p{L}\p{N}]{2,}$/u.exec(code)?.[0];
  return last !== undefined && isCodeOf(last, differingWords.join(' '));
};

/** Prices of one family are of a size. */
const FARTHEST = 1.9;
export const arePricesNear = (one: number | null, other: number | null): boolean =>
  one === null || other === null || Math.max(one, other) / Math.min(one, other) <= FARTHEST;
const pricesAgree = (a: Cluster, b: Cluster, { facts }: ListEvidence): boolean =>
  arePricesNear(facts.of(a).price, facts.of(b).price);

/** Siblings by the head of their SKUs, where SKUs say something. */
export function partedByCodes(
  candidates: readonly MergeCandidate[],
  { heads, styleHeads }: ListEvidence,
): MergeCandidate[][] {
  const parts = new Map<string, MergeCandidate[]>();
  for (const candidate of candidates) {
    const item = candidate.cluster.items[0]!;
    const head = styleHeads.headOf(item);
    const style = head === '' ? codeKey(item.style) : codeKey(head);
    const code = style !== '' ? style : heads.headOf(item);
    const bare = endsInCode(style !== '' ? item.style : code, candidate.differingWords)
      ? (style !== '' ? item.style : code).replace(/[^\p{L}\p{N}]*[\p{L}\p{N}]+$/u, '')
      : code;
    push(parts, codeKey(bare), candidate);
  }
  return [...parts.values()];
}

export function areSiblings(candidates: readonly MergeCandidate[], says: ListEvidence): boolean {
  const clusters = candidates.map(({ cluster }) => cluster);
  const [first] = clusters as [Cluster];
  const evidence = codesSay(clusters, says, candidates);
  if (evidence === 'against') return false;
  if (!clusters.every((cluster) => pricesAgree(first, cluster, says))) return false;
  if (evidence === 'for' || candidates.every((candidate) => isLearned(candidate, says))) return true;
  if (candidates.every(isQuoted)) return false;
  const sets = clusters.map((cluster) => new Set(cluster.items.map(crossingOf)));
  const isWoven = clusters.every(({ items }) => items.length > 1) && sets.every((set) => overlap(set, sets[0]!) >= 0.5);
  // Where colours are known the word is likelier a maker, or another make, unless it stands apart and crosses them.
  if (says.facts.of(first).roles.has('colour'))
    return isWoven && candidates.every((candidate) => isTail(candidate) && isSetApart(candidate));
  if (candidates.every(isSetApart)) return true;
  if (isWoven && candidates.every(isTail) && areTastes(candidates, says)) return true;
  // Else a word may be a maker's, or what the make is called: only the other names of the list tell.
  const isUsual = candidates.every((candidate) => standsAsUsual(candidate, says));
  if ((isUsual || recur(candidates, says)) && isWoven && candidates.every(isTail)) return true;
  return (
    isUsual &&
    (isWoven || sets.every((set) => set.size === 1)) &&
    clusters.every((one) => isSamePrice(first, one, says))
  );
}

/** "Harbour tee tarn, fjell", "Tide smock tarn, fjell": whether the words stand behind other goods as well. */
function recur(candidates: readonly MergeCandidate[], { recurring, facts }: ListEvidence): boolean {
  const prices = new Set(candidates.map(({ cluster }) => facts.of(cluster).price));
  return prices.size === 1 && candidates.every(({ differingWords }) => recurring.has(differingWords.join(' ')));
}

/**
 * Words that stand behind goods of several kinds, where each of those has others there too; mens and womens jackets
 * are of one kind.
 */
export function wordsRecurring(groups: Iterable<readonly MergeCandidate[]>): Set<string> {
  const kinds = new Map<string, Set<string>>();
  for (const group of groups) {
    const tails = group.filter((candidate) => candidate.differingWords.length > 0 && isTail(candidate));
    if (new Set(tails.map(({ differingWords }) => differingWords.join(' '))).size < 2) continue;
    for (const { cluster, differingWords, at } of tails)
      put(kinds, differingWords.join(' '), cluster.words.slice(0, at).findLast(isGoods)!);
  }
  const recurring = new Set([...kinds].filter(([, goods]) => goods.size > 1).map(([words]) => words));
  // "Anchor tarn", "anchor fjell" behind several goods are a print and its colours.
  const isLonger = (words: string) => recurring.has(words.slice(words.indexOf(' ') + 1)) && words.includes(' ');
  return new Set([...recurring].filter((words) => !isLonger(words)));
}

/**
 * "Candle old books": what is chosen by its scent or taste and has words behind it that nobody knows, in several
 * sizes at one price.
 */
function areTastes(candidates: readonly MergeCandidate[], says: ListEvidence): boolean {
  const [{ cluster: first }] = candidates as [MergeCandidate];
  return candidates.every(
    ({ cluster, at, isDoubtful }) =>
      !isDoubtful && areTasted(cluster.words.slice(0, at)) && isSamePrice(first, cluster, says),
  );
}

const sizesOf = (cluster: Cluster, { facts }: ListEvidence): ReadonlySet<string> =>
  [...MEASURES].map((role) => facts.of(cluster).roles.get(role)).find(Boolean) ?? new Set<string>();

/** Behind the goods or where colours stand, in the very sizes that the others have. */
function isWovenInto(base: Cluster, candidate: MergeCandidate, says: ListEvidence): boolean {
  const own = sizesOf(candidate.cluster, says);
  return (
    own.size > 1 && (isTail(candidate) || standsAsUsual(candidate, says)) && overlap(own, sizesOf(base, says)) === 1
  );
}

/** Whether one of them has no sizes but those of the other, or both have none. */
function haveSameSizes(a: Cluster, b: Cluster, says: ListEvidence): boolean {
  const [one, other] = [sizesOf(a, says), sizesOf(b, says)];
  return one.size === 0 || other.size === 0 ? one.size === other.size : overlap(one, other) === 1;
}

const isTail = ({ cluster, differingWords, at }: MergeCandidate): boolean =>
  at + differingWords.length === cluster.words.length && cluster.words.slice(0, at).some(isGoods);

function overlap(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  const shared = [...a].filter((one) => b.has(one)).length;
  return shared / Math.min(a.size, b.size);
}
