/** What Norang Hall refuses. */
import type { Goods, LookAt, Reason } from '../goods';
import { noLinks, pictures, pieces, prices, say, shape, texts } from './common';

export const CERTIFICATES = ['Nothing to certify', 'Safety certified', 'Supplier’s declaration'];

const CATEGORIES = ['outer', 'knit', 'kids', 'pet', 'living'];
const OF_CLOTH = ['outer', 'knit', 'kids'];

export async function checkNorangHall(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const reasons = shape(goods, { axes: 3, perAxis: 50, children: 300, label: 25, sku: 30 });
  if (!CATEGORIES.includes(goods.category)) reasons.push(say(`There is no category ${goods.category}.`));
  for (const label of goods.axes.flatMap((axis) => axis.options.map((option) => option.label)))
    if (label.includes(',')) reasons.push(say(`"${label}" has a comma.`, 'Options'));
  if (!CERTIFICATES.includes(String(goods.fields.Certification ?? '')))
    reasons.push(say('Certification is not declared.', 'Certification'));
  const fee = String(goods.fields['Return fee'] ?? '');
  if (!/^\d+$/.test(fee) || Number(fee) > 20_000 || Number(fee) % 100 !== 0)
    reasons.push(say('The return fee is 0 to 20,000 won, in hundreds.', 'Return fee'));
  reasons.push(
    ...texts(goods.fields, [
      { name: 'Name of goods', required: true, from: 2, to: 100 },
      { name: 'Brand', required: true, to: 40 },
      { name: 'Detail', required: true, from: 30, to: 3000 },
      { name: 'Search words', to: 20, entry: 20 },
      { name: 'Maker', to: 80 },
    ]),
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'KRW', decimals: 0, least: 100, most: 90_000_000, listAbove: false }),
    ...goods.offers
      .filter((offer) => Number(offer.price) % 10 !== 0)
      .map((offer) => say(`${offer.price} won is no multiple of ten.`, 'Price', offer.sku)),
    ...pieces(goods, 0, 99_999),
  );
  for (const offer of goods.offers) {
    const needsMaterial = OF_CLOTH.includes(goods.category);
    reasons.push(
      ...texts(
        offer.fields,
        [
          { name: 'Weight g', required: true },
          { name: 'Material', required: needsMaterial },
        ],
        offer.sku,
      ),
      ...(await pictures(
        offer.pictures ?? [],
        lookAt,
        { least: 1, most: 10, pixels: 600, whiteFirst: false },
        offer.sku,
      )),
    );
  }
  return reasons;
}
