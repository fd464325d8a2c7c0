/** Routes: changes made, taken back and read. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { readJournal } from '../../changes/journal';
import { runChange } from '../../changes/runChange';
import { stepBack } from '../../changes/undo';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountChanges(app: Express, { store }: Parts): void {
  mount(app, api.change, ({ body }) => runChange(store, body));
  mount(app, api.undo, ({ params, body }) => stepBack(store, params.id, 'undo', body.key));
  mount(app, api.redo, ({ params, body }) => stepBack(store, params.id, 'redo', body.key));
  mount(app, api.journal, ({ query }) => readJournal(store, query));
}
