/**
 * The pattern of the house: what the SKU pattern of every new family is made of, such as `{brand:3}.{style}-{axes}`. `{axes}` is each of the
 * family's axes in their order, with what stands before it between them; the other marks are those of a family.
 */
import { Refusal } from '../refusal/refusal';
import { APART, COUNTER, markOf, readPattern, writePattern, type PatternPiece } from './skuPattern';

export const AXES = 'axes';
/** Of a house that said nothing: the style code and every axis. */
export const USUAL_HOUSE = `{style}-{${AXES}}`;
/** The marks it may have: what every family can have. */
export const HOUSE_MARKS: readonly string[] = ['style', AXES, 'brand', 'model', COUNTER, APART];

/** Throws a Refusal where a pattern of the house has a mark that is none of a house. */
export function checkHousePattern(pattern: string): void {
  for (const piece of readPattern(pattern)) {
    if (typeof piece === 'string' || HOUSE_MARKS.includes(piece.mark)) continue;
    throw new Refusal('sku.house-mark', { mark: piece.mark, marks: HOUSE_MARKS.map((one) => `{${one}}`).join(' ') });
  }
}

/**
 * The pattern of a family by that of the house.
 * @param house empty for the usual one
 */
export function familyPattern(house: string, axisLabels: readonly string[]): string {
  const pieces = readPattern(house || USUAL_HOUSE);
  return writePattern(pieces.flatMap((piece, at) => expanded(pieces, at, axisLabels)));
}

function expanded(pieces: readonly PatternPiece[], at: number, axisLabels: readonly string[]): PatternPiece[] {
  const piece = pieces[at]!;
  if (typeof piece === 'string') return [axisLabels.length === 0 ? withoutSigns(piece, pieces, at) : piece];
  if (piece.mark !== AXES) return [piece];
  const between = signsAtEnd(pieces[at - 1]);
  return axisLabels.flatMap((label, nth) => [
    ...(nth > 0 && between ? [between] : []),
    { ...piece, mark: markOf(label) },
  ]);
}

/** Signs, and no letters or digits, that a text ends with: they part one piece from the next. */
const signsAtEnd = (piece: PatternPiece | undefined): string =>
  typeof piece === 'string' ? (/[^\p{L}\p{N}]*$/u.exec(piece)?.[0] ?? '') : '';

/** A text beside axes that a family has not, without the signs that would part them from it. */
function withoutSigns(text: string, pieces: readonly PatternPiece[], at: number): string {
  const isAxes = (piece: PatternPiece | undefined) => typeof piece === 'object' && piece.mark === AXES;
  if (isAxes(pieces[at + 1])) return text.slice(0, text.length - signsAtEnd(text).length);
  return at === 1 && isAxes(pieces[0]) ? text.replace(/^[^\p{L}\p{N}]+/u, '') : text;
}

/**
 * The pattern of a family whose axes come or go. One that is as the house makes it, or as the program does, stays so; one of the seller's own is
 * left alone.
 */
export function patternAfter(
  house: string,
  pattern: string,
  before: readonly string[],
  after: readonly string[],
): string {
  const own = [house, USUAL_HOUSE].find((one) => familyPattern(one, before) === pattern);
  return own === undefined ? pattern : familyPattern(own, after);
}
