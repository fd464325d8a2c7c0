/**
 * The field registry. A field is declared once, here; grid columns, forms, inheritance, intake, exports and
 * rulebook checks all read it.
 */
import { readGtin } from '../identifiers/gtin';
import { readLength, readWeight } from '../measure/units';
import { compareAmounts, readAmount, toCurrency } from '../money/amount';
import { CATEGORIES } from './categories';
import type { Figure, Level } from '../family/shape';

export type FieldType =
  | 'text'
  | 'longtext'
  | 'list'
  | 'money'
  | 'weight'
  | 'length'
  | 'integer'
  | 'yesno'
  | 'date'
  | 'choice'
  | 'sku'
  | 'gtin';

export interface Field {
  key: string;
  label: string;
  type: FieldType;
  levels: readonly Level[];
  group: 'identity' | 'identifiers' | 'price' | 'delivery' | 'wording' | 'facts';
  /** Shown beside numbers and in sheet headers. */
  unit?: string;
  choices?: readonly { value: string; label: string }[];
  /** Most characters, or most entries of a list. */
  most?: number;
  help?: string;
  /** What holds where nobody has set a figure, in words. */
  unset?: string;
}

const ALL: readonly Level[] = ['family', 'value', 'child'];
const FAMILY: readonly Level[] = ['family'];
const CHILD: readonly Level[] = ['child'];

