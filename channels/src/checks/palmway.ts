/** What Palmway refuses. Its second edition wants shorter labels and the country of making. */
import type { Goods, LookAt, Reason } from '../goods';
import type { RowSheet } from '../rowSheet';
import { noLinks, pictures, pieces, prices, say, shape, texts } from './common';

export const PALMWAY_SHEET: RowSheet = {
  format: 'csv',
  currency: 'SGD',
  childFields: ['Parcel kg', 'Parcel length cm', 'Parcel width cm', 'Parcel height cm', 'Made of'],
};

const CATEGORIES = ['rain', 'tops', 'bottoms', 'socks', 'little', 'pets', 'bedding', 'kitchen'];
const OF_CLOTH = ['rain', 'tops', 'bottoms', 'socks', 'little', 'bedding'];
const STATES = ['Brand new', 'Renewed', 'Pre-owned'];

export async function checkPalmway(goods: Goods, lookAt: LookAt, edition = 1): Promise<Reason[]> {
  const label = edition > 1 ? 12 : 14;
  const values = goods.axes[0]?.options.length ?? 0;
  const firsts = (goods.axes[0]?.options ?? []).flatMap((option) => option.pictures ?? []);
  const all = [...new Set([...goods.pictures, ...firsts])];
  return [
    ...(CATEGORIES.includes(goods.category) ? [] : [say(`There is no category ${goods.category}.`)]),
    ...shape(goods, { axes: 2, perAxis: 20, children: 400, label, sku: 50 }),
    ...texts(goods.fields, [
      { name: 'Product name', required: true, from: 20, to: 120 },
      { name: 'Details', required: true, from: 30, to: 3000 },
      { name: 'Brand', to: 40 },
      { name: 'Country of making', required: edition > 1, to: 60 },
    ]),
    ...among(goods, 'State', STATES),
    ...yesOrNo(goods, 'Breakable'),
    ...optionsInName(goods),
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'SGD', decimals: 2, least: 1, most: 9999, listAbove: false }),
    ...tooFarApart(goods),
    ...pieces(goods, 0, 100_000),
    ...goods.offers.flatMap((offer) => parcel(goods, offer)),
    ...(goods.axes.slice(1).some((axis) => axis.options.some((option) => option.pictures?.length))
      ? [say('Pictures follow the first option.', 'Picture')]
      : []),
    ...(await pictures(all, lookAt, { least: 1, most: 8 + values, pixels: 600, whiteFirst: false })),
  ];
}

function among(goods: Goods, name: string, list: readonly string[]): Reason[] {
  const said = goods.fields[name];
  return said === undefined || list.includes(String(said))
    ? []
    : [say(`${name} is ${String(said)}; ${list.join(', ')} are possible.`, name)];
}

function yesOrNo(goods: Goods, name: string): Reason[] {
  const said = goods.fields[name];
  return said === undefined || said === 'yes' || said === 'no' ? [] : [say(`${name} is neither yes nor no.`, name)];
}

/** Options stand beside the name, not in it. */
function optionsInName(goods: Goods): Reason[] {
  const name = String(goods.fields['Product name'] ?? '');
  const words = goods.axes.flatMap((axis) => axis.options.flatMap((option) => option.label.split(/ ?\/ ?| · /)));
  const isIn = (word: string) => {
    const bare = word.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    return new RegExp(`(^|[^\\p{L}\\p{N}])${bare}($|[^\\p{L}\\p{N}])`, word.length > 3 ? 'iu' : 'u').test(name);
  };
  const found = words.find((word) => word !== '' && isIn(word));
  return found === undefined ? [] : [say(`The name holds the option ${found}.`, 'Product name')];
}

function tooFarApart(goods: Goods): Reason[] {
  const all = goods.offers.map((offer) => Number(offer.price));
  return Math.max(...all) > 5 * Math.min(...all)
    ? [say('The dearest is more than five times the cheapest.', 'Price')]
    : [];
}

function parcel(goods: Goods, { fields, sku }: Goods['offers'][number]): Reason[] {
  return texts(
    fields,
    [
      { name: 'Parcel kg', required: true },
      ...['Parcel length cm', 'Parcel width cm', 'Parcel height cm'].map((name) => ({ name })),
      { name: 'Made of', required: OF_CLOTH.includes(goods.category) },
    ],
    sku,
  );
}
