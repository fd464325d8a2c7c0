/** Rows whose names have the same stem, after what looked like an option and is a word of the name has gone back into it. */
import type { Role } from '../../family/shape';
import { compact } from '../../pictures/match/fileWords';
import { colourWord, isBeforeColour } from '../options/colourWords';
import type { OptionRead } from '../options/readOptions';
import { isBySeller } from './settlement';
import { stemKey, stemWords } from './nameStems';
import type { Bond, Item } from './shape';

export interface Cluster {
  items: Item[];
  brand: string;
  /** Words of the stem that its first row has. */
  words: string[];
  /** Held together by what the list says, whatever the names. */
  isGiven: boolean;
  bonds: Bond[];
}

/** Clusters the rows. Spans of items are settled on the way. */
export function clusterRows(items: readonly Item[]): Cluster[] {
  const given = new Map<string, Item[]>();
  const soft: Item[] = [];
  for (const item of items) {
    const key = isBySeller(item) ? item.belongs : compact(item.belongs);
    if (key === '') soft.push(item);
    else push(given, key, item);
  }
  const groups = new Map<string, Item[]>();
  for (const item of soft) push(groups, keyOf(item), item);
  const numbers = sizeNumbersOf([...groups.values()]);
  // What goes back into a name makes other stems, which may show more.
  let looked: Iterable<string> = groups.keys();
  for (let round = 0; round < 3; round++) {
    const changed = new Set<string>();
    for (const key of [...looked]) {
      const some = groups.get(key);
      if (!some || !settleSpans(some, numbers)) continue;
      groups.delete(key);
      for (const item of some) {
        const next = keyOf(item);
        changed.add(next);
        push(groups, next, item);
      }
    }
    if (changed.size === 0) break;
    looked = changed;
  }
  const clusters = [...groups.values()].map(clusterOf);
  const held = [...given.values()].map((some): Cluster => {
    settleSpans(some, numbers);
    const bond: Bond = isBySeller(some[0]!) ? { by: 'seller' } : { by: 'parent', ref: some[0]!.belongs };
    return { ...clusterOf(some), isGiven: true, bonds: [bond] };
  });
  return [...held, ...clusters];
}

export const clusterOf = (items: Item[]): Cluster => ({
  items,
  brand: items[0]!.brandKey,
  words: stemWords(items[0]!).map(({ text }) => text),
  isGiven: false,
  bonds: [],
});

export function push<T>(map: Map<string, T[]>, key: string, one: T): void {
  const list = map.get(key);
  if (list) list.push(one);
  else map.set(key, [one]);
}

const keyOf = (item: Item): string => {
  const stem = stemKey(item);
  return `${item.brandKey}|${stem === '' ? `#${compact(item.style)}#${item.name === '' ? item.row : ''}` : stem}`;
};

/** Puts back into the names what is no option there. Gives whether anything was. */
function settleSpans(items: readonly Item[], sizeNumbers: ReadonlySet<number>): boolean {
  if (items.every(({ spans }) => spans.length === 0)) return false;
  const before = items.reduce((sum, item) => sum + taken(item), 0);
  settleRoles(items);
  putBackNumbers(items, sizeNumbers);
  parseCompounds(items);
  putBackLeading(items);
  keepOneOfRole(items, 'colour');
  keepOneOfRole(items, 'material');
  keepOneOfRole(items, 'pattern');
  keepOneOfRole(items, 'size');
  putBackWhatGoodsAre(items);
  return items.reduce((sum, item) => sum + taken(item), 0) !== before;
}
const taken = ({ spans }: Item) => spans.reduce((sum, one) => sum + one.to - one.from, 0);

/** "Linen" beside a colour is a material, beside other materials too; else it is what the word is first. */
function settleRoles(items: readonly Item[]): void {
  if (items.every(({ spans }) => spans.every(({ roles }) => roles.length === 1))) return;
  const certain = new Map<Role, number>();
  for (const { spans } of items)
    for (const { roles } of spans) if (roles.length === 1) certain.set(roles[0]!, (certain.get(roles[0]!) ?? 0) + 1);
  for (const item of items) {
    if (item.spans.every(({ roles }) => roles.length === 1)) continue;
    const taken = new Set(item.spans.flatMap(({ roles }) => (roles.length === 1 ? roles : [])));
    item.spans = item.spans.map((span) => {
      if (span.roles.length === 1) return span;
      const free = span.roles.filter((role) => !taken.has(role));
      // Where there is one of each already, the material may be what the goods are called by.
      const [role = span.roles.at(-1)!] = free.toSorted((a, b) => (certain.get(b) ?? 0) - (certain.get(a) ?? 0));
      taken.add(role);
      return { ...span, roles: [role] };
    });
  }
}

