/** What holds for all families of the demo seller. */
import { endpoints as api, makeChange, type Client, type StepInput } from '@loom-kin/contract';
import { pairedField, RegistryDataSchema } from '@loom-kin/core';
import registry from '../data/registry.json' with { type: 'json' };
import categoryMaps from '../data/categoryMap.json' with { type: 'json' };

/** Account → what its channel wants to know. */
const ANSWERS: Record<string, Record<string, string>> = {
  fernpost: { 'Delivery profile': 'Small parcel, tracked' },
  'norang-hall': { Certification: 'Nothing to certify', 'Return fee': '5000' },
};

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
    { on: 'seller', seller: { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20' } },
    { on: 'registry', command: { do: 'takeRegistry', registry: RegistryDataSchema.partial().parse(registry) } },
    ...channels.flatMap(({ channel }): StepInput[] => {
      const map = (categoryMaps as Record<string, Record<string, string>>)[channel];
      return map ? [{ on: 'categoryMap', channel, map }] : [];
    }),
    ...channels.flatMap(({ channel }): StepInput[] => {
      const pairings = wordPairings(channel);
      return pairings.length > 0 ? [{ on: 'pairings', pairings }] : [];
    }),
    ...accounts.flatMap((account): StepInput[] => {
      const answers = ANSWERS[account.id];
      return answers ? [{ on: 'account', account: { ...account, settings: { ...account.settings, answers } } }] : [];
    }),
  ];
  await makeChange(call, steps, { title: 'Set the demo seller up' });
}
