/**
 * Lists of goods that are called by colours ("Blue Harbour Bolero", "Copper Kettle Loafers", "Green Man Trug"), many of them goods that no
 * dictionary has. With `isStrange` a third of what they come in are words that nobody knows as colours.
 */
import type { Role } from '@loom-kin/core/family';
import { chance, words, type Chance } from './messyGoods';
import type { MessyList } from './messyLists';

interface Goods {
  name: string;
  brand: string;
  price: string;
  colours: string[];
  sizes: string[];
  role: Role;
}

/** What goods are called before what they are. */
const CALLED = words(
  'Aldervale, Sea Holly, Little Wren, White Cliffs, Blue Harbour, Redwood, Silver Birch, Blackwater, Olive Grove, Marlow, Old Mill, Stonebridge, Green Man, Copper Kettle, Tidewater, Brambling, North Star, Everyday, Moonlight, Cornfield, Rosehill, Oakham, Greyfriars, Peach Tree',
);
const MAKES = ['', '', '', ...words('Wool, Linen, Cable Knit, Quilted, Enamel, Striped, Ladies, Mens, Kids, Chunky')];
const GROUPS: { goods: string[]; sizes: string[]; role: Role }[] = [
  {
    goods: words('Bolero, Tabard, Guernsey, Oilskin, Tunic, Smock, Jumper, Shirt, Mittens, Collar, Tights'),
    sizes: words('XS, S, M, L, XL, XXL'),
    role: 'size',
  },
  { goods: words('Trilby, Fedora'), sizes: words('56, 57, 58, 59, 60'), role: 'size' },
  { goods: words('Plimsoll, Wellies, Brogues, Loafers'), sizes: words('37, 38, 39, 40, 41, 42'), role: 'size' },
  { goods: words('Dungarees, Pinafore'), sizes: words('8, 10, 12, 14, 16'), role: 'size' },
  { goods: words('Decanter, Tureen, Jug, Rucksack'), sizes: words('250ml, 500ml, 1L, 1.5L'), role: 'volume' },
  { goods: words('Colander, Skillet, Wok, Lampshade'), sizes: words('16cm, 20cm, 24cm, 28cm'), role: 'length' },
  { goods: words('Bolster, Rug, Throw, Cushion'), sizes: words('45x45cm, 60x60cm, 80x120cm'), role: 'size' },
  { goods: words('Socks'), sizes: words('36-38, 39-41, 42-44, 45-47'), role: 'size' },
  { goods: words('Romper, Sleepsuit'), sizes: words('0-3m, 3-6m, 6-12m, 12-18m'), role: 'size' },
  { goods: words('Cravat, Wrap, Turban, Trivet, Trug, Bootjack, Kneeler, Apron, Mug, Tote'), sizes: [], role: 'size' },
];
const COLOURS = words(
  'Navy, Charcoal, Rust, Sage, Ecru, Black, White, Forest Green, Dusty Pink, Off White, Burnt Orange, Sky Blue, Rose Gold, Bottle Green, Mustard, Teal, Pale Grey, Dark Red, Cream, Plum, Heather Grey, Oatmeal, Khaki, Burgundy, Lilac, Terracotta, Midnight Blue',
);
const STRANGE = words(
  'Puffin, Skerry, Gorse Hill, Tarn, Fjell, Samphire, Lugworm, Barnacle, Thrift, Wrack, Gannet, Selkie',
);

const joined = (mark: string, parts: readonly string[]) => parts.filter((part) => part !== '').join(mark);
type Cells = (goods: Goods, colour: string, size: string) => string[];
const named = (
  nameOf: (goods: Goods, colour: string, size: string) => string,
): { headers: string[]; cells: Cells } => ({
  headers: words('Title, Brand, RRP'),
  cells: (goods, colour, size) => [nameOf(goods, colour, size), goods.brand, goods.price],
});

export const CALLED_SHAPES: Record<string, { headers: string[]; cells: Cells; saysSize?: true }> = {
  behind: named(({ name }, colour, size) => joined(' ', [name, colour, size])),
  before: named(({ name }, colour, size) => joined(' ', [colour, name, size])),
  sizeFirst: named(({ name }, colour, size) => joined(' ', [size, colour, name])),
  dash: named(({ name }, colour, size) => joined(' - ', [name, colour, size])),
  brackets: named(({ name }, colour, size) =>
    colour + size === '' ? name : `${name} (${joined(', ', [colour, size])})`,
  ),
  said: {
    ...named(({ name }, colour, size) => joined(' ', [name, colour && `in ${colour}`, size && `size ${size}`])),
    saysSize: true,
  },
  option: {
    headers: words('Title, Brand, Option, RRP'),
    cells: ({ name, brand, price }, colour, size) => [joined(' ', [name, size]), brand, colour, price],
  },
  shouted: named(({ name }, colour, size) =>
    joined(' ', [name, colour.toUpperCase(), size, size.length % 2 ? '- SALE' : '']),
  ),
};

function makeGoods(by: Chance, used: Set<string>, isStrange: boolean): Goods {
  const { goods, sizes, role } = by.pick(GROUPS);
  const name = joined(' ', [by.pick(CALLED), by.pick(MAKES), by.pick(goods)]);
  const colours = by
    .some(COLOURS, 2 + by.int(4))
    .map((colour) => (isStrange && by.likely(1 / 3) ? by.pick(STRANGE) : colour))
    .filter((colour, at, all) => all.indexOf(colour) === at && !name.includes(colour));
  if (used.has(name) || colours.length < 2) return makeGoods(by, used, isStrange);
  used.add(name);
  return {
    name,
    role,
    colours,
    brand: by.pick(words('Penhallow, Kite & Daughter')),
    price: `${9 + by.int(80)}.95`,
    sizes: sizes.length === 0 ? [] : by.some(sizes, 1 + by.int(sizes.length)),
  };
}

/** A list of forty families, their rows in whatever order, with the truth beside it. */
export function calledList(shapeName: string, seed: number, isStrange: boolean): Omit<MessyList, 'shape'> {
  const { headers, cells, saysSize } = CALLED_SHAPES[shapeName]!;
  const by = chance(seed * 67 + shapeName.length * 5 + shapeName.charCodeAt(0));
  const used = new Set<string>();
  const all = Array.from({ length: 40 }, () => makeGoods(by, used, isStrange));
  const rows = all.flatMap((goods) =>
    goods.colours.flatMap((colour) =>
      (goods.sizes.length ? goods.sizes : ['']).map((size) => ({ goods, cells: cells(goods, colour, size) })),
    ),
  );
  const mixed = by.some(rows, rows.length);
  const families = all.map((goods) => ({
    name: goods.name,
    axes: ['colour' as Role, ...(goods.sizes.length > 1 ? [saysSize ? 'size' : goods.role] : [])],
    rows: mixed.flatMap((row, at) => (row.goods === goods ? [at + 2] : [])),
  }));
  return { table: [headers, ...mixed.map((row) => row.cells)], families, singles: [] };
}
