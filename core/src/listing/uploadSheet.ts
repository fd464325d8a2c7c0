/**
 * The upload sheet of a channel that takes sheets: a family row and then its child rows, each pointing to the family
 * row's key; or, where the channel has no family rows, child rows alone, each with all that holds for the listing. In a
 * revision an empty cell means "as before".
 */
import type { Listing, ListingMessage, RevisedOffer } from './listing';
import type { Rulebook, Rules } from '../rulebook/shape';

export type Cell = string | number;

/** Put into a cell of a revision to take the figure away. */
export const CLEARED = '(none)';

export interface UploadSheet {
  headers: string[];
  rows: Cell[][];
}

type Cells = Record<string, Cell | undefined>;

/** What a row of a listing says, by column. */
interface Columns {
  rules: Rules;
  options: OptionColumns;
  /** Whether pictures stand on the rows of children as their own. */
  picturesOfChildren: boolean;
  /** What the row of the family says of its children together. */
  familyRowSays: Rulebook['sheet']['familyRowSays'];
}

/** A row for the listing, which says nothing of its children. */
const USUAL: Pick<Rulebook['sheet'], 'familyRow' | 'familyRowSays'> = { familyRow: true, familyRowSays: [] };

/** Rows for messages, all under one set of columns. */
export function uploadSheet(
  messages: readonly ListingMessage[],
  rules: Rules,
  { familyRow, familyRowSays }: Pick<Rulebook['sheet'], 'familyRow' | 'familyRowSays'> = USUAL,
): UploadSheet {
  const options = rules.axes.sets ? columnsByRole(rules) : columnsByNumber(rules);
  const picturesOfChildren = rules.axes.pictures === 'child';
  const columns: Columns = { rules, options, picturesOfChildren, familyRowSays };
  const headers = headersFor(messages, columns, familyRow);
  const rows = messages
    .flatMap((message) => (familyRow ? familyAndChildren(message, columns) : childrenAlone(message, columns)))
    .map((cells) => headers.map((header) => cells[header] ?? ''));
  return { headers, rows };
}

function headersFor(messages: readonly ListingMessage[], { rules, options }: Columns, familyRow: boolean): string[] {
  const { currency, taxSlabs } = rules.price;
  const { entries } = rules.identifiers;
  const byLevel = (level: 'listing' | 'child') =>
    rules.fields.filter((field) => field.level === level).map((field) => field.name);
  const besides = messages.flatMap((message) => Object.keys(sharedOf(message).fields ?? {}));
  const pictures = Array.from(
    { length: Math.max(rules.pictures.atMost, ...messages.map((message) => sharedOf(message).pictures?.length ?? 0)) },
    (_, at) => `Picture ${at + 1}`,
  );
  return [
    ...(familyRow ? ['Row'] : []),
    ...['Do', 'Key', 'Of family', 'Style', 'Category', 'Varies by'],
    ...new Set([...byLevel('listing'), ...besides]),
    ...options.headers,
    ...(entries === 'none' ? [] : ['Entry']),
    ...['GTIN', 'Without GTIN', `Price ${currency}`, `List price ${currency}`, `Sale price ${currency}`],
    ...['Sale from', 'Sale until', ...(taxSlabs ? ['Tax %'] : []), 'Pieces'],
    ...byLevel('child'),
    ...pictures,
    ...(isTiedToOptions(rules) ? [OPTION_PICTURE] : []),
    'Plan',
  ];
}

const OPTION_PICTURE = 'Option picture';

const isTiedToOptions = ({ axes }: Rules): boolean => axes.pictures === 'axis' || axes.pictures === 'firstAxis';

/** What a message says of the listing as a whole. */
function sharedOf(message: ListingMessage): Partial<Omit<Listing, 'key' | 'offers'>> {
  if (message.action === 'takeDown') return {};
  return message.action === 'list' ? message.listing : message.changes;
}

const offersOf = (message: ListingMessage): readonly RevisedOffer[] =>
  message.action === 'takeDown' ? [] : message.action === 'list' ? message.listing.offers : message.offers;

function familyAndChildren(message: ListingMessage, columns: Columns): Cells[] {
  const { key, action } = message;
  if (action === 'takeDown') return [{ Row: 'family', Do: 'take down', Key: key }];
  const mine = { Row: 'child', Do: action, 'Of family': key };
  const gone = action === 'revise' ? message.gone : [];
  return [
    { ...familyCells(message, columns), ...togetherCells(message, columns), Row: 'family', Do: action, Key: key },
    ...offersOf(message).map((offer) => ({ ...childCells(message, offer, columns), ...mine })),
    ...gone.map((sku) => ({ ...mine, Do: 'take down', Key: sku })),
  ];
}

/** A row without a key is for the whole listing: it goes as a whole, or changes where no child of it does. */
function childrenAlone(message: ListingMessage, columns: Columns): Cells[] {
  const { key, action } = message;
  const mine = { Do: action, 'Of family': key };
  if (action === 'takeDown') return [{ ...mine, Do: 'take down' }];
  const shared = familyCells(message, columns);
  const gone = action === 'revise' ? message.gone : [];
  const rows = [
    ...offersOf(message).map((offer) => ({ ...shared, ...childCells(message, offer, columns), ...mine })),
    ...gone.map((sku) => ({ ...mine, Do: 'take down', Key: sku })),
  ];
  const told = offersOf(message).length > 0;
  return [...rows, ...(action === 'revise' && !told ? wholeRows(message, shared, columns, mine) : [])];
}

