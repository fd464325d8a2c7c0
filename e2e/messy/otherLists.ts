/**
 * Lists of another hand: goods, words and ways of writing them that the first lists do not have, so that what was learned of those is tried on
 * others. With `isStrange` two of three colours are words that no dictionary has.
 */
import type { Role } from '@loom-kin/core/family';
import { chance, words, type Chance } from './messyGoods';
import type { MessyList } from './messyLists';

interface Goods {
  name: string;
  brand: string;
  style: string;
  price: string;
  colours: string[];
  sizes: string[];
  /** What its sizes are where the list does not say it. */
  role: Role;
}
/** A row of goods, at one colour and one size; either may be ''. */
type Cells = (goods: Goods, colour: string, size: string, at: number) => string[];
interface Shape {
  headers: string[];
  cells: Cells;
  /** The row of the family itself, which comes before its children. */
  parent?: (goods: Goods) => string[];
  /** The list itself says that these are sizes. */
  saysSize?: true;
}

const GROUPS: { goods: string[]; sizes: string[]; role: Role }[] = [
  {
    goods: words(
      'Ashdown Parka, Roll Neck Jumper, Packaway Mac, Quilted Gilet, Slub Henley, Linen Blazer, Waxed Jacket, Thermal Vest, Polo Shirt, Fair Isle Cardigan, Pyjama Set, Running Tights',
    ),
    sizes: words('XS, S, M, L, XL, 2XL, 3XL'),
    role: 'size',
  },
  {
    goods: words('Wrap Midi Dress, Pencil Skirt, Denim Dungarees, Cord Trousers'),
    sizes: words('6, 8, 10, 12, 14, 16, 18'),
    role: 'size',
  },
  { goods: words('Selvedge Jeans, Cargo Pants'), sizes: words('30R, 32R, 34R, 32L, 34L'), role: 'size' },
  {
    goods: words('Puddle Suit, Fleece Mittens, Swim Shorts'),
    sizes: words('3-4 Years, 5-6 Years, 7-8 Years'),
    role: 'size',
  },
  { goods: words('Chelsea Boots, Canvas Deck Shoes'), sizes: words('UK 6, UK 7, UK 8, UK 9'), role: 'size' },
  { goods: words('Sports Bra, Balconette Bra'), sizes: words('32B, 34B, 34C, 36D'), role: 'size' },
  {
    goods: words('Duvet Cover, Fitted Sheet, Bedspread'),
    sizes: words('Single, Double, King, Super King'),
    role: 'size',
  },
  { goods: words('Leather Belt, Dog Lead, Curtain Tie'), sizes: words('80cm, 90cm, 100cm'), role: 'length' },
  { goods: words('Water Bottle, Storage Jar'), sizes: words('250ml, 500ml, 1L'), role: 'volume' },
  { goods: words('Picture Frame, Sketch Pad'), sizes: words('A5, A4, A3'), role: 'size' },
  { goods: words('Bucket Hat, Cashmere Scarf, Rucksack, Yoga Mat, Phone Case'), sizes: [], role: 'size' },
];
const MAKES = ['', '', '', ...words('Classic, Heritage, Essential, Womens, Mens, Organic, Lightweight, Luxe')];
const COLOURS = words(
  'Bottle Green, Burnt Sienna, Duck Egg, Gunmetal, Oatmeal Marl, Tangerine, Pistachio, Mulberry, Champagne, Jet Black, Ice Blue, Dusky Pink, Mink, Chocolate, Aubergine, Mustard, Cobalt, Stone, Airforce, Charcoal Heather, Washed Black, Mid Blue, Indigo, Red/White, Navy Stripe, Tortoiseshell, Camo, Taupe, Lilac, Cream',
);
const STRANGE = [
  ...words(
    'Zephyr, Brume, Kestrel, Lochan, Ondine, Vesper, Cassis, Nori, Sumac, Calico, Moonbeam, Bluestone, Thunderbird, Wild Thyme, Winter Moss, Sea Spray',
  ),
  ...words('Navy, Black, White, Red, Grey Marl, Dark Green, Sky Blue, Rust'),
];
const BRANDS = words('Penhallow, Rook & Daughter, Tamsin Oake, Northgate Mill');

const joined = (mark: string, parts: readonly string[]) => parts.filter((part) => part !== '').join(mark);
/** The option's letters as a SKU has them. */
const code = (text: string, length: number) => text.replace(/\W/g, '').slice(0, length).toUpperCase();

const named = (nameOf: (goods: Goods, colour: string, size: string) => string): Shape => ({
  headers: words('Item, Barcode, RRP, Qty'),
  cells: (goods, colour, size) => [nameOf(goods, colour, size), '', goods.price, '3'],
});

