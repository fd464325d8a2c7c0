/**
 * Names that signs part into goods and options: "Fell Jacket – Velvet Magic – M". Where a list writes its names so, a
 * whole part is one option, whatever its words are.
 */
import type { Role } from '../../family/shape';
import { colourKey } from '../options/colourWords';
import { changesGoods, isGoods } from '../options/goodsWords';
import { LINKS } from '../options/links';
import { LONGEST_READ } from '../options/readOptions';
import { MEASURES_AND_PACKS, type OptionRead } from '../options/shape';
import { setsApart, type Token } from '../options/tokens';
import { push, put } from '../filing';
import { arePricesNear } from './mergeEvidence';
import type { Item } from './shape';
import { isSpelledOut } from './weakSizes';

/** Tokens from one sign to the next that parts a name. */
interface Part {
  from: number;
  to: number;
}

/** A name of which one part may be a colour or the like. */
interface Parted {
  item: Item;
  /** What the other parts say, but for measures. */
  head: string;
  part: Part;
  /** The value as it is compared. */
  key: string;
  /** What the whole part is known as. */
  known: Role | undefined;
  /** Some of its words make other goods of what stands before it. */
  isDoubtful: boolean;
  /** What it has besides. */
  measures: string;
}

/** So many of all colours in the parts of a list are known at least, else they may be anything. */
const KNOWN = 0.15;

/**
 * Makes colours of whole parts that are of several words or of none that is known, where the price and the sizes are
 * those of the family's other colours.
 */
export function takePartsForColours(items: readonly Item[]): void {
  const byManner = new Map<string, { item: Item; parts: Part[] }[]>();
  for (const item of items) {
    if (item.tokens.length > LONGEST_READ || item.given.some(({ role }) => role === 'colour')) continue;
    const found = partsIn(item);
    if (found) push(byManner, `${found.sign} ${found.parts.length}`, { item, parts: found.parts });
  }
  for (const [manner, names] of byManner) {
    // "Full-Zip Blue": within words only what is nothing but a colour tells that parts are colours.
    const place = placeOfColours(names, manner.startsWith(' ') ? saysColour : isColour);
    if (place === null) continue;
    const families = new Map<string, Parted[]>();
    for (const name of names) {
      const parted = partedAt(name, place);
      push(families, parted.head, parted);
    }
    for (const rows of families.values()) takeColours(rows);
  }
}

/** Which of their parts are mostly colours: one where enough are known, and more than in any other. */
function placeOfColours(
  names: readonly { item: Item; parts: Part[] }[],
  isKnown: (item: Item, part: Part) => boolean,
): number | null {
  const shares = names[0]!.parts.map((_, place) => {
    const known = new Map<string, boolean>();
    for (const { item, parts } of names) known.set(textOf(item, parts[place]!), isKnown(item, parts[place]!));
    return [...known.values()].filter(Boolean).length / known.size;
  });
  const most = Math.max(...shares);
  const places = shares.flatMap((share, place) => (share === most ? [place] : []));
  return most >= KNOWN && places.length === 1 ? places[0]! : null;
}

/** Whether a part has a colour in it, and no goods besides. */
const saysColour = ({ spans, tokens }: Item, { from, to }: Part): boolean =>
  spans.some((span) => span.roles[0] === 'colour' && span.from >= from && span.to <= to) &&
  !tokens.slice(from, to).some(({ text }) => isGoods(text));

const isColour = (item: Item, part: Part): boolean => wholeSpan(item, part)?.roles[0] === 'colour';

/** Makes options of one kind of what the rows of a family have in that part. */
function takeColours(rows: readonly Parted[]): void {
  if (new Set(rows.map(({ key }) => key)).size < 2) return;
  const fitting = fittingIn(rows);
  if (fitting.every(({ known }) => known)) return;
  const role = roleAmong(rows);
  for (const one of fitting) takeWhole(one, role);
}

/** What the known values of a family are: colours, where some are or none is known. */
function roleAmong(rows: readonly Parted[]): Role {
  const roles = new Set(rows.flatMap(({ known }) => known ?? []));
  const [first] = roles;
  return roles.size === 1 ? first! : 'colour';
}

const wholeSpan = ({ spans }: Item, part: Part): OptionRead | undefined =>
  spans.find(({ from, to }) => from === part.from && to === part.to);
const textOf = ({ tokens }: Item, { from, to }: Part): string =>
  tokens
    .slice(from, to)
    .map(({ text }) => text)
    .join(' ');

function partedAt({ item, parts }: { item: Item; parts: Part[] }, place: number): Parted {
  const part = parts[place]!;
  const whole = wholeSpan(item, part);
  const tokens = item.tokens.slice(part.from, part.to);
  const others = parts.filter((_, at) => at !== place).map((other) => textOf(item, other));
  return {
    item,
    head: [item.brandKey, ...others].join('|'),
    part,
    key: colourKey(tokens),
    known: whole?.roles[0],
    isDoubtful: !whole && tokens.some(({ text }) => changesGoods(text)),
    measures: measuresIn(item),
  };
}

