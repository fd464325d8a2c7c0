/** The HTTP application: guards, every endpoint, downloads, the built pages. Routes only pass on. */
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { sql } from 'drizzle-orm';
import type { Logger } from 'pino';
import { endpoints as api, openApiDocument } from '@loom-kin/contract';
import { familyRows, listingMessage, Refusal, rulesForSheet, uploadSheet } from '@loom-kin/core';
import type { Database } from '../store/database';
import { families } from '../store/schema';
import * as commands from '../changes/run';
import { familyDetail, likeFamilies, listFamilies } from '../families/search';
import { loadFamily, loadStock } from '../families/save';
import { fitsOf, fitWorld, liveOf } from '../fits/fits';
import { lastDone, readJournal } from '../changes/journal';
import type { Refresher } from '../fits/refresh';
import * as seller from '../catalogue/seller';
import { fetchChannel, readChannel, readChannels, readPairings, writeSettings } from '../catalogue/channels';
import { takePicture } from '../pictures/takePicture';
import { familyFile, readTable, takeFamilyFile, takeSheet } from '../files/takeIn';
import { writeCsv } from '../files/csv';
import { writeXlsx } from '../files/xlsx';
import * as dispatch from '../dispatch/store';
import type { Runner } from '../dispatch/runner';
import { guard } from './guard';
import { mount, problems } from './route';
import { fileNameOf, manyPictures, oneSheet } from './upload';

export interface AppParts {
  database: Database;
  runner: Runner;
  refresher: Refresher;
  log: Logger;
  pictureFolder: string;
  /** The built web pages; without them only the API is there. */
  webFolder: string;
  channelsUrl: string;
}

