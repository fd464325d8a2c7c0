/** The fields every seller has. Only `openRegistry` reads this list; everybody else is handed the registry. */
import type { Level } from '../place/place';
import { surchargeKey } from '../money/surcharge';
import type { Field, FieldGroup, FieldType } from './field';

const ALL: readonly Level[] = ['family', 'value', 'child'];
const FAMILY: readonly Level[] = ['family'];
const CHILD: readonly Level[] = ['child'];

type More = Partial<Omit<Field, 'key' | 'label' | 'type' | 'levels' | 'group'>>;

function field(
  key: string,
  label: string,
  type: FieldType,
  levels: readonly Level[],
  group: FieldGroup,
  more: More = {},
): Field {
  return {
    key,
    label,
    type,
    levels,
    group,
    translatable: false,
    perAccount: true,
    onlyScoped: false,
    isFact: false,
    categories: [],
    ...more,
  };
}

/** For each: what is added to it for everything of a value. */
const surchargesOn = (...fields: [key: string, label: string][]): Field[] =>
  fields.map(([key, label]) =>
    field(surchargeKey(key), `${label} surcharge`, 'surcharge', ['value'], 'price', {
      help: `Added to the ${label.toLowerCase()} that holds below: "+4" or "+5 %". It stays when that moves.`,
    }),
  );

/** What is one for all accounts, since goods are found by it everywhere. */
const ONE_FOR_ALL: More = { perAccount: false };
const TEXT: More = { translatable: true };

