/** Where a key goes to in the grid, as in a spreadsheet. Cells are counted among the field columns and rows that are shown. */
import { ARROWS, type Spot } from '../common/arrows';

/** First and last column and row of a range. */
export interface Range extends Spot {
  x1: number;
  y1: number;
}

export interface GridExtent {
  columns: number;
  rows: number;
  /** Rows in view at a time. */
  page: number;
  isFilled(at: Spot): boolean;
}

/** Columns that Alt Page keys go over. */
const SIDE_PAGE = 6;

/** The nearest spot that is there. */
export const within = ({ columns, rows }: GridExtent, { x, y }: Spot): Spot => ({
  x: Math.max(0, Math.min(columns - 1, x)),
  y: Math.max(0, Math.min(rows - 1, y)),
});

/**
 * The spot a key leads to; null for keys that lead nowhere.
 * @param key name of the key, `Ctrl+` or `Alt+` before it; whether Shift is held makes no difference
 */
export function goTo(key: string, from: Spot, ground: GridExtent): Spot | null {
  const step = ARROWS[key];
  if (step) return within(ground, { x: from.x + step.x, y: from.y + step.y });
  const jump = ARROWS[key.replace(/^Ctrl\+/, '')];
  if (jump) return leap(from, jump, ground);
  const last = { x: ground.columns - 1, y: ground.rows - 1 };
  const targets: Record<string, Spot> = {
    Home: { x: 0, y: from.y },
    End: { x: last.x, y: from.y },
    'Ctrl+Home': { x: 0, y: 0 },
    'Ctrl+End': last,
    PageUp: { x: from.x, y: from.y - ground.page },
    PageDown: { x: from.x, y: from.y + ground.page },
    'Alt+PageUp': { x: from.x - SIDE_PAGE, y: from.y },
    'Alt+PageDown': { x: from.x + SIDE_PAGE, y: from.y },
  };
  const target = targets[key];
  return target ? within(ground, target) : null;
}

/** To the end of what is filled, or over a gap to what is filled next; else to the edge. */
function leap(from: Spot, step: Spot, ground: GridExtent): Spot {
  const next = (at: Spot): Spot => ({ x: at.x + step.x, y: at.y + step.y });
  const isThere = ({ x, y }: Spot) => x >= 0 && y >= 0 && x < ground.columns && y < ground.rows;
  let at = next(from);
  if (!isThere(at)) return from;
  const inRun = ground.isFilled(from) && ground.isFilled(at);
  if (inRun) {
    while (isThere(next(at)) && ground.isFilled(next(at))) at = next(at);
    return at;
  }
  while (isThere(next(at)) && !ground.isFilled(at)) at = next(at);
  return at;
}

/** The range between two corners. */
export function rangeOf(one: Spot, other: Spot): Range {
  return {
    x: Math.min(one.x, other.x),
    y: Math.min(one.y, other.y),
    x1: Math.max(one.x, other.x),
    y1: Math.max(one.y, other.y),
  };
}

export const isWithin = (range: Range, { x, y }: Spot): boolean =>
  x >= range.x && x <= range.x1 && y >= range.y && y <= range.y1;
