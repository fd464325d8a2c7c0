/** Cells that list several values: "S, M, L", "Navy | Rust", "S–XL". A row with such cells is a child for each of their crossings. */
import type { Role } from '../../family/shape';
import { compact, foldLetters } from '../../text/letters';
import type { OptionReader } from '../options/readOptions';
import { letterLabel } from '../options/readLetters';
import { tokensOf } from '../options/tokens';
import { isGenericOption } from '../table/headerWords';
import { remembered } from './remembered';
import type { GivenOption, Item } from './shape';

/** Children that one row makes at most: what comes to more is no list of options. */
const MOST_CHILDREN = 2000;

/**
 * Says of each option of a row which values it lists, if it lists any. Sizes and measures that stand side by side are a list by
 * themselves. Of other options "Navy, White" might be one value: it is two where the header names several, where the row lists its sizes,
 * where most rows list theirs and each is goods of its own, or where they are three and more of goods that have no other row.
 */
export function settleListed(items: readonly Item[], options: OptionReader): void {
  const mayList = remembered(({ text }: GivenOption) => BETWEEN.test(text));
  const some = items.filter(({ given }) => given.some(mayList));
  if (some.length === 0) return;
  const lists = openLists(options, axesByOne(items));
  const times = timesOf(items);
  const listing = axesThatList(items, times.size, lists);
  for (const item of some) {
    const isAlone = times.get(nameOf(item)) === 1;
    // A name that says the whole of it is that of one child.
    const isNamed = ({ text }: GivenOption) => item.name.toLowerCase().includes(text.toLowerCase());
    const maySay = (one: GivenOption, values: readonly string[]) =>
      (listing.has(one.axis) && !isNamed(one)) ||
      (isAlone && values.length >= COLOURS_OF_ONE && !one.text.includes('/'));
    const all = valuesListed(item.given, lists, maySay);
    const children = all.reduce((product, one) => product * (one?.length ?? 1), 1);
    if (children === 1 || children > MOST_CHILDREN) continue;
    item.given = item.given.map((one, at) => (all[at] ? { ...one, listed: all[at] } : one));
  }
}

/** The values each option of a row lists; null for those that list none. */
function valuesListed(
  given: readonly GivenOption[],
  lists: Lists,
  maySay: (one: GivenOption, values: readonly string[]) => boolean,
): (readonly string[] | null)[] {
  const sure = given.map((one) => lists.sure(one));
  const isLine = sure.some((one) => one !== null);
  return given.map((one, at) => {
    const likely = sure[at] ?? lists.likely(one);
    return likely && (sure[at] || isLine || maySay(one, likely)) ? likely : null;
  });
}

const nameOf = ({ brandKey, name }: Item): string => `${brandKey} ${name}`;

/** How often each name stands in the list. */
function timesOf(items: readonly Item[]): Map<string, number> {
  const times = new Map<string, number>();
  for (const item of items) times.set(nameOf(item), (times.get(nameOf(item)) ?? 0) + 1);
  return times;
}

/** So many colours are seldom those of one thing. */
const COLOURS_OF_ONE = 3;

/** Headers of several, folded. */
const SEVERAL = new Set(
  `run runs lauf grossenlauf groessenlauf spiegel colours colors colourways colorways shades sizes lengths widths fits prints designs scents fragrances flavours flavors packs volumes models finishes
  farben grossen groessen langen dufte couleurs tailles pointures longueurs motifs parfums colores tallas largos colori taglie misure lunghezze kleuren maten lengtes
  cores tamanhos kolory rozmiary available lieferbar verfugbar disponibles disponibili disponible beschikbaar range`.split(
    /\s+/,
  ),
);

/** Whether a header names several: "Colours", "Sizes available". */
const saysSeveral = (header: string): boolean =>
  foldLetters(header)
    .split(/[^\p{L}]+/u)
    .some((word) => SEVERAL.has(word));

/** A text without any of these is one value. */
const BETWEEN = /[\s,;|/•–—-]/;

/** Axes that most rows list values on, in a list where rows do not share names. */
function axesThatList(items: readonly Item[], names: number, lists: Lists): Set<string> {
  const counts = new Map<string, { listed: number; of: number }>();
  if (names < items.length * NAMES_OF_THEIR_OWN) return new Set();
  for (const { given } of items)
    for (const one of given) {
      const count = counts.get(one.axis) ?? { listed: 0, of: 0 };
      counts.set(one.axis, { listed: count.listed + Number(lists.likely(one) !== null), of: count.of + 1 });
    }
  return new Set([...counts].filter(([, { listed, of }]) => listed > 1 && listed * 2 > of).map(([axis]) => axis));
}
/** Such a share of names is there once, where rows are goods of their own. */
const NAMES_OF_THEIR_OWN = 0.9;

interface Lists {
  /** Values that are several beyond doubt: sizes and measures, and whatever stands under a header of several. */
  sure(option: GivenOption): readonly string[] | null;
  /** Values of an option where something else says that there are several. What goods are made of is one value, of however many parts. */
  likely(option: GivenOption): readonly string[] | null;
}

