/**
 * Lists of goods whose colours are called as an open list of some 4,900 names calls them (color-name-list, MIT):
 * "Velvet Magic", "Girl Crush", "Bento Box". Of all colours the share `odd` is drawn from it, the others are plain
 * ones.
 */
import { colornames } from 'color-name-list/bestof';
import type { Role } from '@loom-kin/core/family';
import { chance, words, type Chance } from './messyGoods';
import type { MessyList } from './messyLists';

interface Goods {
  name: string;
  price: string;
  colours: string[];
  sizes: string[];
  role: Role;
}

/** One or two words each, as goods have them. */
const OPEN = colornames.map(({ name }) => name).filter((name) => /^[A-Z][a-z]+(?: [A-Z][a-z]+)?$/.test(name));
const PLAIN = words(
  'Black, White, Navy, Grey, Red, Blue, Green, Beige, Khaki, Charcoal, Burgundy, Cream, Brown, Pink, Yellow, Olive, Teal, Mustard, Royal Blue, Dark Green, Light Grey, Heather Grey, Bottle Green, Off White',
);
const MAKERS = words(
  'Aldis, Brunel, Corrie, Danvers, Eskil, Farrow, Gulliver, Hartnell, Ingram, Jessop, Kincaid, Lomond, Morley, Nesbit, Orrin, Pascoe, Quentin, Renwick, Selwyn, Tobias, Usher, Vaughan, Wystan, Yarrow',
);
const MAKES = [
  '',
  '',
  '',
  ...words("Mens, Women's, Kids, Ribbed, Zip, Long Sleeve, Waterproof, Slim Fit, Cotton, Padded"),
];
const KINDS: { goods: string; sizes: string; role: Role }[] = [
  {
    goods: 'Jacket, Parka, Gilet, Shirt, Tee, Hoodie, Sweater, Dress, Leggings, Gloves',
    sizes: 'XS, S, M, L, XL, XXL',
    role: 'size',
  },
  { goods: 'Jeans, Chinos, Trousers', sizes: '28, 30, 32, 33, 34, 36', role: 'size' },
  { goods: 'Sneakers, Boots, Sandals, Clogs', sizes: '36, 37, 38, 39, 40, 41, 42', role: 'size' },
  { goods: 'Onesie, Babygrow', sizes: '0-3 Months, 3-6 Months, 6-12 Months', role: 'size' },
  { goods: 'Duvet Cover, Fitted Sheet, Mattress', sizes: 'Single, Double, King', role: 'size' },
  { goods: 'Flask, Vase, Planter', sizes: '350 ml, 500 ml, 750 ml, 1 l', role: 'volume' },
  { goods: 'Ribbon, Rope, Leash', sizes: '1 m, 2 m, 3 m, 5 m', role: 'length' },
  { goods: 'Beanie, Scarf, Mug, Umbrella, Wallet, Lamp, Notebook, Towel', sizes: '', role: 'size' },
];

const joined = (mark: string, ...parts: string[]) => parts.filter((part) => part !== '').join(mark);
type NameOf = (name: string, colour: string, size: string) => string;

/** Ways to write names, those that part what is in them by signs first. */
export const PARTED: Record<string, NameOf> = {
  commas: (name, colour, size) => joined(', ', name, colour, size),
  dashes: (name, colour, size) => joined(' - ', name, colour, size),
  colourFirst: (name, colour, size) => joined(' - ', colour, name, size),
  pipes: (name, colour, size) => joined(' | ', name, size, colour),
  brackets: (name, colour, size) => `${name} (${joined(', ', colour, size)})`,
  said: (name, colour, size) => joined(', ', name, `Colour: ${colour}`, size && `Size: ${size}`),
};
export const UNPARTED: Record<string, NameOf> = {
  behind: (name, colour, size) => joined(' ', name, colour, size),
  before: (name, colour, size) => joined(' ', colour, name, size),
};
/** A row of such a list says nothing but what changes from the row above. */
export const BLANK_BELOW = 'blankBelow';

function makeGoods(by: Chance, odd: number, used: Set<string>): Goods {
  const { goods, sizes, role } = by.pick(KINDS);
  const name = joined(' ', by.pick(MAKERS), by.pick(MAKES), by.pick(words(goods)));
  const colour = () => by.pick(by.likely(odd) ? OPEN : PLAIN);
  const colours = [...new Set(Array.from({ length: 2 + by.int(4) }, colour))].filter((one) => !name.includes(one));
  if (used.has(name) || colours.length < 2) return makeGoods(by, odd, used);
  used.add(name);
  const all = words(sizes).filter(Boolean);
  const own = by.some(all, 1 + by.int(all.length));
  return { name, role, colours, price: `${9 + by.int(80)}.95`, sizes: all.filter((size) => own.includes(size)) };
}

/** A list of forty families written in a way, with the truth beside it. */
export function openColourList(way: string, seed: number, odd: number): Omit<MessyList, 'shape'> {
  const by = chance(seed * 101 + way.length * 7 + way.charCodeAt(0));
  const used = new Set<string>();
  const all = Array.from({ length: 40 }, () => makeGoods(by, odd, used));
  const rows = all.flatMap((goods) =>
    goods.colours.flatMap((colour) =>
      (goods.sizes.length ? goods.sizes : ['']).map((size) => ({ goods, colour, size })),
    ),
  );
  const nameOf = PARTED[way] ?? UNPARTED[way];
  const ordered = nameOf && by.likely(0.5) ? by.shuffled(rows) : rows;
  const cells = ordered.map(({ goods, colour, size }, at) => {
    if (nameOf) return [nameOf(goods.name, colour, size), goods.price];
    const above = ordered[at - 1];
    const isSame = above?.goods === goods;
    return [isSame ? '' : goods.name, isSame ? '' : goods.price, isSame && above.colour === colour ? '' : colour, size];
  });
  const saysSize = !nameOf || way === 'said';
  const families = all.map((goods) => ({
    name: goods.name,
    values: [...goods.colours, ...goods.sizes],
    axes: ['colour' as Role, ...(goods.sizes.length > 1 ? [saysSize ? ('size' as Role) : goods.role] : [])],
    rows: ordered.flatMap((row, at) => (row.goods === goods ? [at + 2] : [])),
  }));
  const headers = nameOf ? ['Name', 'Price'] : ['Name', 'Price', 'Colour', 'Size'];
  return { table: [headers, ...cells], families, singles: [] };
}
