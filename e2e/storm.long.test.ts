/** Sending over a line that loses, delays, doubles and spoils answers: no account holds anything else than is said without its being marked. */
import { afterAll, beforeAll, expect, it } from 'vitest';
import { faultyLine } from './faultyLine';
import { runStorm } from './storm/storm';
import { startWorld, type World } from './world';

const line = faultyLine();
let world: World;
beforeAll(async () => void (world = await startWorld({ demo: true, through: line.open, waits: '30,30' })), 300_000);
afterAll(async () => {
  await world?.end();
  line.close();
});

it('in a storm of faults every difference is marked, and none is left once the accounts are read', async () => {
  const report = await runStorm({ world, line, messages: 120, families: 6, seed: 5 });
  expect(report.undisclosed).toEqual([]);
  expect(report.afterReading).toEqual([]);
  // The storm did do harm, else nothing was tried.
  expect(report.disclosed).toBeGreaterThan(0);
}, 240_000);
