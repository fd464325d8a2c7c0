/**
 * A family as a schema.org ProductGroup, its children as its variants (https://schema.org/ProductGroup, https://schema.org/hasVariant,
 * https://schema.org/variesBy): what search engines and other shops read.
 */
import { columnOf } from '../family/column';
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
  pictureAddress: (id: string) => string;
}

type Json = Record<string, unknown>;

/** The JSON-LD of a family. */
export function productGroup({ family, stock, currency, pictureAddress }: SchemaOrgInput): Json {
  const { woven } = familyIndex(family);
  const text = (key: string) => (typeof family.fields[key] === 'string' ? plainText(family.fields[key]) : undefined);
  // Two axes of one property would say it twice: the second goes on as a property with a name.
  const used = new Set<string>();
  const properties = family.axes.map(({ role }) => {
    const property = PROPERTIES[role];
    if (!property || used.has(property)) return null;
    used.add(property);
    return property;
  });
  const price = columnOf(family, 'price');
  return clean({
    '@context': 'https://schema.org',
    '@type': 'ProductGroup',
    productGroupID: text('styleCode') ?? family.id,
    name: text('name'),
    description: text('description'),
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
    const pieces = stock[child.id] ?? 0;
    return clean({
      '@type': 'Product',
      name: [text('name'), ...labels].filter(Boolean).join(', '),
      sku: child.fields.sku,
      ...gtinOf(child.fields.gtin),
      ...Object.fromEntries(named),
      additionalProperty: others,
      image: picturesOf(of, child).map(pictureAddress),
      offers:
        typeof amount !== 'string'
          ? undefined
          : {
              '@type': 'Offer',
              price: amount,
              priceCurrency: currency,
              availability: `https://schema.org/${pieces > 0 ? 'InStock' : 'OutOfStock'}`,
              inventoryLevel: { '@type': 'QuantitativeValue', value: pieces },
            },
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
