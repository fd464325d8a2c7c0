/**
 * Lists as houses keep them over the years: names in several ways of writing, columns half filled, numbers of goods in their names, names in lines
 * between the rows, options in SKUs alone, care kits beside the goods. With `isStrange` two of three colours are words that no dictionary has.
 */
import type { Role } from '@loom-kin/core/family';
import { chance, words, type Chance } from './messyGoods';
import type { MessyList } from './messyLists';

interface Goods {
  name: string;
  brand: string;
  style: string;
  price: number;
  colours: string[];
  sizes: string[];
}
/** A row of goods at one colour and one size, either of which may be ''; `at` counts the rows of the family from 0. */
type Cells = (goods: Goods, colour: string, size: string, at: number) => string[];
interface Shape {
  headers: string[];
  cells: Cells;
  /** The row of the family itself, above its children. */
  parent?: (goods: Goods) => string[];
  /** Rows of families stand anywhere. */
  isScattered?: true;
  /** What only looks alike stands in the list, too. */
  hasKits?: true;
  /** Some goods are of two brands. */
  hasTwins?: true;
}

const MAKERS = words(
  'Alder, Birchwood, Dunmore, Elowen, Finch, Greta, Halden, Isla, Juniper Hill, Kelda, Larkspur, Maren, Nordal, Osprey, Petra, Quill, Rowan, Ulva, Verity, Wren',
);
const GROUPS = [
  {
    goods: 'Hoodie, Sweatshirt, Long Sleeve Tee, Zip Fleece, Rain Jacket, Oxford Shirt, Base Layer',
    sizes: 'XS, S, M, L, XL, XXL',
  },
  { goods: 'Polo, Down Vest, Wool Sweater', sizes: 'Small, Medium, Large, X-Large' },
  { goods: 'Slip Dress, Maxi Skirt, Culottes, Palazzo Trousers', sizes: '0, 2, 4, 6, 8, 10' },
  { goods: 'Straight Jeans, Skinny Jeans', sizes: 'W28 L30, W30 L30, W30 L32, W32 L32' },
  { goods: 'Carpenter Jeans, Work Trousers', sizes: '32W 30L, 32W 32L, 34W 32L' },
  { goods: 'Ankle Boots, Running Shoes, Loafers', sizes: '5.5, 6, 6.5, 7, 7.5' },
  { goods: 'Sandals, Trail Shoes', sizes: 'EU 39, EU 40, EU 41' },
  { goods: 'Baby Romper, Sleepsuit, Toddler Leggings', sizes: '0-3M, 3-6M, 6-9M, 9-12M' },
  { goods: 'Kids Raincoat', sizes: '92, 98, 104, 110, 116' },
  { goods: 'Flat Sheet, Throw Blanket, Pillowcase', sizes: 'Twin, Full, Queen, King' },
  { goods: 'Beanie, Tote, Umbrella, Silk Scarf, Wallet, Laptop Sleeve', sizes: '' },
].map(({ goods, sizes }) => ({ goods: words(goods), sizes: words(sizes).filter(Boolean) }));
const COLOURS = words(
  'Heather Grey, Midnight Blue, Forest Green, Burgundy, Off White, Dusty Rose, Black, White, Navy, Olive, Sand, Rust, Charcoal, Sky Blue, Light Pink, Royal Blue, Camel, Teal, Lavender, Mustard Yellow, Terracotta, Cream, Khaki, Emerald, Ivory, Plum, Mint, Ecru, Black/White, Grey Melange, Burnt Orange, Petrol',
);
const STRANGE = [
  ...words(
    'Tamarack, Hearth, Fjordlight, Wolfsbane, Oxbow, Candlewick, Marshland, Ironbark, Moonfall, Sandpiper, Nimbus, Ravenna, Solstice, Tundra, Old Barn, Wild Oats, Night Owl, Morning Haze',
  ),
  ...words('Navy, Black, Ivory, Light Pink, Plum, Grey Melange, Olive, Burnt Orange, Petrol'),
];
const SHORT: Record<string, string> = {
  Black: 'Blk',
  White: 'Wht',
  Grey: 'Gry',
  Navy: 'Nvy',
  Blue: 'Blu',
  Green: 'Grn',
  Light: 'Lt',
  Yellow: 'Ylw',
};
const SPELLED: Record<string, string[]> = {
  S: ['Small', 's'],
  M: ['Medium', 'Med'],
  L: ['Large', 'Lge'],
  XL: ['X-Large', 'Extra Large'],
};
const BRANDS = words('Morrow & Pine, Hollis, Ten Acre');
const KITS = words('Care Kit, Gift Box, Repair Patch, Replacement Zip');

