/** Rows of a file that came in: XLSX by its first bytes, JSON by its first sign, else CSV. */
import { Refusal } from '@loom-kin/core';
import { csvRows } from './csv';
import { decodeText } from './decodeText';
import { readJsonTable } from './json';
import { readXlsx } from './xlsx/readXlsx';

export interface TableChoice {
  /** Which sheet of a workbook; the first with a table where none is named. */
  sheet?: string | undefined;
}

/** A compound file, as workbooks were before XLSX, begins with these bytes. */
const OLD_WORKBOOK = Buffer.from([0xd0, 0xcf, 0x11, 0xe0]);

/** The rows of a file as text, within bounds. Throws a Refusal where it cannot be read. */
export async function readTable(bytes: Buffer, fileName: string, choice: TableChoice = {}): Promise<string[][]> {
  const isZip = bytes.subarray(0, 2).toString('latin1') === 'PK';
  if (!isZip && /\.xls[xm]$/i.test(fileName)) throw new Refusal('sheet.cut-off', { file: fileName });
  if (bytes.subarray(0, 4).equals(OLD_WORKBOOK)) throw new Refusal('sheet.old-workbook', { file: fileName });
  if (isZip) return readXlsx(bytes, fileName, choice.sheet);
  const text = decodeText(bytes);
  if (hasManyZeros(text)) throw new Refusal('sheet.no-text', { file: fileName });
  return /\.(?:json|jsonl|ndjson)$/i.test(fileName) ? readJsonTable(text, fileName) : csvRows(text, fileName);
}

/** A picture, a document or a part of one. A zero or two in a text are a fault of their cell. */
function hasManyZeros(text: string): boolean {
  const sample = text.slice(0, 4096);
  const zeros = sample.split('\0').length - 1;
  return zeros > 2 && zeros * 50 > sample.length;
}
