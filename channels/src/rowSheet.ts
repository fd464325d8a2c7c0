/** Sheets of channels that take a row for each child and none for the family: rows of one listing share its key. */
import { parse } from 'csv-parse/sync';
import ExcelJs from 'exceljs';
import type { Goods, Message, Offer, Reason } from './goods';
import type { SheetMessage } from './sheet';

/** What a channel's sheet looks like. */
export interface RowSheet {
  format: 'csv' | 'xlsx';
  currency: string;
  /** Columns that hold for a child. */
  childFields: readonly string[];
  /** Columns whose cells have several lines, an entry each. */
  lists?: readonly string[];
  /** Columns of options by role; numbered ones where it is left out. */
  roles?: Readonly<Record<string, string>>;
}

type Cell = string | number;
type Row = Record<string, Cell>;

const CLEAR = '(none)';
const OWN = ['Do', 'Key', 'Of family', 'Style', 'Category', 'Varies by', 'Plan', 'GTIN', 'Without GTIN', 'Pieces'];
const SALE = ['Sale from', 'Sale until', 'Tax %', 'Option picture'];

/** The sheet as messages, one for each listing it has rows of. */
export async function readRowSheet(bytes: Buffer, how: RowSheet): Promise<SheetMessage[]> {
  const rows = how.format === 'csv' ? csvRows(bytes) : await xlsxRows(bytes);
  const keys = [...new Set(rows.map((row) => String(row['Of family'] ?? '')))];
  return keys.map((key) =>
    readListing(
      key,
      rows.filter((row) => String(row['Of family'] ?? '') === key),
      how,
    ),
  );
}

/** Cells of a CSV file are text; plain numbers are numbers here. A leading apostrophe marks a text as text. */
function csvRows(bytes: Buffer): Row[] {
  const [headers = [], ...rows] = parse(bytes, { bom: true, relax_column_count: true }) as string[][];
  const read = (cell: string): Cell => cell.replace(/^'(?=[=+\-@\t\r'])/, '');
  return rows.map((row) =>
    Object.fromEntries(row.flatMap((cell, at) => (cell === '' ? [] : [[headers[at] ?? '', read(cell)]]))),
  );
}

async function xlsxRows(bytes: Buffer): Promise<Row[]> {
  const book = new ExcelJs.Workbook();
  await book.xlsx.load(bytes as unknown as ArrayBuffer);
  const sheet = book.worksheets[0];
  const headers = sheet ? (sheet.getRow(1).values as unknown[]).slice(1).map(String) : [];
  const rows: Row[] = [];
  sheet?.eachRow((row, number) => {
    if (number === 1) return;
    const cells = headers.flatMap((header, at): [string, Cell][] => {
      const value = row.getCell(at + 1).value;
      return value === null || value === '' ? [] : [[header, typeof value === 'number' ? value : String(value)]];
    });
    rows.push(Object.fromEntries(cells));
  });
  return rows;
}

const text = (cell: Cell | undefined) => (cell === undefined ? undefined : String(cell));
const given = <T>(name: string, value: T | undefined) => (value === undefined ? {} : { [name]: value });

function readListing(key: string, rows: Row[], how: RowSheet): SheetMessage {
  const reasons: Reason[] = key ? [] : [{ text: 'A row names no family.', sku: null, field: 'Of family' }];
  const whole = rows.filter((row) => row.Key === undefined);
  if (whole.some((row) => row.Do === 'take down')) return { message: { action: 'takeDown', key }, reasons };
  const live = rows.filter((row) => row.Do !== 'take down');
  const first = live[0] ?? {};
  const axes = axesIn(live, how);
  const fields = listingFields(first, axes, how);
  const pictures = picturesIn(first);
  const offers = live.filter((row) => row.Key !== undefined).map((row) => readOffer(row, axes, how));
  const shared = {
    ...given('styleCode', text(first.Style)),
    ...given('category', text(first.Category)),
    ...given('structure', text(first.Plan)),
    ...(Object.keys(fields).length > 0 ? { fields } : {}),
    ...(pictures.length > 0 ? { pictures } : {}),
  };
  if (live.some((row) => row.Do === 'list'))
    return {
      message: { action: 'list', key, draft: false, listing: wholeListing(key, shared, axes, offers, how) },
      reasons,
    };
  const changes = { ...shared, ...(axes.some((axis) => axis.options.length > 0) ? { axes } : {}) };
  const gone = rows.filter((row) => row.Do === 'take down' && row.Key !== undefined).map((row) => String(row.Key));
  return { message: { action: 'revise', key, draft: false, changes, offers, gone }, reasons };
}

type Sent = Extract<Message, { action: 'revise' }>['offers'][number];

