/** Labels with bar codes as a PDF, to scale. */
import { buffer } from 'node:stream/consumers';
import type JsBarcode from 'jsbarcode';
import { type Child, type Family, childLabels, figureOf } from '@loom-kin/core/family';
import {
  LABEL_PADDING,
  LABEL_SHEETS,
  type LabelSheet,
  MODULE,
  type PlacedLabel,
  planLabels,
  symbolWidth,
} from '@loom-kin/core/labels';
import { Refusal } from '@loom-kin/core/refusal';
import type { LabelOrder } from '@loom-kin/contract';
import { lettering } from '../pictures/lettering';

/** Points of a PDF in a millimetre (ISO 32000-1, 8.3.2.3: 72 to an inch). */
const POINT = 72 / 25.4;

export interface LabelsOf {
  family: Family;
  /** Child → pieces. */
  stock: Record<string, number>;
  currency: string;
}

/** The sheets for children of a family. Throws a Refusal where none of them has a GTIN, or its symbol does not fit. */
export async function writeLabels({ family, stock, currency }: LabelsOf, order: LabelOrder): Promise<Uint8Array> {
  const children = order.childIds.flatMap((id) => {
    const child = family.children[id];
    return child && typeof child.fields.gtin === 'string' ? [child] : [];
  });
  if (children.length === 0) throw new Refusal('labels.none', {});
  const { sheet } = LABEL_SHEETS[order.sheet];
  const wanted = children.map((child) => ({
    gtin: String(child.fields.gtin),
    copies: order.copies === 'stock' ? Math.max(0, stock[child.id] ?? 0) : order.copies,
  }));
  const plan = planLabels(sheet, wanted, order.percent, order.start);
  if (plan.labels.length === 0) throw new Refusal('labels.none-counted', {});
  const size: [number, number] = [sheet.page.width * POINT, sheet.page.height * POINT];
  // Loaded where they are needed, so that the thread that reads lists is there sooner.
  const [{ default: PDFDocument }, { default: barcode }] = await Promise.all([import('pdfkit'), import('jsbarcode')]);
  const document = new PDFDocument({ size, margin: 0, autoFirstPage: false, font: null as never });
  document.info.Title = `Labels of ${String(family.fields.name)}`;
  const written = buffer(document);
  let page = -1;
  for (const label of plan.labels) {
    for (; page < label.page; page++) document.addPage();
    drawLabel(
      { document, barcode },
      sheet,
      label,
      linesOf(family, children[label.of]!, order, currency),
      order.percent,
    );
  }
  document.end();
  return written;
}

function linesOf(family: Family, child: Child, { shows }: LabelOrder, currency: string): string[] {
  const texts = {
    name: String(family.fields.name ?? ''),
    options: childLabels(family, child).join(' · '),
    sku: String(child.fields.sku ?? ''),
    price: [figureOf(family, child, 'price'), currency].filter(Boolean).join(' '),
  };
  return shows.map((key) => texts[key]).filter((text) => text !== '' && text !== currency);
}

/** Height of a line of text, and of the digits below the bars, in millimetres. */
const LINE = 3.1;
const DIGITS = 2.9;
/** Bars are never so low that a till misses them (half of their full height; common practice where labels are small). */
const LOWEST = 0.5;

interface Pens {
  document: PDFKit.PDFDocument;
  barcode: typeof JsBarcode;
}

function drawLabel(
  { document, barcode }: Pens,
  { label: { width, height } }: LabelSheet,
  { x, y, symbol }: PlacedLabel,
  lines: readonly string[],
  percent: number,
): void {
  const scale = percent / 100;
  const wanted = symbol.height * scale;
  const left = height - 2 * LABEL_PADDING - DIGITS * scale;
  const room = Math.floor((left - wanted * LOWEST) / LINE);
  const shown = lines.slice(0, Math.max(0, room));
  // Printers leave a rim of the page white (common practice).
  const inset = Math.max(LABEL_PADDING, width * 0.06);
  shown.forEach((text, at) => {
    write(document, text, x + inset, y + LABEL_PADDING + (at + 0.8) * LINE, LINE * 0.82, width - 2 * inset);
  });
  const tall = Math.min(wanted, left - shown.length * LINE);
  const top = y + height - LABEL_PADDING - DIGITS * scale - tall;
  const module = MODULE * scale;
  const start = x + (width - symbolWidth(symbol, percent)) / 2 + symbol.quietLeft * module;
  const bars = encoded(barcode, symbol);
  for (const { from, length } of runs(bars))
    document.rect((start + from * module) * POINT, top * POINT, length * module * POINT, tall * POINT);
  document.fill('#000000');
  const digits = lettering(symbol.digits, DIGITS * scale * 0.95, Infinity);
  const centre = start + (bars.length * module) / 2;
  if (digits)
    write(
      document,
      symbol.digits,
      centre - digits.width / 2,
      top + tall + DIGITS * scale * 0.9,
      DIGITS * scale * 0.95,
      Infinity,
    );
}

/** The modules of a symbol, 1 for a bar. */
function encoded(barcode: typeof JsBarcode, { kind, digits }: PlacedLabel['symbol']): string {
  const format = { 'EAN-13': 'EAN13', 'UPC-A': 'UPC', 'EAN-8': 'EAN8' }[kind];
  const target: { encodings?: { data: string }[] } = {};
  barcode(target, digits, { format, flat: true });
  return target.encodings!.map(({ data }) => data).join('');
}

function runs(bars: string): { from: number; length: number }[] {
  return [...bars.matchAll(/1+/g)].map(({ index, 0: run }) => ({ from: index, length: run.length }));
}

/** A text as outlines, its base line at `y`; what the typeface has no letters for is left out. */
function write(document: PDFKit.PDFDocument, text: string, x: number, y: number, size: number, widest: number): void {
  const set = lettering(text, size * POINT, widest * POINT);
  if (set) document.path(set.path(x * POINT, y * POINT)).fill('#000000');
}
