/**
 * `npm run bench`: the figures of the speed budget, each as a ratio to a baseline measured in the same run. With names of parts behind
 * `--` these alone. A part that breaks off makes the run fail.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browserFigures } from './browser';
import { checkFigures } from './checks';
import { exportFigures } from './export';
import { everywhereSeller } from './everywhere';
import { firstSeller, tellJourneys, usualSeller } from './journeys';
import { intakeFigures } from './intake';
import { listFigures } from './lists';
import { table } from './measure';
import { pictureFigures } from './pictures';
import { planFigures } from './planner';
import { structureFigures } from './structure';

const folder = mkdtempSync(join(tmpdir(), 'loom-kin-bench-'));

const PARTS: Record<string, () => Promise<void>> = {
  planner: async () => table('Planner and findings', [...planFigures(), ...checkFigures()]),
  structure: async () => table('Changes of structure', structureFigures()),
  lists: async () => table('Lists over 100,000 children', listFigures(folder)),
  files: async () =>
    table('Lists in, the catalogue out', [...(await intakeFigures(folder)), ...(await exportFigures(folder))]),
  browser: async () => table('In the browser', await browserFigures()),
  pictures: async () => table('Pictures', await pictureFigures(folder)),
  tasks: async () => {
    const journeys = [await firstSeller(), await usualSeller(), await everywhereSeller()];
    tellJourneys(journeys);
    const broken = journeys.filter((journey) => journey.hasBrokenOff);
    if (broken.length > 0) throw new Error(`${broken.map(({ what }) => what).join(', ')} broke off.`);
  },
};

const wanted = process.argv.slice(2);
const unknown = wanted.filter((name) => !Object.hasOwn(PARTS, name));
if (unknown.length > 0) {
  console.error(`There is no part ${unknown.join(', ')}: ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}
try {
  for (const [name, measure] of Object.entries(PARTS)) {
    if (wanted.length > 0 && !wanted.includes(name)) continue;
    try {
      await measure();
    } catch (error) {
      console.error(`\n${name} broke off:`, error);
      process.exitCode = 1;
    }
  }
} finally {
  rmSync(folder, { recursive: true, force: true });
}