export const OTHER_SHAPES: Record<string, Shape> = {
  commas: named(({ name }, colour, size) => joined(', ', [name, colour, size])),
  blanks: named(({ name }, colour, size) => joined(' ', [name, colour, size])),
  dash: named(({ name }, colour, size) => joined(' - ', [name, joined(' / ', [colour, size])])),
  brackets: named(({ name }, colour, size) =>
    colour + size === '' ? name : `${name} (${joined(', ', [colour, size])})`,
  ),
  strokes: named(({ name }, colour, size) => joined(' | ', [name, colour, size])),
  front: named(({ name }, colour, size) => joined(' ', [colour, name, size])),
  sizeFront: named(({ name }, colour, size) => joined(' ', [size, name, colour])),
  said: {
    ...named(({ name }, colour, size) => `${name}${colour && ` in ${colour}`}${size && ` - Size ${size}`}`),
    saysSize: true,
  },
  branded: named(({ brand, name }, colour, size) => joined(' ', [brand, name, colour, size])),
  columns: {
    headers: words('Article, Shade, Size, Cost, RRP'),
    cells: ({ name, price }, colour, size) => [name, colour, size, '5.00', price],
    saysSize: true,
  },
  coded: {
    headers: words('Style No, Description, Col, Sz, Wholesale'),
    cells: ({ style, name, price }, colour, size) => [style, joined(' ', [name, colour]), colour, size, price],
    saysSize: true,
  },
  colourInName: {
    headers: words('Title, Size, SKU'),
    cells: ({ name, style }, colour, size, at) => [joined(' - ', [name, colour]), size, `${style}-${at + 1}`],
    saysSize: true,
  },
  skus: {
    headers: words('SKU, Name, Price'),
    cells: ({ style, name, price }, colour, size) => [
      joined('-', [style, code(colour, 3), code(size, 9)]),
      joined(' ', [name, colour, size]),
      price,
    ],
  },
  parents: {
    headers: words('Product ID, Parent ID, Product Title, Colour, Size, Retail'),
    parent: ({ style, name }) => [style.slice(2), '', name, '', '', ''],
    // "P1-0" beside "P10".
    cells: ({ style, name, price }, colour, size, at) => [
      ...[`${style.slice(2)}-${at}`, style.slice(2), joined(' ', [name, colour, size]), colour, size, price],
    ],
    saysSize: true,
  },
  strokesInCell: {
    headers: words('Product, Variation, Price'),
    cells: ({ name, price }, colour, size) => [name, joined(' / ', [colour, size]), price],
  },
};

function makeGoods(by: Chance, at: number, used: Set<string>, isStrange: boolean): Goods {
  const group = by.pick(GROUPS);
  const name = joined(' ', [by.pick(MAKES), by.pick(group.goods)]);
  if (used.has(name)) return makeGoods(by, at, used, isStrange);
  used.add(name);
  const count = group.sizes.length === 0 || by.likely(0.15) ? 0 : 2 + by.int(group.sizes.length - 1);
  const from = by.int(group.sizes.length - count + 1);
  return {
    ...{ name, brand: by.pick(BRANDS), style: `ST${at + 1}`, role: group.role },
    price: (9 + ((name.length * 7) % 80)).toFixed(2),
    colours: by.some(isStrange ? STRANGE : COLOURS, count === 0 ? 2 + by.int(3) : by.int(5)),
    sizes: group.sizes.slice(from, from + count),
  };
}

/** A list of sixty families with the truth beside it. */
export function otherList(shapeName: string, seed: number, isStrange: boolean): Omit<MessyList, 'shape'> {
  const shape = OTHER_SHAPES[shapeName]!;
  const by = chance(seed * 53 + shapeName.length * 7 + shapeName.charCodeAt(0));
  const used = new Set<string>();
  const all = Array.from({ length: 60 }, (_, at) => makeGoods(by, at, used, isStrange));
  const table = [shape.headers];
  const families = all.map((goods) => {
    const { colours, sizes, role } = goods;
    if (shape.parent) table.push(shape.parent(goods));
    const crossings = (colours.length ? colours : ['']).flatMap((colour) =>
      (sizes.length ? sizes : ['']).map((size) => [colour, size] as const),
    );
    const rows = crossings.map(([colour, size], at) => {
      const spelled = by.likely(0.15) ? colour.toUpperCase() : by.likely(0.1) ? colour.toLowerCase() : colour;
      return table.push(shape.cells(goods, spelled, size, at));
    });
    const axes: Role[] = [
      ...(colours.length > 1 ? ['colour' as const] : []),
      ...(sizes.length > 1 ? [shape.saysSize ? 'size' : role] : []),
    ];
    return { name: goods.name, axes, rows };
  });
  return {
    table,
    families: families.filter(({ axes }) => axes.length > 0),
    singles: families.flatMap(({ axes, rows }) => (axes.length > 0 ? [] : rows)),
  };
}
