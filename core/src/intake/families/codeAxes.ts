/** Options that stand in SKUs alone: "HJ-NVY-M" and "HJ-RST-L" of rows that say nothing else of what they differ by. */
import type { Role } from '../../family/shape';
import { ROLE_LABELS } from '../../registry/roles';
import { tokensOf } from '../options/tokens';
import { areSizes } from '../../size/sortSizes';
import { readSize } from '../options/readSize';
import { crossingOf, type Strand, type WovenAxis } from './weaves';

/** Codes of colours, common practice. */
const COLOUR_CODES: Record<string, string> = {
  ...{
    BLK: 'Black',
    BK: 'Black',
    WHT: 'White',
    WH: 'White',
    NVY: 'Navy',
    NAV: 'Navy',
    GRY: 'Grey',
    GRE: 'Grey',
    RED: 'Red',
    BLU: 'Blue',
    GRN: 'Green',
  },
  ...{
    YEL: 'Yellow',
    ORG: 'Orange',
    ORA: 'Orange',
    BRN: 'Brown',
    BRO: 'Brown',
    BGE: 'Beige',
    BEI: 'Beige',
    PNK: 'Pink',
    PUR: 'Purple',
    TAN: 'Tan',
    OLV: 'Olive',
    OLI: 'Olive',
  },
  ...{
    KHA: 'Khaki',
    CHR: 'Charcoal',
    CHA: 'Charcoal',
    RST: 'Rust',
    RUS: 'Rust',
    BUR: 'Burgundy',
    CRM: 'Cream',
    TEL: 'Teal',
    TEA: 'Teal',
    IVO: 'Ivory',
    MUS: 'Mustard',
    SND: 'Sand',
    SAN: 'Sand',
  },
};

const partsOf = (sku: string) =>
  sku
    .toUpperCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);

/** Axes read from SKUs, where the strands cannot be told apart otherwise and their SKUs are made alike. Values are written into the strands. */
export function axesOfCodes(strands: readonly Strand[], axes: readonly WovenAxis[]): WovenAxis[] {
  const crossings = new Set(strands.map((strand) => crossingOf(strand, axes)));
  if (crossings.size === strands.length || strands.length < 2) return [];
  const skus = strands.map(({ item }) => partsOf(item.ownCode));
  const length = skus[0]!.length;
  if (length < 2 || skus.some((parts) => parts.length !== length)) return [];
  const varying = Array.from({ length }, (_, at) => at).filter(
    (at) => new Set(skus.map((parts) => parts[at])).size > 1,
  );
  // Numbers that only count are no options.
  if (
    varying.length === 0 ||
    varying.length > 3 ||
    varying.every((at) => skus.every((parts) => /^\d{3,}$/.test(parts[at]!)))
  )
    return [];
  const made: WovenAxis[] = [];
  for (const at of varying) {
    const codes = [...new Set(skus.map((parts) => parts[at]!))];
    const role = roleOf(codes, [...axes, ...made]);
    const axis: WovenAxis = { key: `code ${at}`, role, label: ROLE_LABELS[role], isGiven: false };
    strands.forEach((strand, place) => {
      const code = skus[place]![at]!;
      const text = role === 'colour' ? (COLOUR_CODES[code] ?? code) : code;
      const size = role === 'size' ? readSize(tokensOf(code), 0) : null;
      strand.at.set(axis.key, { key: size?.key ?? text.toLowerCase(), text, label: size?.label });
    });
    made.push(axis);
  }
  return made;
}

function roleOf(codes: readonly string[], axes: readonly WovenAxis[]): Role {
  const free = (role: Role) => !axes.some((axis) => axis.role === role);
  if (free('size') && codes.every((code) => readSize(tokensOf(code), 0)?.to === tokensOf(code).length)) return 'size';
  if (free('size') && areSizes(codes)) return 'size';
  return free('colour') && codes.every((code) => /^\p{L}{2,4}$/u.test(code)) ? 'colour' : 'other';
}
