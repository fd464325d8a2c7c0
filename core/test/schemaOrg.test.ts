import { describe, expect, it } from 'vitest';
import { productGroup } from '../src/export/schemaOrg';
import { createFamily, runCommand } from './sample';

/** A coat in two sizes, of which the second is dearer; a sale of both in May. */
function coat(sale: Record<string, string> = { saleFrom: '2026-05-01', saleUntil: '2026-05-31' }) {
  const made = createFamily({
    id: 'f',
    fields: {
      name: 'Rain coat',
      description: 'Keeps dry',
      price: '100',
      salePrice: '80',
      ...sale,
    },
    axes: [{ role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'M' }] }],
    off: [],
  });
  const change = { place: { level: 'family' as const }, key: 'name', figure: 'Regenmantel', scope: 'language:de' };
  return runCommand(made, { do: 'setFigures', changes: [change] }).family;
}
const groupOn = (today: string, family = coat()) =>
  productGroup({
    family,
    stock: {},
    currency: 'EUR',
    languages: ['en', 'de'],
    today,
    pictureAddress: (id) => id,
  }) as { '@context': unknown; name: unknown; description: unknown; hasVariant: { offers: Record<string, unknown> }[] };

describe('a family as schema.org data', () => {
  it('costs what it costs on the day, with what it is marked down from while a sale runs', () => {
    // https://schema.org/StrikethroughPrice, https://schema.org/priceValidUntil
    expect(groupOn('2026-05-31').hasVariant[0]!.offers).toMatchObject({
      price: '80',
      priceValidUntil: '2026-05-31',
      priceSpecification: { priceType: 'https://schema.org/StrikethroughPrice', price: '100' },
    });
    // Of a sale without an end nobody knows whether it still runs.
    expect(groupOn('2026-05-31', coat({ saleFrom: '2026-05-01' })).hasVariant[0]!.offers.price).toBe('100');
    for (const day of ['2026-04-30', '2026-06-01']) {
      const { offers } = groupOn(day).hasVariant[0]!;
      expect([offers.price, offers.priceSpecification]).toEqual(['100', undefined]);
    }
  });
  it('says in which language its texts are (JSON-LD 1.1, 4.2.4)', () => {
    const { '@context': context, name, description } = groupOn('2026-06-01');
    expect(context).toEqual(['https://schema.org', { '@language': 'en' }]);
    expect([name, description]).toEqual([['Rain coat', { '@language': 'de', '@value': 'Regenmantel' }], 'Keeps dry']);
  });
});
