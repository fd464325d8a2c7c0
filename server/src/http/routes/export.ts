/** Routes: the catalogue as files, and the backup. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core/refusal';
import { DAYS_KEPT, keptData } from '../../backup/restore';
import { writtenFile } from '../../export/exports';
import { incomingFolder } from '../../store/store';
import { mount, mountDownload } from '../mount';
import type { Parts } from '../parts';
import { fileNameOf, requireLength, oneBackup } from '../upload';

export function mountExport(app: Express, { store, exports, files, startAnew }: Parts): void {
  mount(app, api.startExport, ({ body, request }) =>
    exports.start(body, `${request.protocol}://${request.get('host') ?? ''}`),
  );
  mountDownload(app, api.exportedFile, ({ params }, response) => {
    const { path, name, type } = writtenFile(store, params.id);
    return new Promise((resolve, reject) =>
      response
        .type(type)
        .download(path, name, { headers: { 'content-type': type } }, (error) => (error ? reject(error) : resolve())),
    );
  });
  mount(app, api.keptData, () => ({ days: DAYS_KEPT, kept: keptData(store.dataFolder) }));
  mount(app, api.bringBackKept, async ({ params }) => {
    const counts = await files.bringBack(params.name);
    startAnew();
    return counts;
  });
  mount(
    app,
    api.restore,
    async ({ request: { file } }) => {
      if (!file) throw new Refusal('sheet.none', {});
      const path = join(incomingFolder(store), file.filename);
      try {
        const { madeAt, families, children, pictures } = await files.readBackup(path, fileNameOf(file));
        startAnew();
        return { madeAt, families, children, pictures };
      } finally {
        await rm(path, { force: true });
      }
    },
    requireLength,
    oneBackup(incomingFolder(store)),
  );
}
