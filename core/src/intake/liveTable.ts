/** What stands on a channel as a list: a row for each offer, with what its listing says of it. */
import type { Listing } from '../listing/listing';
import type { FieldRule } from '../rulebook/shape';
import type { Registry } from '../registry/openRegistry';
import { ROLES, type Role } from '../family/shape';
import type { ListMapping } from './table/shape';

type Said = Listing['fields'][string];

const text = (said: Said | undefined): string =>
  said === undefined
    ? ''
    : Array.isArray(said)
      ? said.join('\n')
      : typeof said === 'boolean'
        ? said
          ? 'yes'
          : 'no'
        : String(said);

/** What the seller has to do with a channel's figures. */
export interface LiveSeller {
  /** ISO 4217; prices in another are not the seller's own and stay out. */
  currency: string;
  /** Listing key → the listing as it was sent to the channel last; none of those that somebody else made. */
  sent?: ReadonlyMap<string, Listing>;
  /** The seller's category for one of the channel's; undefined where none or several go there. */
  categoryOf: (theirs: string) => string | undefined;
}

/**
 * Listings as a table, and what its columns mean. What stands there as it was sent is no news, however it was made of the seller's figures:
 * its cells are empty, and empty cells leave what is there. Listings of one style code are one family: a channel may hold a family as several. Figures
 * are told apart by the channel's own names for them (`rules`), options are read by the label that buyers see.
 */
export function liveTable(
  registry: Registry,
  listings: readonly Listing[],
  rules: readonly Pick<FieldRule, 'key' | 'name'>[],
  { currency, categoryOf, sent = new Map() }: LiveSeller,
): { table: string[][]; mapping: ListMapping } {
  const axes = [
    ...new Map(listings.flatMap((listing) => listing.axes.map(({ name, role }) => [name, roleOf(role)] as const))),
  ];
  const said = new Set(
    listings.flatMap(({ fields, offers }) => [
      ...Object.keys(fields),
      ...offers.flatMap((offer) => Object.keys(offer.fields)),
    ]),
  );
  const known = rules.filter(({ key, name }) => said.has(name) && isReadable(registry, key));
  const headers = [
    'Parent',
    'Style code',
    'Category',
    ...axes.map(([name]) => `Option: ${name}`),
    ...FIGURES,
    ...known.map(({ name }) => name),
    'Pictures',
  ];
  const names = axes.map(([name]) => name);
  const rows = listings.flatMap((listing) => {
    const ours = sent.get(listing.key);
    const ourOffers = new Map(ours?.offers.map((offer) => [offer.sku, offer]));
    return listing.offers.map((offer) => {
      const our = ours && ourOffers.get(offer.sku);
      const isOwn = listing.currency === currency;
      const figures = figuresOf(offer, isOwn);
      const before = our ? figuresOf(our, isOwn) : [];
      return [
        listing.styleCode || listing.key,
        listing.styleCode,
        categoryOf(listing.category) ?? '',
        ...optionsOf(listing, offer, names),
        // The number that says which child it is always stands there.
        ...figures.map((figure, at) => (FIGURES[at] === 'sku' ? figure : news(figure, before[at]))),
        ...known.map(({ name }) =>
          news(text(offer.fields[name] ?? listing.fields[name]), our && text(our.fields[name] ?? ours.fields[name])),
        ),
        our ? '' : picturesOf(listing, offer).join(' '),
      ];
    });
  });
  const options = axes.map(
    ([name, role]) => [`Option: ${name}`, { is: 'option', role, label: name.slice(0, 40) }] as const,
  );
  const columns: ListMapping['columns'] = {
    Parent: { is: 'parent' },
    'Style code': { is: 'field', key: 'styleCode' },
    Category: { is: 'field', key: 'category' },
    ...Object.fromEntries(options),
    ...Object.fromEntries(FIGURES.map((key) => [key, { is: 'field', key } as const])),
    ...Object.fromEntries(known.map(({ key, name }) => [name, { is: 'field', key } as const])),
    Pictures: { is: 'picture' },
  };
  return { table: [headers, ...rows], mapping: { headerRow: 1, columns, decimal: '.', emptyKeeps: true } };
}

/** A text that differs from what was sent; empty where it is the same, be it written as a number or as text. */
const news = (said: string, sent: string | undefined): string =>
  sent !== undefined && (said === sent || (said !== '' && sent !== '' && Number(said) === Number(sent))) ? '' : said;

const FIGURES = ['sku', 'gtin', 'price', 'listPrice', 'stock'] as const;

const roleOf = (role: string): Role => ROLES.find((one) => one === role) ?? 'other';

function isReadable(registry: Registry, key: string): boolean {
  const field = registry.field(key);
  return (
    field !== undefined &&
    field.type !== 'pictures' &&
    field.type !== 'category' &&
    field.type !== 'surcharge' &&
    !field.onlyScoped
  );
}

type Offer = Listing['offers'][number];

const optionsOf = ({ axes }: Listing, { options }: Offer, names: readonly string[]): string[] =>
  names.map((name) => {
    const place = axes.findIndex((axis) => axis.name === name);
    return place < 0 ? '' : (options[place] ?? '');
  });

/** In the order of `FIGURES`. */
const figuresOf = ({ sku, gtin, price, listPrice, stock }: Offer, isOwnCurrency: boolean): string[] =>
  [sku, gtin, isOwnCurrency ? price : undefined, isOwnCurrency ? listPrice : undefined, stock].map(text);

/** Addresses of the pictures that show an offer: its own, those of its options, the listing's. */
function picturesOf({ axes, pictures }: Listing, offer: Offer): string[] {
  const ofOptions = axes.flatMap(
    ({ options }, place) => options.find(({ label }) => label === offer.options[place])?.pictures ?? [],
  );
  return [...new Set([...(offer.pictures ?? []), ...ofOptions, ...pictures])].filter((address) =>
    /^https?:/.test(address),
  );
}
