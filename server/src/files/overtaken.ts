/** Files are read beside the server: meanwhile somebody may change what they were read against. */
import { Refusal } from '@loom-kin/core/refusal';

/** Tries while somebody keeps changing it. */
const TRIES = 6;

/** Reads and takes anew as long as it was overtaken. Throws the Refusal that says by what where that has no end. */
export async function withoutOvertaking<T>(readAndTake: () => Promise<T>): Promise<T> {
  for (let tries = 1; ; tries += 1) {
    try {
      return await readAndTake();
    } catch (error) {
      const isOvertaken = error instanceof Refusal && error.code === 'file.overtaken';
      if (!isOvertaken || tries === TRIES) throw error;
    }
  }
}