export const FIELDS: readonly Field[] = [
  {
    key: 'name',
    label: 'Name',
    type: 'text',
    levels: FAMILY,
    group: 'identity',
    most: 200,
    help: 'Without option values: those are added per child.',
  },
  { key: 'brand', label: 'Brand', type: 'text', levels: FAMILY, group: 'identity', most: 80 },
  {
    key: 'styleCode',
    label: 'Style code',
    type: 'text',
    levels: FAMILY,
    group: 'identity',
    most: 24,
    help: 'The root of every child SKU.',
  },
  {
    key: 'category',
    label: 'Category',
    type: 'choice',
    levels: FAMILY,
    group: 'identity',
    choices: CATEGORIES.map((one) => ({ value: one.id, label: `${one.department} › ${one.label}` })),
  },
  { key: 'maker', label: 'Maker', type: 'text', levels: FAMILY, group: 'identity', most: 80 },
  { key: 'modelNumber', label: 'Model number', type: 'text', levels: FAMILY, group: 'identity', most: 60 },
  {
    key: 'taxCode',
    label: 'Tax code',
    type: 'text',
    levels: FAMILY,
    group: 'identity',
    most: 12,
    help: 'Customs number, digits only.',
  },

  {
    key: 'sku',
    label: 'SKU',
    type: 'sku',
    levels: CHILD,
    group: 'identifiers',
    most: 40,
    help: 'Unique over the whole catalogue.',
  },
  {
    key: 'gtin',
    label: 'GTIN',
    type: 'gtin',
    levels: CHILD,
    group: 'identifiers',
    help: '8, 12, 13 or 14 digits, or an ISBN; the last digit checks the others.',
  },
  {
    key: 'gtinExempt',
    label: 'GTIN exempt',
    type: 'yesno',
    levels: ALL,
    group: 'identifiers',
    help: 'Sold without a GTIN under an exemption.',
    unset: 'no',
  },
  { key: 'mpn', label: 'Maker part no.', type: 'text', levels: CHILD, group: 'identifiers', most: 60 },
  {
    key: 'condition',
    label: 'Condition',
    type: 'choice',
    levels: ['family', 'child'],
    group: 'identifiers',
    choices: [
      { value: 'new', label: 'New' },
      { value: 'refurbished', label: 'Made good again' },
      { value: 'used', label: 'Used' },
    ],
  },

  {
    key: 'listPrice',
    label: 'List price',
    type: 'money',
    levels: ALL,
    group: 'price',
    help: 'The recommended price, shown struck through. It must be above the price.',
  },
  {
    key: 'price',
    label: 'Price',
    type: 'money',
    levels: ALL,
    group: 'price',
    help: 'What the buyer pays, tax included.',
  },
  {
    key: 'salePrice',
    label: 'Sale price',
    type: 'money',
    levels: ALL,
    group: 'price',
    help: 'Needs both a start and an end date.',
  },
  { key: 'saleFrom', label: 'Sale from', type: 'date', levels: ALL, group: 'price' },
  { key: 'saleUntil', label: 'Sale until', type: 'date', levels: ALL, group: 'price' },
  { key: 'cost', label: 'Cost', type: 'money', levels: ALL, group: 'price' },
  { key: 'onSale', label: 'For sale', type: 'yesno', levels: ALL, group: 'price', unset: 'yes' },

  {
    key: 'weight',
    label: 'Weight',
    type: 'weight',
    levels: ALL,
    group: 'delivery',
    unit: 'g',
    help: 'With packing. "0.35 kg" and "12 oz" are understood.',
  },
  { key: 'packageLength', label: 'Pack length', type: 'length', levels: ALL, group: 'delivery', unit: 'cm' },
  { key: 'packageWidth', label: 'Pack width', type: 'length', levels: ALL, group: 'delivery', unit: 'cm' },
  { key: 'packageHeight', label: 'Pack height', type: 'length', levels: ALL, group: 'delivery', unit: 'cm' },
  { key: 'leadDays', label: 'Lead time', type: 'integer', levels: ALL, group: 'delivery', unit: 'days' },

  { key: 'shortText', label: 'Short text', type: 'longtext', levels: FAMILY, group: 'wording', most: 400 },
  { key: 'description', label: 'Description', type: 'longtext', levels: FAMILY, group: 'wording', most: 5000 },
  {
    key: 'highlights',
    label: 'Highlights',
    type: 'list',
    levels: FAMILY,
    group: 'wording',
    most: 8,
    help: 'Short points, one a line.',
  },
  { key: 'searchWords', label: 'Search words', type: 'list', levels: FAMILY, group: 'wording', most: 20 },
  { key: 'searchTitle', label: 'Search title', type: 'text', levels: FAMILY, group: 'wording', most: 120 },
  {
    key: 'searchDescription',
    label: 'Search description',
    type: 'longtext',
    levels: FAMILY,
    group: 'wording',
    most: 320,
  },

  {
    key: 'composition',
    label: 'Composition',
    type: 'text',
    levels: ['family', 'value'],
    group: 'facts',
    most: 200,
    help: 'Such as "80 % wool, 20 % nylon": parts add up to 100 %.',
  },
  { key: 'care', label: 'Care', type: 'text', levels: ['family', 'value'], group: 'facts', most: 200 },
  {
    key: 'wearer',
    label: 'For whom',
    type: 'choice',
    levels: FAMILY,
    group: 'facts',
    choices: [
      { value: 'women', label: 'Women' },
      { value: 'men', label: 'Men' },
      { value: 'anyone', label: 'Anyone' },
      { value: 'children', label: 'Children' },
      { value: 'dogs', label: 'Dogs' },
      { value: 'home', label: 'The home' },
    ],
  },
  { key: 'madeIn', label: 'Made in', type: 'text', levels: FAMILY, group: 'facts', most: 60 },
  { key: 'collections', label: 'Collections', type: 'list', levels: FAMILY, group: 'facts', most: 12 },
];

const byKey = new Map(FIELDS.map((field) => [field.key, field]));

/** A field by its key, or undefined. */
export function fieldOf(key: string): Field | undefined {
  return byKey.get(key);
}

/** The field's name as shown in a sheet header: "Weight (g)". */
export function headerOf(field: Field): string {
  return field.unit ? `${field.label} (${field.unit})` : field.label;
}

export type ReadFigure = { ok: true; figure: Figure | null } | { ok: false; message: string };
const good = (figure: Figure | null): ReadFigure => ({ ok: true, figure });
const bad = (message: string): ReadFigure => ({ ok: false, message });