/** Reads lists of values; what was read is remembered, since rows say the same a thousand times. */
function openLists(options: OptionReader, byOne: ReadonlySet<string>): Lists {
  const several = remembered(saysSeveral);
  const likely = remembered(({ axis, role, label, text }: GivenOption) => {
    if (role === 'material' || isGenericOption(label)) return null;
    if (role !== 'size') return valuesIn(role, several(label), text, options);
    return lettersBetween(text, options) ?? (several(label) && byOne.has(axis) ? numbersBetween(text) : null);
  });
  const sure = remembered((one: GivenOption) => {
    const sizes = MEASURED.has(one.role) ? sizesIn(one.role, one.text, options) : null;
    return sizes ?? (several(one.label) ? likely(one) : null);
  });
  return { likely, sure };
}

const MEASURED = new Set<Role>(['size', 'length', 'volume', 'pack', 'other']);

const MEASURES: readonly Role[] = ['size', 'length'];

/** "S, M, L", "S/M/L", "36 37 38": each of them a size, and the whole none. */
function sizesIn(role: Role, text: string, options: OptionReader): readonly string[] | null {
  if (text.length < 3 || !/[\s,;|/•]/.test(text) || options.whole(tokensOf(text))) return null;
  for (const { between, least } of BETWEEN_SIZES) {
    const parts = partsOf(text, between);
    const isMeasured = (part: string) => isOf(role, part, options) || MEASURES.some((one) => isOf(one, part, options));
    if (parts.length >= least && parts.every(isMeasured)) return parts;
  }
  return null;
}

/** What stands between sizes, and how many there are at least: two might be the ends of one, or its decimals. */
const BETWEEN_SIZES = [
  { between: /\s*[;|\n•]\s*/, least: 2 },
  { between: /\s*,\s+|,(?!\d)|(?<!\d),/, least: 2 },
  { between: /\s+\/\s+/, least: 2 },
  ...[/\s*\/\s*/, /,/, /\s+[-–]\s+/, /\s+/].map((between) => ({ between, least: 3 })),
];

/** "Navy, Rust, Sage": most of them are known for what they are, unless the header says that there are several. */
function valuesIn(role: Role, isSeveral: boolean, text: string, options: OptionReader): readonly string[] | null {
  const parts = partsOf(text, /\s*[;|,\n•]\s*|\s\/\s/);
  if (parts.length < 2 || parts.some((part) => part.length > LONGEST)) return null;
  const known = parts.filter((part) => isOf(role, part, options)).length;
  return isSeveral || (role === 'colour' && known * 2 >= parts.length) ? parts : null;
}
/** Signs of a value at most. */
const LONGEST = 40;

/** Axes of sizes that are counted by one: some range of theirs begins or ends at an odd number. By how much "36–46" goes on cannot be told. */
function axesByOne(items: readonly Item[]): Set<string> {
  const axes = new Set<string>();
  for (const { given } of items)
    for (const { axis, role, text } of given) {
      const ends = role === 'size' ? RANGE.exec(text) : null;
      if (ends && (Number(ends[1]) % 2 === 1 || Number(ends[2]) % 2 === 1)) axes.add(axis);
    }
  return axes;
}
const RANGE = /^\s*(\d{2})\s*[-–—]\s*(\d{2})\s*$/;
/** Numbers that are nearer than this are the ends of one size, and farther ones are no sizes of one thing. */
const RUN = { least: 3, most: 30 };

/** "36–41" under a header of several is 36, 37 and so on. */
function numbersBetween(text: string): readonly string[] | null {
  const [from, to] = RANGE.exec(text)?.slice(1).map(Number) ?? [];
  if (from === undefined || to === undefined || to - from < RUN.least || to - from > RUN.most) return null;
  return Array.from({ length: to - from + 1 }, (_, at) => String(from + at));
}

/** "S–XL" is S, M, L and XL; "S/M" or "S-M" is one size. */
function lettersBetween(text: string, options: OptionReader): readonly string[] | null {
  const ends = text.split(/\s*(?:[-–—]|\b(?:to|bis|au|al|tot|hasta)\b|\sà\s|\sa\s)\s*/i);
  const [from, to] = ends.map((end) => /^letter(-?\d+)$/.exec(options.whole(tokensOf(end))?.key ?? '')?.[1]);
  if (ends.length !== 2 || from === undefined || to === undefined || Number(to) - Number(from) < 2) return null;
  return Array.from({ length: Number(to) - Number(from) + 1 }, (_, at) => letterLabel(Number(from) + at));
}

const isOf = (role: Role, text: string, options: OptionReader): boolean =>
  options.whole(tokensOf(text))?.roles.includes(role) ?? false;

/** The parts of a text, each once. */
const partsOf = (text: string, between: RegExp): string[] => [
  ...new Map(
    text
      .split(between)
      .filter((part) => part.trim() !== '')
      .map((part) => [compact(part), part.trim()]),
  ).values(),
];
