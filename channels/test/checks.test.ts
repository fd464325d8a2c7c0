import { describe, expect, it } from 'vitest';
import { PLAYED } from '../src/checks';
import { digitsAddUp } from '../src/checks/common';
import { revise, type Goods, type LookAt } from '../src/goods';
import { productGroup } from '../src/pages/data';
import { buyersPage } from '../src/pages/page';

const lookAt: LookAt = async (address) =>
  address.startsWith('small')
    ? { width: 200, height: 900, white: true }
    : { width: 1200, height: 1200, white: !address.startsWith('grey') };
const offer = (sku: string, options: string[], more: object = {}) => ({
  sku,
  options,
  price: '40.00',
  stock: 3,
  gtin: '4006381333931',
  fields: {
    'Package weight g': 300,
    'Package length cm': 20,
    'Package width cm': 10,
    'Package height cm': 5,
    'Material mix': 'wool',
    'Weight oz': 10.6,
    'Weight kg': 0.3,
  },
  pictures: ['white1'],
  ...more,
});
const goods = (more: Partial<Goods> = {}): Goods => ({
  key: 'k1',
  styleCode: 'S',
  category: 'clothing-outer',
  currency: 'EUR',
  structure: 'a1',
  fromPrice: '40.00',
  pictures: ['white1'],
  axes: [
    {
      name: 'Colour',
      role: 'colour',
      options: [
        { label: 'Rust', paired: 'Orange' },
        { label: 'Spruce', paired: 'Green' },
      ],
    },
  ],
  fields: {
    Title: 'A coat against the rain',
    Brand: 'Skerry Supply',
    Text: 'It keeps the rain out, the wind too, and one warm besides.',
    Highlights: ['1', '2', '3', '4', '5'],
    'For whom': 'anyone',
  },
  offers: [offer('A', ['Rust']), offer('B', ['Spruce'], { gtin: '9501101530003' })],
  ...more,
});
const quayside = PLAYED[0]!;
const reasons = async (more: Partial<Goods>) =>
  (await quayside.check(goods(more), lookAt)).map((reason) => reason.text);

describe('Quayside', () => {
  it('takes a listing that is whole', async () => expect(await reasons({})).toEqual([]));
  it.each([
    [
      'a third axis',
      {
        axes: [1, 2, 3].map((n) => ({ name: `N${n}`, role: 'size', options: [{ label: 'M', paired: 'M' }] })),
        offers: [offer('A', ['M', 'M', 'M'])],
      },
      '3 axes; 2 are possible.',
    ],
    [
      'a set it does not list',
      { axes: [{ name: 'Pack', role: 'pack', options: [{ label: 'One' }] }], offers: [offer('A', ['One'])] },
      'Children of this category may not vary by pack.',
    ],
    [
      'a value without a group',
      {
        axes: [{ name: 'Colour', role: 'colour', options: [{ label: 'Rust', paired: 'Rusty' }] }],
        offers: [offer('A', ['Rust'])],
      },
      'Rust needs one of the colour groups.',
    ],
    ['a wrong GTIN', { offers: [offer('A', ['Rust'], { gtin: '4006381333930' })] }, '4006381333930 is no GTIN.'],
    ['one GTIN twice', { offers: [offer('A', ['Rust']), offer('B', ['Spruce'])] }, '4006381333931 stands twice.'],
    [
      'an SKU twice',
      { offers: [offer('A', ['Rust']), offer('A', ['Spruce'], { gtin: '9501101530003' })] },
      'The SKU A stands twice.',
    ],
    [
      'a price in other decimals',
      { offers: [offer('A', ['Rust'], { price: '40' })] },
      '"40" is no price with 2 decimals.',
    ],
    [
      'a small picture',
      { offers: [offer('A', ['Rust'], { pictures: ['small1'] })] },
      'Picture 1 has 200 × 900 pixels; 1000 are the least.',
    ],
    [
      'a grey ground',
      { offers: [offer('A', ['Rust'], { pictures: ['grey1'] })] },
      'The first picture has no white background.',
    ],
    [
      'an option in the title',
      { fields: { ...goods().fields, Title: 'A coat in rust, against rain' } },
      'The title holds the option Rust.',
    ],
    [
      'an option that is not there',
      { offers: [offer('A', ['Kelp'])] },
      'Kelp is not among the options of the listing.',
    ],
  ])('refuses %s', async (_what, more, text) => expect(await reasons(more as Partial<Goods>)).toContain(text));
});

describe('check digits, reckoned here by themselves', () => {
  it("are GS1's", () =>
    expect(
      ['6291041500213', '9501101530003', '036000291452', '96385074', '6291041500214', '123'].map(digitsAddUp),
    ).toEqual([true, true, true, true, false, false]));
});

describe('a revision', () => {
  it('changes what it names, drops what is gone, and options nobody has any more', () => {
    const { goods: after, reasons: why } = revise(goods(), {
      action: 'revise',
      key: 'k1',
      draft: false,
      changes: {},
      offers: [{ sku: 'B', price: '44.00', cleared: ['gtin'] }],
      gone: ['A'],
    });
    expect(why).toEqual([]);
    expect(after.offers).toEqual(
      [{ ...goods().offers[1], price: '44.00', gtin: undefined }].map(({ gtin: _gtin, ...rest }) => rest),
    );
    expect(after.axes[0]!.options.map((option) => option.label)).toEqual(['Spruce']);
  });
  it('of a child that was never listed is refused unless it is whole', () => {
    const { reasons: why } = revise(goods(), {
      action: 'revise',
      key: 'k1',
      draft: false,
      changes: {},
      offers: [{ sku: 'C', price: '1.00' }],
      gone: [],
    });
    expect(why).toMatchObject([{ sku: 'C', text: expect.stringContaining('not listed yet') as string }]);
  });
});

describe("the buyer's page", () => {
  const page = buyersPage(
    PLAYED[2]!,
    { draft: true, goods: goods({ fields: { Name: '<img src=x onerror=alert(1)>', Text: '</script><b>' } }) },
    'http://here/page',
    (sku) => ({ title: sku }),
  );
  it('shows text from outside as text', () => {
    expect(page).not.toContain('<img src=x');
    expect(page).toContain('&lt;img src=x onerror=alert(1)&gt;');
    expect(page.match(/<\/script>/g)).toHaveLength(3);
    expect(page).toContain('A draft');
  });
  it('says what is sold in the words of schema.org', () => {
    const data = productGroup(goods(), 'http://here/page') as {
      hasVariant: { color: string; offers: { availability: string } }[];
    };
    expect(data.hasVariant.map((one) => one.color)).toEqual(['Rust', 'Spruce']);
    expect(data.hasVariant[0]!.offers.availability).toBe('https://schema.org/InStock');
  });
});
