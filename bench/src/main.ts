/** `npm run bench`: the first figures of the speed budget, each as a ratio to a baseline measured in the same run. */
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
try {
  table('Planner and findings', [...planFigures(), ...checkFigures()]);
  table('Changes of structure', structureFigures());
  table('Lists over 100,000 children', listFigures(folder));
  table('Lists in, the catalogue out', [...(await intakeFigures(folder)), ...(await exportFigures(folder))]);
  table('In the browser', await browserFigures());
  table('Pictures', await pictureFigures(folder));
  tellJourneys([await firstSeller(), await usualSeller(), await everywhereSeller()]);
} finally {
  rmSync(folder, { recursive: true, force: true });
}
