/** The nearest pattern that gives every child a SKU, where one does not. */
import type { Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';
import { proposeSkus, type IsTaken } from './proposeSkus';
import { APART, COUNTER, markOf, readPattern, unknownMarks, writePattern, type PatternPiece } from './skuPattern';

/**
 * A pattern near the given one by which every child gets a SKU of at most `most` characters, or null where none was
 * found. Tried in this order: marks that the family does not have left out, axes that tell children apart put in,
 * whole codes instead of cut ones, a number where a SKU would be another's, then ever shorter codes.
 */
export function skuWayOut(
  family: Family,
  children: readonly Child[],
  pattern: string,
  isTaken: IsTaken,
  most: number,
): string | null {
  const isGood = (candidate: string) =>
    proposeSkus(family, children, candidate, isTaken).every(
      ({ sku, problem }) => problem === undefined && sku.length <= most,
    );
  for (const pieces of candidates(family, children, pattern)) {
    const candidate = writePattern(pieces);
    if (candidate !== pattern && isGood(candidate)) return candidate;
  }
  return null;
}

function* candidates(family: Family, children: readonly Child[], pattern: string): Generator<PatternPiece[]> {
  const known = withoutUnknown(family, pattern);
  const named = withAxes(family, children, known);
  const bases = [known, named, named.map(uncut)];
  yield* bases;
  yield* bases.map(apart);
  for (let length = 8; length >= 1; length--) {
    const short = named.map((piece) => shortened(family, piece, length));
    yield short;
    yield apart(short);
  }
}

/** Without marks that the family does not have, and without the separator before each. */
function withoutUnknown(family: Family, pattern: string): PatternPiece[] {
  const unknown = new Set(unknownMarks(family, pattern));
  const kept: PatternPiece[] = [];
  for (const piece of readPattern(pattern)) {
    if (typeof piece === 'string' || !unknown.has(piece.mark)) kept.push(piece);
    else if (/^[-._/]+$/.test(String(kept.at(-1)))) kept.pop();
  }
  return kept;
}

/** With every axis on which the children differ and that no mark names. */
function withAxes(family: Family, children: readonly Child[], pieces: readonly PatternPiece[]): PatternPiece[] {
  const marks = new Set(pieces.map((piece) => (typeof piece === 'string' ? '' : piece.mark)));
  const { valueById } = familyIndex(family);
  const missing = family.axes.filter(
    (axis) =>
      !marks.has(markOf(axis.label)) &&
      new Set(children.map((child) => valueById.get(child.at[axis.id] ?? '')?.id)).size > 1,
  );
  return [...pieces, ...missing.flatMap((axis): PatternPiece[] => ['-', { mark: markOf(axis.label) }])];
}

function uncut(piece: PatternPiece): PatternPiece {
  if (typeof piece === 'string' || piece.mark === COUNTER) return piece;
  const { length: _cut, ...whole } = piece;
  return whole;
}

/** With a number at the end where a SKU would be another's. */
const apart = (pieces: readonly PatternPiece[]): PatternPiece[] =>
  pieces.some((piece) => typeof piece !== 'string' && (piece.mark === APART || piece.mark === COUNTER))
    ? [...pieces]
    : [...pieces, '-', { mark: APART }];

/** A mark of an axis cut to so many characters; others stay. */
function shortened(family: Family, piece: PatternPiece, length: number): PatternPiece {
  if (typeof piece === 'string' || !family.axes.some((axis) => markOf(axis.label) === piece.mark)) return piece;
  return { ...piece, length: Math.min(piece.length ?? length, length) };
}
