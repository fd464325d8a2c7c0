/** Routes: sending. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { readDispatch, readDispatches, readMessage } from '../../dispatch/dispatches';
import { makeDispatch, previewDispatch, retryDispatch, stopDispatch } from '../../dispatch/order';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountDispatches(app: Express, { store, pool, runner }: Parts): void {
  const { database } = store;
  mount(app, api.previewDispatch, ({ body }) => previewDispatch(store, pool, body));
  mount(app, api.startDispatch, async ({ body }) => {
    const made = await makeDispatch(store, pool, body);
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
  mount(app, api.stopDispatch, ({ params }) => stopDispatch(store, params.id));
}
