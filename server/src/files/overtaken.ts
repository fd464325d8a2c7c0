/** Files are read beside the server: meanwhile somebody may change the family that they were read against. */
import { Refusal } from '@loom-kin/core/refusal';

/** What was read no longer fits the family. */
export class Overtaken extends Error {}

/** Tries while somebody keeps changing the family. */
const TRIES = 6;

/** Reads and takes anew as long as it was overtaken. Throws a Refusal where that has no end. */
export async function withoutOvertaking<T>(readAndTake: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries += 1) {
    try {
      return await readAndTake();
    } catch (error) {
      if (!(error instanceof Overtaken)) throw error;
      if (tries === TRIES) throw new Refusal('file.overtaken', {});
    }
  }
}
