/**
 * Patterns that SKUs are made by, such as `{style}-{colour}-{size}`. A mark may say more after a colon:
 * `{colour:3}` has at most three characters, `{colour:label}` is the value's label and not its short code,
 * `{style:small}` has small letters, `{style:as-written}` whatever it has, `{counter:3}` counts with at least three
 * digits. `{apart}` is nothing, or a number where the SKU would be another's.
 */
import type { Family } from '../family/shape';

export const MARK_LETTERS = ['capitals', 'small', 'as-written'] as const;
export type MarkLetters = (typeof MARK_LETTERS)[number];

export interface PatternMark {
  mark: string;
  /** At most so many characters; of a counter, at least so many digits. */
  length?: number;
  letters?: MarkLetters;
  /** The label of the value instead of its short code. */
  label?: boolean;
}
/** A pattern in pieces: texts that stay, and marks. */
export type PatternPiece = string | PatternMark;

/** Marks of the family as a whole, and the field each stands for. */
export const FAMILY_MARKS: Readonly<Record<string, string>> = {
  style: 'styleCode',
  brand: 'brand',
  model: 'modelNumber',
};
export const COUNTER = 'counter';
export const APART = 'apart';

/** The marks a pattern may hold for this family; an axis of the same name goes before a mark of the program. */
export function skuMarks(family: Family): string[] {
  const axes = family.axes.map((axis) => markOf(axis.label));
  return [...new Set(['style', ...axes, ...Object.keys(FAMILY_MARKS), COUNTER, APART])];
}

/**
 * An axis in a pattern: its name in small letters and hyphens. One that no Latin letter is in keeps its own letters.
 */
export function markOf(label: string): string {
  const hyphened = (others: RegExp) => label.toLowerCase().replace(others, '-').replace(/^-|-$/g, '');
  return hyphened(/[^a-z0-9]+/g) || hyphened(/[^\p{L}\p{N}]+/gu);
}

/** A pattern in its pieces. What a mark says after the colon and is not understood makes it another, unknown mark. */
export function readPattern(pattern: string): PatternPiece[] {
  return pattern
    .split(/(\{[^}]*\})/)
    .filter((text) => text !== '')
    .map((text) => (/^\{[^}]*\}$/.test(text) ? readMark(text.slice(1, -1)) : text));
}

function readMark(text: string): PatternMark {
  const colon = text.indexOf(':');
  const said: PatternMark = { mark: colon < 0 ? text : text.slice(0, colon) };
  for (const word of colon < 0 ? [] : text.slice(colon + 1).split(',')) {
    const letters = MARK_LETTERS.find((one) => one === word);
    if (/^[1-9]\d?$/.test(word)) said.length = Number(word);
    else if (word === 'label') said.label = true;
    else if (letters) said.letters = letters;
    else return { mark: text };
  }
  return said;
}

/** Pieces as a pattern; what is usual is not said. */
export function writePattern(pieces: readonly PatternPiece[]): string {
  return pieces
    .map((piece) => {
      if (typeof piece === 'string') return piece;
      const said = [
        piece.length,
        piece.label ? 'label' : undefined,
        piece.letters === 'capitals' ? undefined : piece.letters,
      ].filter((one) => one !== undefined);
      return `{${piece.mark}${said.length > 0 ? `:${said.join(',')}` : ''}}`;
    })
    .join('');
}

/** Marks in the pattern that the family has nothing for. */
export function unknownMarks(family: Family, pattern: string): string[] {
  const marks = skuMarks(family);
  return readPattern(pattern).flatMap((piece) =>
    typeof piece === 'string' || marks.includes(piece.mark) ? [] : [piece.mark],
  );
}

/** The pattern with the mark of one axis name changed to that of another. */
export function renamedMark(pattern: string, before: string, after: string): string {
  const mark = markOf(before);
  return writePattern(
    readPattern(pattern).map((piece) =>
      typeof piece !== 'string' && piece.mark === mark ? { ...piece, mark: markOf(after) } : piece,
    ),
  );
}
