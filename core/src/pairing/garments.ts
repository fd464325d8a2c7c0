/** Sizes of clothes between countries, for lists that are of clothes: numbers of the EU, the UK and the US, and letters by girth. */
import type { ListedValue, PairingList } from './list';

/** A size of clothes as the EU counts it, and who wears it. */
interface Garment {
  eu: number;
  wearer: 'women' | 'men';
}

/**
 * What the systems differ by. Women's: UK 12 = US 8 = EU 40; men's jackets: UK 38 = US 38 = EU 48, the chest in inches and half of it in
 * centimetres. Common practice, which differs from maker to maker: nothing is paired by it without being asked.
 */
const TO_EU = {
  uk: { women: 28, men: 10 },
  us: { women: 32, men: 10 },
} as const;

/** Chests of grown men in inches begin here; women's sizes end below. */
const MEN_FROM = 30;

/**
 * Girth of bust or chest in centimetres → letter, up to but not with the girth. EN 13402-3:2004, letter codes; the figures are from
 * memory.
 */
const LETTERS = {
  women: [
    [74, 'XXS'],
    [82, 'XS'],
    [90, 'S'],
    [98, 'M'],
    [107, 'L'],
    [119, 'XL'],
    [131, 'XXL'],
    [143, '3XL'],
  ],
  men: [
    [78, 'XXS'],
    [86, 'XS'],
    [94, 'S'],
    [102, 'M'],
    [110, 'L'],
    [118, 'XL'],
    [129, 'XXL'],
    [141, '3XL'],
  ],
} as const;

const NAMED = /^(eu|uk|us)[ -]?(\d{1,2})$/i;

/** The size that names its system; null for an EU number alone, which does not say who wears it, and for everything else. */
function garmentOf(label: string): Garment | null {
  const [, system, text] = NAMED.exec(label.trim()) ?? [];
  const figure = Number(text);
  const offsets = TO_EU[system?.toLowerCase() as keyof typeof TO_EU];
  if (!offsets) return null;
  const wearer = figure >= MEN_FROM ? 'men' : 'women';
  return { eu: figure + offsets[wearer], wearer };
}

/** A woman's EU number is half her bust less six, a man's half his chest. */
const girthOf = ({ eu, wearer }: Garment): number => (wearer === 'women' ? 2 * eu + 12 : 2 * eu);

const letterOf = (garment: Garment): string | undefined =>
  LETTERS[garment.wearer].find(([below]) => girthOf(garment) < below)?.[1];

/** Whether a list is of clothes: it has letters, or numbers of a system that go in twos, as those of shoes never do. */
function isOfGarments({ entries }: PairingList): boolean {
  if (entries.some(({ size }) => size?.kind === 'letters')) return true;
  const figures = entries.flatMap(({ label }) => {
    const [, , figure] = NAMED.exec(label.trim()) ?? [];
    return figure === undefined ? [] : [Number(figure)];
  });
  return figures.length > 2 && figures.every((figure) => figure % 2 === 0);
}

/** The entry of a list of clothes that a size of another system is; undefined where the list is of something else. */
export function garmentEntry(label: string, list: PairingList): ListedValue | null | undefined {
  if (!isOfGarments(list)) return undefined;
  const garment = garmentOf(label);
  if (!garment) return null;
  const letter = letterOf(garment)?.toLowerCase();
  const isIt = (entry: ListedValue) => {
    const there = garmentOf(entry.label);
    if (there) return there.eu === garment.eu && there.wearer === garment.wearer;
    return entry.word === letter || entry.word.replace(/[ -]/g, '') === `eu${garment.eu}`;
  };
  return list.entries.find(isIt) ?? null;
}
