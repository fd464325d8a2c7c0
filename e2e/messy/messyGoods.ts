/** Made-up goods for messy lists: families with axes, values in the spellings people use, SKUs and GTINs. */
import type { Role } from '@loom-kin/core/family';
import { gtinCheckDigit } from '@loom-kin/core/identifiers';

/** The kinds of lists there are. */
export const SHAPES = [
  'columns', // colour and size in columns, the name the same
  'repeated', // in columns, and in the name as well
  'after', // in the name, after the goods
  'before',
  'between',
  'dashes', // set apart by signs
  'brackets',
  'parents', // parent rows with references
  'blank', // names once above their rows
  'packed', // "Colour: Navy; Size: XL" in a cell
  'slashed', // "Navy / XL" in a cell
  'across', // sizes across the columns
  'acrossTwo', // with captions above
  'styles', // a style code; names differ in their words
  'codes', // the stem of SKUs and names with unknown colours
  'paired', // columns of option names and values
  'lines', // a row a family, colours and sizes listed in cells
  'linesOfColours', // a row a colour, sizes listed in a cell
] as const;
export type Shape = (typeof SHAPES)[number];

/** A repeatable source of chance (mulberry32, public domain). */
export function chance(seed: number) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const int = (most: number) => Math.floor(next() * most);
  const pick = <T>(list: readonly T[]): T => list[int(list.length)]!;
  const some = <T>(list: readonly T[], count: number): T[] => {
    const left = list.slice();
    return Array.from({ length: Math.min(count, left.length) }, () => left.splice(int(left.length), 1)[0]!);
  };
  const shuffled = <T>(list: readonly T[]): T[] => some(list, list.length);
  return { next, int, pick, some, shuffled, likely: (share: number) => next() < share };
}
export type Chance = ReturnType<typeof chance>;

export const words = (text: string) => text.split(',').map((one) => one.trim());

const FIRST = words(
  'Harbour, Storm, Tarn, Fell, Cove, Quay, Merrow, Skerry, Lantern, Bothy, Cairn, Firth, Gull, Heron, Otter, Pebble Beach, North Shore, Sandbar, Wharf, Anchor, Rosewood, Old Mill, Silver Birch, Blackwater, Redcliff',
);
const KINDS = words('rain, wool, deck, work, knitted, everyday, padded, ribbed, travel, garden, evening, coastal');
const GOODS: { goods: string[]; axes: (readonly Role[])[] }[] = [
  {
    goods: words('Jacket, Smock, Parka, Shirt, Jumper, Cardigan, Trousers, Gilet, Hoodie, Dress, Skirt, T-Shirt'),
    axes: [['colour', 'size'], ['colour', 'size'], ['size'], ['colour']],
  },
  { goods: words('Boots, Clogs, Sandals, Trainers'), axes: [['colour', 'size'], ['size']] },
  {
    goods: words('Socks, Tights'),
    axes: [
      ['colour', 'size', 'pack'],
      ['colour', 'size'],
    ],
  },
  { goods: words('Mug, Bowl, Jug, Flask'), axes: [['colour', 'volume'], ['colour'], ['volume']] },
  { goods: words('Blanket, Throw, Rug, Tablecloth'), axes: [['pattern', 'size'], ['colour', 'size'], ['pattern']] },
  { goods: words('Dog Coat, Lead, Collar'), axes: [['colour', 'length'], ['length']] },
  { goods: words('Cushion, Tote Bag, Apron, Beanie, Scarf'), axes: [['colour'], ['pattern'], ['colour', 'material']] },
];
export const BESIDE = words('Care Kit, Gift Box, Repair Patch, Gift Card, Spare Buckle, Storage Bag');
const COLOURS = words(
  'Navy, Black, White, Red, Olive, Rust, Mustard, Teal, Forest Green, Sky Blue, Burnt Orange, Dusty Rose, Heather Grey, Off White, Charcoal, Sand, Moss, Ochre, Petrol, Plum, Bottle Green, Midnight, Ecru, Burgundy, Light Grey, Dark Brown, Navy/White, Royal Blue, Stone, Lilac, Mint',
);
/** Nobody's dictionary has them. */
const UNKNOWN = words(
  'Gannet, Tidewater, Sea Holly, Selkie, Marram, Bladderwrack, Lugworm, Guillemot, Tormentil, Samphire',
);
export const SIZES: string[][] = [
  words('XS, S, M, L, XL, XXL'),
  words('36, 37, 38, 39, 40, 41, 42'),
  words('34, 36, 38, 40, 42, 44'),
  words('8, 10, 12, 14, 16'),
  words('92, 98, 104, 110, 116'),
  words('35-38, 39-42, 43-46'),
  words('2-3 years, 4-5 years, 6-7 years'),
  words('UK 8, UK 10, UK 12, UK 14'),
];
const FORMATS = words('130 x 180 cm, 140 x 200 cm, 150 x 220 cm');
const VOLUMES = words('250 ml, 350 ml, 500 ml, 0.75 l');
const LENGTHS = words('30 cm, 35 cm, 40 cm, 45 cm, 50 cm');
const PACKS = words('1-pack, 3-pack, 5-pack');
const PATTERNS = words('Striped, Plain, Checked, Herringbone, Floral, Tartan');
const MATERIALS = words('Cotton, Linen, Wool, Fleece, Canvas');
export const SPELLED: Record<string, string[]> = {
  XS: ['XS', 'X-Small', 'xs', 'Extra Small'],
  S: ['S', 'Small', 's'],
  M: ['M', 'Medium', 'm'],
  L: ['L', 'Large', 'l'],
  XL: ['XL', 'X-Large', 'xl', 'Extra Large'],
  XXL: ['XXL', '2XL', 'XX-Large'],
};
export const HEADERS: Partial<Record<string, string[]>> = {
  name: words('Name, Product, Title, Article, Bezeichnung, Produktname, Désignation, Nombre, Description of goods'),
  colour: words('Colour, Color, Farbe, Couleur, COLOUR NAME, Shade, Colore'),
  size: words('Size, Größe, Taille, Talla, SIZE, Maat'),
  pack: words('Pack, Pack size, Packung'),
  volume: words('Volume, Capacity, Inhalt, Contenance'),
  length: words('Length, Back length, Länge'),
  pattern: words('Pattern, Design, Muster'),
  material: words('Material, Fabric, Stoff'),
  sku: words('SKU, Article no, Artikelnummer, Item code, Réf.'),
  gtin: words('EAN, GTIN, Barcode, EAN-13'),
  price: words('Price, RRP incl VAT, VK, Prix, Price EUR'),
  stock: words('Stock, Qty, Bestand, On hand'),
  brand: words('Brand, Marke, Marque'),
  style: words('Style, Style code, Model no, Modell'),
  parent: words('Parent, Parent SKU, Belongs to'),
  packed: words('Options, Variant, Attributes, Variante'),
};

