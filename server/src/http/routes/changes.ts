/** Routes: changes made, taken back and read. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { readJournal, readParts } from '../../journal/readJournal';
import type { Parts } from '../parts';
import { mount } from '../mount';

export function mountChanges(app: Express, { store, writer }: Parts): void {
  mount(app, api.change, ({ body }) => writer.write({ do: 'change', order: body }));
  mount(app, api.undo, ({ params, body }) => writer.write({ do: 'undo', changeId: params.id, key: body.key }));
  mount(app, api.redo, ({ params, body }) => writer.write({ do: 'redo', changeId: params.id, key: body.key }));
  mount(app, api.journal, ({ query }) => readJournal(store, query));
  mount(app, api.changeParts, ({ params, query }) => readParts(store, params.id, query));
}
