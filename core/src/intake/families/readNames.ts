/** The options in the names of a list, and where names repeat what their rows give by themselves. */
import { joinColours } from '../options/asOneColour';
import { LONGEST_READ, type OptionReader } from '../options/readOptions';
import type { OptionRead } from '../options/shape';
import { tokensOf, type Token } from '../options/tokens';
import { widenApart, widenTastes } from './apartColours';
import { markAsides } from './asides';
import { withColourNumbers } from './colourNumbers';
import { freeGoodsOfColours } from './goodsOfColours';
import { withModels } from './models';
import { cutCodes } from './nameCodes';
import type { Item } from './shape';
import { withChoices } from './settleChoices';
import { rolesOfColumns } from './settleGiven';

/** Reads the options in every name, and where it repeats those that the row gives. */
export function readNames(items: readonly Item[], options: OptionReader): void {
  cutCodes(items, options);
  markAsides(items);
  const byName = new Map<string, readonly OptionRead[]>();
  for (const item of items) {
    let spans = byName.get(item.name);
    if (!spans) byName.set(item.name, (spans = readName(item.tokens, options)));
    item.read = spans;
    item.spans =
      item.said.length === 0
        ? spans
        : spans.filter((span) => !item.said.some(({ from, to }) => span.from < to && span.to > from));
  }
  freeGoodsOfColours(items);
  const said = openSaid(options);
  const repeated = rolesRepeated(items, said);
  const columns = new Set<string>(items.flatMap(({ given }) => given.map(({ axis }) => axis)));
  for (const role of rolesOfColumns(items, options).values()) columns.add(role);
  const areInstead = nameInstead(items, columns);
  for (const item of items) {
    settleSaid(item, repeated, said);
    // A list with a column of colours has them there: what reads like one in a name is a word of it.
    if (columns.size > 0 && (!areInstead || givesSome(item)))
      item.spans = item.spans.filter(
        ({ roles, isWeak, isOfColour }) =>
          !columns.has(roles[0]!) || (repeated.has(roles[0]!) && !isWeak) || (isOfColour && !columns.has('colour')),
      );
  }
}

type Widen = (spans: readonly OptionRead[], tokens: readonly Token[]) => readonly OptionRead[];
const WIDENED: readonly Widen[] = [joinColours, widenApart, widenTastes, withModels, withColourNumbers, withChoices];

/** Known options, those with more words than the trade knows, and the choices of single trades. What is longer than a name is a text. */
function readName(all: readonly Token[], options: OptionReader): readonly OptionRead[] {
  const tokens = all.slice(0, LONGEST_READ);
  return WIDENED.reduce<readonly OptionRead[]>((spans, widen) => widen(spans, tokens), options.read(tokens));
}

const givesSome = ({ given, across }: Item): boolean => given.length + across.length > 0;

/** Whether the rows that leave all columns of options empty mostly have such options in their names, and more of them than the others. */
function nameInstead(items: readonly Item[], columns: ReadonlySet<string>): boolean {
  const bare = items.filter((item) => !givesSome(item));
  if (columns.size === 0 || bare.length === 0) return false;
  const named = (some: readonly Item[]) =>
    some.filter(({ spans }) => spans.some(({ roles }) => columns.has(roles[0]!))).length / some.length;
  const share = named(bare);
  return share > 0.5 && share > named(items) * 1.25;
}

type Said = ReturnType<typeof openSaid>;

/** Tokens of a given value, remembered: lists say the same a thousand times. */
function openSaid(options: OptionReader) {
  const known = new Map<string, { words: string[]; key: string }>();
  return (text: string) => {
    let said = known.get(text);
    if (!said) {
      const tokens = tokensOf(text);
      const words = tokens.filter((token) => token.kind !== 'sign').map((token) => token.text);
      known.set(text, (said = { words, key: options.whole(tokens)?.key ?? words.join('') }));
    }
    return said;
  };
}

/** Axes whose values stand in the names as well, in most rows. */
function rolesRepeated(items: readonly Item[], said: Said): Set<string> {
  const counts = new Map<string, { there: number; of: number }>();
  const step = Math.max(1, Math.floor(items.length / 2000));
  for (let at = 0; at < items.length; at += step) {
    const item = items[at]!;
    for (const { axis, text } of item.given) {
      const count = counts.get(axis) ?? { there: 0, of: 0 };
      count.of += 1;
      const { words, key } = said(text);
      if (item.spans.some((span) => span.key === key) || placeOf(words, item.tokens) !== null) count.there += 1;
      counts.set(axis, count);
    }
  }
  // "Wool Apron" of wool and of linen repeats its material in every other row, and does not mean it.
  return new Set([...counts].filter(([, { there, of }]) => there >= of * REPEATED).map(([axis]) => axis));
}

/** Names that repeat what a column says do so in such a share of rows. */
const REPEATED = 0.6;

/** What a row gives by itself is no option of its name a second time: it is cut out where names repeat it, else it is a word of the name. */
function settleSaid(item: Item, repeated: ReadonlySet<string>, said: Said): void {
  for (const { axis, role, text } of item.given) {
    const { words, key } = said(text);
    if (repeated.has(axis)) {
      const span = item.spans.findLast((one) => one.key === key);
      const place = span ? { from: span.from, to: span.to } : placeOf(words, item.tokens);
      if (place) {
        item.said.push(place);
        item.spans = item.spans.filter((one) => one.to <= place.from || one.from >= place.to);
      }
    }
    if (item.spans.length === 0) continue;
    item.spans = item.spans.filter(
      (one) =>
        (one.isOfColour && one.key !== key) ||
        !one.roles.includes(role) ||
        (one.roles.length > 1 && one.roles[0] !== role),
    );
  }
  for (const { value } of item.across.slice(0, 1))
    item.spans = item.spans.filter((one) => one.isOfColour || one.roles[0] !== value.role);
  // Where the colour stands in a column, the number in the name is none of it.
  if (item.spans.some((one) => one.isOfColour) && !item.spans.some(({ roles }) => roles[0] === 'colour'))
    item.spans = item.spans.filter((one) => !one.isOfColour);
}

/** Where words stand in a name for the last time, one after the other; null where they do not. */
function placeOf(words: readonly string[], tokens: readonly Token[]): { from: number; to: number } | null {
  if (words.length === 0) return null;
  for (let from = tokens.length - 1; from >= 0; from--) {
    let at = from;
    let word = 0;
    for (; word < words.length && at < tokens.length; at++) {
      if (tokens[at]!.kind === 'sign' && word > 0) continue;
      if (tokens[at]!.text !== words[word]) break;
      word += 1;
    }
    if (word === words.length) return { from, to: at };
  }
  return null;
}
