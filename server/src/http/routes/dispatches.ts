/** Routes: sending. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { accountOf } from '../../store/readCatalogue';
import { readDispatch, readDispatches, readMessage } from '../../dispatch/dispatches';
import { reconcile } from '../../dispatch/reconcile';
import { makeDispatch, previewDispatch, retryDispatch, stopDispatch } from '../../dispatch/order';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountDispatches(app: Express, { store, pool, runner, link }: Parts): void {
  const { database } = store;
  mount(app, api.previewDispatch, ({ body }) => previewDispatch(store, pool, link, body));
  mount(app, api.startDispatch, async ({ body }) => {
    const made = await makeDispatch(store, pool, link, body);
    runner.kick();
    return made;
  });
  mount(app, api.dispatches, () => readDispatches(database));
  mount(app, api.dispatch, ({ params }) => readDispatch(database, params.id));
  mount(app, api.dispatchLine, ({ params }) => readMessage(database, params.id, params.line));
  mount(app, api.retryDispatch, ({ params }) => {
    const again = retryDispatch(store, params.id);
    runner.kick();
    return again;
  });
  mount(app, api.readAccount, async ({ params }) => {
    const account = accountOf(store.catalogue(), params.id);
    const left = await reconcile(store, link, account).catch(() => {
      throw new Refusal('channel.silent', {});
    });
    return { left };
  });
  mount(app, api.stopDispatch, ({ params }) => stopDispatch(store, params.id));
}
