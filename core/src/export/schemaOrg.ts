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
export function productGroup({ family, stock, currency, languages, today, pictureAddress }: SchemaOrgInput): Json {
  const { woven } = familyIndex(family);
  const [firstLanguage = 'en', ...others] = languages;
  const text = (key: string) => (typeof family.fields[key] === 'string' ? plainText(family.fields[key]) : undefined);
  /** The text, with what it is in other languages where it was written in them. */
  const texts = (key: string) => {
    const translated = others.flatMap((tag) => {
      const figure = figureIn(family, languageScope(tag), key);
      return typeof figure === 'string' && figure !== '' ? [{ '@language': tag, '@value': plainText(figure) }] : [];
    });
    return translated.length > 0 ? [text(key), ...translated] : text(key);
  };
  // Two axes of one property would say it twice: the second goes on as a property with a name.
  const used = new Set<string>();
  const properties = family.axes.map(({ role }) => {
    const property = PROPERTIES[role];
    if (!property || used.has(property)) return null;
    used.add(property);
    return property;
  });
  const price = columnOf(family, 'price');
  const sale = {
    price: columnOf(family, 'salePrice'),
    from: columnOf(family, 'saleFrom'),
    until: columnOf(family, 'saleUntil'),
  };
  return clean({
    '@context': schemaOrgContext(firstLanguage),
    '@type': 'ProductGroup',
    productGroupID: text('styleCode') ?? family.id,
    name: texts('name'),
    description: texts('description'),
    brand: text('brand') === undefined ? undefined : { '@type': 'Brand', name: text('brand') },
    image: family.pictures.map(pictureAddress),
    variesBy: family.axes.map(({ label }, at) => (properties[at] ? `https://schema.org/${properties[at]}` : label)),
    hasVariant: woven.map((child, at) => variant(family, child, at)),
  });

  function variant(of: Family, child: Child, at: number): Json {
    const labels = childLabels(of, child);
    const named = of.axes.flatMap((axis, place) =>
      properties[place] ? [[properties[place], labels[place]!] as const] : [],
    );
    const others = of.axes.flatMap(({ label }, place) =>
      properties[place] ? [] : [{ '@type': 'PropertyValue', name: label, value: labels[place] }],
    );
    const amount = price.at(at);
    return clean({
      '@type': 'Product',
      name: [text('name'), ...labels].filter(Boolean).join(', '),
      sku: child.fields.sku,
      ...gtinOf(child.fields.gtin),
      ...Object.fromEntries(named),
      additionalProperty: others,
      image: picturesOf(of, child).map(pictureAddress),
      offers: typeof amount === 'string' ? offer(amount, at, stock[child.id] ?? 0) : undefined,
    });
  }

  /**
   * What it costs on the day: the sale price while a sale runs, with the price it is marked down from
   * (https://schema.org/StrikethroughPrice).
   */
  function offer(amount: string, at: number, pieces: number): Json {
    const [salePrice, from, until] = [sale.price.at(at), sale.from.at(at), sale.until.at(at)];
    // A sale of which only a part is there is none, as on accounts.
    const isWhole = [salePrice, from, until].every((figure) => typeof figure === 'string' && figure !== '');
    const isRunning = isWhole && String(from) <= today && today <= String(until);
    return clean({
      '@type': 'Offer',
      price: isRunning ? salePrice : amount,
      priceCurrency: currency,
      priceValidUntil: isRunning ? until : undefined,
      priceSpecification: isRunning
        ? {
            '@type': 'UnitPriceSpecification',
            priceType: 'https://schema.org/StrikethroughPrice',
            price: amount,
            priceCurrency: currency,
          }
        : undefined,
      availability: `https://schema.org/${pieces > 0 ? 'InStock' : 'OutOfStock'}`,
      inventoryLevel: { '@type': 'QuantitativeValue', value: pieces },
    });
  }
}

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
