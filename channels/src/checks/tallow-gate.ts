/** What Tallow Gate refuses. */
import { ownOf } from '../own';
import type { Goods, LookAt, Reason } from '../goods';
import { digitsAddUp, noLinks, pictures, pieces, prices, say, shape, texts } from './common';

/** Brands that sell here without numbers. */
export const UNNUMBERED_BRANDS = ['Skerry Supply'];

const DEPARTMENTS = ['women', 'men', 'anyone', 'children'];
/** Category → what it asks for besides. */
const ASKED: Record<string, { department: boolean; material: boolean }> = {
  coats: { department: true, material: true },
  knits: { department: true, material: true },
  pets: { department: false, material: false },
  blankets: { department: false, material: true },
  kitchen: { department: false, material: false },
};

export async function checkTallowGate(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const asked = ownOf(ASKED, goods.category);
  if (!asked) return [say(`There is no category ${goods.category}.`)];
  const tied = goods.axes.filter((axis) => axis.options.some((option) => (option.pictures ?? []).length > 0));
  const ofOptions = tied.flatMap((axis) => axis.options.flatMap((option) => option.pictures ?? []));
  return [
    ...shape(goods, { axes: 5, perAxis: 30, children: 250, label: 50, sku: 40 }),
    ...texts(goods.fields, [
      { name: 'Title', required: true, from: 5, to: 80 },
      { name: 'Brand', required: true, to: 65 },
      { name: 'Description', required: true, from: 20, to: 4000 },
      { name: 'Made in', to: 60 },
    ]),
    ...oneOf(goods, 'Condition', ['new', 'refurbished', 'used'], false),
    ...(asked.department ? oneOf(goods, 'Department', DEPARTMENTS, true) : []),
    ...goods.offers.flatMap((offer) => [...ofOffer(offer, asked.material), ...numberOf(goods, offer)]),
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'GBP', decimals: 2, least: 0.5, most: 20_000, listAbove: true }),
    ...pieces(goods, 0, 10_000),
    ...(tied.length > 1 ? [say('Pictures follow one option only.', 'Picture')] : []),
    ...(await pictures([...new Set([...goods.pictures, ...ofOptions])], lookAt, {
      least: 1,
      most: 12,
      pixels: 500,
      whiteFirst: false,
    })),
  ];
}

function oneOf(goods: Goods, name: string, list: readonly string[], isRequired: boolean): Reason[] {
  const said = goods.fields[name];
  if (said === undefined) return isRequired ? [say(`${name} is missing.`, name)] : [];
  return list.includes(String(said)) ? [] : [say(`${name} is ${String(said)}; ${list.join(', ')} are possible.`, name)];
}

function ofOffer(offer: Goods['offers'][number], needsMaterial: boolean): Reason[] {
  const weight = offer.fields['Weight kg'];
  const reasons = texts(offer.fields, [{ name: 'Made of', required: needsMaterial }], offer.sku);
  if (typeof weight !== 'number' || weight <= 0)
    return [...reasons, say('Weight kg is missing.', 'Weight kg', offer.sku)];
  return weight > 30 ? [...reasons, say(`${weight} kg; 30 are the most.`, 'Weight kg', offer.sku)] : reasons;
}

function numberOf(goods: Goods, offer: Goods['offers'][number]): Reason[] {
  if (offer.gtin !== undefined)
    return digitsAddUp(offer.gtin) ? [] : [say(`${offer.gtin} is no number of goods.`, 'GTIN', offer.sku)];
  const isFree = offer.gtinExempt === true && UNNUMBERED_BRANDS.includes(String(goods.fields.Brand ?? ''));
  return isFree ? [] : [say('The child has no number.', 'GTIN', offer.sku)];
}
