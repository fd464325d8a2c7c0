/** How worker threads share the processor with whoever waits for an answer. */
import { getPriority, setPriority } from 'node:os';

/** So much lower, as `nice` counts, of 19 at most. */
const LOWER = 10;

/**
 * Has the calling worker thread step back where there is less processor than work: requests are answered by the main thread, and that goes
 * first. Linux counts priorities by thread (setpriority(2), "C library/kernel differences"); elsewhere the whole process would step back.
 */
export function yieldToRequests(): void {
  if (process.platform !== 'linux') return;
  try {
    setPriority(Math.min(19, getPriority() + LOWER));
  } catch {
    // Where that is not allowed threads are as urgent as before.
  }
}
