/** Clusters whose names differ by a word nobody knows, or hold together by a code: which of them are one family. */
import type { Role } from '../../family/shape';
import { colourWord, isBeforeColour } from '../options/colourWords';
import { changesGoods, isBesideGoods, isForWearer, isGoods, isOtherGoods } from '../options/goodsWords';
import { LINKS } from '../options/links';
import type { OptionRead } from '../options/shape';
import { besideInto, sideOf, type Beside } from './besideInto';
import type { Cluster } from './clusters';
import { push } from '../filing';
import { openJoining, type Joined } from './joining';
import {
  areSiblings,
  codesSay,
  fitsInto,
  isLearned,
  isSetApart,
  partedByCodes,
  roleMissing,
  wordsRecurring,
} from './mergeEvidence';
import type { MergeCandidate, ListEvidence } from './mergeCandidates';
import { stemWords } from './nameStems';
import type { Doubt, Item } from './shape';

const LONGEST_FILLER = 3;
/** What has more words is a text, and no name that differs by one. */
const LONGEST_NAME = 60;

/** Joins clusters that are one family. Words that turn out to be options are made spans of the items. */
export function joinKin(clusters: readonly Cluster[], list: Omit<ListEvidence, 'recurring'>): Joined {
  // Rows that name their colours in a column have no words in the place of one.
  const soft = clusters.filter(
    ({ isGiven, items, words }) => !isGiven && words.length <= LONGEST_NAME && !items.every(hasGivenColour),
  );
  const groups = [...gapGroups(soft).values()].sort((a, b) => b.length - a.length);
  const says: ListEvidence = { ...list, recurring: wordsRecurring(groups) };
  const joining = openJoining();
  // A word is made an option once; the groups that most clusters are in say best which word it is.
  const settled = new Set<Cluster>();
  const isFree = ({ cluster }: MergeCandidate) => !settled.has(cluster) && joining.find(cluster) === cluster;
  const settle = (candidate: MergeCandidate, role: Role, beside: Beside | null = null) => {
    makeSpans(candidate, role, beside ?? SHADE);
    says.facts.forget(candidate.cluster);
    settled.add(candidate.cluster);
    joining.doubt(candidate.cluster, unknownWords(candidate));
    if (role === 'colour') says.colours.add(withoutLink(candidate).differingWords.join(''));
  };
  const join = (into: Cluster, from: Cluster) => {
    joining.join(into, from);
    says.facts.forget(joining.find(into));
  };
  const fit = (candidates: readonly MergeCandidate[], bases: readonly Cluster[]) => {
    for (const candidate of candidates) {
      const base = bases.find((one) => fitsInto(one, candidate, says));
      if (!base || joining.find(base) === joining.find(candidate.cluster)) continue;
      settle(candidate, roleMissing(base, candidate.cluster, says) ?? 'colour', besideInto(base, candidate, says));
      join(base, candidate.cluster);
    }
  };
  const fitGroup = (group: readonly MergeCandidate[]) =>
    fit(
      group.filter((candidate) => hasFiller(candidate) && !settled.has(candidate.cluster)),
      group.flatMap((candidate) => (hasFiller(candidate) ? [] : [candidate.cluster])),
    );
  const settleGroup = (group: readonly MergeCandidate[]) => {
    fitGroup(group);
    const left = group.filter((candidate) => hasFiller(candidate) && isFree(candidate));
    const sure = left.filter((candidate) => !candidate.isDoubtful || isLearned(candidate, says));
    for (const family of siblings(sure, says, joining.find)) {
      const [{ cluster: base }] = family as [MergeCandidate];
      const role: Role = says.facts.of(base).roles.has('colour') ? 'other' : 'colour';
      for (const candidate of family) settle(candidate, role);
      for (const { cluster } of family) join(base, cluster);
      fit(
        left.filter((candidate) => candidate.isDoubtful && !settled.has(candidate.cluster)),
        [joining.find(base)],
      );
    }
  };
  // "Jeans Mia sea spray" are of "Jeans Mia" before they are of any jeans.
  for (const group of groups.toSorted((a, b) => wordsAlike(b) - wordsAlike(a))) fitGroup(group);
  for (const group of groups) settleGroup(group);
  // What turned out to be a colour in one family is one in another that shows less of it.
  for (const group of groups)
    if (group.some((candidate) => isFree(candidate) && isLearned(candidate, says))) settleGroup(group);
  return joining.end(clusters);
}

