/**
 * The server as a process. Settings come from the environment: LOOM_KIN_DATA, LOOM_KIN_PORT, LOOM_KIN_CHANNELS,
 * LOOM_KIN_LOG; LOOM_KIN_POLL and LOOM_KIN_WAITS (milliseconds) for receipts and tries; LOOM_KIN_FETCH_FROM, the one address besides
 * public ones that pictures may be fetched from.
 */
import { resolve } from 'node:path';
import { isPublicAddress } from './pictures/fetchPicture';
import { startServer, type ServerOptions } from './start';
import { DataUnavailable } from './store/database';

// What is written here is for this user alone.
process.umask(0o077);

const options: ServerOptions = {
  dataFolder: resolve(process.env.LOOM_KIN_DATA ?? 'data'),
  port: Number(process.env.LOOM_KIN_PORT ?? 4310),
  channelsUrl: process.env.LOOM_KIN_CHANNELS ?? 'http://127.0.0.1:4311',
  startAnew: () => void startAgain(),
  ...(process.env.LOOM_KIN_POLL ? { pollEvery: Number(process.env.LOOM_KIN_POLL) } : {}),
  ...(process.env.LOOM_KIN_FETCH_FROM
    ? { mayFetchFrom: (address) => address === process.env.LOOM_KIN_FETCH_FROM || isPublicAddress(address) }
    : {}),
  ...(process.env.LOOM_KIN_WAITS ? { waits: process.env.LOOM_KIN_WAITS.split(',').map(Number) } : {}),
};

let running = await startServer(options).catch((error: unknown) => {
  if (!(error instanceof DataUnavailable)) throw error;
  console.error(error.message);
  process.exit(1);
});
console.log(`listening ${running.url}`);

/** Closes the server and starts it under the same address: a backup that was laid ready takes its place meanwhile. */
async function startAgain(): Promise<void> {
  const port = Number(new URL(running.url).port);
  await running.close();
  running = await startServer({ ...options, port });
}

for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => void running.close().then(() => process.exit(0)));
}
