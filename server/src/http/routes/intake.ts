/** Routes: what comes in as files. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { sheetReport } from '../../files/intakes';
import { takeFamilyFile } from '../../files/takeFamily';
import { incomingFolder } from '../../store/store';
import type { Parts } from '../parts';
import { mount, mountUnread } from '../mount';
import { fileNameOf, oneSheet } from '../upload';

export function mountIntake(app: Express, { store, intakes, files, writer }: Parts): void {
  mount(
    app,
    api.readTable,
    async ({ request: { file } }) => {
      if (!file) throw new Refusal('sheet.none', {});
      const path = join(incomingFolder(store), file.filename);
      try {
        return { rows: await files.readTable(path, fileNameOf(file)) };
      } finally {
        await rm(path, { force: true });
      }
    },
    oneSheet(incomingFolder(store)),
  );
  mount(
    app,
    api.readSheet,
    ({ params, query, request: { file } }) => {
      if (!file) throw new Refusal('sheet.none', {});
      return intakes.start(params.id, { file: file.filename, fileName: fileNameOf(file) }, query.apply === 'yes');
    },
    oneSheet(incomingFolder(store)),
  );
  mount(app, api.sheetReport, ({ params, query }) => sheetReport(store, params.id, query));
  mount(app, api.takeSheet, ({ params }) => intakes.take(params.id));
  mountUnread(app, api.readFamilyFile, (body) => takeFamilyFile(writer, files, body));
}
