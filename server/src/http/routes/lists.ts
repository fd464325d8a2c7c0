/** Routes: lists of goods read, settled and taken in. */
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { startFromLive } from '../../lists/fromLive';
import { foundFamilies, foundRows, listView } from '../../lists/listViews';
import { incomingFolder } from '../../store/store';
import { mount } from '../mount';
import type { Parts } from '../parts';
import { fileNameOf, oneSheet } from '../upload';

export function mountLists(app: Express, { store, lists, channelsUrl }: Parts): void {
  mount(
    app,
    api.startList,
    ({ request: { file } }) => {
      if (!file) throw new Refusal('sheet.none', {});
      return lists.start({ file: file.filename, fileName: fileNameOf(file) });
    },
    oneSheet(incomingFolder(store)),
  );
  mount(app, api.pasteList, ({ body }) => lists.startText(body.text));
  mount(app, api.listFromLive, ({ body }) => startFromLive(store, lists, channelsUrl, body.account));
  mount(app, api.list, ({ params }) => listView(store, params.id));
  mount(app, api.listFamiliesFound, ({ params, query }) => foundFamilies(store, params.id, query));
  mount(app, api.listRows, ({ params, query }) => foundRows(store, params.id, query));
  mount(app, api.settleList, ({ params, body }) => lists.settle(params.id, body));
  mount(app, api.takeList, ({ params, body }) => lists.take(params.id, body.deletions ?? false, body.pictures ?? true));
}
