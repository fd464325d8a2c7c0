/**
 * The upload sheet of a channel that takes sheets: a family row, then its child rows, each pointing to the family
 * row's key. The family row leaves price, pieces, GTIN and options empty. In a revision an empty cell means "as
 * before".
 */
import type { ListingOffer, ListingMessage } from './listing';
import type { Rules } from '../rulebook/shape';

export type Cell = string | number;

/** Put into a cell of a revision to take the figure away. */
export const CLEARED = '(none)';

export interface UploadSheet {
  headers: string[];
  rows: Cell[][];
}

/** Rows for messages, all under one set of columns. */
export function uploadSheet(messages: readonly ListingMessage[], rules: Rules): UploadSheet {
  const roles = Object.entries(rules.axes.roles).map(([role, rule]) => ({
    role,
    name: rule?.name ?? role,
    listed: rule?.list !== undefined,
  }));
  const pictures = Array.from(
    { length: Math.max(rules.pictures.atMost, mostIn(messages)) },
    (_, at) => `Picture ${at + 1}`,
  );
  const childFields = rules.fields.filter((field) => field.level === 'child').map((field) => field.name);
  const listingFields = [
    ...new Set([
      ...rules.fields.filter((field) => field.level === 'listing').map((field) => field.name),
      ...messages.flatMap((message) =>
        Object.keys(
          (message.action === 'list'
            ? message.listing.fields
            : message.action === 'revise'
              ? message.changes.fields
              : undefined) ?? {},
        ),
      ),
    ]),
  ];
  const headers = [
    'Row',
    'Do',
    'Key',
    'Of family',
    'Style',
    'Category',
    'Varies by',
    ...listingFields,
    ...roles.flatMap(({ name, listed }) => (listed ? [`${name} shown`, `${name} group`] : [`${name} shown`])),
    'GTIN',
    'Without GTIN',
    `Price ${rules.price.currency}`,
    `List price ${rules.price.currency}`,
    `Sale price ${rules.price.currency}`,
    'Sale from',
    'Sale until',
    'Pieces',
    ...childFields,
    ...pictures,
    'Plan',
  ];
  const rows: Cell[][] = [];
  const put = (cells: Record<string, Cell | undefined>) => rows.push(headers.map((header) => cells[header] ?? ''));

  for (const message of messages) {
    if (message.action === 'takeDown') {
      put({ Row: 'family', Do: 'take down', Key: message.key });
      continue;
    }
    const shared = message.action === 'list' ? message.listing : message.changes;
    const action = message.action === 'list' ? 'list' : 'revise';
    put({
      Row: 'family',
      Do: action,
      Key: message.key,
      Style: shared.styleCode,
      Category: shared.category,
      Plan: shared.structure,
      'Varies by': shared.axes?.map((axis) => axis.role).join(', '),
      ...Object.fromEntries(Object.entries(shared.fields ?? {}).map(([name, figure]) => [name, cellOf(figure)])),
    });
    const offers: (Partial<ListingOffer> & { sku: string; cleared?: string[] | undefined })[] =
      message.action === 'list' ? message.listing.offers : message.offers;
    for (const offer of offers) {
      const axes = shared.axes ?? [];
      const options = Object.fromEntries(
        (offer.options ?? []).flatMap((label, at) => {
          const axis = axes[at];
          const role = roles.find((one) => one.role === axis?.role);
          const paired = axis?.options.find((option) => option.label === label)?.paired;
          return role ? [[`${role.name} shown`, label], ...(paired ? [[`${role.name} group`, paired]] : [])] : [];
        }),
      ) as Record<string, Cell>;
      const cleared = (name: string) => (offer.cleared?.includes(name) ? CLEARED : undefined);
      put({
        Row: 'child',
        Do: action,
        Key: offer.sku,
        'Of family': message.key,
        ...options,
        GTIN: offer.gtin ?? cleared('gtin'),
        'Without GTIN': offer.gtinExempt ? 'yes' : cleared('gtinExempt'),
        [`Price ${rules.price.currency}`]: offer.price,
        [`List price ${rules.price.currency}`]: offer.listPrice ?? cleared('listPrice'),
        [`Sale price ${rules.price.currency}`]: offer.salePrice ?? cleared('salePrice'),
        'Sale from': offer.saleFrom ?? cleared('saleFrom'),
        'Sale until': offer.saleUntil ?? cleared('saleUntil'),
        Pieces: offer.stock,
        ...Object.fromEntries(Object.entries(offer.fields ?? {}).map(([name, figure]) => [name, cellOf(figure)])),
        ...Object.fromEntries((offer.pictures ?? []).map((address, at) => [`Picture ${at + 1}`, address])),
      });
    }
    if (message.action === 'revise')
      for (const sku of message.gone) put({ Row: 'child', Do: 'take down', Key: sku, 'Of family': message.key });
  }
  return { headers, rows };
}

function cellOf(figure: string | number | boolean | string[]): Cell {
  if (Array.isArray(figure)) return figure.join('\n');
  return typeof figure === 'boolean' ? (figure ? 'yes' : 'no') : figure;
}

/** The most pictures that one of the messages has; a rulebook may allow more than its own number, by values. */
function mostIn(messages: readonly ListingMessage[]): number {
  const counts = messages.map((message) =>
    message.action === 'list'
      ? message.listing.pictures.length
      : message.action === 'revise'
        ? (message.changes.pictures?.length ?? 0)
        : 0,
  );
  return Math.max(0, ...counts);
}
