/** Labels on sheets: who gets how many, and where on which page each stands. */
import { Refusal } from '../refusal/refusal';
import { LARGEST_PERCENT, SMALLEST_PERCENT, symbolOf, symbolWidth, type Symbol } from './symbol';

/** A sheet of labels, in millimetres. */
export interface LabelSheet {
  page: { width: number; height: number };
  columns: number;
  rows: number;
  label: { width: number; height: number };
  /** From the edge of the page to the first label, and from one label's edge to the next one's. */
  margin: { left: number; top: number };
  step: { x: number; y: number };
}

const A4 = { width: 210, height: 297 };
const LETTER = { width: 215.9, height: 279.4 };
const sheet = (
  page: LabelSheet['page'],
  columns: number,
  rows: number,
  width: number,
  height: number,
  gap = 0,
): LabelSheet => {
  const step = { x: width + gap, y: height };
  return {
    page,
    columns,
    rows,
    label: { width, height },
    step,
    margin: { left: (page.width - columns * width - (columns - 1) * gap) / 2, top: (page.height - rows * height) / 2 },
  };
};
const roll = (width: number, height: number): LabelSheet => sheet({ width, height }, 1, 1, width, height);

/** Sheets and rolls as they are sold (common practice). */
export const LABEL_SHEETS = {
  a4x24: { name: 'A4, 24 labels of 70 × 37 mm', sheet: sheet(A4, 3, 8, 70, 37) },
  a4x21: { name: 'A4, 21 labels of 63.5 × 38.1 mm', sheet: sheet(A4, 3, 7, 63.5, 38.1, 2.5) },
  a4x40: { name: 'A4, 40 labels of 52.5 × 29.7 mm', sheet: sheet(A4, 4, 10, 52.5, 29.7) },
  a4x8: { name: 'A4, 8 labels of 99.1 × 67.7 mm', sheet: sheet(A4, 2, 4, 99.1, 67.7, 2.5) },
  letterx30: { name: 'Letter, 30 labels of 2 5/8 × 1 in', sheet: sheet(LETTER, 3, 10, 66.675, 25.4, 3.175) },
  roll50: { name: 'Roll, 50 × 30 mm', sheet: roll(50, 30) },
  roll60: { name: 'Roll, 60 × 40 mm', sheet: roll(60, 40) },
} as const satisfies Record<string, { name: string; sheet: LabelSheet }>;
export type LabelSheetId = keyof typeof LABEL_SHEETS;
export const LABEL_SHEET_IDS = Object.keys(LABEL_SHEETS) as [LabelSheetId, ...LabelSheetId[]];

/** White between the edge of a label and what is printed. */
export const LABEL_PADDING = 1.5;

export interface LabelWanted {
  gtin: string;
  copies: number;
}

export interface PlacedLabel {
  /** Whose it is: a place among those that were wanted. */
  of: number;
  page: number;
  x: number;
  y: number;
  symbol: Symbol;
}

export interface LabelPlan {
  labels: PlacedLabel[];
  pages: number;
}

/** So many labels are printed at once. */
export const MOST_LABELS = 20_000;

/**
 * Places labels one after the other.
 * @param percent magnification of the symbol
 * @param start the first label of the first sheet that is free, from 1
 * Throws a Refusal where a symbol is too wide for the label, naming the magnification that fits, or no magnification does.
 */
export function planLabels(sheet: LabelSheet, wanted: readonly LabelWanted[], percent: number, start = 1): LabelPlan {
  const symbols = wanted.map(({ gtin }) => {
    const symbol = symbolOf(gtin);
    if (!symbol) throw new Refusal('labels.case', { gtin });
    return symbol;
  });
  const room = sheet.label.width - 2 * LABEL_PADDING;
  const widest = Math.max(0, ...symbols.map((symbol) => symbolWidth(symbol, 100)));
  const fits = Math.min(LARGEST_PERCENT, Math.floor((room / (widest || room)) * 100));
  if (percent > fits || percent < SMALLEST_PERCENT || percent > LARGEST_PERCENT) {
    if (fits < SMALLEST_PERCENT) throw new Refusal('labels.narrow', { least: SMALLEST_PERCENT });
    throw new Refusal('labels.percent', { percent, least: SMALLEST_PERCENT, most: fits });
  }
  const total = wanted.reduce((sum, { copies }) => sum + copies, 0);
  if (total > MOST_LABELS) throw new Refusal('labels.many', { labels: total, most: MOST_LABELS });
  const perPage = sheet.columns * sheet.rows;
  const labels: PlacedLabel[] = [];
  let at = Math.min(Math.max(1, start), perPage) - 1;
  wanted.forEach(({ copies }, of) => {
    for (let copy = 0; copy < copies; copy++, at++) {
      const place = at % perPage;
      labels.push({
        of,
        symbol: symbols[of]!,
        page: Math.floor(at / perPage),
        x: sheet.margin.left + (place % sheet.columns) * sheet.step.x,
        y: sheet.margin.top + Math.floor(place / sheet.columns) * sheet.step.y,
      });
    }
  });
  return { labels, pages: labels.length === 0 ? 0 : labels.at(-1)!.page + 1 };
}