/** Of a part with more in it. */
const isWithin = ({ from, to }: OptionRead, part: Part): boolean => to - from < part.to - part.from;

const isMeasure = ({ roles }: OptionRead): boolean => MEASURES_AND_PACKS.has(roles[0]!);
const measuresIn = ({ spans }: Item): string =>
  spans
    .filter(isMeasure)
    .map(({ key }) => key)
    .sort()
    .join('|');

/** Signs that part names where none stands by itself: "Fell Jacket/Velvet Magic/M". */
const GLUED = ['/', '-'];

/** The parts of a name that are no measures and lead to none, of which there are several, and what parts them. */
function partsIn(item: Item): { sign: string; parts: Part[] } | null {
  const { tokens } = item;
  for (const sign of ['', ...GLUED]) {
    const isParting = (token: Token) =>
      sign === '' ? setsApart(token) || closes(token) : token.kind === 'sign' && token.text === sign;
    if (!tokens.some(isParting)) continue;
    const parts = partsOf(item, isParting)
      .filter((part) => !leads(item, part) && !isAside(item, part))
      .flatMap((part) => openPart(item, part));
    if (parts.length > 1) return { sign, parts };
  }
  return null;
}

const closes = ({ text }: Token): boolean => text === ')' || text === ']';

/** The parts of a name, without the signs between them; a sign in an option ("135x200 + 80x80 cm") parts nothing. */
function partsOf({ tokens, spans }: Item, isSign: (token: Token) => boolean): Part[] {
  const parts: Part[] = [];
  const isParting = (at: number) => isSign(tokens[at]!) && !spans.some(({ from, to }) => from < at && at < to - 1);
  let from = 0;
  for (let at = 0; at <= tokens.length; at++) {
    if (at < tokens.length && !isParting(at)) continue;
    if (at > from) parts.push({ from, to: at });
    from = at + 1;
  }
  return parts;
}

/** "SALE": tells no goods apart. */
const isAside = ({ aside = [] }: Item, part: Part): boolean =>
  aside.some(({ from, to }) => from <= part.from && to >= part.to);

/** "Colour:": leads to what stands behind it. */
const leads = ({ tokens }: Item, { from, to }: Part): boolean =>
  tokens.slice(from, to).every(({ text }) => LINKS.has(text));

/**
 * What is left of a part without the measures at its ends, and the signs beside them ("Navy/S"); none where nothing is.
 * Where the size stands elsewhere, "Medium Roast" is a colour.
 */
function openPart({ spans, tokens }: Item, part: Part): Part[] {
  let { from, to } = part;
  const isSize = ({ roles }: OptionRead) => roles[0] === 'size';
  const isInside = (span: OptionRead) => span.from >= part.from && span.to <= part.to;
  const hasSize = spans.some((span) => isSize(span) && !isInside(span));
  const isOfColour = (span: OptionRead) =>
    hasSize && isSize(span) && isSpelledOut({ tokens }, span) && isWithin(span, part);
  const measures = spans.filter((span) => isMeasure(span) && !isOfColour(span));
  for (let isCut = true; isCut && from < to;) {
    const [first, last] = [measures.find((one) => one.from === from), measures.find((one) => one.to === to)];
    if (first) from = first.to;
    else if (last) to = last.from;
    isCut = first !== undefined || last !== undefined;
    while (isCut && from < to && tokens[from]!.kind === 'sign') from += 1;
    while (isCut && from < to && tokens[to - 1]!.kind === 'sign') to -= 1;
  }
  return from < to ? [{ from, to }] : [];
}

/**
 * Rows of those values that cost what the others do; what may be other goods costs exactly that, in the very sizes of
 * the others.
 */
function fittingIn(rows: readonly Parted[]): Parted[] {
  const sure = rows.filter(({ isDoubtful }) => !isDoubtful);
  const prices = new Map<string, Set<number | null>>();
  for (const { measures, item } of sure) put(prices, measures, item.price);
  const isEnough = new Set(sure.map(({ key }) => key)).size > 1 || sure.some(({ known }) => known === 'colour');
  const fits = ({ isDoubtful, measures, item }: Parted): boolean => {
    const others = [...(prices.get(measures) ?? [])];
    if (isDoubtful) return isEnough && item.price !== null && others.includes(item.price);
    return others.some((price) => arePricesNear(price, item.price));
  };
  const misfits = new Set(rows.filter((one) => !fits(one)).map(({ key }) => key));
  return rows.filter(({ key }) => !misfits.has(key));
}

function takeWhole({ item, part, key, known }: Parted, role: Role): void {
  if (known === role) return;
  const inside = item.spans.filter(({ from, to }) => from < part.to && to > part.from);
  const span: OptionRead = { ...part, roles: [role], key, isWeak: false };
  item.spans = [...item.spans.filter((one) => !inside.includes(one)), span].sort((a, b) => a.from - b.from);
  if (!known && !inside.some(({ roles }) => roles[0] === 'colour'))
    item.unknown = item.name.slice(item.tokens[part.from]!.from, item.tokens[part.to - 1]!.to);
}
