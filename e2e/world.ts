/**
 * A whole small world for a test: stand-in channels and the product as processes, on free ports, with a data folder
 * of their own.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createClient, Refused, type Client } from '@loom-kin/contract';
import { setUpSeller } from '../demo/src/setUp';
import { copyDemo } from './demoFolder';

/** Tests and benchmarks are run in the project's folder. */
const ROOT = process.cwd();
/** Programs run from source, or as they are built where LOOM_KIN_BUILT says so. */
const PROGRAMS = process.env.LOOM_KIN_BUILT
  ? { channels: ['channels/dist/main.mjs'], server: ['server/dist/main.mjs'], demo: ['demo/dist/main.mjs'] }
  : // The loader runs in the process itself, so that killing the process kills the program.
    {
      channels: ['--import', 'tsx', 'channels/src/main.ts'],
      server: ['--import', 'tsx', 'server/src/main.ts'],
      demo: ['--import', 'tsx', 'demo/src/main.ts'],
    };

interface Process {
  url: string;
  /** Ends it without warning. */
  kill(): Promise<void>;
}

function launch(program: 'channels' | 'server', env: Record<string, string>): Promise<Process> {
  return new Promise((resolve, reject) => {
    const child: ChildProcess = spawn(process.execPath, PROGRAMS[program], {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    let said = '';
    const kill = () =>
      new Promise<void>((done) => {
        if (child.exitCode !== null || child.signalCode !== null) return done();
        child.once('exit', () => done());
        child.kill('SIGKILL');
      });
    child.stdout!.on('data', (text) => {
      const match = /listening (\S+)/.exec((said += String(text)));
      if (match) resolve({ url: match[1]!, kill });
    });
    child.stderr!.on('data', (text) => (said += String(text)));
    child.once('exit', (code) => reject(new Error(`${program} ended with ${code}: ${said.slice(-800)}`)));
  });
}

export interface World {
  folder: string;
  url: string;
  channelsUrl: string;
  call: Client;
  /** Tells a channel how to feel. */
  mood(channel: string, mood: 'well' | 'slow' | 'busy' | 'ill' | 'cut', times?: number): Promise<void>;
  /** What a channel holds. */
  held(channel: string): Promise<
    {
      goods: {
        key: string;
        axes: { name: string; options: { label: string }[] }[];
        fields: Record<string, unknown>;
        offers: { sku: string; price: string; taxPercent?: string; stock: number; options: string[] }[];
      };
      draft: boolean;
    }[]
  >;
  killServer(): Promise<void>;
  startServer(): Promise<void>;
  killChannels(): Promise<void>;
  startChannels(): Promise<void>;
  end(): Promise<void>;
}

const portOf = (url: string) => new URL(url).port;

/** Three channels of different kinds are enough for most tests, and every family is checked on each. */
const FEW = 'quayside,fernpost,own-shop';

/**
 * Starts the world. With `demo` the demo seller is loaded; else there is the seller alone, and with `bare` nothing at all. Three channels are
 * played, with `every` all of them, with `only` those it names.
 */
export async function startWorld(
  options: {
    demo?: boolean;
    bare?: boolean;
    every?: boolean;
    only?: string;
    delay?: number;
    waits?: string;
    /** An address that pictures may be fetched from besides public ones. */
    fetchFrom?: string;
    /** Where the data lie; a folder of its own for as long as the world lasts where none is said. */
    folder?: string;
    /** Puts something between the product and the channels: given their address, the one the product shall use. */
    through?: (channelsUrl: string) => Promise<string>;
  } = {},
): Promise<World> {
  const folder = options.folder ?? mkdtempSync(join(tmpdir(), 'loom-kin-'));
  const env = {
    LOOM_KIN_DATA: folder,
    LOOM_KIN_CHANNELS_DELAY: String(options.delay ?? 30),
    LOOM_KIN_CHANNELS_ONLY: options.every ? '' : (options.only ?? FEW),
  };
  if (options.demo) await copyDemo(folder, env.LOOM_KIN_CHANNELS_ONLY || 'every', (into) => loadDemoInto(into, env));
  // A disk of the product's own is not the channels'.
  const theirs = options.folder === undefined ? folder : mkdtempSync(join(tmpdir(), 'loom-kin-channels-'));
  const channelsEnv = { ...env, LOOM_KIN_DATA: theirs };
  let channels = await launch('channels', { ...channelsEnv, LOOM_KIN_CHANNELS_PORT: '0' });
  const serverEnv = {
    ...env,
    LOOM_KIN_CHANNELS: (await options.through?.(channels.url)) ?? channels.url,
    LOOM_KIN_POLL: '60',
    LOOM_KIN_WAITS: options.waits ?? '100,200,400',
    ...(options.fetchFrom ? { LOOM_KIN_FETCH_FROM: options.fetchFrom } : {}),
    TZ: 'UTC',
  };
  let server = await launch('server', { ...serverEnv, LOOM_KIN_PORT: '0' });
  const { url } = server;
  const world: World = {
    folder,
    url,
    channelsUrl: channels.url,
    call: createClient(url),
    mood: async (channel, mood, times) => {
      await fetch(`${channels.url}/control`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ channel, mood, ...(times ? { times } : {}) }),
      });
    },
    held: async (channel) => (await fetch(`${channels.url}/${channel}/listings`)).json() as never,
    killServer: () => server.kill(),
    startServer: async () => void (server = await launch('server', { ...serverEnv, LOOM_KIN_PORT: portOf(url) })),
    killChannels: () => channels.kill(),
    startChannels: async () =>
      void (channels = await launch('channels', { ...channelsEnv, LOOM_KIN_CHANNELS_PORT: portOf(channels.url) })),
    end: async () => {
      await server.kill();
      await channels.kill();
      rmSync(theirs, { recursive: true, force: true });
    },
  };
  if (!options.demo && options.bare !== true) await setUpSeller(world.call);
  return world;
}

