/** Options that stand in SKUs alone: "HJ-NVY-M" and "HJ-RST-L" of rows that say nothing else of what they differ by. */
import { ownOf } from '../../text/own';
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import { ROLE_LABELS } from '../../registry/roles';
import { areSizes } from '../../size/sortSizes';
import { inFull } from '../options/colourWords';
import type { OptionReader } from '../options/readOptions';
import { readSize } from '../options/readSize';
import { tokensOf } from '../options/tokens';
import type { Said } from './values';
import { areSizeNumbers } from './weakSizes';
import { crossingOf, type RowVariant, type WovenAxis } from './weaves';

/** Codes of colours in SKUs alone, beside the words that suppliers shorten everywhere; common practice. */
const COLOUR_CODES: Record<string, string> = {
  BK: 'Black',
  WH: 'White',
  NAV: 'Navy',
  GRE: 'Grey',
  YEL: 'Yellow',
  ORG: 'Orange',
  ORA: 'Orange',
  BRO: 'Brown',
  ...{
    BEI: 'Beige',
    PUR: 'Purple',
    OLI: 'Olive',
    KHA: 'Khaki',
    CHA: 'Charcoal',
    RST: 'Rust',
    RUS: 'Rust',
    BUR: 'Burgundy',
  },
  CRM: 'Cream',
  TEL: 'Teal',
  TEA: 'Teal',
  IVO: 'Ivory',
  MUS: 'Mustard',
  SND: 'Sand',
  SAN: 'Sand',
};

/** How SKUs are put together: at any sign, or at one alone, since "5.5", "0-3M" and "28/30" have signs of their own. */
const JOINTS = [/[^\p{L}\p{N}]+/u, /[_\s]+/, /-+/, /\/+/, /\.+/];

/** A part of SKUs in which they differ: for each variant its code, and what the codes are. */
interface CodePart {
  codes: string[];
  role: Role;
  /** Whether it is known what the codes are, not only that they differ. */
  isRead: boolean;
}

/** Axes read from SKUs, where the variants cannot be told apart otherwise and their SKUs are made alike. Values are written into the variants. */
export function axesOfCodes(
  variants: readonly RowVariant[],
  axes: readonly WovenAxis[],
  options: OptionReader,
): WovenAxis[] {
  const crossings = new Set(variants.map((variant) => crossingOf(variant, axes)));
  if (crossings.size === variants.length || variants.length < 2) return [];
  const skus = variants.map(({ item }) => item.ownCode);
  const splits = [...JOINTS.map((joint) => skus.map((sku) => sku.split(joint).filter(Boolean))), skus.map(unglued)];
  const ways = splits.flatMap((split) => differingParts(variants, split, axes, options) ?? []);
  const unread = ({ parts }: { parts: readonly CodePart[] }) => parts.filter(({ isRead }) => !isRead).length;
  const [best] = ways.sort((a, b) => unread(a) - unread(b));
  return (best?.parts ?? []).map(({ codes, role }, at) => {
    const axis: WovenAxis = { key: `code ${at}`, role, label: ROLE_LABELS[role], isGiven: false };
    variants.forEach((variant, place) => variant.at.set(axis.key, valueOf(codes[place]!, role, options)));
    return axis;
  });
}

/** "48210NVYS": a number, the letters of a colour, a size, with nothing between. */
const GLUED = /^(.*\d)(\p{L}{2,}?)(\d?X{0,3}[SL]|M|\d{2,3})$/u;
const unglued = (sku: string): string[] => GLUED.exec(sku.toUpperCase())?.slice(1) ?? [];

