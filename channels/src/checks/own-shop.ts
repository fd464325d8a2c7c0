/** What the own shop's software refuses. */
import type { Goods, LookAt, Reason } from '../goods';
import { isMarkup, lettersOf, strangeTag } from '../markup';
import { pictures, pieces, prices, say, shape, texts } from './common';

const CATEGORIES = ['all', 'clothing', 'animals', 'home'];

export async function checkOwnShop(goods: Goods, lookAt: LookAt): Promise<Reason[]> {
  const all = [
    ...new Set([
      ...goods.pictures,
      ...goods.axes.flatMap((axis) => axis.options.flatMap((option) => option.pictures ?? [])),
    ]),
  ];
  return [
    ...(CATEGORIES.includes(goods.category) ? [] : [say(`There is no category ${goods.category}.`)]),
    ...shape(goods, { axes: 3, perAxis: 100, children: 2000, label: 80, sku: 40 }),
    ...longText(goods.fields.Text),
    ...texts(goods.fields, [
      { name: 'Name', required: true, from: 3, to: 120 },
      { name: 'Search title', to: 60 },
      { name: 'Search description', to: 155 },
      { name: 'Collections', required: true, from: 1, to: 10 },
      { name: 'Size chart', to: 4000 },
      ...['Delivery', 'Returns', 'Responsible party'].map((name) => ({ name, to: 1000 })),
      { name: 'Warranty', to: 200 },
    ]),
    ...video(goods.fields.Video),
    ...flashPoint(goods.fields['Flash point °C']),
    ...goods.offers.flatMap((offer) => texts(offer.fields, [{ name: 'Weight kg' }], offer.sku)),
    ...prices(goods, { currency: 'EUR', decimals: 2, least: 0.01, most: Infinity, listAbove: true }),
    ...pieces(goods, 0, 100_000),
    ...pictureTexts(goods, all),
    ...(await pictures(all, lookAt, { least: 1, most: 60, pixels: 300, whiteFirst: false })),
  ];
}

/** A picture may have a text of one line; none is of a picture that is not there. */
function pictureTexts({ pictureTexts: said = [] }: Goods, all: readonly string[]): Reason[] {
  const strange = said.filter(
    ({ picture, text }) => !all.includes(picture) || text.length > 500 || /[\n<>]/.test(text),
  );
  return strange.length === 0
    ? []
    : [say(`${strange.length} texts of pictures are too long, or of no picture here.`, 'Picture')];
}

/** The text may have tags, a few of them; what is counted are its letters. */
function longText(given: unknown): Reason[] {
  const text = typeof given === 'string' ? given : '';
  if (!isMarkup(text)) return texts({ Text: text }, [{ name: 'Text', required: true, from: 20, to: 5000 }]);
  const strange = strangeTag(text);
  if (strange) return [say(`Text has ${strange}, which is not taken here.`, 'Text')];
  return texts({ Text: lettersOf(text) }, [{ name: 'Text', required: true, from: 20, to: 5000 }]);
}

/** Films are shown from hosts for them alone. */
function video(address: unknown): Reason[] {
  if (address === undefined) return [];
  const isOne = typeof address === 'string' && /^https:\/\/video\.[a-z0-9.-]+\//.test(address);
  return isOne ? [] : [say('A film has to lie on a host for videos.', 'Video')];
}

function flashPoint(degrees: unknown): Reason[] {
  const isNumber = degrees === undefined || /^-?\d+(\.\d+)?$/.test(String(degrees));
  return isNumber ? [] : [say('The flash point is a number of degrees alone.', 'Flash point °C')];
}