/** "Storm jacket": a colour that names a thing, before the goods and the same in all rows, is a word of the name. */
function putBackLeading(items: readonly Item[]): void {
  const leads = (item: Item, span: OptionRead) =>
    span.isWeak && span.roles[0] === 'colour' && span.from < (stemWords(item).at(-1)?.at ?? 0);
  const found = items.map((item) => item.spans.find((span) => leads(item, span)));
  if (!found[0] || found.some((span) => span?.key !== found[0]!.key)) return;
  items.forEach((item, at) => (item.spans = item.spans.filter((span) => span !== found[at])));
}

const isBareNumber = (span: OptionRead) => span.isWeak && span.roles[0] === 'size';
/** After these a number is no size. */
const NUMBERED = new Set('no nr number model mk vol type version v series level part style art item'.split(' '));

/** Bare numbers of some rows, and whether they have sizes besides. */
function numbersIn(items: readonly Item[]): { numbers: Set<number>; hasOther: boolean } {
  const numbers = new Set<number>();
  let hasOther = false;
  for (const { spans } of items)
    for (const span of spans) {
      if (isBareNumber(span)) numbers.add(Number(span.key));
      else if (span.roles[0] === 'size') hasOther = true;
    }
  return { numbers, hasOther };
}

/** Numbers that are sizes somewhere in the list: where one of them stands alone it is a size, too. */
function sizeNumbersOf(groups: readonly (readonly Item[])[]): Set<number> {
  return new Set(
    groups.flatMap((items) => {
      const { numbers, hasOther } = numbersIn(items);
      return !hasOther && areSizeNumbers([...numbers]) ? [...numbers] : [];
    }),
  );
}

/** Bare numbers are sizes where several of one kind stand in a family, and nothing else is its size. */
function putBackNumbers(items: readonly Item[], sizeNumbers: ReadonlySet<number>): void {
  const { numbers, hasOther } = numbersIn(items);
  if (numbers.size === 0) return;
  const [only] = numbers;
  const areSizes = !hasOther && (areSizeNumbers([...numbers]) || (numbers.size === 1 && sizeNumbers.has(only!)));
  for (const item of items)
    item.spans = item.spans.filter(
      (span) => !isBareNumber(span) || (areSizes && !NUMBERED.has(item.tokens[span.from - 1]?.text ?? '')),
    );
}

/** Whether numbers can be the sizes of one family: shoes, clothing, body heights, belts, ages. */
function areSizeNumbers(numbers: readonly number[]): boolean {
  if (numbers.length < 2) return false;
  const all = (test: (one: number) => boolean) => numbers.every(test);
  return (
    all((one) => one >= 14 && one <= 62) ||
    (numbers.length > 2 && all((one) => one <= 24)) ||
    all((one) => one >= 4 && one <= 24 && one % 2 === 0) ||
    all((one) => one >= 44 && one <= 188 && [2, 8].includes(one % 6) && one % 2 === 0) ||
    all((one) => one >= 60 && one <= 130 && one % 5 === 0)
  );
}

