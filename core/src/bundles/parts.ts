/** Sets of items: what is in one, and how many sets there are pieces for. */
import { SKU_MOST, readSku } from '../identifiers/sku';
import { identityOf } from '../identifiers/sameness';
import type { Figures } from '../family/shape';
import { unreadable, type Unreadable } from '../refusal/refusal';

/** An item of a set. */
export interface BundlePart {
  sku: string;
  /** So many of it are in one set. */
  pieces: number;
}

export const PARTS_MOST = 20;
const EACH_MOST = 999;

/** "2 × SKU", "2 x SKU", "2 SKU" or "SKU × 2": a number goes with a sign or a blank beside it, since SKUs have letters x. */
const BEFORE = /^(\d{1,4})(?:\s*[×*]\s*|\s+x\s+|\s+)(\S+)$/i;
const AFTER = /^(\S+)(?:\s*[×*]\s*|\s+x\s+)(\d{1,4})$/i;

/**
 * Reads the parts of a set, parted by commas, semicolons or lines. An item that is named twice is in it as often as both say.
 * `text` is the usual spelling: "2 × SKJ-RST-M, 1 × GMG-CHK".
 */
export function readParts(text: string): { ok: true; parts: BundlePart[]; text: string } | Unreadable {
  const parts = new Map<string, BundlePart>();
  for (const piece of text.split(/[,;\n]/).filter((one) => one.trim() !== '')) {
    const part = readPart(piece.trim());
    if (!part) return unreadable('parts.form', { text: piece.trim() });
    const read = readSku(part.sku, SKU_MOST);
    if (!read.ok) return read;
    const key = identityOf('sku', part.sku);
    const there = parts.get(key);
    parts.set(key, { sku: there?.sku ?? part.sku, pieces: (there?.pieces ?? 0) + part.pieces });
  }
  const all = [...parts.values()];
  const wrong = all.find(({ pieces }) => pieces < 1 || pieces > EACH_MOST);
  if (wrong) return unreadable('parts.pieces', { sku: wrong.sku, most: EACH_MOST });
  if (all.length > PARTS_MOST) return unreadable('parts.many', { count: all.length, most: PARTS_MOST });
  return { ok: true, parts: all, text: partsText(all) };
}

function readPart(piece: string): BundlePart | null {
  const before = BEFORE.exec(piece);
  if (before) return { sku: before[2]!, pieces: Number(before[1]) };
  const after = AFTER.exec(piece);
  if (after) return { sku: after[1]!, pieces: Number(after[2]) };
  return /\s/.test(piece) ? null : { sku: piece, pieces: 1 };
}

/** Parts as they are written. */
export const partsText = (parts: readonly BundlePart[]): string =>
  parts.map(({ sku, pieces }) => `${pieces} × ${sku}`).join(', ');

/** The parts of a child that is a set; none where it is an item of its own. */
export function partsOf({ fields }: { fields: Figures }): BundlePart[] {
  if (typeof fields.parts !== 'string') return [];
  const read = readParts(fields.parts);
  return read.ok ? read.parts : [];
}

/**
 * How many sets there are pieces for: as many as the scarcest part allows; null where no part is counted.
 * @param piecesOf the pieces of an item; null where it is not counted; undefined where there is no such item, and so no set.
 */
export function bundlePieces(
  parts: readonly BundlePart[],
  piecesOf: (sku: string) => number | null | undefined,
): number | null {
  let least: number | null = null;
  for (const { sku, pieces } of parts) {
    const there = piecesOf(sku);
    if (there === null) continue;
    const sets = Math.max(0, Math.floor((there ?? 0) / pieces));
    least = least === null ? sets : Math.min(least, sets);
  }
  return least;
}

/** The parts with one item called by another SKU; null where it is not among them. */
export function withRenamedPart(parts: readonly BundlePart[], from: string, to: string): BundlePart[] | null {
  const isIt = ({ sku }: BundlePart) => identityOf('sku', sku) === identityOf('sku', from);
  return parts.some(isIt) ? parts.map((part) => (isIt(part) ? { ...part, sku: to } : part)) : null;
}
