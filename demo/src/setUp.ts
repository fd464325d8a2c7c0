/** What holds for all families of the demo seller. */
import { endpoints as api, makeChange, type Client, type StepInput } from '@loom-kin/contract';
import { RegistryDataSchema } from '@loom-kin/core';
import registry from '../data/registry.json' with { type: 'json' };
import categoryMaps from '../data/categoryMap.json' with { type: 'json' };

/** Seller, registry, where goods go on every channel, and what Fernpost wants to know. */
export async function setUpSeller(call: Client): Promise<void> {
  const { accounts, channels } = await call(api.setup);
  const fernpost = accounts.find((account) => account.id === 'fernpost');
  const answers = { 'Delivery profile': 'Small parcel, tracked' };
  const steps: StepInput[] = [
    { on: 'seller', seller: { name: 'Skerry Supply', currency: 'EUR', taxPercent: '20' } },
    { on: 'registry', command: { do: 'takeRegistry', registry: RegistryDataSchema.partial().parse(registry) } },
    ...channels.flatMap(({ channel }): StepInput[] => {
      const map = (categoryMaps as Record<string, Record<string, string>>)[channel];
      return map ? [{ on: 'categoryMap', channel, map }] : [];
    }),
    ...(fernpost
      ? [{ on: 'account' as const, account: { ...fernpost, settings: { ...fernpost.settings, answers } } }]
      : []),
  ];
  await makeChange(call, steps, { title: 'Set the demo seller up' });
}
