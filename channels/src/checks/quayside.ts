/** What Quayside refuses. */
import { ownOf } from '../own';
import type { Goods, LookAt, Reason } from '../goods';
import { digitsAddUp, noLinks, pictures, pieces, prices, say, shape, texts } from './common';

const SETS: Record<string, string[]> = {
  'clothing-outer': ['size', 'colour', 'colour+size', 'material+size'],
  'clothing-knit': ['size', 'colour', 'colour+size', 'pack+size', 'colour+pack'],
  'pets-coats': ['colour', 'length', 'colour+length'],
  'home-textile': ['colour', 'pattern', 'size', 'pattern+size', 'colour+size'],
  'home-table': ['colour', 'volume', 'colour+volume'],
};
const COLOURS = [
  'Black',
  'White',
  'Grey',
  'Red',
  'Orange',
  'Yellow',
  'Green',
  'Turquoise',
  'Blue',
  'Navy blue',
  'Purple',
  'Pink',
  'Brown',
  'Beige',
  'Many-coloured',
];
const SIZES = [
  'XXS',
  'XS',
  'S',
  'M',
  'L',
  'XL',
  'XXL',
  '3XL',
  '4XL',
  'One size',
  '35-38',
  '39-42',
  '43-46',
  '86/92',
  '98/104',
  '110/116',
  '122/128',
  '134/140',
  '25 cm',
  '30 cm',
  '35 cm',
  '40 cm',
  '45 cm',
  '50 cm',
  '55 cm',
  '60 cm',
  '130 × 170 cm',
  '150 × 200 cm',
  '220 × 240 cm',
];
const MATERIAL = ['clothing-outer', 'clothing-knit', 'home-textile'];
const WEARER = ['clothing-outer', 'clothing-knit'];
export const EXEMPT_BRANDS = ['Skerry Supply'];
/** Brand → the categories its exemption holds for. */
export const EXEMPT_ONLY_IN = { 'Skerry Supply': ['clothing-outer', 'clothing-knit', 'home-textile', 'pets-coats'] };
const isExempt = (goods: Goods) =>
  Object.entries(EXEMPT_ONLY_IN).some(
    ([brand, categories]) => goods.fields.Brand === brand && categories.includes(goods.category),
  );

export async function checkQuayside(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const reasons = shape(goods, { axes: 2, perAxis: 60, children: 200, label: 50, sku: 40 });
  const set = goods.axes
    .map((axis) => axis.role)
    .sort()
    .join('+');
  const sets = ownOf(SETS, goods.category);
  if (!sets) reasons.push(say(`There is no category ${goods.category}.`));
  else if (set !== '' && !sets.includes(set))
    reasons.push(say(`Children of this category may not vary by ${set.replace('+', ' and ')}.`, 'Options'));
  for (const [name, list] of [
    ['Colour group', COLOURS],
    ['Size group', SIZES],
  ] as const) {
    const said = goods.fields[name];
    if (said !== undefined && !list.includes(String(said)))
      reasons.push(say(`${String(said)} is none of the channel's own values.`, name));
  }
  for (const axis of goods.axes) {
    const list = axis.role === 'colour' ? COLOURS : axis.role === 'size' ? SIZES : null;
    for (const option of axis.options) {
      if (list && !list.includes(option.paired ?? ''))
        reasons.push({
          ...say(`${option.label} needs one of the ${axis.role} groups.`, 'Options'),
          option: option.label,
        });
      if (axis.role === 'size' && option.label.length > 30)
        reasons.push(say(`The size "${option.label}" has more than 30 characters.`, 'Options'));
    }
  }
  reasons.push(
    ...texts(goods.fields, [
      { name: 'Title', required: true, from: 10, to: 150 },
      { name: 'Brand', required: true, to: 60 },
      { name: 'Maker', to: 80 },
      { name: 'Text', required: true, from: 50, to: 2000 },
      { name: 'Highlights', required: true, from: 5, to: 5, entry: 200 },
      { name: 'Search words', to: 20, entry: 40 },
      { name: 'For whom', required: WEARER.includes(goods.category) },
    ]),
  );
  const title = String(goods.fields.Title ?? '');
  for (const label of goods.axes.flatMap((axis) => axis.options.flatMap((option) => option.label.split(/ ?\/ ?/)))) {
    const bare = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    if (label && new RegExp(`(^|[^\\p{L}\\p{N}])${bare}($|[^\\p{L}\\p{N}])`, label.length > 3 ? 'iu' : 'u').test(title))
      reasons.push(say(`The title holds the option ${label}.`, 'Title'));
  }
  reasons.push(
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'EUR', decimals: 2, least: 0.5, most: 20_000, listAbove: false }),
    ...pieces(goods, 0, 99_999),
  );
  const numbers = new Set<string>();
  for (const offer of goods.offers) {
    reasons.push(
      ...texts(
        offer.fields,
        [
          { name: 'Package weight g', required: true },
          { name: 'Package length cm', required: true },
          { name: 'Package width cm', required: true },
          { name: 'Package height cm', required: true },
          { name: 'Material mix', required: MATERIAL.includes(goods.category) },
        ],
        offer.sku,
      ),
    );
    if (offer.gtin !== undefined) {
      if (!digitsAddUp(offer.gtin)) reasons.push(say(`${offer.gtin} is no GTIN.`, 'GTIN', offer.sku));
      if (numbers.has(offer.gtin)) reasons.push(say(`${offer.gtin} stands twice.`, 'GTIN', offer.sku));
      numbers.add(offer.gtin);
    } else if (!offer.gtinExempt) reasons.push(say('No GTIN, and not marked as going without.', 'GTIN', offer.sku));
    else if (!isExempt(goods))
      reasons.push(say(`${String(goods.fields.Brand)} has no exemption from GTINs here.`, 'GTIN', offer.sku));
    reasons.push(
      ...(await pictures(
        offer.pictures ?? [],
        lookAt,
        { least: 1, most: 9, pixels: 1000, whiteFirst: true },
        offer.sku,
      )),
    );
  }
  return reasons;
}