/** In the order of sheets and of the grid. */
export const BUILT_IN_FIELDS: readonly Field[] = [
  field('name', 'Name', 'text', FAMILY, 'identity', {
    ...TEXT,
    most: 200,
    help: 'Without option values: those are added per child.',
  }),
  field('brand', 'Brand', 'text', FAMILY, 'identity', { most: 80 }),
  field('styleCode', 'Style code', 'text', FAMILY, 'identity', {
    ...ONE_FOR_ALL,
    most: 24,
    help: 'The root of every child SKU.',
  }),
  field('category', 'Category', 'category', FAMILY, 'identity', {
    ...ONE_FOR_ALL,
    help: 'By what the goods are mainly for: it decides the facts asked for and where they go.',
  }),
  field('maker', 'Maker', 'text', FAMILY, 'identity', { most: 80 }),
  field('modelNumber', 'Model number', 'text', FAMILY, 'identity', { most: 60 }),
  field('taxCode', 'Tax code', 'text', FAMILY, 'identity', { most: 12, help: 'Customs number, digits only.' }),

  field('sku', 'SKU', 'sku', CHILD, 'identifiers', {
    ...ONE_FOR_ALL,
    most: 40,
    help: 'Unique over the whole catalogue.',
  }),
  field('gtin', 'GTIN', 'gtin', CHILD, 'identifiers', {
    ...ONE_FOR_ALL,
    help: '8, 12, 13 or 14 digits, or an ISBN; the last digit checks the others.',
  }),
  field('listPrice', 'List price', 'money', ALL, 'price', {
    help: 'The recommended price, shown struck through. It must be above the price.',
  }),
  field('price', 'Price', 'money', ALL, 'price', { help: 'What the buyer pays, tax included.' }),
  field('cost', 'Cost', 'money', ALL, 'price', { help: 'What a piece costs you, without tax.' }),
  field('stock', 'Stock', 'stock', CHILD, 'stock', { ...ONE_FOR_ALL, unit: 'pieces' }),
  field('counting', 'Counting', 'choice', ALL, 'stock', {
    ...ONE_FOR_ALL,
    choices: [
      { value: 'counted', label: 'Counted' },
      { value: 'toOrder', label: 'Made to order' },
      { value: 'unlimited', label: 'Without limit' },
    ],
    unset: 'counted',
    help: 'What is made to order or without limit has no pieces to count: channels are sent as many as they take.',
  }),
  field('weight', 'Weight', 'weight', ALL, 'delivery', {
    unit: 'g',
    help: 'With packing. "0.35 kg", "12 oz" and "2 lb 3 oz" are understood.',
  }),
  field('packageLength', 'Pack length', 'length', ALL, 'delivery', { unit: 'cm' }),
  field('packageWidth', 'Pack width', 'length', ALL, 'delivery', { unit: 'cm' }),
  field('packageHeight', 'Pack height', 'length', ALL, 'delivery', { unit: 'cm' }),
  field('onSale', 'For sale', 'yesno', ALL, 'price', { unset: 'yes' }),
  field('gtinExempt', 'GTIN exempt', 'yesno', ALL, 'identifiers', {
    unset: 'no',
    help: 'Sold without a GTIN under an exemption.',
  }),
  ...surchargesOn(['listPrice', 'List price'], ['price', 'Price'], ['cost', 'Cost']),
  field('salePrice', 'Sale price', 'money', ALL, 'price', { help: 'Needs both a start and an end date.' }),
  field('saleFrom', 'Sale from', 'date', ALL, 'price'),
  field('saleUntil', 'Sale until', 'date', ALL, 'price'),
  field('shippingCost', 'Shipping cost', 'money', ALL, 'price', {
    help: 'What sending one piece costs you, where it is not the same for all on an account.',
  }),
  field('lowStock', 'Low from', 'integer', ALL, 'stock', {
    ...ONE_FOR_ALL,
    unit: 'pieces',
    help: 'At so many pieces or fewer the stock is marked as low.',
  }),
  field('leadDays', 'Lead time', 'integer', ALL, 'delivery', { unit: 'days' }),
  field('parts', 'Parts of the set', 'parts', CHILD, 'stock', {
    ...ONE_FOR_ALL,
    most: 1000,
    help: 'For items that are sold as a set: "2 × SKJ-RST-M, 1 × GMG-CHK". Their pieces follow from those of the parts.',
  }),
  field('soldWith', 'Only with', 'list', ALL, 'delivery', {
    most: 10,
    help: 'SKUs of items that it is sold with and not alone, one a line.',
  }),
  field('orderLeast', 'Least in an order', 'integer', ALL, 'delivery', { unit: 'pieces' }),
  field('orderMost', 'Most in an order', 'integer', ALL, 'delivery', { unit: 'pieces' }),
  field('orderMultiple', 'Orders in steps of', 'integer', ALL, 'delivery', {
    unit: 'pieces',
    help: 'For trade buyers: 6 lets 6, 12, 18 be ordered.',
  }),
  field('returnDays', 'Returns within', 'integer', ALL, 'delivery', { unit: 'days' }),
  field('boxContents', 'In the box', 'list', ALL, 'delivery', {
    ...TEXT,
    most: 20,
    help: 'What a buyer unpacks, one a line: "2 × sock", "1 × tin of wax".',
  }),
  field('availableFrom', 'Appears on', 'date', ALL, 'price', {
    isPromise: true,
    help: 'Not shown to buyers before this day, where the channel takes one.',
  }),
  field('mpn', 'Maker part no.', 'text', CHILD, 'identifiers', { most: 60 }),
  field('condition', 'Condition', 'choice', ['family', 'child'], 'identifiers', {
    choices: [
      { value: 'new', label: 'New' },
      { value: 'refurbished', label: 'Made good again' },
      { value: 'used', label: 'Used' },
    ],
  }),

  field('label', 'Label', 'text', ['value'], 'wording', {
    ...TEXT,
    onlyScoped: true,
    most: 80,
    help: 'How the value is called in another language, or on one account.',
  }),
  field('shortLabel', 'Short label', 'text', ['value'], 'wording', {
    ...TEXT,
    most: 40,
    help: 'Used where a channel has less room than the label needs, before anything is shortened by rule.',
  }),
  field('nameSuffix', 'Name suffix', 'text', ['value', 'child'], 'wording', {
    ...TEXT,
    most: 80,
    help: 'Put after the name where the value or child needs more than its options.',
  }),
  field('shortText', 'Short text', 'longtext', ALL, 'wording', { ...TEXT, most: 400 }),
  field('description', 'Description', 'longtext', ALL, 'wording', { ...TEXT, most: 5000, markup: true }),
  field('highlights', 'Highlights', 'list', ALL, 'wording', { ...TEXT, most: 8, help: 'Short points, one a line.' }),
  field('searchWords', 'Search words', 'list', FAMILY, 'wording', { ...TEXT, most: 20 }),
  field('searchTitle', 'Search title', 'text', FAMILY, 'wording', { ...TEXT, most: 120 }),
  field('searchDescription', 'Search description', 'longtext', FAMILY, 'wording', { ...TEXT, most: 320 }),

  field('composition', 'Composition', 'composition', ALL, 'facts', {
    ...TEXT,
    most: 200,
    help: 'Such as "80 % wool, 20 % nylon": parts add up to 100 %.',
  }),
  field('care', 'Care', 'text', ALL, 'facts', { ...TEXT, most: 200 }),
  field('wearer', 'For whom', 'choice', FAMILY, 'facts', {
    choices: [
      { value: 'women', label: 'Women' },
      { value: 'men', label: 'Men' },
      { value: 'anyone', label: 'Anyone' },
      { value: 'children', label: 'Children' },
      { value: 'dogs', label: 'Dogs' },
      { value: 'home', label: 'The home' },
    ],
  }),
  field('madeIn', 'Made in', 'text', FAMILY, 'facts', { most: 60 }),
  field('sizeChart', 'Size chart', 'choice', FAMILY, 'facts', { chosenOf: 'sizeChart' }),
  field('certification', 'Certification', 'list', ALL, 'facts', {
    most: 10,
    help: 'Marks and certificates, one a line.',
  }),
  field('responsible', 'Responsible party', 'choice', FAMILY, 'facts', {
    chosenOf: 'party',
    help: 'Who answers for the goods where they are sold: trader or importer.',
  }),
  field('flashPoint', 'Flash point', 'number', ALL, 'facts', {
    unit: '°C',
    lowest: true,
    help: 'Of several materials the lowest counts.',
  }),
  field('warranty', 'Warranty', 'text', FAMILY, 'facts', { ...TEXT, most: 200, help: '"None" is an answer too.' }),
  field('video', 'Video', 'address', FAMILY, 'facts', { most: 500, help: 'Its address on the web.' }),
  field('customsText', 'Customs description', 'text', FAMILY, 'facts', {
    most: 120,
    help: 'What the goods are, for a customs form, in a few plain words.',
  }),
  field('deliveryTerms', 'Delivery terms', 'choice', FAMILY, 'facts', { chosenOf: 'delivery' }),
  field('paymentTerms', 'Payment terms', 'choice', FAMILY, 'facts', { chosenOf: 'payment' }),
  field('returnTerms', 'Return terms', 'choice', FAMILY, 'facts', { chosenOf: 'return' }),
  field('collections', 'Collections', 'list', FAMILY, 'facts', { most: 12 }),
  field('tags', 'Tags', 'list', FAMILY, 'facts', {
    ...ONE_FOR_ALL,
    most: 30,
    help: 'Words of your own to sort families by; no channel sees them.',
  }),
  field('pictures', 'Pictures', 'pictures', [...ALL, 'combination'], 'pictures', {
    help: 'The first is the main one.',
  }),
];
