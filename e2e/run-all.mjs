#!/usr/bin/env node
// `npm test`: installs what is missing, then format, type check, lint, import rules, unused code, build, and all tests: unit, API, browser.
// The last line says how many tests passed and failed. Plain JavaScript: it runs before anything is installed.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { install, isInstalled } from '../install.mjs';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const reports = mkdtempSync(join(tmpdir(), 'loom-kin-test-'));
let passed = 0;
let failed = 0;

const run = (command, args, more = {}) =>
  spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], ...more }).status === 0;

/** A step that counts as one test: it is right or it is not. What it says comes when it has ended. */
function step(title, script) {
  const began = Date.now();
  return new Promise((resolve) => {
    let said = '';
    const child = spawn('npm', ['run', '--silent', script], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += String(text)));
    child.on('close', (code) => {
      const good = code === 0;
      if (good) passed += 1;
      else failed += 1;
      const seconds = Math.round((Date.now() - began) / 1000);
      console.log(`\n— ${title}: ${good ? 'good' : 'FAILED'} (${seconds} s)\n${said.trim()}`);
      resolve(good);
    });
  });
}

/** Steps one after another. */
async function steps(...list) {
  for (const [title, script] of list) await step(title, script);
}

/** A run of the test runner, whose tests are counted one by one. */
function tests(title, args, env = {}) {
  console.log(`\n— ${title}`);
  const file = join(reports, `${title.replace(/\W+/g, '-')}.json`);
  const good = run(
    'npx',
    ['vitest', 'run', ...args, '--reporter=default', '--reporter=json', `--outputFile.json=${file}`],
    { env: { ...process.env, ...env } },
  );
  if (!existsSync(file)) return void (failed += 1);
  const report = JSON.parse(readFileSync(file, 'utf8'));
  passed += report.numPassedTests;
  // A file that cannot even be loaded fails without a failed test.
  failed += report.numFailedTests || (good ? 0 : 1);
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
  run('sh', ['-c', 'apt-get update -qq && DEBIAN_FRONTEND=noninteractive apt-get install -y -qq chromium']);
  if (!existsSync('/usr/bin/chromium'))
    console.error(
      'There is no Chromium at /usr/bin/chromium and it could not be installed: the browser tests will fail. Install the package chromium.',
    );
}
console.log('— format, types, lint, import rules and build, two at a time');
let isBuilt = false;
await Promise.all([
  steps(['types of the pages', 'types:pages'], ['lint', 'lint']),
  step('build', 'build')
    .then((good) => (isBuilt = good))
    .then(() =>
      steps(['types', 'types'], ['format', 'format'], ['import rules', 'imports'], ['unused code', 'unused']),
    ),
]);
// Programs are tried as they are built; most tests wait for some, so that two files at a time take two thirds of the time.
if (isBuilt) tests('tests', ['--maxWorkers=2'], { LOOM_KIN_BUILT: 'yes' });
else tests('tests without a build', ['--maxWorkers=2', '--exclude', 'e2e/browser/**']);
finish();
