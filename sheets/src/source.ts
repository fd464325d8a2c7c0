/** A file as it is read: from its beginning, piece by piece, as often as it takes. */
import { createReadStream } from 'node:fs';
import { open, readFile } from 'node:fs/promises';

export interface Source {
  /** How it is called. */
  name: string;
  /** So many bytes from its beginning. */
  head(bytes: number): Promise<Buffer>;
  /** All of it, anew each time. */
  pieces(): AsyncIterable<Uint8Array>;
  whole(): Promise<Buffer>;
}

/** So many bytes are read at once. */
const AT_ONCE = 1 << 18;

/** What lies on the disk; no more of it is in memory than is read at once. */
export const fileSource = (path: string, name: string): Source => ({
  name,
  async head(bytes) {
    const file = await open(path);
    try {
      const { buffer, bytesRead } = await file.read(Buffer.alloc(bytes), 0, bytes, 0);
      return buffer.subarray(0, bytesRead);
    } finally {
      await file.close();
    }
  },
  pieces: () => createReadStream(path, { highWaterMark: AT_ONCE }),
  whole: () => readFile(path),
});

/** What is in memory already. */
export const bytesSource = (bytes: Buffer, name: string): Source => ({
  name,
  head: (count) => Promise.resolve(bytes.subarray(0, count)),
  async *pieces() {
    for (let from = 0; from < bytes.length; from += AT_ONCE) yield bytes.subarray(from, from + AT_ONCE);
  },
  whole: () => Promise.resolve(bytes),
});
