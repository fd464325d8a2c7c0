/**
 * The loader as a process: the address of the server is its argument. A mark in the data folder says that all of it
 * is loaded.
 */
import { existsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { loadDemo } from './load';

const mark = join(process.env.LOOM_KIN_DATA ?? 'data', 'demo-loaded');
if (existsSync(mark)) console.log('  The demo data is there already.');
else {
  await loadDemo(process.argv[2] ?? 'http://127.0.0.1:4310', (line) => console.log(`  ${line}`));
  writeFileSync(mark, new Date().toISOString());
}
