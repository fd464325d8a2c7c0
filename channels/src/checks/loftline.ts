/** What Loftline refuses: a listing holds the sizes of one colour, in Loftline's own words. */
import type { Goods, LookAt, Reason } from '../goods';
import type { RowSheet } from '../rowSheet';
import { noLinks, pictures, pieces, prices, say, shape, texts } from './common';

export const LOFTLINE_SHEET: RowSheet = {
  format: 'xlsx',
  currency: 'INR',
  childFields: ['Fabric', 'Garment length in', 'Weight g'],
  roles: { colour: 'Colour', size: 'Size' },
};

/** Categories that sellers are let into one by one. */
export const CLOSED_CATEGORIES = ['little'];

const CATEGORIES = ['jackets', 'tops', 'trousers', 'hosiery', 'little', 'throws'];
const MEASURED = ['jackets', 'tops', 'little'];
const SIZES = new Set([
  ...['XXS', 'XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL', 'Free size'],
  ...['26', '28', '30', '32', '34', '36', '38', '40', '42', '44'],
  ...['35-38', '39-42', '43-46'],
  ...['86/92', '98/104', '110/116', '122/128', '134/140'],
  ...['130 × 170 cm', '150 × 200 cm', '220 × 240 cm'],
]);
const COLOURS = new Set([
  ...['Black', 'White', 'Off-white', 'Grey', 'Charcoal', 'Navy', 'Blue', 'Sky blue', 'Teal', 'Green', 'Olive'],
  ...['Yellow', 'Mustard', 'Orange', 'Rust', 'Red', 'Maroon', 'Pink', 'Purple', 'Brown', 'Beige', 'Multicolour'],
]);
const DEPARTMENTS = ['Women', 'Men', 'Unisex', 'Children', 'Home'];

export async function checkLoftline(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const { fields, axes } = goods;
  const reasons = shape(goods, { axes: 1, perAxis: 30, children: 30, label: 20, sku: 36 });
  if (!CATEGORIES.includes(goods.category)) reasons.push(say(`There is no category ${goods.category}.`));
  if (axes.some((axis) => axis.role !== 'size')) reasons.push(say('A listing varies by size alone.', 'Options'));
  for (const option of axes.flatMap((axis) => axis.options))
    if (!SIZES.has(option.label)) reasons.push(say(`"${option.label}" is no size here.`, 'Options'));
  const colour = fields['Colour group'];
  if (colour !== undefined && !COLOURS.has(String(colour)))
    reasons.push(say(`"${String(colour)}" is no colour here.`, 'Options'));
  if (!DEPARTMENTS.includes(String(fields.Department ?? '')))
    reasons.push(say('The department is none of ours.', 'Department'));
  if (!/^\d{8}$/.test(String(fields['Tax code'] ?? '')))
    reasons.push(say('The tax code has eight digits.', 'Tax code'));
  return [
    ...reasons,
    ...texts(fields, [
      { name: 'Article name', required: true, from: 5, to: 90 },
      { name: 'Brand', required: true, to: 50 },
      { name: 'About', required: true, from: 40, to: 1500 },
      { name: 'Wash care', required: true, to: 120 },
      { name: 'Country of origin', required: true, to: 60 },
    ]),
    ...noLinks(fields),
    ...prices(goods, { currency: 'INR', decimals: 2, least: 100, most: 900_000, listAbove: true }),
    ...goods.offers.flatMap((offer) => ofOffer(goods.category, offer)),
    ...pieces(goods, 0, 9999),
    ...(await pictures(goods.pictures, lookAt, { least: 4, most: 8, pixels: 900, whiteFirst: true })),
    ...(await onWhite(goods.pictures, lookAt)),
  ];
}

function ofOffer(category: string, { sku, price, taxPercent, fields }: Goods['offers'][number]): Reason[] {
  const reasons = texts(
    fields,
    [
      { name: 'Fabric', required: true },
      { name: 'Weight g', required: true },
    ],
    sku,
  );
  const length = fields['Garment length in'];
  if (MEASURED.includes(category) && !(typeof length === 'number' && length >= 5 && length <= 80))
    reasons.push(say('The garment length is a number of inches from 5 to 80.', 'Garment length in', sku));
  if (!/^\d+\.00$/.test(price)) reasons.push(say(`${price} is not in whole rupees.`, 'Price', sku));
  const due = Number(price) <= 2500 ? 5 : 12;
  if (Number(taxPercent) !== due) reasons.push(say(`At ${price} the tax is ${due} %.`, 'Tax %', sku));
  return reasons;
}

async function onWhite(addresses: readonly string[], lookAt: LookAt): Promise<Reason[]> {
  const seen = await Promise.all(addresses.slice(1).map((address) => lookAt(address)));
  return seen.some((one) => one && !one.white) ? [say('A picture does not stand on white.', 'Picture')] : [];
}