function wholeListing(
  key: string,
  shared: Partial<Goods>,
  axes: Goods['axes'],
  offers: readonly Sent[],
  how: RowSheet,
): Goods {
  const whole = offers.map((offer) => ({ price: '', stock: Number.NaN, options: [], fields: {}, ...offer }) as Offer);
  return {
    styleCode: '',
    category: '',
    structure: '',
    fields: {},
    pictures: [],
    ...shared,
    key,
    currency: how.currency,
    axes,
    offers: whole,
    fromPrice: String(Math.min(...whole.map((offer) => Number(offer.price)))),
  };
}

const isNumbered = (header: string) => /^(Axis|Option|Picture) \d+$/.test(header);

function listingFields(
  row: Row,
  axes: Goods['axes'],
  { childFields, lists = [], currency, roles = {} }: RowSheet,
): Goods['fields'] {
  const prices = ['Price', 'List price', 'Sale price'].map((name) => `${name} ${currency}`);
  // What a listing varies by is said by its children; a group of another role is a fact of the whole listing.
  const varied = axes.map(({ role }) => `${roles[role] ?? role} group`);
  const options = [...Object.values(roles).map((name) => `${name} shown`), ...varied];
  const others = new Set([...OWN, ...SALE, ...prices, ...childFields, ...options]);
  return Object.fromEntries(
    Object.entries(row)
      .filter(([header]) => !others.has(header) && !isNumbered(header))
      .map(([header, cell]) => [header, lists.includes(header) ? String(cell).split('\n') : cell]),
  );
}

const picturesIn = (row: Row): string[] =>
  Object.entries(row)
    .filter(([header]) => /^Picture \d+$/.test(header))
    .toSorted(([a], [b]) => Number(a.slice(8)) - Number(b.slice(8)))
    .map(([, address]) => String(address));

/** The axes that rows vary by, with the options that stand in them. */
function axesIn(rows: readonly Row[], { roles }: RowSheet): Goods['axes'] {
  const varies = rows.find((row) => row['Varies by'] !== undefined)?.['Varies by'];
  const named = String(varies ?? '')
    .split(', ')
    .filter(Boolean);
  return named.map((role, at) => {
    const options = new Map<string, Goods['axes'][number]['options'][number]>();
    for (const row of rows) {
      const label = optionOf(row, role, at, roles);
      if (label === undefined) continue;
      const paired = roles ? text(row[`${roles[role]} group`]) : undefined;
      const isPictured = at === 0 && row['Option picture'] !== undefined;
      const pictures = isPictured ? [String(row['Option picture'])] : undefined;
      options.set(label, { label, ...given('paired', paired), ...given('pictures', pictures) });
    }
    const name = roles
      ? (roles[role] ?? role)
      : (text(rows.find((row) => row[`Axis ${at + 1}`])?.[`Axis ${at + 1}`]) ?? role);
    return { name, role, options: [...options.values()] };
  });
}

const optionOf = (row: Row, role: string, at: number, roles: RowSheet['roles']): string | undefined =>
  text(row[roles ? `${roles[role] ?? role} shown` : `Option ${at + 1}`]);

function readOffer(row: Row, axes: Goods['axes'], { currency, childFields, roles }: RowSheet): Sent {
  const columns: [header: string, name: string][] = [
    ['GTIN', 'gtin'],
    [`Price ${currency}`, 'price'],
    [`List price ${currency}`, 'listPrice'],
    [`Sale price ${currency}`, 'salePrice'],
    ['Sale from', 'saleFrom'],
    ['Sale until', 'saleUntil'],
    ['Tax %', 'taxPercent'],
    ['Without GTIN', 'gtinExempt'],
  ];
  const cleared = columns.filter(([header]) => row[header] === CLEAR).map(([, name]) => name);
  const said = columns
    .filter(([header]) => row[header] !== undefined && row[header] !== CLEAR)
    .map(([header, name]) => [name, name === 'gtinExempt' ? true : String(row[header])]);
  const options = axes.map((axis, at) => optionOf(row, axis.role, at, roles));
  const isChosen = options.every((label) => label !== undefined) && row['Varies by'] !== undefined;
  const pieces = row.Pieces === undefined ? undefined : Number(row.Pieces);
  const fields = Object.fromEntries(
    childFields.flatMap((name) => (row[name] === undefined ? [] : [[name, plainNumber(row[name])]])),
  );
  return {
    sku: String(row.Key),
    ...(Object.fromEntries(said) as Partial<Offer>),
    ...(cleared.length > 0 ? { cleared } : {}),
    ...(isChosen ? { options: options.map(String) } : {}),
    ...given('stock', pieces),
    ...(Object.keys(fields).length > 0 ? { fields } : {}),
  };
}

/** Figures of children are numbers where they look like one. */
const plainNumber = (cell: Cell): Cell =>
  typeof cell === 'string' && /^\d+(\.\d+)?$/.test(cell) ? Number(cell) : cell;