/** "Storm rust jacket": of two words for colours side by side one is the jacket's, where it stands beside several others. */
function parseCompounds(items: readonly Item[]): void {
  if (items.every(({ spans }) => spans.every((span) => span.to - span.from < 2))) return;
  const rests = { first: new Map<string, Set<string>>(), last: new Map<string, Set<string>>() };
  const parts = (item: Item, span: OptionRead) =>
    item.tokens.slice(span.from, span.to).filter((token) => token.kind === 'word');
  const isCompound = (item: Item, span: OptionRead) => span.roles[0] === 'colour' && parts(item, span).length > 1;
  for (const item of items)
    for (const span of item.spans) {
      if (!isCompound(item, span)) continue;
      const words = parts(item, span).map((token) => token.text);
      const [first] = words;
      const last = words.at(-1)!;
      if (colourWord(first!) === 'thing' && !isBeforeColour(first!) && colourWord(words[1]!))
        add(rests.first, first!, words.slice(1).join(''));
      if (colourWord(last) === 'thing' && colourWord(words.at(-2)!)) add(rests.last, last, words.slice(0, -1).join(''));
    }
  const isName = (map: Map<string, Set<string>>, word: string) => (map.get(word)?.size ?? 0) > 1;
  if (rests.first.size + rests.last.size === 0) return;
  for (const item of items)
    item.spans = item.spans.map((span) => {
      if (!isCompound(item, span)) return span;
      const words = parts(item, span);
      if (isName(rests.first, words[0]!.text)) return cutTo(item, span, item.tokens.indexOf(words[1]!), span.to);
      if (isName(rests.last, words.at(-1)!.text))
        return cutTo(item, span, span.from, item.tokens.indexOf(words.at(-1)!));
      return span;
    });
}
function add(map: Map<string, Set<string>>, key: string, one: string): void {
  const set = map.get(key);
  if (set) set.add(one);
  else map.set(key, new Set([one]));
}
function cutTo(item: Item, span: OptionRead, from: number, to: number): OptionRead {
  const words = item.tokens.slice(from, to).filter((token) => token.kind !== 'sign');
  return { ...span, from, to, key: words.map((token) => token.text).join(''), label: undefined };
}

/** A name has one option of a role: the one that differs most over the family, the last where they differ alike. */
function keepOneOfRole(items: readonly Item[], role: 'colour' | 'material' | 'pattern' | 'size'): void {
  const ofRole = (item: Item) => item.spans.filter((span) => span.roles[0] === role);
  if (items.every(({ spans }) => spans.length < 2)) return;
  const several = items.filter((item) => ofRole(item).length > 1);
  if (several.length === 0) return;
  const firsts = new Set(several.map((item) => ofRole(item)[0]!.key));
  const lasts = new Set(several.map((item) => ofRole(item).at(-1)!.key));
  for (const item of several) {
    const spans = ofRole(item);
    const sure = spans.filter((span) => !span.isWeak);
    const kept =
      sure.length === 1 && spans.length > 1 && role === 'colour' && firsts.size === lasts.size
        ? sure[0]!
        : firsts.size > lasts.size
          ? spans[0]!
          : spans.at(-1)!;
    item.spans = item.spans.filter((span) => span === kept || span.roles[0] !== role);
  }
}

/** Materials, patterns and words that are things besides say what goods are where they stand before them, away from the other options. */
function putBackWhatGoodsAre(items: readonly Item[]): void {
  for (const role of ['material', 'pattern', 'colour'] as const) {
    const mayBe = (span: OptionRead) => span.roles[0] === role && (role !== 'colour' || span.isWeak);
    if (!items.some(({ spans }) => spans.some(mayBe))) continue;
    const found = items.flatMap((item) => item.spans.filter(mayBe).map((span) => ({ item, span })));
    if (found.length === 0 || new Set(found.map(({ span }) => span.key)).size < 2) continue;
    if (
      role === 'colour' &&
      items.some((item) => item.spans.some((span) => span.roles[0] === 'colour' && !span.isWeak))
    )
      continue;
    for (const { item, span } of found)
      if (isPartOfName(item, span)) item.spans = item.spans.filter((one) => one !== span);
  }
}

function isPartOfName(item: Item, span: OptionRead): boolean {
  const words = stemWords(item);
  const [first, last] = [words[0]?.at ?? 0, words.at(-1)?.at ?? 0];
  if (words.length === 0 || span.from > last) return false;
  // Set apart by a sign it is an option, wherever it stands.
  if (item.tokens[span.to]?.kind === 'sign' && !item.tokens[span.to]!.glued) return false;
  const others = item.spans.filter((one) => one !== span);
  const stands = span.to <= first ? 'before' : 'inside';
  const beside = others.some((one) => one.to === span.from || one.from === span.to);
  if (words.length === 1 && stands === 'before') return span.roles[0] !== 'colour' || others.length === 0 || !beside;
  return span.roles[0] === 'material' && others.length > 0 && !beside;
}