/** The parts in which SKUs differ, as they are parted; null where they are not made alike, or only count. */
function differingParts(
  variants: readonly RowVariant[],
  split: readonly string[][],
  axes: readonly WovenAxis[],
  options: OptionReader,
): { parts: CodePart[] } | null {
  const length = split[0]!.length;
  if (length < 2 || split.some((parts) => parts.length !== length)) return null;
  const parts: CodePart[] = [];
  let numbers = 0;
  for (let at = 0; at < length; at++) {
    const codes = split.map((own) => own[at]!.toUpperCase());
    // What an option says already is not said again: "Hoodie Navy" as HJ-NVY-M.
    if (new Set(codes).size < 2 || axes.some((axis) => goesWith(variants, codes, axis))) continue;
    const part: CodePart = { codes, ...meaningOf(codes, [...axes, ...parts], options) };
    if (!part.isRead && areNumbersOfGoods(codes, at)) numbers += 1;
    parts.push(part);
  }
  return parts.length === 0 || parts.length > 3 || numbers === parts.length ? null : { parts };
}

/** Figures that count rows, or are styles of their own; behind a style's number three of them that come again are those of a colour. */
const areNumbersOfGoods = (codes: readonly string[], at: number): boolean =>
  codes.every((code) => /^\d{3,}$/.test(code)) &&
  (at === 0 || codes.some((code) => code.length > 3) || new Set(codes).size === codes.length);

/** Whether the codes of a part follow the values of an axis, each of them one. */
function goesWith(variants: readonly RowVariant[], codes: readonly string[], { key }: WovenAxis): boolean {
  const said = new Map<string, string>();
  return variants.every(({ at }, place) => {
    const value = at.get(key)?.key ?? '';
    const before = said.get(value) ?? codes[place]!;
    said.set(value, before);
    return before === codes[place];
  });
}

function meaningOf(
  all: readonly string[],
  axes: readonly { role: Role }[],
  options: OptionReader,
): { role: Role; isRead: boolean } {
  const codes = [...new Set(all)];
  const isFree = (role: Role) => !axes.some((axis) => axis.role === role);
  const isSize = (code: string) => {
    const tokens = tokensOf(code);
    return readSize(tokens, 0)?.to === tokens.length;
  };
  const volumes = codes.every((code) => options.whole(tokensOf(code))?.roles[0] === 'volume');
  if (volumes && isFree('volume')) return { role: 'volume', isRead: true };
  const areNumbers = codes.every((code) => /^\d{3,}$/.test(code));
  if (isFree('size')) {
    const areCounted = codes.some((code) => code.startsWith('0'));
    if (areNumbers && !areCounted && areSizeNumbers(codes.map(Number))) return { role: 'size', isRead: true };
    if (!areNumbers && (codes.every(isSize) || areSizes(codes))) return { role: 'size', isRead: true };
  }
  if (isFree('colour')) {
    const known = codes.filter((code) => colourOf(code, options) !== null);
    if (known.length * 2 > codes.length) return { role: 'colour', isRead: true };
    if (codes.every((code) => /^\p{L}{2,}$/u.test(code))) return { role: 'colour', isRead: false };
  }
  return { role: 'other', isRead: false };
}

function valueOf(code: string, role: Role, options: OptionReader): Said {
  const text = role === 'colour' ? (colourOf(code, options) ?? code) : code;
  const size = role === 'size' ? readSize(tokensOf(code), 0) : null;
  return { key: size?.key ?? compact(text), text, label: size?.label };
}

/** The colour that a code says: "NVY", "ROYALBLUE"; null where it says none that is known. */
function colourOf(code: string, options: OptionReader): string | null {
  const short = inFull(code.toLowerCase());
  const known = ownOf(COLOUR_CODES, code) ?? (short === code.toLowerCase() ? undefined : capital(short));
  if (known) return known;
  if (!/^\p{L}{3,}$/u.test(code)) return null;
  const ends = Array.from({ length: code.length - 4 }, (_, at) => code.length - 2 - at);
  const words = [...ends.map((end) => [code.slice(0, end), code.slice(end)]), [code]];
  const said = words.find((some) => {
    const roles = options.whole(tokensOf(some.join(' ')))?.roles;
    return roles?.includes('colour') && (some.length === 1 || some.every((word) => word.length > 2));
  });
  return said ? said.map(capital).join(' ') : null;
}
const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1).toLowerCase();
