/** Routes: what holds for all families. */
import { randomUUID } from 'node:crypto';
import type { Express } from 'express';
import { sql } from 'drizzle-orm';
import { endpoints as api, openApiDocument } from '@loom-kin/contract';
import { SellerSchema } from '@loom-kin/core/catalogue';
import { Refusal } from '@loom-kin/core/refusal';
import { blockStates } from '../../identifiers/blocks';
import { fetchChannel } from '../../channels/channels';
import { rulesMeaning } from '../../fits/rulesMeaning';
import { tryPrices } from '../../fits/tryPrices';
import { familiesWithValue } from '../../families/valueUses';
import { markAllDue } from '../../fitQueue/due';
import { readDocument } from '../../store/documents';
import { families } from '../../store/schema';
import type { Parts } from '../parts';
import { mount, mountDownload } from '../mount';

const ok = { ok: true } as const;

export function mountSetup(app: Express, { store, pool, channelsUrl, approvals, entries }: Parts): void {
  const { database } = store;
  const run = randomUUID();
  mount(app, api.health, () => {
    const row = database
      .select({ count: sql<number>`count(*)` })
      .from(families)
      .get()!;
    return { ...ok, families: row.count, run };
  });
  app.get('/api/openapi.json', (_request, response) => void response.json(openApiDocument()));
  mount(app, api.setup, () => {
    const { seller, registry, accounts, channels, pairings, categoryMaps, routes, collections } = store.catalogue();
    return {
      seller,
      begun: readDocument(database, SellerSchema, 'seller') !== undefined,
      registry: registry.data,
      accounts: [...accounts],
      channels: [...channels],
      pairings,
      categoryMaps,
      routes,
      collections: [...collections],
      blocks: blockStates(database, registry.data),
    };
  });
  mount(app, api.valueUses, ({ query }) => {
    const uses = familiesWithValue(database, query.role, query.label);
    return { families: uses.length, names: uses.slice(0, 20).map((one) => one.name) };
  });
  mountDownload(app, api.rulebookFile, ({ params }, response) => {
    const rulebook = store.catalogue().rulebooks.get(params.id)?.rulebook;
    if (!rulebook) throw new Refusal('channel.unknown', {});
    response.attachment(`${rulebook.channel}-rulebook-${rulebook.version}.json`).type('application/json');
    response.send(JSON.stringify(rulebook, null, 2));
  });
  mount(app, api.rulesMeaning, ({ params }) => rulesMeaning(store, pool, params.id, params.version));
  mount(app, api.tryPrices, ({ params, body }) => tryPrices(store, pool, { ...body.account, id: params.id }));
  mount(app, api.askApproval, async ({ params, body }) => {
    await approvals.ask(params.id, body.category);
    return ok;
  });
  mount(app, api.askEntries, async ({ params, body }) => {
    await entries.askAgain(params.id, body.familyId);
    return ok;
  });
  mount(app, api.refreshChannel, async ({ params }) => {
    const place = store.catalogue().channels.findIndex((one) => one.channel === params.id);
    if (place < 0) throw new Refusal('channel.unknown', {});
    const channel = await fetchChannel(store, channelsUrl, params.id, place).catch((error: unknown) => {
      throw error instanceof Refusal ? error : new Refusal('channel.silent', {});
    });
    await store.whenQuiet(() => markAllDue(database));
    store.events.emit({ setup: true });
    return channel;
  });
}