export interface Child {
  at: { role: Role; value: string }[];
  sku: string;
  gtin: string;
}
export interface Family {
  name: string;
  brand: string;
  style: string;
  price: string;
  axes: Role[];
  children: Child[];
}

function valuesFor(by: Chance, role: Role, colours: readonly string[], sizes: readonly string[]): string[] {
  const count = 2 + by.int(3);
  switch (role) {
    case 'colour':
      return by.some(colours, count);
    case 'size':
      return sizes.slice(0, 2 + by.int(sizes.length - 1));
    case 'pack':
      return PACKS.slice(0, 2);
    case 'volume':
      return VOLUMES.slice(0, count);
    case 'length':
      return LENGTHS.slice(0, count);
    case 'pattern':
      return by.some(PATTERNS, count);
    default:
      return by.some(MATERIALS, count);
  }
}

const codeOf = (text: string) =>
  text
    .toUpperCase()
    .replace(/[^A-Z0-9]/g, '')
    .slice(0, 3);

export function makeFamilies(by: Chance, shape: Shape, count: number): Family[] {
  const used = new Set<string>();
  const brands = words('Skerry Supply, Merrow & Daughters, Tarnside');
  const families: Family[] = [];
  const colours =
    shape === 'codes'
      ? [...by.some(COLOURS, 8), ...by.some(UNKNOWN, 5)]
      : ['columns', 'styles', 'parents'].includes(shape)
        ? [...COLOURS, ...UNKNOWN]
        : COLOURS;
  while (families.length < count) {
    const group = by.pick(GOODS);
    const goods = by.pick(group.goods);
    const name = [by.pick(FIRST), ...(by.likely(0.4) ? [by.pick(KINDS)] : []), goods].join(' ');
    if (used.has(name)) continue;
    used.add(name);
    const isClothing = group === GOODS[0];
    const sizes =
      group === GOODS[1]
        ? SIZES[1]!
        : group === GOODS[2]
          ? SIZES[5]!
          : isClothing
            ? by.pick([SIZES[0]!, SIZES[0]!, SIZES[2]!, SIZES[3]!, SIZES[4]!, SIZES[6]!, SIZES[7]!])
            : FORMATS;
    const axes = ['across', 'acrossTwo', 'lines', 'linesOfColours'].includes(shape)
      ? (['colour', 'size'] as Role[])
      : [...by.pick(group.axes)];
    const initials = name
      .split(' ')
      .map((word) => word[0])
      .join('')
      .toUpperCase();
    const brand = by.pick(brands);
    const style = `${initials}${100 + families.length}`;
    const make = (ofBrand: string, ofStyle: string) => {
      const values = axes.map((role) => valuesFor(by, role, colours, sizes));
      const crossings = values.reduce<string[][]>(
        (all, some) => all.flatMap((one) => some.map((value) => [...one, value])),
        [[]],
      );
      const woven = crossings.filter(() => by.likely(0.93));
      const children = (woven.length > 1 ? woven : crossings).map((at): Child => ({
        at: at.map((value, place) => ({ role: axes[place]!, value })),
        sku: [ofStyle, ...at.map(codeOf)].join('-'),
        gtin: gtinOf(by),
      }));
      // What does not differ is no axis.
      const differ = axes.filter((_, place) => new Set(children.map((child) => child.at[place]!.value)).size > 1);
      families.push({
        name,
        brand: ofBrand,
        style: ofStyle,
        price: (9 + by.int(190) + 0.9).toFixed(2),
        axes: differ,
        children,
      });
    };
    make(brand, style);
    // The same goods of two brands.
    if (by.likely(0.08) && ['columns', 'repeated', 'dashes', 'packed'].includes(shape))
      make(
        brands.find((one) => one !== brand)!,
        `${style}B`,
      );
  }
  return families.filter((family) => family.axes.length > 0);
}

export function gtinOf(by: Chance): string {
  const body = `950${Array.from({ length: 9 }, () => by.int(10)).join('')}`;
  return body + gtinCheckDigit(body);
}