export function createApp({
  database,
  runner,
  refresher,
  log,
  pictureFolder,
  webFolder,
  channelsUrl,
}: AppParts): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(guard);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          styleSrc: ["'self'", "'unsafe-inline'"],
          workerSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'"],
          fontSrc: ["'self'", 'data:'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use('/api', express.json({ limit: '20mb' }));
  const ok = { ok: true } as const;

  mount(app, api.health, () => ({
    ok: true as const,
    families: database
      .select({ count: sql<number>`count(*)` })
      .from(families)
      .get()!.count,
  }));
  app.get('/api/openapi.json', (_request, response) => void response.json(openApiDocument()));

  mount(app, api.setup, () => ({
    seller: seller.readSeller(database),
    blocks: seller.blockStates(database),
    channels: readChannels(database),
    pairings: readPairings(database),
  }));
  mount(app, api.setSeller, ({ body }) => {
    seller.writeSeller(database, body);
    refresher.all();
    return ok;
  });
  mount(app, api.addBlock, ({ body }) => (seller.addBlock(database, body), ok));
  mount(app, api.removeBlock, ({ params }) => (seller.removeBlock(database, params.id), ok));
  mount(app, api.setChannel, ({ params, body }) => {
    writeSettings(database, params.id, body);
    refresher.all();
    return ok;
  });
  mount(app, api.refreshChannel, async ({ params }) => {
    const place = readChannels(database).findIndex((one) => one.channel === params.id);
    const channel = await fetchChannel(database, channelsUrl, readChannel(database, params.id).channel, place).catch(
      (error: unknown) => {
        throw error instanceof Refusal
          ? error
          : new Refusal('channel.silent', 'The channel cannot be reached. Its rules stay as they were.');
      },
    );
    refresher.all();
    return channel;
  });

  mount(app, api.listFamilies, ({ query }) => listFamilies(database, query));
  mount(app, api.likeFamilies, ({ query }) => likeFamilies(database, query.name, query.styleCode));
  mount(app, api.readFamilyFile, ({ body }) => takeFamilyFile(database, body));
  mount(app, api.createFamily, ({ body }) =>
    familyDetail(database, commands.startFamily(database, { ...body, id: commands.newFamilyId() }).id),
  );
  mount(app, api.family, ({ params }) => familyDetail(database, params.id));
  mount(app, api.run, ({ params, body }) => {
    const family = commands.run(database, params.id, body.revision, body.command, body.key);
    return { revision: family.revision, undo: lastDone(database, params.id)?.title ?? null };
  });
  mount(app, api.undo, ({ params }) => familyDetail(database, commands.stepBack(database, params.id, 'undo').id));
  mount(app, api.redo, ({ params }) => familyDetail(database, commands.stepBack(database, params.id, 'redo').id));
  mount(app, api.countStock, ({ params, body }) =>
    familyDetail(database, commands.countStock(database, params.id, body.key, body.counts).id),
  );
  mount(app, api.takeNumbers, ({ params, body }) =>
    familyDetail(database, commands.giveNumbers(database, params.id, body.blockId, body.childIds).id),
  );
  mount(app, api.setPairings, ({ params, body }) => {
    const { id } = commands.pair(database, params.id, body.pairings);
    refresher.all();
    return familyDetail(database, id);
  });
  mount(
    app,
    api.readSheet,
    async ({ params, query, request }) => {
      if (!request.file) throw new Refusal('sheet.none', 'No file came with this.');
      return takeSheet(
        database,
        params.id,
        await readTable(request.file.buffer, fileNameOf(request.file)),
        query.apply === 'yes',
      );
    },
    oneSheet,
  );

  mount(
    app,
    api.addPictures,
    async ({ request }) => {
      const files = (request.files ?? []) as Express.Multer.File[];
      const taken = [];
      for (const file of files) {
        const fileName = fileNameOf(file);
        try {
          taken.push({
            fileName,
            picture: await takePicture(database, pictureFolder, fileName, file.buffer),
            problem: null,
          });
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
    if (!match) throw new Refusal('picture.unknown', 'There is no such picture.');
    response.sendFile(match[0], { root: pictureFolder, maxAge: '365d', immutable: true }, (error) => {
      if (error && !response.headersSent)
        response.status(404).json({ code: 'picture.unknown', message: 'There is no such picture.' });
    });
  });

  mount(app, api.previewDispatch, ({ body }) => dispatch.previewDispatch(database, body));
  mount(app, api.startDispatch, ({ body }) => {
    const made = dispatch.makeDispatch(database, body);
    runner.start(made.id);
    return made;
  });
  mount(app, api.dispatches, () => dispatch.readDispatches(database));
  mount(app, api.dispatch, ({ params }) => dispatch.readDispatch(database, params.id));
  mount(app, api.dispatchLine, ({ params }) => dispatch.readMessage(database, params.id, params.line));
  mount(app, api.retryDispatch, ({ params }) => {
    const again = dispatch.requeue(database, params.id, 'retry');
    runner.start(params.id);
    return again;
  });
  mount(app, api.stopDispatch, ({ params }) => dispatch.requeue(database, params.id, 'stop'));
  mount(app, api.journal, ({ query }) => readJournal(database, query));

  downloads(app, database);
  app.use('/api', () => {
    throw new Refusal('api.unknown', 'There is no such address in the API.');
  });
  if (existsSync(join(webFolder, 'index.html'))) {
    app.use(express.static(webFolder, { index: false, maxAge: '1h' }));
    app.get('/{*path}', (_request, response) => response.sendFile('index.html', { root: webFolder, maxAge: 0 }));
  }
  app.use(problems(log));
  return app;
}

/** Files that leave: a family as JSON, CSV or XLSX, and the upload sheet of a channel. */
function downloads(app: Express, database: Database): void {
  const nameOf = (id: string) => String(loadFamily(database, id).fields.styleCode || id).replace(/[^\w-]+/g, '-');
  app.get('/api/families/:id/file.:kind', async (request, response) => {
    const { id, kind } = request.params;
    const family = loadFamily(database, id);
    response.attachment(`${nameOf(id)}.${kind}`);
    if (kind === 'json') return void response.json(familyFile(database, id));
    const { headers, rows } = familyRows(family, loadStock(database, id));
    if (kind === 'csv') return void response.type('text/csv; charset=utf-8').send(writeCsv(headers, rows));
    if (kind === 'xlsx')
      return void response
        .type('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')
        .send(await writeXlsx('Children', headers, rows));
    throw new Refusal('file.unknown', 'Families leave as json, csv or xlsx.');
  });
  app.get('/api/families/:id/upload/:channel', async (request, response) => {
    const { id, channel } = request.params;
    const { rulebook } = readChannel(database, channel);
    const [fit] = fitsOf(database, fitWorld(database), loadFamily(database, id), [channel]);
    const live = new Map(
      liveOf(database, id)
        .filter((one) => one.channel === channel)
        .map((one) => [one.key, one.listing]),
    );
    const messages = (fit?.listings ?? []).flatMap((listing) => listingMessage(live.get(listing.key), listing) ?? []);
    const sheet = uploadSheet(messages, rulesForSheet(rulebook));
    response
      .attachment(`${nameOf(id)}-${channel}.xlsx`)
      .type('application/vnd.openxmlformats-officedocument.spreadsheetml.sheet')
      .send(await writeXlsx('Upload', sheet.headers, sheet.rows));
  });
}
