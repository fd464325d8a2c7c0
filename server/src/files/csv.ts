/** CSV after RFC 4180, in UTF-8 with a byte order mark, so that spreadsheets show every letter. */
import { parse } from 'csv-parse/sync';
import { stringify } from 'csv-stringify/sync';
import { Refusal } from '@loom-kin/core';

/** A cell a spreadsheet would take for a formula gets an apostrophe in front; numbers with a sign stay. */
export function harmless(cell: string): string {
  return /^[=@\t\r]/.test(cell) || /^[+-](?![\d.,\s]*$)/.test(cell) ? `'${cell}` : cell;
}

/** The cell as it was before `harmless`. */
export function plain(cell: string): string {
  return /^'[=@+\-\t\r]/.test(cell) ? cell.slice(1) : cell;
}

export function writeCsv(headers: readonly string[], rows: readonly (readonly string[])[]): string {
  return stringify(
    [headers, ...rows].map((row) => row.map(harmless)),
    { bom: true, record_delimiter: '\r\n' },
  );
}

/** Rows of text. Comma, semicolon and tab are understood; a broken file is refused with its line. */
export function readCsv(bytes: Buffer, fileName: string): string[][] {
  const text = new TextDecoder('utf-8').decode(bytes);
  const head = text.slice(0, text.search(/[\r\n]|$/));
  const delimiter = [',', ';', '\t']
    .map((mark) => ({ mark, count: head.split(mark).length }))
    .sort((a, b) => b.count - a.count)[0]!.mark;
  try {
    const rows = parse(text, {
      bom: true,
      delimiter,
      relax_column_count: true,
      skip_empty_lines: false,
      max_record_size: 200_000,
    }) as string[][];
    return rows.map((row) => row.map(plain));
  } catch (error) {
    const line = error && typeof error === 'object' && 'lines' in error ? Number(error.lines) : null;
    throw new Refusal('sheet.unreadable', { file: fileName, line });
  }
}
