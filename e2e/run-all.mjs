#!/usr/bin/env node
// `npm test`: installs what is missing, then format, type check, lint, import rules, unit tests, build, browser tests.
// The last line says how many tests passed and failed. Plain JavaScript: it runs before anything is installed.
import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readFileSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const reports = mkdtempSync(join(tmpdir(), 'loom-kin-test-'));
let passed = 0;
let failed = 0;

const run = (command, args, more = {}) =>
  spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], ...more }).status === 0;

/** A step that counts as one test: it is right or it is not. */
function step(title, command, args) {
  const began = Date.now();
  console.log(`\n— ${title}`);
  const good = run(command, args);
  if (good) passed += 1;
  else failed += 1;
  console.log(`— ${title}: ${good ? 'good' : 'FAILED'} (${Math.round((Date.now() - began) / 1000)} s)`);
  return good;
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

const lock = join(root, 'package-lock.json');
const installed = join(root, 'node_modules', '.package-lock.json');
if (!existsSync(installed) || statSync(lock).mtimeMs > statSync(installed).mtimeMs) {
  console.log('— installing');
  if (!run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'])) {
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
step('format', 'npm', ['run', '--silent', 'format']);
step('types', 'npm', ['run', '--silent', 'typecheck']);
step('lint', 'npm', ['run', '--silent', 'lint']);
step('import rules', 'npm', ['run', '--silent', 'imports']);
// Most of them wait for programs they started: two at a time take two thirds of the time.
tests('unit and API tests', ['--exclude', 'e2e/browser/**', '--maxWorkers=2']);
// What is run from source above is run as it is built below.
if (step('build', 'npm', ['run', '--silent', 'build']))
  tests('browser tests', ['e2e/browser', '--maxWorkers=2'], { LOOM_KIN_BUILT: 'yes' });
finish();