/** How many words the names of a group have alike. */
const wordsAlike = (group: readonly MergeCandidate[]): number => {
  const [{ cluster, differingWords }] = group as [MergeCandidate];
  return cluster.words.length - differingWords.length;
};

const hasFiller = ({ differingWords }: MergeCandidate): boolean => differingWords.length > 0;

const unknownWords = ({ cluster, differingWords }: MergeCandidate): Doubt[] => {
  const text = writtenIn(cluster.items[0]!, differingWords);
  return cluster.items.map(({ row }): Doubt => ({ row, code: 'unknownWord', text }));
};

/** Words as a name writes them. */
function writtenIn({ name, tokens }: Item, words: readonly string[]): string {
  const first = tokens.findIndex((_, at) => words.every((word, place) => tokens[at + place]?.text === word));
  return first < 0 ? words.join(' ') : name.slice(tokens[first]!.from, tokens[first + words.length - 1]!.to);
}

/** Clusters by their words without one run of up to three; each under all its words as well. */
function gapGroups(clusters: readonly Cluster[]): Map<string, MergeCandidate[]> {
  const groups = new Map<string, MergeCandidate[]>();
  for (const cluster of clusters) {
    const { words, brand } = cluster;
    push(groups, `${brand}|${words.join(' ')}`, { cluster, differingWords: [], at: words.length, isDoubtful: false });
    const changes = words.map((word, at) => changesGoods(word) && !colourWord(word) && !isOfColour(cluster, at));
    const parts = partsIn(cluster);
    for (let length = 1; length <= Math.min(LONGEST_FILLER, words.length - 1); length++)
      for (let at = 0; at + length <= words.length; at++) {
        if (parts.some((part) => part > at && part < at + length)) continue;
        const differingWords = words.slice(at, at + length);
        // A word that makes other goods of them is no option, unless a colour is called by it: "River bed".
        const changing = differingWords.filter((_, place) => changes[at + place]);
        // "Mount olympus" is no mount, a "repair mount" is one.
        const isBesideThem = (word: string) =>
          isForWearer(word) || (isBesideGoods(word) && word === differingWords.at(-1));
        if (changing.length === length || changing.some(isBesideThem)) continue;
        const rest = [...words.slice(0, at), ...words.slice(at + length)];
        const candidate: MergeCandidate = { cluster, differingWords, at, isDoubtful: false };
        candidate.isDoubtful = changing.length > 0 && !(changing.every(isGoods) && isBehindGoods(candidate));
        push(groups, `${brand}|${rest.join(' ')}`, candidate);
      }
  }
  for (const [key, group] of groups) if (group.length < 2) groups.delete(key);
  return groups;
}

/**
 * "Smock in River Bed", "Smock – River Bed": where goods are named and what follows is set apart, a word of other
 * goods is of a colour.
 */
const isBehindGoods = (candidate: MergeCandidate): boolean =>
  candidate.cluster.words.slice(0, candidate.at).some(isGoods) && isSetApart(candidate);

/** Places of words before which a sign or an option stands: what is called by several words has them side by side. */
function partsIn({ items }: Cluster): number[] {
  const { tokens } = items[0]!;
  const words = stemWords(items[0]!);
  return words.flatMap(({ at }, place) => {
    const last = words[place - 1]?.at ?? at - 1;
    const between = tokens.slice(last + 1, at);
    return between.every(({ kind, glued, text }) => kind === 'sign' && (glued || text === '&')) ? [] : [place];
  });
}

/**
 * "Winter moss", "sea spray": beside a word that changes colours, or right before one, a word is of the colour,
 * whatever it is else.
 */
function isOfColour({ items, words }: Cluster, at: number): boolean {
  // "Stone mens shoes": another make of goods is none of the colour before it.
  if (isBeforeColour(words[at - 1] ?? '') && !isOtherGoods(words[at]!)) return true;
  if (isBeforeColour(words[at]!) && colourWord(words[at + 1] ?? '')) return true;
  return items.every((item) => {
    const word = stemWords(item)[at];
    return word && item.spans.some(({ from, roles }) => from === word.at + 1 && roles[0] === 'colour');
  });
}

const hasGivenColour = ({ given, across }: Item) =>
  given.some(({ role }) => role === 'colour') || across.some(({ value }) => value.role === 'colour');

