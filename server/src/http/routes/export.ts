/** Routes: the catalogue as files, and the backup. */
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { sql } from 'drizzle-orm';
import type { Express } from 'express';
import { endpoints as api } from '@loom-kin/contract';
import { Refusal } from '@loom-kin/core';
import { readBackup } from '../../backup/readBackup';
import { writtenFile } from '../../export/exports';
import { incomingFolder, type Store } from '../../store/store';
import { mount, mountDownload } from '../mount';
import type { Parts } from '../parts';
import { fileNameOf, mindLength, oneBackup } from '../upload';

export function mountExport(app: Express, { store, exports, startAnew }: Parts): void {
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
  mount(
    app,
    api.restore,
    async ({ request: { file } }) => {
      if (!file) throw new Refusal('sheet.none', {});
      const path = join(incomingFolder(store), file.filename);
      try {
        const { madeAt, families, children, pictures } = await readBackup(
          path,
          fileNameOf(file),
          store.dataFolder,
          migrationsOf(store),
        );
        startAnew();
        return { madeAt, families, children, pictures };
      } finally {
        await rm(path, { force: true });
      }
    },
    mindLength,
    oneBackup(incomingFolder(store)),
  );
}

/** How many changes of its tables the database has been through. */
const migrationsOf = ({ database }: Store): number =>
  database.get<{ count: number }>(sql`SELECT count(*) AS count FROM __drizzle_migrations`).count;
