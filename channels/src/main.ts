/** The stand-in service as a process: LOOM_KIN_DATA, LOOM_KIN_CHANNELS_PORT, LOOM_KIN_CHANNELS_DELAY (milliseconds), LOOM_KIN_CHANNELS_ONLY (ids of those that are played). */
import { resolve } from 'node:path';
import { shelvesFile, startChannels } from './service';

const running = await startChannels({
  port: Number(process.env.LOOM_KIN_CHANNELS_PORT ?? 4311),
  file: shelvesFile(resolve(process.env.LOOM_KIN_DATA ?? 'data')),
  delay: Number(process.env.LOOM_KIN_CHANNELS_DELAY ?? 3000),
  only: process.env.LOOM_KIN_CHANNELS_ONLY,
});
console.log(`listening ${running.url}`);
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.on(signal, () => void running.close().then(() => process.exit(0)));
