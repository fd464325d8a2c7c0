/** The rows of a sheet as text, within bounds. */
import { Refusal } from '@loom-kin/core';
import { cellText, type CellSource } from './cellText';
import { eachTag, type Part } from './eachTag';
import { unescaped } from './escapes';
import { textPieces } from './sharedTexts';

const ROWS_AT_MOST = 200_000;
const COLUMNS_AT_MOST = 400;
const CELLS_AT_MOST = 8_000_000;
const AREAS_AT_MOST = 50_000;

/**
 * The rows down to the last one with anything in it, all as long as the widest; what stands in an area of several
 * rows that is one cell stands in each of them. Cells that are only coloured do not count. More rows or columns than
 * are taken are refused.
 */
export async function readRows(part: Part, source: CellSource, fileName: string): Promise<string[][]> {
  const rows: string[][] = [];
  const areas: string[] = [];
  let [deepest, widest] = [0, 0];
  const checkBounds = (): void => {
    if (deepest <= ROWS_AT_MOST && widest <= COLUMNS_AT_MOST && deepest * widest <= CELLS_AT_MOST) return;
    const most = { mostRows: ROWS_AT_MOST, mostColumns: COLUMNS_AT_MOST };
    throw new Refusal('sheet.too-large', { file: fileName, rows: deepest, columns: widest, ...most });
  };
  await readCells(part, source, {
    cell: (row, column, text) => {
      deepest = Math.max(deepest, row + 1);
      widest = Math.max(widest, column + 1);
      // How wide a row is beyond what is taken is only told.
      if (column >= COLUMNS_AT_MOST || row >= ROWS_AT_MOST) return;
      while (rows.length <= row) rows.push([]);
      const cells = rows[row]!;
      while (cells.length < column) cells.push('');
      cells[column] = text;
    },
    rowEnd: checkBounds,
    area: (area) => areas.length < AREAS_AT_MOST && areas.push(area),
  });
  for (const row of rows) while (row.length < widest) row.push('');
  fillDown(rows, areas);
  return rows;
}

interface CellHandlers {
  /** A cell that says something, with its place from 0. */
  cell: (row: number, column: number, text: string) => void;
  rowEnd: () => void;
  /** An area that is one cell ("A2:A5"); they come behind all cells. */
  area: (area: string) => void;
}

async function readCells(part: Part, source: CellSource, tell: CellHandlers): Promise<void> {
  const piece = textPieces();
  let [row, column] = [-1, -1];
  let [type, style, value] = ['', 0, ''];
  let isInValue = false;
  await eachTag(part, {
    open: (name, attributes) => {
      piece.open(name);
      if (name === 'c') {
        // A cell and a row that do not say where they are follow the one before (18.3.1.4, 18.3.1.73).
        column = columnOf(attributes['r']) ?? column + 1;
        [type, style, value] = [attributes['t'] ?? 'n', Number(attributes['s'] ?? 0), ''];
      } else if (name === 'v') isInValue = true;
      else if (name === 'row') [row, column] = [attributes['r'] ? Number(attributes['r']) - 1 : row + 1, -1];
      else if (name === 'mergeCell') tell.area(attributes['ref'] ?? '');
    },
    text: (text) => {
      if (isInValue) value += text;
      else piece.text(text);
    },
    close: (name) => {
      piece.close(name);
      if (name === 'v') isInValue = false;
      else if (name === 'row') tell.rowEnd();
      if (name !== 'c') return;
      const inline = piece.taken();
      const isText = type === 'inlineStr' || type === 'str';
      const text = cellText(type, isText ? unescaped(value || inline) : value, style, source);
      if (text !== '') tell.cell(row, column, text);
    },
  });
}

/** The column of an address such as "AB12", from 0; null where there is none. */
function columnOf(address: string | undefined): number | null {
  if (!address) return null;
  let column = 0;
  for (let at = 0; at < address.length; at++) {
    const letter = address.charCodeAt(at) - 64;
    if (letter < 1 || letter > 26) break;
    column = column * 26 + letter;
  }
  return column === 0 ? null : column - 1;
}

/**
 * Puts what stands in an area of several rows into each of them; to the right nothing is put. Areas do not overlap,
 * so that there is an end to them.
 */
function fillDown(rows: string[][], areas: readonly string[]): void {
  let left = CELLS_AT_MOST;
  for (const area of areas) {
    const match = /^([A-Z]+)(\d+):[A-Z]+(\d+)$/.exec(area);
    if (!match) continue;
    const column = columnOf(match[1])!;
    const [first, last] = [Number(match[2]) - 1, Math.min(Number(match[3]) - 1, rows.length - 1)];
    const text = rows[first]?.[column] ?? '';
    if (text === '') continue;
    left -= last - first;
    if (left < 0) return;
    for (let at = first + 1; at <= last; at++) if (rows[at]![column] === '') rows[at]![column] = text;
  }
}
