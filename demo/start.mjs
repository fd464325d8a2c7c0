#!/usr/bin/env node
// `npm run demo`: installs what is missing, builds, starts the stand-in channels and the product, loads the demo
// seller, prints the address.
// Plain JavaScript without packages: it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, rmSync, statSync, readdirSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { install, isInstalled } from '../install.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const data = process.env.LOOM_KIN_DATA ?? join(root, 'data');
const fresh = process.argv.includes('--fresh');

const step = (title, command, args) => {
  console.log(title);
  const done = spawnSync(command, args, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    shell: process.platform === 'win32',
  });
  if (done.status !== 0) {
    console.error(`${title} failed.`);
    process.exit(1);
  }
};

if (!isInstalled(root)) {
  console.log('Installing (the first time this takes some minutes)…');
  if (!install(root)) {
    console.error('Installing failed.');
    process.exit(1);
  }
}
const BUILT = ['web/dist/index.html', 'server/dist/main.mjs', 'channels/dist/main.mjs', 'demo/dist/main.mjs'].map(
  (file) => join(root, file),
);
const SOURCES = ['web/src', 'core/src', 'contract/src', 'server/src', 'channels/src', 'demo/src'].map((folder) =>
  join(root, folder),
);
if (
  !BUILT.every((file) => existsSync(file)) ||
  Math.max(...SOURCES.map(newestIn)) > Math.min(...BUILT.map((file) => statSync(file).mtimeMs))
) {
  step('Building…', 'npm', ['run', 'build']);
}
if (fresh) rmSync(data, { recursive: true, force: true });

const channelsPort = await freePort(Number(process.env.LOOM_KIN_CHANNELS_PORT ?? 4311));
const port = await freePort(Number(process.env.LOOM_KIN_PORT ?? 4310));
const env = {
  ...process.env,
  LOOM_KIN_DATA: data,
  LOOM_KIN_PORT: String(port),
  LOOM_KIN_CHANNELS_PORT: String(channelsPort),
  LOOM_KIN_CHANNELS: `http://127.0.0.1:${channelsPort}`,
};

const children = [];
let ending = false;
const end = (code) => {
  if (ending) return;
  ending = true;
  for (const child of children) child.kill('SIGTERM');
  process.exitCode = code;
};
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => end(0));

const channels = await launch('channels/dist/main.mjs');
const server = await launch('server/dist/main.mjs');
const loader = spawn(process.execPath, ['demo/dist/main.mjs', server], { cwd: root, env, stdio: 'inherit' });
loader.on('exit', (code) => {
  if (code !== 0) return end(1);
  console.log(
    `\nLoom Kin is at ${server}\nThe stand-in channels are at ${channels}\nCtrl C ends both; your data stays in ${data}.`,
  );
});

/** Starts a part and waits for the address it prints. */
function launch(file) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, ['--enable-source-maps', file], {
      cwd: root,
      env,
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    children.push(child);
    child.stdout.on('data', (text) => {
      const match = /listening (\S+)/.exec(String(text));
      if (match) resolve(match[1]);
    });
    child.on('exit', (code) => {
      if (!ending) console.error(`${file} ended (${code}).`);
      end(code ?? 1);
    });
  });
}

/** The wanted port, or any free one when it is taken. */
function freePort(wanted) {
  return new Promise((resolve) => {
    const probe = createServer();
    probe.on('error', () => {
      probe.removeAllListeners();
      probe.listen(0, '127.0.0.1', () => finish(probe));
    });
    const finish = (server) => {
      const { port: found } = server.address();
      server.close(() => resolve(found));
    };
    probe.listen(wanted, '127.0.0.1', () => finish(probe));
  });
}

function newestIn(folder) {
  return Math.max(
    ...readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((one) => one.isFile())
      .map((one) => statSync(join(one.parentPath ?? one.path, one.name)).mtimeMs),
  );
}