/** Changes of a listing none of whose children change: once, or once for each option whose picture is told. */
function wholeRows(message: ListingMessage, shared: Cells, { options }: Columns, mine: Cells): Cells[] {
  const axes = sharedOf(message).axes ?? [];
  const ofOptions = axes.flatMap((axis, at) =>
    axis.options.map((option) => ({
      ...shared,
      ...options.cells(axes, at, option.label),
      ...pictureCell(option),
      ...mine,
    })),
  );
  return ofOptions.length > 0 ? ofOptions : [{ ...shared, ...mine }];
}

function familyCells(message: ListingMessage, { picturesOfChildren }: Columns): Cells {
  const { styleCode, category, structure, axes, fields, pictures = [] } = sharedOf(message);
  return {
    ...asCells(fields),
    ...(picturesOfChildren ? {} : pictureCells(pictures)),
    Style: styleCode,
    Category: category,
    Plan: structure,
    'Varies by': axes?.map((axis) => axis.role).join(', '),
  };
}

/** What the row of a listing that is made says of its children together. A revision knows only those that change. */
function togetherCells(message: ListingMessage, { rules, familyRowSays }: Columns): Cells {
  if (message.action !== 'list') return {};
  const { fromPrice, offers } = message.listing;
  return {
    ...(familyRowSays.includes('price') ? { [`Price ${rules.price.currency}`]: fromPrice } : {}),
    ...(familyRowSays.includes('pieces') ? { Pieces: offers.reduce((sum, offer) => sum + offer.stock, 0) } : {}),
  };
}

function childCells(message: ListingMessage, offer: RevisedOffer, { rules, options }: Columns): Cells {
  const { currency } = rules.price;
  const { axes = [] } = sharedOf(message);
  const cleared = (name: string) => (offer.cleared?.includes(name) ? CLEARED : undefined);
  const chosen = (offer.options ?? []).map((label, at) => ({
    at,
    option: axes[at]?.options.find((one) => one.label === label) ?? { label },
  }));
  return {
    ...asCells(offer.fields),
    Key: offer.sku,
    ...Object.assign({}, ...chosen.map(({ at, option }) => options.cells(axes, at, option.label))),
    ...Object.assign({}, ...chosen.map(({ option }) => pictureCell(option))),
    Entry: offer.entry ?? cleared('entry'),
    GTIN: offer.gtin ?? cleared('gtin'),
    'Without GTIN': offer.gtinExempt ? 'yes' : cleared('gtinExempt'),
    [`Price ${currency}`]: offer.price,
    [`List price ${currency}`]: offer.listPrice ?? cleared('listPrice'),
    [`Sale price ${currency}`]: offer.salePrice ?? cleared('salePrice'),
    'Sale from': offer.saleFrom ?? cleared('saleFrom'),
    'Sale until': offer.saleUntil ?? cleared('saleUntil'),
    'Tax %': offer.taxPercent,
    Pieces: offer.stock,
    ...pictureCells(offer.pictures ?? []),
  };
}

const pictureCells = (addresses: readonly string[]): Cells =>
  Object.fromEntries(addresses.map((address, at) => [`Picture ${at + 1}`, address]));

const pictureCell = ({ pictures }: { pictures?: string[] | undefined }): Cells =>
  pictures?.[0] === undefined ? {} : { [OPTION_PICTURE]: pictures[0] };

const asCells = (fields: Listing['fields'] = {}): Cells =>
  Object.fromEntries(Object.entries(fields).map(([name, figure]) => [name, cellOf(figure)]));

function cellOf(figure: string | number | boolean | string[]): Cell {
  if (Array.isArray(figure)) return figure.join('\n');
  return typeof figure === 'boolean' ? (figure ? 'yes' : 'no') : figure;
}

/** How the options of a child are written. */
interface OptionColumns {
  headers: string[];
  cells(axes: Listing['axes'], at: number, label: string): Cells;
}

const pairedOf = (axis: Listing['axes'][number] | undefined, label: string) =>
  axis?.options.find((option) => option.label === label)?.paired;

/** A column for each role that the channel knows. */
function columnsByRole({ axes: { roles } }: Rules): OptionColumns {
  const known = Object.entries(roles).map(([role, rule]) => ({ role, name: rule?.name ?? role, listed: !!rule?.list }));
  return {
    headers: known.flatMap(({ name, listed }) => (listed ? [`${name} shown`, `${name} group`] : [`${name} shown`])),
    cells(axes, at, label) {
      const role = known.find((one) => one.role === axes[at]?.role);
      const paired = pairedOf(axes[at], label);
      return role ? { [`${role.name} shown`]: label, ...(paired ? { [`${role.name} group`]: paired } : {}) } : {};
    },
  };
}

/** Columns in turn, each axis with the name the seller gave it. */
function columnsByNumber({ axes: { atMost } }: Rules): OptionColumns {
  const numbers = Array.from({ length: atMost }, (_, at) => at + 1);
  return {
    headers: numbers.flatMap((number) => [`Axis ${number}`, `Option ${number}`]),
    cells: (axes, at, label) => ({ [`Axis ${at + 1}`]: axes[at]?.name, [`Option ${at + 1}`]: label }),
  };
}
