/** A listing as schema.org data: a ProductGroup with its variants (https://schema.org/ProductGroup). */
import { ownOf } from '../own';
import type { Goods, Offer } from '../goods';
import { textOf, titleOf } from './words';

const PROPERTY: Record<string, string> = { colour: 'color', size: 'size', material: 'material', pattern: 'pattern' };

export function productGroup(goods: Goods, page: string): Record<string, unknown> {
  return {
    '@context': 'https://schema.org',
    '@type': 'ProductGroup',
    productGroupID: goods.key,
    url: page,
    name: titleOf(goods),
    description: textOf(goods),
    ...(goods.fields.Brand ? { brand: { '@type': 'Brand', name: goods.fields.Brand } } : {}),
    variesBy: goods.axes.flatMap((axis) =>
      ownOf(PROPERTY, axis.role) ? [`https://schema.org/${ownOf(PROPERTY, axis.role)}`] : [],
    ),
    hasVariant: goods.offers.map((offer) => variant(goods, offer)),
  };
}

function variant(goods: Goods, offer: Offer): Record<string, unknown> {
  const facts = goods.axes.flatMap((axis, at) =>
    ownOf(PROPERTY, axis.role) ? [[ownOf(PROPERTY, axis.role), offer.options[at]]] : [],
  );
  return {
    '@type': 'Product',
    sku: offer.sku,
    name: `${titleOf(goods)} ${offer.options.join(', ')}`.trim(),
    ...Object.fromEntries(facts),
    ...(offer.gtin ? { gtin: offer.gtin } : {}),
    offers: {
      '@type': 'Offer',
      price: offer.price,
      priceCurrency: goods.currency,
      availability: `https://schema.org/${offer.stock > 0 ? 'InStock' : 'OutOfStock'}`,
    },
  };
}