/** Loads the demo seller into a folder that nobody else uses. */
async function loadDemoInto(folder: string, env: Record<string, string>): Promise<void> {
  const own = { ...env, LOOM_KIN_DATA: folder };
  const channels = await launch('channels', { ...own, LOOM_KIN_CHANNELS_PORT: '0' });
  const server = await launch('server', { ...own, LOOM_KIN_CHANNELS: channels.url, LOOM_KIN_PORT: '0', TZ: 'UTC' });
  try {
    await runLoader(server.url, own);
  } finally {
    await server.kill();
    await channels.kill();
  }
}

/** The demo loader prints one line a family and ends. */
function runLoader(url: string, env: Record<string, string>): Promise<void> {
  return new Promise((resolve, reject) => {
    let said = '';
    const child = spawn(process.execPath, [...PROGRAMS.demo, url], {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    child.stderr.on('data', (text) => (said += String(text)));
    child.once('exit', (code) => (code === 0 ? resolve() : reject(new Error(said))));
  });
}

/** Waits until something holds, asked again and again; fails with the last answer. A server that starts anew meanwhile is waited for. */
export async function until<T>(ask: () => Promise<T>, good: (answer: T) => boolean, seconds = 90): Promise<T> {
  const end = Date.now() + seconds * 1000;
  for (;;) {
    const asked = await ask().then(
      (answer) => ({ answer }),
      (error: unknown) => {
        if (!(error instanceof Refused) || error.problem.code !== 'server.silent') throw error;
        return { error };
      },
    );
    if ('answer' in asked && good(asked.answer)) return asked.answer;
    if (Date.now() > end) throw new Error(`still not so after ${seconds} s: ${JSON.stringify(asked).slice(0, 600)}`);
    await new Promise((next) => setTimeout(next, 50));
  }
}
