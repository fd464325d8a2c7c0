/**
 * Data folders with the demo seller in them. Loading it takes a while, so that a run of the tests does it once for each set of channels; every
 * world then has a copy of its own.
 */
import { cpSync, existsSync, mkdirSync, mkdtempSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Where the workers of a run find what one of them has made. */
const SHARED = 'LOOM_KIN_TEST_DEMOS';

/** Begins a run of the tests, for the test runner; ends it with the function that comes back. */
export default function beginRun(): () => void {
  const folder = mkdtempSync(join(tmpdir(), 'loom-kin-demos-'));
  process.env[SHARED] = folder;
  return () => rmSync(folder, { recursive: true, force: true });
}

/**
 * Puts the demo's data into a folder, by `load` where nobody has loaded it in this run for such channels.
 * @param channels what tells one set of channels from another
 * @param load fills an empty folder, and has ended all its processes when it is done
 */
export async function copyDemo(folder: string, channels: string, load: (into: string) => Promise<void>): Promise<void> {
  const shared = process.env[SHARED];
  if (!shared) return load(folder);
  const whole = join(shared, channels);
  const half = `${whole}.half`;
  while (!existsSync(whole)) {
    if (isFirst(half)) {
      try {
        await load(half);
        renameSync(half, whole);
      } finally {
        rmSync(half, { recursive: true, force: true });
      }
    } else await new Promise((next) => setTimeout(next, 100));
  }
  cpSync(whole, folder, { recursive: true });
}

/** Of several workers one makes the folder. */
function isFirst(folder: string): boolean {
  try {
    mkdirSync(folder);
    return true;
  } catch {
    return false;
  }
}
