/** Names that say two options of one kind: one of them is a word of the name, or both say the same, or they are two choices. */
import type { Role } from '../../family/shape';
import { isGoods } from '../options/goodsWords';
import { MEASURES, type OptionRead } from '../options/shape';
import { isCalledWith } from './calledWith';
import type { Token } from '../options/tokens';
import type { Item } from './shape';

const firstRole = ({ roles }: OptionRead): Role => roles[0]!;

/** Kinds that a name has one option of. */
const ONE_OF = new Set<Role>(['colour', 'material', 'pattern', 'size', 'length', 'volume']);
/** What the second measure of a kind is called: "4 mm" beside "80 cm", "20 den" beside "M". */
const SECOND = 'Measure';

/** Settles the options of names that have two of a kind. */
export function settleTwice(items: readonly Item[]): void {
  settleInBrackets(items);
  for (const role of rolesTwice(items)) {
    if (MEASURES.has(role) && settleMeasures(items, role)) continue;
    if (role !== 'length' && role !== 'volume') keepOneOfRole(items, role);
  }
}

/** "S (48 cm)", "Large (350 ml)": what a size measures is one value with it, where each size measures the same everywhere. */
function settleInBrackets(items: readonly Item[]): void {
  const pairs = items.map(({ spans, tokens }) => {
    const size = spans.find((span) => firstRole(span) === 'size');
    const inside = spans.find(
      ({ from, to }) => from - 1 === size?.to && isOpening(tokens[from - 1]) && isClosing(tokens[to]),
    );
    return size && inside && MEASURES.has(firstRole(inside)) ? { size, inside } : null;
  });
  if (pairs.length < 2 || pairs.includes(null)) return;
  const both = new Set(pairs.map((pair) => `${pair!.size.key} ${pair!.inside.key}`)).size;
  for (const end of ['size', 'inside'] as const) if (new Set(pairs.map((pair) => pair![end].key)).size !== both) return;
  items.forEach((item, at) => sayOnce(item, pairs[at]!.size, pairs[at]!.inside));
}

const isOpening = (token: Token | undefined): boolean => token?.text === '(' || token?.text === '[';
const isClosing = (token: Token | undefined): boolean => token?.text === ')' || token?.text === ']';

/** Roles of which some name has more than one option. */
function rolesTwice(items: readonly Item[]): Set<Role> {
  const twice = new Set<Role>();
  for (const { spans } of items)
    for (let at = 1; at < spans.length; at++) {
      const role = firstRole(spans[at]!);
      if (ONE_OF.has(role) && spans.findIndex((span) => firstRole(span) === role) < at) twice.add(role);
    }
  return twice;
}

/**
 * Where every name has two measures of a kind and both differ: they are one where each goes with one of the other, else two options.
 * Gives whether they were settled.
 */
function settleMeasures(items: readonly Item[], role: Role): boolean {
  const pairs = items.map((item) => item.spans.filter((span) => firstRole(span) === role));
  if (pairs.some((spans) => spans.length !== 2)) return false;
  const both = pairs as [OptionRead, OptionRead][];
  const [firsts, lasts] = [0, 1].map((at) => new Set(both.map((pair) => pair[at]!.key)).size) as [number, number];
  if (firsts < 2 || lasts < 2) return false;
  const crossings = new Set(both.map(([first, last]) => `${first.key} ${last.key}`)).size;
  const isOne = crossings === firsts && crossings === lasts;
  items.forEach((item, at) => {
    const [first, last] = both[at]!;
    if (isOne) return sayOnce(item, first, last);
    const second = isMeasure(last) && !isMeasure(first) ? last : first;
    item.spans = item.spans.map((span) => (span === second ? { ...span, axis: SECOND } : span));
  });
  return true;
}

/** "20 den", "4 mm": a number with its unit, where letters and bare numbers are what is called the size. */
const isMeasure = ({ key }: OptionRead): boolean => /^[\d.×-]+(?:[a-z]{2,}|g|w)$/.test(key);

/** One size for both: with nothing but signs between them they are one text, else the second is left out of the name. */
function sayOnce(item: Item, first: OptionRead, last: OptionRead): void {
  const between = item.tokens.slice(first.to, last.from);
  const isBeside = between.every(({ kind }) => kind === 'sign');
  const isOpen = between.some(({ text }) => text === '(' || text === '[');
  const to = isOpen && item.tokens[last.to]?.kind === 'sign' ? last.to + 1 : last.to;
  item.spans = item.spans.flatMap((span) => {
    if (span === last) return [];
    return span === first && isBeside
      ? [{ ...first, to, key: `${first.key} ${last.key}`, label: undefined, isWeak: false }]
      : [span];
  });
  if (!isBeside) item.said.push({ from: last.from, to: last.to });
}

/** A name has one option of a role: the one that differs most over the family, the last where they differ alike. */
function keepOneOfRole(items: readonly Item[], role: Role): void {
  const ofRole = (item: Item) => item.spans.filter((span) => firstRole(span) === role);
  const several = items.filter((item) => ofRole(item).length > 1);
  const firsts = new Set(several.map((item) => ofRole(item)[0]!.key));
  const lasts = new Set(several.map((item) => ofRole(item).at(-1)!.key));
  for (const item of several) {
    const spans = ofRole(item);
    const sure = spans.filter((span) => !span.isWeak);
    const isSure = sure.length === 1 && role === 'colour' && firsts.size === lasts.size && !leadsName(item, sure[0]!);
    const kept = isSure ? sure[0]! : firsts.size > lasts.size ? spans[0]! : spans.at(-1)!;
    item.spans = item.spans.filter((span) => span === kept || firstRole(span) !== role);
  }
}

/** "Green Man Shirt rust": a colour before a word that is neither goods nor an option is likelier of the name than one behind the goods. */
const leadsName = (item: Item, span: OptionRead): boolean =>
  isCalledWith(item, span) &&
  item.spans.some(({ from }) => item.tokens.slice(span.to, from).some(({ text }) => isGoods(text)));
