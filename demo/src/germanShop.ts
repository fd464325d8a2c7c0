/** A second language, and an account of the own shop that is written in it: what has German texts goes there. */
import { endpoints as api, makeChange, type Client, type StepInput } from '@loom-kin/contract';
import type { Routes } from '@loom-kin/core/catalogue';

const ACCOUNT = 'own-shop-de';

const ROUTES: Routes = [
  {
    id: 'german',
    name: 'What has German texts',
    category: null,
    offers: true,
    when: { match: 'all', of: [{ key: 'tags', is: 'contains', value: 'German texts' }] },
  },
];

export async function addGermanShop(call: Client): Promise<void> {
  const { accounts, registry } = await call(api.setup);
  const own = accounts.find((account) => account.id === 'own-shop');
  const languages = [...new Set([...registry.languages, 'de'])];
  const steps: StepInput[] = [{ on: 'registry', command: { do: 'setLanguages', languages } }];
  if (own && !accounts.some((account) => account.id === ACCOUNT)) {
    const at = Math.max(...accounts.map((account) => account.at)) + 1;
    steps.push(
      { on: 'account', account: { ...own, id: ACCOUNT, name: 'German shop', language: 'de', at } },
      { on: 'routes', account: ACCOUNT, routes: ROUTES },
    );
  }
  await makeChange(call, steps, { title: 'Add a German shop' });
}
