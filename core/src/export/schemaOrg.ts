/**
 * A family as a schema.org ProductGroup, its children as its variants (https://schema.org/ProductGroup, https://schema.org/hasVariant,
 * https://schema.org/variesBy): what search engines and other shops read.
 */
import { columnOf } from '../family/column';
import { figureIn, languageScope } from '../family/scope';
import { familyIndex, childLabels } from '../family/weave';
import { picturesOf } from '../pictures/picturesOf';
import type { Child, Family, Role } from '../family/shape';
import { plainText } from '../wording/markup';

/** Roles that schema.org has a property for. Lengths and volumes are sizes to it. */
const PROPERTIES: Partial<Record<Role, 'color' | 'size' | 'material' | 'pattern'>> = {
  colour: 'color',
  size: 'size',
  length: 'size',
  volume: 'size',
  material: 'material',
  pattern: 'pattern',
};

export interface SchemaOrgInput {
  family: Family;
  stock: Record<string, number>;
  /** ISO 4217. */
  currency: string;
  /** Tags of the seller's languages after BCP 47, the one of texts that hold everywhere first. */
  languages: readonly string[];
  /** The day that sales are told for, as ISO 8601 writes it. */
  today: string;
  pictureAddress: (id: string) => string;
}

type Json = Record<string, unknown>;

/** What goes before the data: the vocabulary, and the language of texts that name none (JSON-LD 1.1, section 4.2.4). */
export const schemaOrgContext = (language: string): readonly unknown[] => [
  'https://schema.org',
  { '@language': language },
];

/** The JSON-LD of a family. */
export function productGroup(input: SchemaOrgInput): Json {
  const { family, languages, pictureAddress } = input;
  const [firstLanguage = 'en', ...others] = languages;
  const properties = propertiesOf(family);
  const offerOf = offers(input);
  const brand = textOf(family, 'brand');
  return clean({
    '@context': schemaOrgContext(firstLanguage),
    '@type': 'ProductGroup',
    productGroupID: textOf(family, 'styleCode') ?? family.id,
    name: textsOf(family, 'name', others),
    description: textsOf(family, 'description', others),
    brand: brand === undefined ? undefined : { '@type': 'Brand', name: brand },
    image: family.pictures.map(pictureAddress),
    variesBy: family.axes.map(({ label }, at) => (properties[at] ? `https://schema.org/${properties[at]}` : label)),
    hasVariant: familyIndex(family).woven.map((child, position) =>
      clean({
        ...variantOf(family, child, properties),
        image: picturesOf(family, child).map(pictureAddress),
        offers: offerOf(child, position),
      }),
    ),
  });
}

const textOf = ({ fields }: Family, key: string): string | undefined =>
  typeof fields[key] === 'string' ? plainText(fields[key]) : undefined;

/** A text, with what it is in other languages where it was written in them. */
function textsOf(family: Family, key: string, languages: readonly string[]): unknown {
  const text = textOf(family, key);
  const translated = languages.flatMap((tag) => {
    const figure = figureIn(family, languageScope(tag), key);
    return typeof figure === 'string' && figure !== '' ? [{ '@language': tag, '@value': plainText(figure) }] : [];
  });
  return translated.length > 0 ? [text, ...translated] : text;
}

/** The property of each axis. Two axes of one would say it twice: the second goes on as a property with a name. */
function propertiesOf({ axes }: Family): (string | null)[] {
  const used = new Set<string>();
  return axes.map(({ role }) => {
    const property = PROPERTIES[role];
    if (!property || used.has(property)) return null;
    used.add(property);
    return property;
  });
}

function variantOf(family: Family, child: Child, properties: readonly (string | null)[]): Json {
  const labels = childLabels(family, child);
  const named = properties.flatMap((property, at) => (property ? [[property, labels[at]!] as const] : []));
  const others = family.axes.flatMap(({ label }, at) =>
    properties[at] ? [] : [{ '@type': 'PropertyValue', name: label, value: labels[at] }],
  );
  return {
    '@type': 'Product',
    name: [textOf(family, 'name'), ...labels].filter(Boolean).join(', '),
    sku: child.fields.sku,
    ...gtinOf(child.fields.gtin),
    ...Object.fromEntries(named),
    additionalProperty: others,
  };
}

/**
 * What a child costs on the day: the sale price while a sale runs, with the price it is marked down from
 * (https://schema.org/StrikethroughPrice). Nothing where it has no price.
 */
function offers({
  family,
  stock,
  currency,
  today,
}: SchemaOrgInput): (child: Child, position: number) => Json | undefined {
  const price = columnOf(family, 'price');
  const sale = ['salePrice', 'saleFrom', 'saleUntil'].map((key) => columnOf(family, key));
  return (child, position) => {
    const amount = price.at(position);
    if (typeof amount !== 'string') return undefined;
    const [salePrice, from, until] = sale.map((column) => column.at(position));
    // A sale of which only a part is there is none, as on accounts.
    const isWhole = [salePrice, from, until].every((figure) => typeof figure === 'string' && figure !== '');
    const isRunning = isWhole && String(from) <= today && today <= String(until);
    const pieces = stock[child.id] ?? 0;
    return clean({
      '@type': 'Offer',
      price: isRunning ? salePrice : amount,
      priceCurrency: currency,
      priceValidUntil: isRunning ? until : undefined,
      priceSpecification: isRunning ? struckPrice(amount, currency) : undefined,
      availability: `https://schema.org/${pieces > 0 ? 'InStock' : 'OutOfStock'}`,
      inventoryLevel: { '@type': 'QuantitativeValue', value: pieces },
    });
  };
}

const struckPrice = (price: string, priceCurrency: string): Json => ({
  '@type': 'UnitPriceSpecification',
  priceType: 'https://schema.org/StrikethroughPrice',
  price,
  priceCurrency,
});

/** A GTIN under the property of its length (https://schema.org/gtin). */
function gtinOf(gtin: unknown): Json {
  if (typeof gtin !== 'string') return {};
  return [8, 12, 13, 14].includes(gtin.length) ? { [`gtin${gtin.length}`]: gtin } : { gtin };
}

/** Without what is not there, and without empty lists. */
const clean = (data: Json): Json =>
  Object.fromEntries(
    Object.entries(data).filter(([, value]) => value !== undefined && !(Array.isArray(value) && value.length === 0)),
  );
