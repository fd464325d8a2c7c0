/** Routes: what comes in as files. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core';
import { sheetReport } from '../../files/intakes';
import { takeFamilyFile } from '../../files/takeFamily';
import { takePicture } from '../../pictures/takePicture';
import { incomingFolder, pictureFolder } from '../../store/store';
import type { Parts } from '../parts';
import { mount, mountUnread } from '../mount';
import { fileNameOf, manyPictures, oneSheet } from '../upload';

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
  mount(
    app,
    api.addPictures,
    async ({ request }) => {
      const taken = [];
      for (const file of (request.files ?? []) as Express.Multer.File[]) {
        const fileName = fileNameOf(file);
        try {
          const picture = await takePicture(store.database, pictureFolder(store), fileName, file.buffer);
          taken.push({ fileName, picture, problem: null });
        } catch (error) {
          if (!(error instanceof Refusal)) throw error;
          taken.push({ fileName, picture: null, problem: error.message });
        }
      }
      return taken;
    },
    manyPictures,
  );
  app.get('/pictures/:file', (request, response) => {
    const match = /^([0-9a-f]{24})(\.small)?\.png$/.exec(request.params.file ?? '');
    if (!match) throw new Refusal('picture.unknown', {});
    const options = { root: pictureFolder(store), maxAge: '365d', immutable: true };
    response.sendFile(match[0], options, (error) => {
      if (!error || response.headersSent) return;
      const { code, message } = new Refusal('picture.unknown', {});
      response.status(404).json({ code, message });
    });
  });
}
