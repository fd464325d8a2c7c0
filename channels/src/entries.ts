/** Entries: goods a channel knows already by their number. Their facts are fixed; sellers put offers under them. */
import type { PlayedChannel } from './checks';
import { say } from './checks/common';
import type { Entry } from './entryShape';
import type { Goods, LookAt, Offer, Reason } from './goods';
import type { Shelves } from './shelves';

const long = (gtin: string) => gtin.padStart(14, '0');

/** GTIN of 14 digits → entry. */
export type Entries = ReadonlyMap<string, Entry>;

export function entriesOf(channel: PlayedChannel, shelves: Shelves): Entries {
  const all = [...(channel.entries?.known ?? []), ...(shelves.of(channel.id).entries ?? [])];
  return new Map(all.map((entry) => [long(entry.gtin), entry]));
}

/** The entries of some numbers. */
export const entriesFor = (entries: Entries, gtins: readonly string[]): Entry[] =>
  gtins.flatMap((gtin) => entries.get(long(gtin)) ?? []);

/** Fields of reasons that are about an offer and not about the goods. */
const OF_OFFERS = ['SKU', 'GTIN', 'Price', 'List price', 'Sale price', 'Pieces', 'Options', 'Tax'];

/** Everything a channel refuses of goods, some of which may stand under entries. */
export async function judge(
  channel: PlayedChannel,
  goods: Goods,
  lookAt: LookAt,
  entries: Entries,
  edition?: number,
): Promise<Reason[]> {
  const found = await channel.check(goods, lookAt, edition);
  const under = new Set(goods.offers.filter((offer) => offer.entry !== undefined).map((offer) => offer.sku));
  if (under.size === 0) return [...aboutEntries(channel, goods, entries), ...found];
  const isWhole = goods.offers.every((offer) => under.has(offer.sku));
  const isOfOffer = (field: string | null) =>
    field === null || OF_OFFERS.includes(field) || channel.entries?.ofOffers.includes(field) === true;
  const ours = found.filter((reason) => {
    if (reason.option !== undefined) return !isFixedOption(goods, reason.option);
    const isFixed = reason.sku === null ? isWhole : under.has(reason.sku);
    return !isFixed || isOfOffer(reason.field);
  });
  return [...aboutEntries(channel, goods, entries), ...ours];
}

function aboutEntries(channel: PlayedChannel, { offers }: Goods, entries: Entries): Reason[] {
  return offers.flatMap((offer): Reason[] => {
    const there = entryOf(offer, entries);
    if (offer.entry !== undefined && there?.entry !== offer.entry)
      return [say(`${offer.entry} is no entry for the number ${offer.gtin ?? 'that is missing'}.`, 'Entry', offer.sku)];
    const isHidden = there !== undefined && offer.entry === undefined && channel.entries?.must === true;
    return isHidden
      ? [say(`${offer.gtin} is ${there.entry} here already; offer it under that.`, 'Entry', offer.sku)]
      : [];
  });
}

const entryOf = (offer: Offer, entries: Entries): Entry | undefined =>
  offer.gtin === undefined ? undefined : entries.get(long(offer.gtin));

/** Whether an option is had by offers under entries alone: what it is the entries say. */
const isFixedOption = ({ offers }: Goods, option: string): boolean =>
  offers.filter((offer) => offer.options.includes(option)).every((offer) => offer.entry !== undefined);

/** What is kept of goods: nothing that an entry says instead. */
export function withoutFixed(channel: PlayedChannel, goods: Goods): Goods {
  if (!goods.offers.some((offer) => offer.entry)) return goods;
  const kept = (fields: Goods['fields']) =>
    Object.fromEntries(Object.entries(fields).filter(([name]) => channel.entries?.ofOffers.includes(name)));
  const offers = goods.offers.map((offer): Offer => {
    if (!offer.entry) return offer;
    const { pictures: _pictures, ...rest } = offer;
    return { ...rest, fields: kept(offer.fields) };
  });
  const isWhole = offers.every((offer) => offer.entry);
  return isWhole ? { ...goods, offers, fields: kept(goods.fields), pictures: [] } : { ...goods, offers };
}

/** Goods as buyers see them: what stands under entries whole is told by the first of these. */
export function asShown(goods: Goods, entries: Entries): Goods {
  const first = goods.offers.map((offer) => (offer.entry ? entryOf(offer, entries) : undefined))[0];
  if (!first || goods.offers.some((offer) => !offer.entry)) return goods;
  return { ...goods, fields: { Title: first.name, ...first.facts, ...goods.fields } };
}
