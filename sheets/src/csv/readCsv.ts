/** CSV after RFC 4180, and what else is called so, read as it comes. */
import { Readable } from 'node:stream';
import Papa, { type ParseResult } from 'papaparse';
import { encodingsOf, NotUtf8, textPieces, type TextEncoding } from '../decodeText';
import { checkBounds, type RowSink } from '../rowSink';
import type { Source } from '../source';
import { plain } from './harmless';
import { isSeveralLines, LINE_ENDS, mendedRecords } from './mendedRecords';
import { withSeparator } from './separator';

/** So many bytes tell how letters are written. */
const HEAD = 4096;
/** So many signs tell how the file is parted. */
const BEGINNING = 100_000;

/**
 * Tells the rows of a file. Comma, semicolon, tab and upright stroke are understood, and a first line that names the separator (`sep=;`).
 * Only a file with a mark out of place is held in memory. Throws a Refusal where it is no CSV, or larger than is taken.
 */
export async function readCsv(source: Source, sink: RowSink): Promise<void> {
  const [likely, other] = encodingsOf(await source.head(HEAD));
  try {
    await readAs(source, likely!, sink);
  } catch (error) {
    if (!(error instanceof NotUtf8)) throw error;
    sink.again();
    await readAs(source, other!, sink);
  }
}

async function readAs(source: Source, encoding: TextEncoding, sink: RowSink): Promise<void> {
  const rows = openRows(source.name, sink);
  if (await tellPlain(textPieces(source, encoding), rows)) return;
  sink.again();
  let whole = '';
  for await (const piece of textPieces(source, encoding)) whole += piece;
  const { text, delimiter } = withSeparator(whole);
  openRows(source.name, sink)(mendedRecords(text, delimiter, source.name));
}

/** Hears rows one after the other. */
type TakeRows = (rows: readonly string[][]) => void;

function openRows(fileName: string, sink: RowSink): TakeRows {
  let [at, widest] = [0, 0];
  return (rows) => {
    for (const row of rows) {
      widest = Math.max(widest, row.length);
      sink.row(at++, row.map(plain));
    }
    checkBounds(fileName, at, widest);
  };
}

/** Tells the rows of a file that has no mark out of place, fast; false where it may have, and what was told does not count. */
async function tellPlain(pieces: AsyncGenerator<string>, take: TakeRows): Promise<boolean> {
  const { text, delimiter } = withSeparator(await beginning(pieces));
  const newline = LINE_ENDS.find((end) => text.includes(end)) ?? '\n';
  const isPlain = openPlain();
  let hasQuotes = false;
  async function* checked(): AsyncGenerator<string> {
    for (let piece: string | undefined = text; piece !== undefined; piece = await next(pieces)) {
      if (hasOtherEnds(piece, newline)) throw new Misplaced();
      hasQuotes ||= piece.includes('"');
      yield piece;
    }
  }
  const chunk = (found: ParseResult<string[]>): void => {
    if (hasQuotes && !isPlain(found)) throw new Misplaced();
    take(found.data);
  };
  const input = Readable.from(checked());
  try {
    await new Promise<void>((complete, error) =>
      Papa.parse<string[], Readable>(input, { delimiter, newline, chunk, complete: () => complete(), error }),
    );
    return true;
  } catch (error) {
    if (error instanceof Misplaced) return false;
    throw error;
  } finally {
    input.destroy();
    await pieces.return(undefined);
  }
}

class Misplaced extends Error {}

async function beginning(pieces: AsyncGenerator<string>): Promise<string> {
  let text = '';
  for (
    let piece = await next(pieces);
    piece !== undefined;
    piece = text.length < BEGINNING ? await next(pieces) : undefined
  )
    text += piece;
  return text;
}

async function next(pieces: AsyncGenerator<string>): Promise<string | undefined> {
  const { value, done } = await pieces.next();
  return done ? undefined : (value as string);
}

const OTHER_ENDS = { '\r\n': /\r(?!\n)|(?<!\r)\n/, '\n': /\r/, '\r': /\n/ };
const hasOtherEnds = (text: string, newline: (typeof LINE_ENDS)[number]): boolean => OTHER_ENDS[newline].test(text);

/** A mark in a cell beside a cell of several lines: the lines may have been swallowed. */
function openPlain() {
  let [hasMark, hasLines] = [false, false];
  return ({ data, errors }: ParseResult<string[]>): boolean => {
    for (const row of data)
      for (const cell of row) {
        hasMark ||= cell.includes('"');
        hasLines ||= isSeveralLines(cell);
      }
    return errors.length === 0 && !(hasMark && hasLines);
  };
}
