#!/usr/bin/env node
// `npm test`: installs what is missing, then format, type check, lint, import rules, unused code, build, and all tests: unit, API, browser.
// The last line says how many tests passed and failed. Plain JavaScript: it runs before anything is installed.
import { spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { install, isInstalled } from '../install.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const reports = mkdtempSync(join(tmpdir(), 'loom-kin-test-'));
let passed = 0;
let failed = 0;

const isLong = process.env.LOOM_KIN_LONG === 'yes';

/** What runs at the moment, each the head of a group of its own: ended with this program, whoever ends it. */
const running = new Set();
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.on(signal, () => {
    for (const { pid } of running) endGroup(pid);
    process.exit(1);
  });
function endGroup(pid) {
  try {
    process.kill(-pid, 'SIGTERM');
  } catch {
    // It has ended by itself.
  }
}

/** Starts a program; its exit code, once it has ended. `hear` takes what it says, which is shown as it comes where nobody does. */
function run(command, args, { env = process.env, hear } = {}) {
  return new Promise((resolve) => {
    const stdio = ['ignore', hear ? 'pipe' : 'inherit', hear ? 'pipe' : 'inherit'];
    const child = spawn(command, args, { cwd: root, env, stdio, detached: true });
    running.add(child);
    if (hear) for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => hear(String(text)));
    child.on('error', () => resolve(1));
    child.on('close', (code) => {
      running.delete(child);
      resolve(code ?? 1);
    });
  });
}

/** A step that counts as one test: it is right or it is not. What it says comes when it has ended. */
async function step(title, script) {
  const began = Date.now();
  let said = '';
  const good = (await run('npm', ['run', '--silent', script], { hear: (text) => (said += text) })) === 0;
  if (good) passed += 1;
  else failed += 1;
  const seconds = Math.round((Date.now() - began) / 1000);
  console.log(`\n— ${title}: ${good ? 'good' : 'FAILED'} (${seconds} s)\n${said.trim()}`);
  return good;
}

/** Steps one after another. */
async function steps(...list) {
  for (const [title, script] of list) await step(title, script);
}

/** A run of the test runner, whose tests are counted one by one. */
async function tests(title, args, env = {}) {
  console.log(`\n— ${title}`);
  const file = join(reports, `${title.replace(/\W+/g, '-')}.json`);
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
  const code = await run('npx', ['vitest', 'run', ...args, ...reporters], { env: { ...process.env, ...env } });
  if (!existsSync(file)) return void (failed += 1);
  const report = JSON.parse(readFileSync(file, 'utf8'));
  passed += report.numPassedTests;
  // A file that cannot even be loaded fails without a failed test.
  failed += report.numFailedTests || (code === 0 ? 0 : 1);
}

function finish() {
  console.log(`\n${passed} passed, ${failed} failed`);
  process.exit(failed === 0 ? 0 : 1);
}

if (!isInstalled(root)) {
  console.log('— installing');
  if (!install(root)) {
    failed += 1;
    finish();
  }
}
if (!existsSync('/usr/bin/chromium')) {
  console.log('— installing Chromium');
  await run('sh', ['-c', 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium']);
  if (!existsSync('/usr/bin/chromium'))
    console.error(
      'There is no Chromium at /usr/bin/chromium and it could not be installed: the browser tests will fail. Install the package chromium.',
    );
}
console.log('— format, types, lint, import rules and build, two at a time');
let isBuilt = false;
await Promise.all([
  steps(['types', 'types'], ['format', 'format']),
  step('build', 'build')
    .then((good) => (isBuilt = good))
    .then(() => steps(['lint', 'lint'], ['import rules', 'imports'], ['unused code', 'unused'])),
]);
// Programs are tried as they are built; most tests wait for some, so that two files at a time take two thirds of the time.
if (isBuilt) await tests('tests', ['--maxWorkers=2'], { LOOM_KIN_BUILT: 'yes' });
else await tests('tests without a build', ['--maxWorkers=2', '--exclude', 'e2e/browser/**']);
// The bench would rot unseen: whole tasks are done by its hands as well.
if (isLong && isBuilt) await step('tasks of the bench', 'bench:tasks');
finish();
