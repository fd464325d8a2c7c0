/** Lines of a file, some at a time, with no more of it in memory. */
import { createReadStream } from 'node:fs';

/** So many characters are read at once. */
const READ_AT_ONCE = 1 << 18;

/** The whole lines of a file in UTF-8, as they come; what stands behind the last line's end is none. */
export async function* fileLines(path: string): AsyncGenerator<string[]> {
  let rest = '';
  for await (const piece of createReadStream(path, { encoding: 'utf8', highWaterMark: READ_AT_ONCE })) {
    const lines = (rest + String(piece)).split('\n');
    rest = lines.pop()!;
    yield lines;
  }
}
