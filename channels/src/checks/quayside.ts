/** What Quayside refuses. */
import { ownOf } from '../own';
import type { Goods, LookAt, Offer, Reason } from '../goods';
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
  const numbers = new Set<string>();
  const ofOffers = [];
  for (const offer of goods.offers) ofOffers.push(...(await checkOffer(goods, offer, numbers, lookAt)));
  return [
    ...shape(goods, { axes: 2, perAxis: 60, children: 200, label: 50, sku: 40 }),
    ...axesTogether(goods),
    ...groups(goods),
    ...goods.axes.flatMap(optionsOf),
    ...texts(goods.fields, [
      { name: 'Title', required: true, from: 10, to: 150 },
      { name: 'Brand', required: true, to: 60 },
      { name: 'Maker', to: 80 },
      { name: 'Text', required: true, from: 50, to: 2000 },
      { name: 'Highlights', required: true, from: 5, to: 5, entry: 200 },
      { name: 'Search words', to: 20, entry: 40 },
      { name: 'For whom', required: WEARER.includes(goods.category) },
    ]),
    ...optionsInTitle(goods),
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'EUR', decimals: 2, least: 0.5, most: 20_000, listAbove: false }),
    ...pieces(goods, 0, 99_999),
    ...ofOffers,
  ];
}

/** Which axes may be there together is said by the category. */
function axesTogether({ axes, category }: Goods): Reason[] {
  const set = axes
    .map((axis) => axis.role)
    .sort()
    .join('+');
  const sets = ownOf(SETS, category);
  if (!sets) return [say(`There is no category ${category}.`)];
  if (set === '' || sets.includes(set)) return [];
  return [say(`Children of this category may not vary by ${set.replace('+', ' and ')}.`, 'Options')];
}

const groups = ({ fields }: Goods): Reason[] =>
  (
    [
      ['Colour group', COLOURS],
      ['Size group', SIZES],
    ] as const
  ).flatMap(([name, list]) => {
    const said = fields[name];
    return said === undefined || list.includes(String(said))
      ? []
      : [say(`${String(said)} is none of the channel's own values.`, name)];
  });

const GROUPS_OF: Record<string, readonly string[]> = { colour: COLOURS, size: SIZES };

function optionsOf({ role, options }: Goods['axes'][number]): Reason[] {
  const list = ownOf(GROUPS_OF, role);
  return options.flatMap(({ label, paired }) => [
    ...(list && !list.includes(paired ?? '')
      ? [{ ...say(`${label} needs one of the ${role} groups.`, 'Options'), option: label }]
      : []),
    ...(role === 'size' && label.length > 30
      ? [say(`The size "${label}" has more than 30 characters.`, 'Options')]
      : []),
  ]);
}

function optionsInTitle({ axes, fields }: Goods): Reason[] {
  const title = String(fields.Title ?? '');
  const labels = axes.flatMap((axis) => axis.options.flatMap((option) => option.label.split(/ ?\/ ?/)));
  const stands = (label: string) => {
    const bare = label.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');
    const flags = label.length > 3 ? 'iu' : 'u';
    return new RegExp(`(^|[^\\p{L}\\p{N}])${bare}($|[^\\p{L}\\p{N}])`, flags).test(title);
  };
  return labels.flatMap((label) =>
    label !== '' && stands(label) ? [say(`The title holds the option ${label}.`, 'Title')] : [],
  );
}

/** @param numbers the GTINs of the children before it */
async function checkOffer(goods: Goods, offer: Offer, numbers: Set<string>, lookAt: LookAt): Promise<Reason[]> {
  return [
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
    ...checkNumber(goods, offer, numbers),
    ...(await pictures(offer.pictures ?? [], lookAt, { least: 1, most: 9, pixels: 1000, whiteFirst: true }, offer.sku)),
  ];
}

function checkNumber(goods: Goods, { gtin, gtinExempt, sku }: Offer, numbers: Set<string>): Reason[] {
  const no = (text: string): Reason => say(text, 'GTIN', sku);
  if (gtin === undefined) {
    if (!gtinExempt) return [no('No GTIN, and not marked as going without.')];
    return isExempt(goods) ? [] : [no(`${String(goods.fields.Brand)} has no exemption from GTINs here.`)];
  }
  const isTwice = numbers.has(gtin);
  numbers.add(gtin);
  return [...(digitsAddUp(gtin) ? [] : [no(`${gtin} is no GTIN.`)]), ...(isTwice ? [no(`${gtin} stands twice.`)] : [])];
}
