/** Puts the server together and starts it. */
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { pino, type Logger } from 'pino';
import { openDatabase, type Database } from './store/database';
import { fetchChannels } from './catalogue/channels';
import { createRefresher } from './fits/refresh';
import { createRunner, type Runner } from './dispatch/runner';
import { createApp } from './http/app';
import { WEB } from './folders';

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
}

export interface RunningServer {
  url: string;
  database: Database;
  runner: Runner;
  close(): Promise<void>;
}

/** Opens the data, asks the channels for their rulebooks, listens on loopback, goes on with dispatches under way. */
export async function startServer(options: ServerOptions): Promise<RunningServer> {
  const log = options.log ?? pino({ level: process.env.LOOM_KIN_LOG ?? 'warn' });
  const database = openDatabase(join(options.dataFolder, 'loom-kin.db'));
  await fetchChannels(database, options.channelsUrl);
  const refresher = createRefresher(database);
  refresher.all();
  let url = '';
  const runner = createRunner(database, {
    channelsUrl: options.channelsUrl,
    pictureAddress: (id) => `${url}/pictures/${id}.png`,
    log,
    pollEvery: options.pollEvery ?? 700,
    waits: options.waits ?? [1000, 2000, 4000, 8000, 15_000],
  });
  const app = createApp({
    database,
    runner,
    refresher,
    log,
    pictureFolder: join(options.dataFolder, 'pictures'),
    webFolder: options.webFolder ?? WEB,
    channelsUrl: options.channelsUrl,
  });
  const server = await new Promise<Server>((resolve, reject) => {
    const listening = app.listen(options.port, '127.0.0.1', (error?: Error) =>
      error ? reject(error) : resolve(listening),
    );
  });
  // Longer than any client keeps a connection, so that none is closed just as it is used again.
  server.keepAliveTimeout = 90_000;
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  runner.resume();
  return {
    url,
    database,
    runner,
    close: async () => {
      refresher.stop();
      await runner.stop();
      server.closeAllConnections();
      await new Promise((done) => server.close(done));
      database.$client.close();
    },
  };
}