/** Reads what was typed or pasted into a field. Empty text means "no figure" (null). The message tells the way out. */
export function readFigure(field: Field, text: string): ReadFigure {
  const trimmed = field.type === 'longtext' || field.type === 'list' ? text.trim() : text.trim().replace(/\s+/g, ' ');
  if (trimmed === '') return good(null);
  switch (field.type) {
    case 'text':
    case 'longtext':
      return field.most && trimmed.length > field.most
        ? bad(`${field.label} has ${trimmed.length} characters; ${field.most} fit.`)
        : good(trimmed);
    case 'list': {
      const entries = [
        ...new Set(
          trimmed
            .split(trimmed.includes('\n') ? '\n' : /[;,]/)
            .map((one) => one.trim())
            .filter(Boolean),
        ),
      ];
      return field.most && entries.length > field.most
        ? bad(`${field.label} has ${entries.length} entries; ${field.most} fit.`)
        : good(entries);
    }
    case 'money': {
      const amount = readAmount(trimmed);
      if (amount === null) return bad(`"${trimmed}" is no amount. Type a number such as 189.00.`);
      if (amount.startsWith('-')) return bad(`${field.label} cannot be below zero.`);
      return good(amount);
    }
    case 'weight':
    case 'length': {
      const measure = field.type === 'weight' ? readWeight(trimmed) : readLength(trimmed);
      const example = field.type === 'weight' ? '350, 0.35 kg or 12 oz' : '35, 350 mm or 14 in';
      return measure === null || measure === 0
        ? bad(`"${trimmed}" is no ${field.type}. Type it like ${example}.`)
        : good(measure);
    }
    case 'integer':
      return /^\d{1,9}$/.test(trimmed)
        ? good(Number(trimmed))
        : bad(`"${trimmed}" is no whole number of ${field.unit ?? 'pieces'}.`);
    case 'yesno': {
      const word = trimmed.toLowerCase();
      if (['yes', 'y', 'true', '1', 'on', 'x'].includes(word)) return good(true);
      if (['no', 'n', 'false', '0', 'off', '-'].includes(word)) return good(false);
      return bad(`"${trimmed}" is neither yes nor no.`);
    }
    case 'date':
      return /^\d{4}-\d{2}-\d{2}$/.test(trimmed) && !Number.isNaN(Date.parse(trimmed))
        ? good(trimmed)
        : bad(`"${trimmed}" is no date. Type it as year-month-day, such as 2027-03-01.`);
    case 'choice': {
      const choice = field.choices?.find(
        (one) => one.value === trimmed || one.label.toLowerCase() === trimmed.toLowerCase(),
      );
      return choice
        ? good(choice.value)
        : bad(`"${trimmed}" is not one of: ${field.choices?.map((one) => one.label).join(', ')}.`);
    }
    case 'sku':
      return readSku(field, trimmed);
    case 'gtin': {
      const read = readGtin(trimmed);
      return read.ok ? good(read.gtin) : bad(read.message);
    }
  }
}

function readSku(field: Field, text: string): ReadFigure {
  if (!/^[A-Za-z0-9][A-Za-z0-9._/-]*$/.test(text))
    return bad(`"${text}": a SKU has letters, digits and - . _ / and starts with a letter or digit.`);
  return text.length > field.most!
    ? bad(`"${text}" has ${text.length} characters; a SKU has ${field.most} at most.`)
    : good(text);
}

/** Checks a stored figure against its field, for figures that come in as data and not as text. */
export function checkFigure(field: Field, figure: Figure): ReadFigure {
  if (field.type === 'list') {
    return Array.isArray(figure) ? readFigure(field, figure.join('\n')) : bad(`${field.label} has to be a list.`);
  }
  if (field.type === 'yesno')
    return typeof figure === 'boolean' ? good(figure) : bad(`${field.label} has to be yes or no.`);
  if (['weight', 'length', 'integer'].includes(field.type)) {
    return typeof figure === 'number' ? readFigure(field, String(figure)) : bad(`${field.label} has to be a number.`);
  }
  return typeof figure === 'string' ? readFigure(field, figure) : bad(`${field.label} has to be text.`);
}

/**
 * A figure as a person reads it in a cell. With a currency, money shows all its decimals; more than it has stay as
 * they are.
 */
export function showFigure(field: Field | undefined, figure: Figure | undefined | null, currency?: string): string {
  if (figure === undefined || figure === null) return '';
  if (currency && field?.type === 'money' && typeof figure === 'string') {
    const shown = toCurrency(figure, currency);
    return compareAmounts(shown, figure) === 0 ? shown : figure;
  }
  if (typeof figure === 'boolean') return figure ? 'yes' : 'no';
  if (Array.isArray(figure)) return figure.join('\n');
  if (field?.type === 'choice') return field.choices?.find((one) => one.value === figure)?.label ?? String(figure);
  return String(figure);
}
