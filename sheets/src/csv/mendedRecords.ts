/** Records of a CSV file with marks out of place. */
import { parse, type CsvError } from 'csv-parse/sync';
import { Refusal } from '@loom-kin/core/refusal';
import { checkBounds } from '../rowSink';

export const LINE_ENDS = ['\r\n', '\n', '\r'] as const;
/** So many lines with a lone quotation mark are read as they stand; a file with more is no CSV. */
const LONE_MARKS_AT_MOST = 100;

/** The records of any file. A lone quotation mark spoils its own line alone, which is then read as it stands. */
export function mendedRecords(text: string, delimiter: string, fileName: string): string[][] {
  const rest = { text, line: 1 };
  const rows: string[][] = [];
  for (let lone = 0; rest.text !== ''; lone += 1) {
    const { good, broken } = readRecords(rest.text, delimiter, (records) =>
      checkBounds(fileName, rows.length + records, 0),
    );
    for (const row of good) rows.push(row);
    if (broken === null) break;
    if (lone >= LONE_MARKS_AT_MOST) throw new Refusal('sheet.unreadable', { file: fileName, line: rest.line });
    const { line, after } = firstLine(rest.text.slice(broken));
    rows.push(line.split(delimiter));
    rest.text = after;
    rest.line = rows.length + 1;
  }
  return rows;
}

interface Records {
  good: string[][];
  /** Where a record begins whose quotation mark runs over the line's end by mistake; null where there is none. */
  broken: number | null;
}

/**
 * Reads records up to one that swallows the lines after it: its quotation mark is not closed, or closes in the
 * middle of another cell. `mind` hears how many there are so far, and refuses too many.
 */
function readRecords(text: string, delimiter: string, mind: (records: number) => void): Records {
  const bytes = Buffer.from(text);
  const good: string[][] = [];
  let end = 0;
  const options = { delimiter, record_delimiter: [...LINE_ENDS], relax_column_count: true, max_record_size: 1_000_000 };
  const swallows = (record: string) => {
    if (!isSeveralLines(record)) return false;
    try {
      parse(record, options);
      return false;
    } catch {
      return true;
    }
  };
  try {
    parse(bytes, {
      ...options,
      relax_quotes: true,
      on_record: (record: string[], context) => {
        if (record.some(isSeveralLines) && swallows(bytes.subarray(end, context.bytes).toString()))
          throw new Swallowed();
        mind(good.push(record));
        end = context.bytes;
        return null;
      },
    });
    return { good, broken: null };
  } catch (error) {
    if (!(error instanceof Swallowed) && !isOpenQuote(error)) throw error;
    return { good, broken: bytes.subarray(0, end).toString().length };
  }
}

export const isSeveralLines = (text: string) => /[\r\n]./.test(text);

class Swallowed extends Error {}

const isOpenQuote = (error: unknown) =>
  ['CSV_QUOTE_NOT_CLOSED', 'CSV_MAX_RECORD_SIZE'].includes((error as CsvError | undefined)?.code ?? '');

function firstLine(text: string): { line: string; after: string } {
  const match = /\r\n|\n|\r/.exec(text);
  if (!match) return { line: text, after: '' };
  return { line: text.slice(0, match.index), after: text.slice(match.index + match[0].length) };
}
