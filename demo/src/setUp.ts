/** What holds for all families of the demo seller. */
import { endpoints as api, makeChange, type Client, type StepInput } from '@loom-kin/contract';
import type { AccountSettings } from '@loom-kin/core/catalogue';
import { pairedField } from '@loom-kin/core/pairing';
import { RegistryDataSchema, type SizeChart, type Term } from '@loom-kin/core/registry';
import registry from '../data/registry.json' with { type: 'json' };
import categoryMaps from '../data/categoryMap.json' with { type: 'json' };

/** Account → what its channel wants to know. */
const ANSWERS: Record<string, Record<string, string>> = {
  fernpost: { 'Delivery profile': 'Small parcel, tracked' },
  'norang-hall': { Certification: 'Nothing to certify', 'Return fee': '5000' },
};

/** Account → whose tax is in its prices, what comes off them, and how they are made. */
const MONEY: Record<string, Partial<AccountSettings>> = {
  quayside: { charges: { shipping: '4.20' }, stock: { from: ['main'] } },
  fernpost: { charges: { paymentPercent: '3', paymentFixed: '0.25', shipping: '9.80', pieces: 40 } },
  'own-shop': { charges: { paymentPercent: '1.4', paymentFixed: '0.25', shipping: '4.20' } },
  palmway: {
    country: 'SG',
    charges: { paymentPercent: '2', shipping: '11.50' },
    priceRule: { from: 'price', change: '5%', covers: [], ending: '90' },
  },
  'tallow-gate': {
    country: 'GB',
    stock: { buffer: 1 },
    charges: { paymentPercent: '2.9', paymentFixed: '0.30', shipping: '7.40', pieces: 60 },
    priceRule: { from: 'price', covers: ['fees', 'shipping'], ending: '99' },
  },
  loftline: {
    charges: { shipping: '13.00' },
    priceRule: { from: 'cost', target: { kind: 'margin', percent: '25' }, covers: [], multipleOf: '10' },
  },
  'norang-hall': { country: 'KR', charges: { paymentPercent: '3.3', shipping: '12.00' } },
};

/** Where pieces are kept. */
const LOCATIONS = [
  { id: 'main', label: 'Harbour store' },
  { id: 'quay-shed', label: 'Quay shed' },
];

/** Languages are left as they are: a shop in another may have come since. */
const { languages: _languages, ...REGISTRY } = RegistryDataSchema.partial().parse(registry);

const TERMS: Term[] = [
  { id: 'small-parcel', kind: 'delivery', label: 'Small parcel', text: 'Sent within three working days, tracked.' },
  {
    id: 'thirty-days',
    kind: 'return',
    label: 'Thirty days',
    text: 'Sent back unworn within thirty days, we refund it.',
  },
  {
    id: 'skerry-supply',
    kind: 'party',
    label: 'Skerry Supply',
    text: 'Skerry Supply, Slip 4, Norrhavn. post@skerry.example',
  },
];

const CHARTS: SizeChart[] = [
  {
    id: 'coats',
    label: 'Coats, worn over a jumper',
    unit: 'cm',
    columns: ['Size', 'Chest', 'Back length'],
    rows: [
      ['XS', '100', '66'],
      ['S', '106', '68'],
      ['M', '112', '71'],
      ['L', '118', '74'],
      ['XL', '124', '76'],
      ['XXL', '132', '78'],
    ],
  },
];

/** What one euro is elsewhere. */
const RATES = Object.fromEntries(
  Object.entries({ USD: '1.09', GBP: '0.86', SGD: '1.45', INR: '92', KRW: '1480' }).map(([currency, rate]) => [
    currency,
    { rate, on: '2026-11-02' },
  ]),
);

/** Channel → field → the seller's word → the channel's. */
const WORDS: Record<string, Record<string, Record<string, string>>> = {
  palmway: { condition: { new: 'Brand new', used: 'Pre-owned' } },
  loftline: { wearer: { anyone: 'Unisex', women: 'Women', men: 'Men', children: 'Children', home: 'Home' } },
};
const wordPairings = (channel: string) =>
  Object.entries(WORDS[channel] ?? {}).flatMap(([key, words]) =>
    Object.entries(words).map(([value, to]) => ({ channel, role: pairedField(key), value, to })),
  );

/** Seller, registry, where goods go on every channel, and what channels want to know. */
export async function setUpSeller(call: Client): Promise<void> {
  const { accounts, channels } = await call(api.setup);
  const steps: StepInput[] = [
    { on: 'seller', seller: { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20', country: 'AT', rates: RATES } },
    { on: 'registry', command: { do: 'takeRegistry', registry: REGISTRY } },
    { on: 'registry', command: { do: 'setLocations', locations: LOCATIONS } },
    ...TERMS.map((term): StepInput => ({ on: 'registry', command: { do: 'setTerm', term } })),
    ...CHARTS.map((chart): StepInput => ({ on: 'registry', command: { do: 'setSizeChart', chart } })),
    ...channels.flatMap(({ channel }): StepInput[] => {
      const map = (categoryMaps as Record<string, Record<string, string>>)[channel];
      return map ? [{ on: 'categoryMap', channel, map }] : [];
    }),
    ...channels.flatMap(({ channel }): StepInput[] => {
      const pairings = wordPairings(channel);
      return pairings.length > 0 ? [{ on: 'pairings', pairings }] : [];
    }),
    ...accounts.flatMap((account): StepInput[] => {
      const answers = ANSWERS[account.id] ?? account.settings.answers;
      return [
        { on: 'account', account: { ...account, settings: { ...account.settings, ...MONEY[account.id], answers } } },
      ];
    }),
  ];
  await makeChange(call, steps, { title: 'Set the demo seller up' });
}
