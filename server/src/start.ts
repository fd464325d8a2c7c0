/** Puts the server together and starts it. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { finishRestore, forgetOldData, passTrial, rollBack } from './backup/restore';
import { createApprovals } from './channels/approvals';
import { createEntries } from './channels/entries';
import { fetchChannels } from './channels/channels';
import { createWriter } from './changes/writer';
import { createRunner, type Runner } from './dispatch/runner';
import { createIntakes } from './files/intakes';
import { createFilePool } from './fileWorker/pool';
import { createExports } from './export/exports';
import { createFitScheduler } from './fits/fitScheduler';
import { markAllDue } from './fitQueue/due';
import { isOtherProgram } from './fits/programOfFits';
import { createFitPool } from './fits/pool';
import { createApp } from './http/app';
import { createJobControls } from './jobControls/jobControls';
import { createLists } from './lists/lists';
import { startCheckpoints } from './store/checkpoints';
import { DATABASE_FILE, lockData } from './store/database';
import { createFetcher } from './pictures/fetchPicture';
import { lookAtOld } from './pictures/lookAtOld';
import { createPictureIntakes } from './pictureIntakes/pictureIntakes';
import { createPicturePool } from './pictures/pool';
import { openStore } from './store/openStore';
import type { Store } from './store/store';
import { WEB } from './folders/folders';

export interface ServerOptions {
  /** Folder for the database and the pictures. */
  dataFolder: string;
  /** 0 takes any free port. */
  port: number;
  channelsUrl: string;
  webFolder?: string;
  log?: Logger;
  pollEvery?: number;
  waits?: readonly number[];
  receiptPatience?: number;
  /** How often accounts in doubt are read by themselves, in milliseconds. */
  readEvery?: number;
  /** Hears that the server has to be closed and started again on the same data. */
  startAnew?: () => void;
  /** Which addresses pictures may be fetched from; all public ones where nothing is said. */
  mayFetchFrom?: (address: string) => boolean;
}

export interface RunningServer {
  url: string;
  store: Store;
  runner: Runner;
  close(): Promise<void>;
}

const WAITS = [1000, 2000, 4000, 8000, 15_000];
const HOUR = 3_600_000;
/** So long an answer has to get out before the server is closed, in milliseconds. */
const ANSWERED = 200;

/**
 * Takes the data for itself, asks the channels for their rulebooks, listens on loopback, goes on with what was under way. Throws
 * `DataUnavailable` where another server works on the data, or they cannot be written.
 */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const { dataFolder } = options;
  const log = options.log ?? pino({ level: process.env.LOOM_KIN_LOG ?? 'warn' });
  const lock = lockData(dataFolder);
  try {
    finishRestore(dataFolder);
    forgetOldData(dataFolder);
    const running = await startOn(options, log, lock);
    passTrial(dataFolder);
    return running;
  } catch (error) {
    lock.release();
    if (!rollBack(dataFolder)) throw error;
    log.error(
      { err: error },
      'the data that was brought back cannot be used: the data of before is in its place again',
    );
    return startServer(options);
  }
}

/** Has the server listen on this machine. */
async function listen(app: ReturnType<typeof createApp>, port: number): Promise<Server> {
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(port, '127.0.0.1', (error?: Error) => (error ? reject(error) : resolve(listening)));
  });
  // Longer than any client keeps a connection, so that none is closed just as it is used again.
  server.keepAliveTimeout = 90_000;
  return server;
}

async function startOn(options: ServerOptions, log: Logger, lock: { release(): void }): Promise<RunningServer> {
  const { dataFolder, channelsUrl, webFolder = WEB, pollEvery = 700 } = options;
  const store = openStore(dataFolder);
  const isSaidOtherwise = await fetchChannels(store, channelsUrl);
  // What is stored is as it would be worked out now, unless the channels or the program changed while nobody looked.
  if (isOtherProgram(store.database) || isSaidOtherwise) markAllDue(store.database);
  const pool = createFitPool(store);
  const fitScheduler = createFitScheduler(store, pool, log);
  let url = '';
  const link = { base: channelsUrl, patience: options.receiptPatience ?? HOUR };
  const pictureAddress = (id: string) => `${url}/pictures/${id}`;
  const runner = createRunner(store, pool, {
    link,
    log,
    pictureAddress,
    pollEvery,
    waits: options.waits ?? WAITS,
    readEvery: options.readEvery,
  });
  const files = createFilePool(store);
  const writer = createWriter(store);
  const intakes = createIntakes(store, files, writer, log);
  const pictures = createPicturePool(store);
  const fetcher = createFetcher(options.mayFetchFrom);
  const pictureIntakes = createPictureIntakes(store, pictures, fetcher, log);
  const lists = createLists(store, { pool: files, writer, pictures: pictureIntakes, log });
  const exports = createExports(store, files, log);
  const jobControls = createJobControls(store, { fitScheduler, intakes, lists, pictureIntakes, exports, runner });
  const approvals = createApprovals(store, channelsUrl, pollEvery, log);
  const entries = createEntries(store, channelsUrl, log);
  const app = createApp({
    store,
    pool,
    files,
    exports,
    intakes,
    lists,
    pictures,
    pictureIntakes,
    runner,
    jobControls,
    approvals,
    entries,
    writer,
    log,
    webFolder,
    channelsUrl,
    link,
    pictureAddress,
    startAnew: () => setTimeout(() => options.startAnew?.(), ANSWERED),
  });
  const server = await listen(app, options.port);
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  runner.resume();
  for (const jobs of [intakes, lists, pictureIntakes, exports]) jobs.goOn();
  const closing = new AbortController();
  const looking = lookAtOld(store, pictures, log, closing.signal);
  const checkpoints = startCheckpoints(store.database, join(dataFolder, DATABASE_FILE), log);
  fitScheduler.kick();
  return {
    url,
    store,
    runner,
    close: async () => {
      closing.abort();
      await looking;
      approvals.close();
      await entries.close();
      await fitScheduler.close();
      await runner.stop();
      // What uses others ends before them.
      for (const one of [intakes, lists, exports, pictureIntakes, fetcher, pictures, files, writer, pool])
        await one.close();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      await checkpoints.close();
      store.close();
      lock.release();
    },
  };
}