const joined = (mark: string, ...parts: string[]) => parts.filter((part) => part !== '').join(mark);
const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9]/g, '');
const code = (text: string, length: number) =>
  text
    .split(/\W+/)
    .map((word) => word.slice(0, length))
    .join('')
    .toUpperCase();
const money = ({ price }: Goods) => price.toFixed(2);

const WRITTEN: ((name: string, colour: string, size: string) => string)[] = [
  (...all) => joined(' ', ...all),
  (...all) => joined(', ', ...all),
  (...all) => joined(' - ', ...all),
  (name, colour, size) => (colour + size === '' ? name : `${name} (${joined('/', colour, size)})`),
  (name, colour, size) => joined(' ', name, size, colour),
];
const named = (nameOf: Cells, headers = 'Product, Price, Stock'): Pick<Shape, 'headers' | 'cells'> => ({
  headers: words(headers),
  cells: (goods, colour, size, at) => [...nameOf(goods, colour, size, at), money(goods), '3'],
});

export const HOUSE_SHAPES: Record<string, Shape> = {
  everyWay: {
    ...named((goods, colour, size) => [WRITTEN[goods.price % WRITTEN.length]!(goods.name, colour, size)]),
    isScattered: true,
    hasKits: true,
  },
  rowByRow: named(({ name }, colour, size, at) => [WRITTEN[at % 3]!(name, colour, size)]),
  branded: { ...named(({ brand, name }, colour, size) => [joined(' ', brand, name, colour, size)]), hasTwins: true },
  capitals: named(({ name }, colour, size) => [joined(' ', name, colour, size).toUpperCase()]),
  season: named(({ name }, colour, size) => [`AW26 ${joined(' ', name, colour, size)} NEW`]),
  shortened: named(({ name }, colour, size) => [
    joined(
      ' ',
      name,
      colour.replace(/[A-Z]\w+/g, (word) => SHORT[word] ?? word),
      size,
    ),
  ]),
  said: named(({ name }, colour, size) => [`${name}${colour && `, colour ${colour}`}${size && `, size ${size}`}`]),
  numberFirst: named(({ style, name }, colour, size, at) => [`[${style}-${at}] ${joined(' ', name, colour, size)}`]),
  numberLast: named(({ style, name }, colour, size, at) => [`${joined(' ', name, colour, size)} (${style}00${at})`]),
  halfColumns: {
    headers: words('Name, Colour, Size, Price'),
    cells: (goods, colour, size) =>
      goods.price % 3
        ? [goods.name, colour, size, money(goods)]
        : [joined(' ', goods.name, colour, size), '', '', money(goods)],
  },
  sizeColumn: {
    headers: words('Description, Size, Wholesale, RRP'),
    cells: (goods, colour, size) => [joined(' ', goods.name, colour), size, '3.50', money(goods)],
  },
  between: {
    headers: words('Colour, Size, Price, Qty'),
    parent: ({ name }) => [name, '', '', ''],
    cells: (goods, colour, size) => [colour, size, money(goods), '2'],
  },
  childrenUnnamed: {
    headers: words('SKU, Parent, Name, Attribute 1, Attribute 2, Price'),
    parent: ({ style, name }) => [style, '', name, '', '', ''],
    cells: (goods, colour, size, at) => [`${goods.style}-${at}`, goods.style, '', colour, size, money(goods)],
    isScattered: true,
  },
  styleColour: {
    headers: words('Style/Colour, Description, Size, Price'),
    cells: (goods, colour, size) => {
      const bare = (one: string) => plain(one).replace('grey', 'gray');
      const number = goods.colours.findIndex((one) => bare(one) === bare(colour)) + 1;
      return [`${goods.style}-00${number}`, joined(' ', goods.name, colour), size, money(goods)];
    },
  },
  skusAlone: {
    headers: words('sku, name, price'),
    cells: (goods, colour, size) => [
      joined('_', goods.style, plain(colour), size.toLowerCase().replace(/ /g, '')),
      goods.name,
      money(goods),
    ],
  },
  skuStems: {
    headers: words('SKU, Item, Price'),
    cells: (goods, colour, size) => [
      joined('-', code(goods.name, 3), goods.style, code(colour, 3), size.replace(/ /g, '')),
      joined(' ', code(goods.name, 4), colour, size),
      money(goods),
    ],
  },
  packed: {
    headers: words('Title, Options, Price'),
    cells: (goods, colour, size) => [
      goods.name,
      joined('; ', colour && `Colour: ${colour}`, size && `Size: ${size}`),
      money(goods),
    ],
  },
};

