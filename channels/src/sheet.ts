/** Quayside reads upload sheets: family rows, each followed anywhere by child rows that name its key. */
import { ownOf } from './own';
import ExcelJs from 'exceljs';
import type { Goods, Offer, Message, Reason } from './goods';

const CLEAR = '(none)';
const CHILD_ONLY = ['Entry', 'GTIN', 'Without GTIN', 'Price EUR', 'List price EUR', 'Pieces'];
const PLAIN = new Set([
  'Row',
  'Do',
  'Key',
  'Of family',
  'Style',
  'Category',
  'Varies by',
  'Plan',
  ...CHILD_ONLY,
  'Sale price EUR',
  'Sale from',
  'Sale until',
]);
const LISTS = new Set(['Highlights', 'Search words']);
const CHILD_FIELDS = new Set([
  'Package weight g',
  'Package length cm',
  'Package width cm',
  'Package height cm',
  'Material mix',
]);
const ROLES: Record<string, string> = {
  colour: 'Colour',
  size: 'Size',
  material: 'Material',
  pattern: 'Pattern',
  pack: 'Pack',
  volume: 'Volume',
  length: 'Length',
};

type Row = Record<string, string | number>;
export interface SheetMessage {
  message: Message;
  reasons: Reason[];
}

/** The sheet as messages, one a family row; reasons name rows that break the form of the sheet. */
export async function readUploadSheet(bytes: Buffer): Promise<SheetMessage[]> {
  const book = new ExcelJs.Workbook();
  await book.xlsx.load(bytes as unknown as ArrayBuffer);
  const sheet = book.worksheets[0];
  if (!sheet) return [];
  const headers = (sheet.getRow(1).values as unknown[]).slice(1).map(String);
  const rows: Row[] = [];
  sheet.eachRow((row, number) => {
    if (number === 1) return;
    rows.push(
      Object.fromEntries(
        headers.flatMap((header, at) => {
          const value = row.getCell(at + 1).value;
          return value === null || value === '' ? [] : [[header, typeof value === 'number' ? value : String(value)]];
        }),
      ),
    );
  });
  return rows
    .filter((row) => row.Row === 'family')
    .map((row) =>
      readFamily(
        row,
        rows.filter((child) => child.Row === 'child' && child['Of family'] === row.Key),
      ),
    );
}

function readFamily(row: Row, children: Row[]): SheetMessage {
  const key = String(row.Key);
  const reasons = CHILD_ONLY.filter((name) => row[name] !== undefined).map((name): Reason => ({
    text: `The family row leaves ${name} empty.`,
    sku: null,
    field: name,
  }));
  if (row.Do === 'take down') return { message: { action: 'takeDown', key }, reasons };
  const roles = String(row['Varies by'] ?? '')
    .split(', ')
    .filter(Boolean);
  const fields = Object.fromEntries(
    Object.entries(row)
      .filter(([name]) => !PLAIN.has(name) && !/^Picture \d+$/.test(name))
      .map(([name, value]) => [name, LISTS.has(name) ? String(value).split('\n') : value]),
  );
  const live = children.filter((child) => child.Do !== 'take down');
  const axes = roles.map((role) => {
    const name = ownOf(ROLES, role) ?? role;
    const options = new Map<string, { label: string; paired?: string }>();
    for (const child of live) {
      const label = child[`${name} shown`];
      const paired = child[`${name} group`];
      if (label !== undefined)
        options.set(String(label), {
          label: String(label),
          ...(paired === undefined ? {} : { paired: String(paired) }),
        });
    }
    return { name, role, options: [...options.values()] };
  });
  const offers = live.map((child) =>
    readChild(
      child,
      axes.map((axis) => axis.name),
    ),
  );
  if (row.Do === 'list') {
    const listing: Goods = {
      key,
      styleCode: String(row.Style ?? ''),
      category: String(row.Category ?? ''),
      currency: 'EUR',
      structure: String(row.Plan ?? ''),
      axes,
      fields,
      pictures: [],
      fromPrice: String(Math.min(...offers.map((offer) => Number(offer.price)))),
      offers: offers.map((offer) => ({
        price: '',
        stock: Number.NaN,
        ...offer,
        options: offer.options ?? [],
        fields: offer.fields ?? {},
      })) as Offer[],
    };
    return { message: { action: 'list', key, draft: false, listing }, reasons };
  }
  return {
    reasons,
    message: {
      action: 'revise',
      key,
      draft: false,
      gone: children.filter((child) => child.Do === 'take down').map((child) => String(child.Key)),
      offers,
      changes: {
        ...(row.Style === undefined ? {} : { styleCode: String(row.Style) }),
        ...(row.Category === undefined ? {} : { category: String(row.Category) }),
        ...(row.Plan === undefined ? {} : { structure: String(row.Plan) }),
        ...(Object.keys(fields).length > 0 ? { fields } : {}),
        ...(roles.length > 0 && axes.some((axis) => axis.options.length > 0) ? { axes } : {}),
      },
    },
  };
}

function readChild(row: Row, axisNames: string[]): Partial<Offer> & { sku: string; cleared?: string[] } {
  const cleared: string[] = [];
  const text = (header: string, name: string) => {
    const value = row[header];
    if (value === CLEAR) cleared.push(name);
    return value === undefined || value === CLEAR ? {} : { [name]: String(value) };
  };
  const shown = axisNames.map((name) => row[`${name} shown`]);
  const pictures = Array.from({ length: 20 }, (_, at) => row[`Picture ${at + 1}`])
    .filter((address) => address !== undefined)
    .map(String);
  const fields = Object.fromEntries(Object.entries(row).filter(([name]) => CHILD_FIELDS.has(name)));
  return {
    sku: String(row.Key),
    ...text('Entry', 'entry'),
    ...text('GTIN', 'gtin'),
    ...text('Price EUR', 'price'),
    ...text('List price EUR', 'listPrice'),
    ...text('Sale price EUR', 'salePrice'),
    ...text('Sale from', 'saleFrom'),
    ...text('Sale until', 'saleUntil'),
    ...(row['Without GTIN'] === 'yes' ? { gtinExempt: true } : {}),
    ...(row['Without GTIN'] === CLEAR
      ? { cleared: cleared.concat('gtinExempt') }
      : cleared.length > 0
        ? { cleared }
        : {}),
    ...(axisNames.length > 0 && shown.every((label) => label !== undefined) ? { options: shown.map(String) } : {}),
    ...(typeof row.Pieces === 'number' ? { stock: row.Pieces } : {}),
    ...(Object.keys(fields).length > 0 ? { fields } : {}),
    ...(pictures.length > 0 ? { pictures } : {}),
  };
}