/** Clusters that differ by the word in one place, none without it: one family where more than the word says so. */
function siblings(
  more: readonly MergeCandidate[],
  says: ListEvidence,
  find: (cluster: Cluster) => Cluster,
): MergeCandidate[][] {
  if (more.length < 2) return [];
  const atPlace = new Map<number, MergeCandidate[]>();
  for (const candidate of more) push(atPlace, candidate.at, candidate);
  const byRoles = new Map<string, MergeCandidate[]>();
  for (const [at, candidates] of atPlace)
    if (candidates.length > 1)
      for (const candidate of candidates)
        push(byRoles, `${at} ${[...says.facts.of(candidate.cluster).roles.keys()].sort().join(',')}`, candidate);
  return [...byRoles.values()].flatMap((candidates) => {
    const distinct = [...new Map(candidates.map((candidate) => [find(candidate.cluster), candidate])).values()];
    if (distinct.length < 2) return [];
    const [{ cluster, differingWords }] = distinct as [MergeCandidate];
    const saysGoods = cluster.words.some((word) => isGoods(word)) || cluster.words.length - differingWords.length > 1;
    const isNamed = saysGoods || distinct.every((candidate) => candidate.at > 0 && isSetApart(candidate));
    const areOne = (family: readonly MergeCandidate[]) =>
      family.length > 1 && !shareWord(family) && (isNamed || holdByCodes(family, says)) && areSiblings(family, says);
    return partedByCodes(distinct, says).flatMap((family) => {
      if (areOne(family)) return [family];
      const sure = family.filter(({ differingWords }) => says.recurring.has(differingWords.join(' ')));
      return sure.length < family.length && areOne(sure) ? [sure] : [];
    });
  });
}

const holdByCodes = (candidates: readonly MergeCandidate[], says: ListEvidence): boolean =>
  codesSay(
    candidates.map(({ cluster }) => cluster),
    says,
    candidates,
  ) === 'for';

/** "Sketch pad brume", "sketch pad sumac": what all have alike is none of the option. */
const shareWord = (candidates: readonly MergeCandidate[]): boolean =>
  [0, -1].some((end) =>
    candidates.every(
      ({ differingWords }) =>
        differingWords.length > 1 && differingWords.at(end) === candidates[0]!.differingWords.at(end),
    ),
  );

/** "in Kelp": the word that leads to a colour is none of it. */
const withoutLink = (candidate: MergeCandidate): MergeCandidate =>
  candidate.differingWords.length > 1 && LINKS.has(candidate.differingWords[0]!)
    ? { ...candidate, differingWords: candidate.differingWords.slice(1), at: candidate.at + 1 }
    : candidate;

/** "Gannet grey": a word right before a colour is of it. */
const SHADE: Beside = { role: 'colour', side: 'before' };

/** The word becomes an option of its rows; one that belongs to a colour goes into that. */
function makeSpans(candidate: MergeCandidate, role: Role, beside: Beside): void {
  const { cluster, differingWords, at } = withoutLink(candidate);
  for (const item of cluster.items) {
    const words = stemWords(item);
    const first = words[at];
    const last = words[at + differingWords.length - 1];
    if (!first || !last) continue;
    const colour = item.spans.find(
      (span) => span.roles[0] === beside.role && sideOf(span, first.at, last.at + 1) === beside.side,
    );
    if (colour) {
      item.spans = item.spans.map((span) =>
        span === colour ? withWords(span, first.at, last.at + 1, differingWords) : span,
      );
      continue;
    }
    // What was put back into the name as a word of it is known by what it says.
    const known = item.read.find((span) => span.from === first.at && span.to === last.at + 1);
    const span = known ?? {
      from: first.at,
      to: last.at + 1,
      roles: [role],
      key: differingWords.join(''),
      isWeak: false,
    };
    item.spans = [...item.spans, span].sort((a, b) => a.from - b.from);
  }
}

/** A colour with the words of it that stand right before or behind it. */
function withWords(span: OptionRead, first: number, end: number, words: readonly string[]): OptionRead {
  const isBehind = span.to === first;
  const key = isBehind ? span.key + words.join('') : words.join('') + span.key;
  const [from, to] = isBehind ? [span.from, end] : [first, span.to];
  return { ...span, from, to, roles: ['colour'], key, label: undefined, isWeak: false };
}

/** Whether a row's name is that of something beside the goods: a care kit, a gift box. */
export const isBeside = (item: Item): boolean => stemWords(item).some(({ text }) => isBesideGoods(text));