function makeGoods(by: Chance, at: number, used: Set<string>, isStrange: boolean): Goods {
  const group = by.pick(GROUPS);
  const name = `${by.pick(MAKERS)} ${by.pick(group.goods)}`;
  if (used.has(name)) return makeGoods(by, at, used, isStrange);
  used.add(name);
  const count = group.sizes.length === 0 || by.likely(0.12) ? 0 : 2 + by.int(group.sizes.length - 1);
  const from = by.int(group.sizes.length - count + 1);
  return {
    name,
    brand: by.pick(BRANDS),
    style: String(10_000 + at * 137),
    price: 5 + by.int(100),
    colours: by.some(isStrange ? STRANGE : COLOURS, count === 0 ? 2 + by.int(3) : by.int(5)),
    sizes: group.sizes.slice(from, from + count),
  };
}

/** The same goods of another brand, at another price and in other colours. */
const twinOf = (goods: Goods, by: Chance): Goods => ({
  ...goods,
  brand: by.pick(BRANDS.filter((brand) => brand !== goods.brand)),
  style: `${goods.style}9`,
  price: goods.price + 7,
  colours: by.some(COLOURS, goods.colours.length),
});

const respelled = (by: Chance, colour: string): string =>
  by.pick([colour, colour, colour.toUpperCase(), colour.toLowerCase(), colour.replace('Grey', 'Gray')]);

/** A list of fifty families and more with the truth beside it. */
export function houseList(shapeName: string, seed: number, isStrange: boolean): Omit<MessyList, 'shape'> {
  const shape = HOUSE_SHAPES[shapeName]!;
  const by = chance(seed * 71 + shapeName.length * 11 + shapeName.charCodeAt(1));
  const used = new Set<string>();
  const all = Array.from({ length: 50 }, (_, at) => makeGoods(by, at, used, isStrange));
  if (shape.hasTwins)
    all.push(
      ...by
        .some(all, 10)
        .filter(({ colours }) => colours.length > 0)
        .map((goods) => twinOf(goods, by)),
    );
  // A row with the family that it is of: none for parents, one of its own for a kit.
  const rows: { cells: string[]; of: number | null }[] = [];
  all.forEach((goods, of) => {
    if (shape.parent) rows.push({ cells: shape.parent(goods), of: null });
    const { colours, sizes } = goods;
    let at = 0;
    for (const colour of colours.length > 0 ? colours : [''])
      for (const size of sizes.length > 0 ? sizes : ['']) {
        const spelled = by.likely(0.2) ? by.pick(SPELLED[size] ?? [size]) : size;
        rows.push({ cells: shape.cells(goods, respelled(by, colour), spelled, at++), of });
      }
    if (shape.hasKits && by.likely(0.4)) {
      const kit = { ...goods, name: `${goods.name} ${by.pick(KITS)}`, price: 6 };
      rows.push({ cells: shape.cells(kit, '', '', 0), of: all.length + of });
    }
  });
  const table = shape.isScattered ? by.shuffled(rows) : rows;
  const rowsOf = grouped(table);
  const families = [...rowsOf].map(([of, own]) => {
    const goods = all[of];
    const axes: Role[] = [
      ...(goods && goods.colours.length > 1 ? ['colour' as const] : []),
      ...(goods && goods.sizes.length > 1 ? ['size' as const] : []),
    ];
    return { name: goods?.name ?? 'kit', axes, rows: own };
  });
  return {
    table: [shape.headers, ...table.map(({ cells }) => cells)],
    families: families.filter(({ axes }) => axes.length > 0),
    singles: families.flatMap(({ axes, rows: own }) => (axes.length > 0 ? [] : own)),
  };
}

/** Family → its rows in the table, from 1, the header included. */
function grouped(rows: readonly { of: number | null }[]): Map<number, number[]> {
  const found = new Map<number, number[]>();
  rows.forEach(({ of }, at) => {
    if (of !== null) found.set(of, [...(found.get(of) ?? []), at + 2]);
  });
  return found;
}
