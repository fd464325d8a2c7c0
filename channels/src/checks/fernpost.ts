/** What Fernpost refuses. */
import type { Goods, LookAt, Reason } from '../goods';
import { noLinks, pictures, pieces, prices, say, shape, texts } from './common';

export const PROFILES = ['Small parcel, tracked', 'Letter', 'Bulky goods'];

export async function checkFernpost(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const reasons = shape(goods, { axes: 2, perAxis: 70, children: 400, label: 20, sku: 32 });
  if (!['wear', 'animals', 'house', 'small'].includes(goods.category))
    reasons.push(say(`There is no category ${goods.category}.`));
  reasons.push(
    ...texts(goods.fields, [
      { name: 'Title', required: true, from: 5, to: 140 },
      { name: 'Story', required: true, from: 30, to: 5000 },
      { name: 'Words to find it by', to: 12, entry: 24 },
    ]),
  );
  if (!PROFILES.includes(String(goods.fields['Delivery profile'] ?? '')))
    reasons.push(say('The listing has no delivery profile.', 'Delivery profile'));
  reasons.push(
    ...noLinks(goods.fields),
    ...prices(goods, { currency: 'USD', decimals: 2, least: 0.2, most: 50_000, listAbove: false }),
    ...pieces(goods, 1, 999),
  );
  for (const offer of goods.offers)
    reasons.push(...texts(offer.fields, [{ name: 'Weight oz', required: true }], offer.sku));
  const tied = goods.axes.filter((axis) => axis.options.some((option) => (option.pictures ?? []).length > 0));
  if (tied.length > 1) reasons.push(say('Pictures follow one axis only.', 'Picture'));
  const all = [
    ...new Set([...goods.pictures, ...tied.flatMap((axis) => axis.options.flatMap((option) => option.pictures ?? []))]),
  ];
  return [...reasons, ...(await pictures(all, lookAt, { least: 1, most: 10, pixels: 500, whiteFirst: false }))];
}
