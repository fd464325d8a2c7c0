/** The rows of a sheet as text, within bounds. */
import { checkBounds, COLUMNS_AT_MOST, ROWS_AT_MOST, type Area, type RowSink, type TableEnd } from '../rowSink';
import { cellText, type CellSource } from './cellText';
import { eachTag, type Part } from './eachTag';
import { unescaped } from './escapes';
import { textPieces } from './sharedTexts';

const AREAS_AT_MOST = 50_000;

/**
 * Tells the rows with anything in them as they come, and in the end how wide the widest is and which areas of several
 * rows are one cell. Cells that are only coloured do not count. More rows or columns than are taken are refused.
 */
export async function readRows(part: Part, source: CellSource, fileName: string, sink: RowSink): Promise<TableEnd> {
  const areas: Area[] = [];
  let [deepest, widest] = [0, 0];
  let cells: string[] = [];
  await readCells(part, source, {
    cell: (row, column, text) => {
      deepest = Math.max(deepest, row + 1);
      widest = Math.max(widest, column + 1);
      // How wide a row is beyond what is taken is only told.
      if (column >= COLUMNS_AT_MOST || row >= ROWS_AT_MOST) return;
      while (cells.length < column) cells.push('');
      cells[column] = text;
    },
    rowEnd: (row) => {
      checkBounds(fileName, deepest, widest);
      if (cells.length > 0) sink.row(row, cells);
      cells = [];
    },
    area: (text) => {
      const area = areas.length < AREAS_AT_MOST ? areaOf(text) : null;
      if (area) areas.push(area);
    },
  });
  return { width: widest, areas };
}

interface CellHandlers {
  /** A cell that says something, with its place from 0. */
  cell: (row: number, column: number, text: string) => void;
  rowEnd: (row: number) => void;
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
      else if (name === 'row') tell.rowEnd(row);
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

/** An area such as "A2:C5" by its first column. */
function areaOf(text: string): Area | null {
  const match = /^([A-Z]+)(\d+):[A-Z]+(\d+)$/.exec(text);
  if (!match) return null;
  return { column: columnOf(match[1])!, first: Number(match[2]) - 1, last: Number(match[3]) - 1 };
}
