/** Checks all channels make in their own numbers. Written for the channels alone. */
import type { Goods, LookAt, Reason } from '../goods';

export const say = (text: string, field: string | null = null, sku: string | null = null): Reason => ({
  text,
  field,
  sku,
});

/** Sum of products with 3 and 1 from the right end, GS1's way. */
export function digitsAddUp(number: string): boolean {
  if (![8, 12, 13, 14].includes(number.length) || !/^\d+$/.test(number)) return false;
  const reversed = [...number].reverse().map(Number);
  return reversed.reduce((sum, digit, at) => sum + digit * (at % 2 === 1 ? 3 : 1), 0) % 10 === 0;
}

interface Limits {
  axes: number;
  perAxis: number;
  children: number;
  label: number;
  sku: number;
}

/** Things that make a listing no listing: nothing in it, children twice, options that do not belong. */
export function shape(goods: Goods, limits: Limits): Reason[] {
  const { axes, offers } = goods;
  const reasons: Reason[] = [];
  if (offers.length === 0) reasons.push(say('The listing has no child.'));
  if (axes.length > limits.axes) reasons.push(say(`${axes.length} axes; ${limits.axes} are possible.`, 'Options'));
  if (offers.length > limits.children)
    reasons.push(say(`${offers.length} children; ${limits.children} are possible.`, 'Options'));
  return [...reasons, ...axes.flatMap((axis) => axisShape(axis, limits)), ...offerShapes(goods, limits)];
}

function axisShape({ name, options }: Goods['axes'][number], limits: Limits): Reason[] {
  const reasons: Reason[] = [];
  const no = (text: string) => reasons.push(say(text, 'Options'));
  if (options.length > limits.perAxis) no(`${name} has ${options.length} options; ${limits.perAxis} are possible.`);
  for (const { label } of options)
    if (label.length > limits.label || label === '')
      no(`"${label}" has ${label.length} characters; 1 to ${limits.label} are possible.`);
  if (new Set(options.map((option) => option.label.toLowerCase())).size < options.length)
    no(`${name} has one label twice.`);
  return reasons;
}

function offerShapes({ axes, offers }: Goods, limits: Limits): Reason[] {
  const reasons: Reason[] = [];
  const skus = new Set<string>();
  const crossings = new Set<string>();
  for (const { sku, options } of offers) {
    const no = (text: string, field: string) => reasons.push(say(text, field, sku));
    if (sku === '' || sku.length > limits.sku)
      no(`The SKU has ${sku.length} characters; 1 to ${limits.sku} are possible.`, 'SKU');
    if (skus.has(sku)) no(`The SKU ${sku} stands twice.`, 'SKU');
    skus.add(sku);
    const crossing = options.join('\u0001');
    if (crossings.has(crossing)) no(`Two children are ${options.join(', ')}.`, 'Options');
    crossings.add(crossing);
    const isOption = (label: string, at: number) => axes[at]?.options.some((option) => option.label === label);
    if (options.length !== axes.length || !options.every(isOption))
      no(`${options.join(', ')} is not among the options of the listing.`, 'Options');
  }
  return reasons;
}

/** Prices within bounds, in the channel's currency and decimals. */
export function prices(
  goods: Goods,
  how: { currency: string; decimals: number; least: number; most: number; listAbove: boolean },
): Reason[] {
  const form = how.decimals === 0 ? /^\d+$/ : new RegExp(`^\\d+\\.\\d{${how.decimals}}$`);
  const reasons =
    goods.currency === how.currency
      ? []
      : [say(`Prices are in ${goods.currency}; ${how.currency} is used here.`, 'Price')];
  for (const offer of goods.offers) {
    if (!form.test(offer.price))
      reasons.push(say(`"${offer.price}" is no price with ${how.decimals} decimals.`, 'Price', offer.sku));
    else if (Number(offer.price) < how.least || Number(offer.price) > how.most)
      reasons.push(say(`A price of ${offer.price} is not between ${how.least} and ${how.most}.`, 'Price', offer.sku));
    if (how.listAbove && offer.listPrice !== undefined && Number(offer.listPrice) <= Number(offer.price))
      reasons.push(
        say(`The list price ${offer.listPrice} is not above the price ${offer.price}.`, 'List price', offer.sku),
      );
  }
  return reasons;
}

/** Pieces between two bounds, whole. */
export function pieces(goods: Goods, least: number, most: number): Reason[] {
  return goods.offers
    .filter((offer) => !Number.isInteger(offer.stock) || offer.stock < least || offer.stock > most)
    .map((offer) => say(`${offer.stock} pieces; ${least} to ${most} are possible.`, 'Pieces', offer.sku));
}

type Wanted = { name: string; from?: number; to?: number; required?: boolean; entry?: number };

/** Texts and lists: there when required, of the right length. Numbers only have to be above zero. */
export function texts(fields: Goods['fields'], wanted: Wanted[], sku: string | null = null): Reason[] {
  return wanted.flatMap(({ name, from = 0, to = Infinity, required = false, entry = Infinity }): Reason[] => {
    const figure = fields[name];
    const empty = figure === undefined || figure === '' || (Array.isArray(figure) && figure.length === 0);
    if (empty) return required ? [say(`${name} is missing.`, name, sku)] : [];
    if (typeof figure === 'number') return figure > 0 ? [] : [say(`${name} is ${figure}.`, name, sku)];
    if (typeof figure === 'boolean') return [];
    if (figure.length < from || figure.length > to)
      return [
        say(
          `${name} has ${figure.length} ${Array.isArray(figure) ? 'entries' : 'characters'}; ${from} to ${to} are possible.`,
          name,
          sku,
        ),
      ];
    return Array.isArray(figure) && figure.some((one) => one.length > entry)
      ? [say(`An entry of ${name} has more than ${entry} characters.`, name, sku)]
      : [];
  });
}

/** No text may lead away from the channel. */
export function noLinks(fields: Goods['fields']): Reason[] {
  return Object.entries(fields).flatMap(([name, figure]) =>
    /https?:\/\/|www\.\w/i.test([figure].flat().join(' ')) ? [say(`${name} leads to another site.`, name)] : [],
  );
}

/** Looks at every picture once. */
export async function pictures(
  addresses: readonly string[],
  lookAt: LookAt,
  how: { least: number; most: number; pixels: number; whiteFirst: boolean },
  sku: string | null = null,
): Promise<Reason[]> {
  if (addresses.length < how.least || addresses.length > how.most)
    return [say(`${addresses.length} pictures; ${how.least} to ${how.most} are possible.`, 'Picture', sku)];
  const reasons: Reason[] = [];
  for (const [at, address] of addresses.entries()) {
    const seen = await lookAt(address);
    if (!seen) reasons.push(say(`Picture ${at + 1} cannot be fetched.`, 'Picture', sku));
    else if (Math.min(seen.width, seen.height) < how.pixels)
      reasons.push(
        say(
          `Picture ${at + 1} has ${seen.width} × ${seen.height} pixels; ${how.pixels} are the least.`,
          'Picture',
          sku,
        ),
      );
    else if (at === 0 && how.whiteFirst && !seen.white)
      reasons.push(say('The first picture has no white background.', 'Picture', sku));
  }
  return reasons;
}
