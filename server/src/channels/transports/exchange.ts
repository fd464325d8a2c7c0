/** One question to a channel and its answer: whatever the channel does, it ends after a while and stays within a size. */

/** A failure that may pass: no answer, too many requests, an error at the channel. */
export class ChannelSilent extends Error {}

export interface Bounds {
  /** Longest wait until the answer is whole, in milliseconds. */
  patience: number;
  /** Most bytes of an answer. */
  largest: number;
}

const MEGABYTE = 1_000_000;
export const USUAL_BOUNDS: Bounds = { patience: 15_000, largest: 20 * MEGABYTE };
/** For everything that an account holds. */
export const LARGE_BOUNDS: Bounds = { patience: 60_000, largest: 400 * MEGABYTE };

export interface Answer {
  status: number;
  text: string;
}

/**
 * Asks and reads the answer whole. Redirections are not followed.
 * @throws `ChannelSilent` where there is no whole answer in time, or it is too large
 */
export async function exchange(
  address: string,
  init: RequestInit = {},
  bounds: Bounds = USUAL_BOUNDS,
): Promise<Answer> {
  const ending = new AbortController();
  let timer: NodeJS.Timeout | undefined;
  // A timer of our own, raced against the reading: it ends the wait even where the connection does not hear of it.
  const tooLate = new Promise<never>((_resolve, reject) => {
    timer = setTimeout(() => reject(new ChannelSilent('does not answer')), bounds.patience);
  });
  const reading = readAnswer(address, { ...init, signal: ending.signal, redirect: 'error' }, bounds.largest);
  try {
    return await Promise.race([reading, tooLate]);
  } catch (error) {
    throw error instanceof ChannelSilent ? error : new ChannelSilent('cannot be reached');
  } finally {
    clearTimeout(timer);
    ending.abort();
    // What the end of the connection makes of it has been told already.
    reading.catch(() => undefined);
  }
}

async function readAnswer(address: string, init: RequestInit, largest: number): Promise<Answer> {
  const answer = await fetch(address, init);
  const parts: Uint8Array[] = [];
  let size = 0;
  const reader = answer.body?.getReader();
  for (let next = await reader?.read(); next && !next.done; next = await reader!.read()) {
    size += next.value.length;
    if (size > largest) throw new ChannelSilent('sends more than can be read');
    parts.push(next.value);
  }
  return { status: answer.status, text: Buffer.concat(parts).toString('utf8') };
}
