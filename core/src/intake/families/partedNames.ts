/**
 * Names that signs part into goods and options: "Fell Jacket – Velvet Magic – M". Where a list writes its names so, a whole part is one option, whatever
 * its words are.
 */
import type { Role } from '../../family/shape';
import { colourKey } from '../options/colourWords';
import { changesGoods } from '../options/goodsWords';
import { LINKS } from '../options/links';
import type { OptionRead } from '../options/shape';
import { setsApart } from '../options/tokens';
import { push, put } from '../filing';
import { arePricesNear } from './kinEvidence';
import type { Item } from './shape';

/** Tokens from one sign to the next that parts a name. */
interface Part {
  from: number;
  to: number;
}

/** A name whose goods are followed by one part that may be a colour or the like, and by measures at most. */
interface Parted {
  item: Item;
  /** What the goods are called. */
  head: Part;
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

const MEASURED: ReadonlySet<Role> = new Set(['size', 'length', 'volume', 'pack']);

/** Makes colours of whole parts that are of several words or of none that is known, where the price and the sizes are those of the family's other colours. */
export function takePartsForColours(items: readonly Item[]): void {
  const families = new Map<string, Parted[]>();
  for (const item of items) {
    const parted = partedName(item);
    if (parted) push(families, headKey(parted), parted);
  }
  const all = [...families.values()].filter((rows) => new Set(rows.map(({ key }) => key)).size > 1);
  if (!areColours(all)) return;
  for (const rows of all) {
    const fitting = fittingIn(rows);
    if (fitting.every(({ known }) => known)) continue;
    const role = roleAmong(rows);
    for (const one of fitting) takeWhole(one, role);
  }
}

/** Whether enough of the parts of a list are known colours. */
function areColours(families: readonly (readonly Parted[])[]): boolean {
  const parts = new Map(families.flat().map(({ key, known }) => [key, known === 'colour']));
  return [...parts.values()].filter(Boolean).length >= parts.size * KNOWN;
}

/** What the known values of a family are: colours, where some are or none is known. */
function roleAmong(rows: readonly Parted[]): Role {
  const roles = new Set(rows.flatMap(({ known }) => known ?? []));
  const [first] = roles;
  return roles.size === 1 ? first! : 'colour';
}

const headKey = ({ item, head }: Parted): string => {
  const words = item.tokens.slice(head.from, head.to).filter(({ kind }) => kind !== 'sign');
  return [item.brandKey, ...words.map(({ text }) => text)].join(' ');
};

function partedName(item: Item): Parted | null {
  if (item.given.some(({ role }) => role === 'colour')) return null;
  const [head, ...rest] = partsOf(item);
  const open = rest.filter((part) => !leads(item, part)).flatMap((part) => openPart(item, part));
  if (!head || open.length !== 1) return null;
  const [part] = open as [Part];
  const whole = item.spans.find(({ from, to }) => from === part.from && to === part.to);
  const tokens = item.tokens.slice(part.from, part.to);
  return {
    item,
    head,
    part,
    key: colourKey(tokens),
    known: whole?.roles[0],
    isDoubtful: !whole && tokens.some(({ text }) => changesGoods(text)),
    measures: measuresIn(item),
  };
}

const isMeasure = ({ roles }: OptionRead): boolean => MEASURED.has(roles[0]!);
const measuresIn = ({ spans }: Item): string =>
  spans
    .filter(isMeasure)
    .map(({ key }) => key)
    .sort()
    .join('|');

/** The parts of a name, without the signs between them. */
function partsOf({ tokens }: Item): Part[] {
  const parts: Part[] = [];
  let from = 0;
  for (let at = 0; at <= tokens.length; at++) {
    if (at < tokens.length && !setsApart(tokens[at]!) && tokens[at]!.text !== ')') continue;
    if (at > from) parts.push({ from, to: at });
    from = at + 1;
  }
  return parts;
}

/** "Colour:": leads to what stands behind it. */
const leads = ({ tokens }: Item, { from, to }: Part): boolean =>
  tokens.slice(from, to).every(({ text }) => LINKS.has(text));

/** What is left of a part without the measures at its ends; none where nothing is. */
function openPart({ spans }: Item, part: Part): Part[] {
  let { from, to } = part;
  const measures = spans.filter(isMeasure);
  for (let isCut = true; isCut && from < to;) {
    const [first, last] = [measures.find((one) => one.from === from), measures.find((one) => one.to === to)];
    if (first) from = first.to;
    else if (last) to = last.from;
    isCut = first !== undefined || last !== undefined;
  }
  return from < to ? [{ from, to }] : [];
}

/** Rows of those values that cost what the others do; what may be other goods costs exactly that, in the very sizes of the others. */
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
  if (!known && !inside.some(({ roles }) => roles[0] === 'colour')) item.unknown = key;
}
