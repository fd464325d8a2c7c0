/** SKUs made by a pattern for children of a family, with what stands against each. */
import { ownOf } from '../text/own';
import type { Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';
import { unreadable, type Unreadable } from '../refusal/refusal';
import { identityOf } from './sameness';
import { readSku } from './sku';
import { APART, COUNTER, FAMILY_MARKS, markOf, readPattern, unknownMarks, type PatternMark } from './skuPattern';

export interface SkuProposal {
  childId: string;
  sku: string;
  /** Why this SKU cannot be taken; undefined when it can. */
  problem?: Unreadable;
}

/** Whether a SKU belongs or belonged to another child than the one asked for, whatever its letters. */
export type IsTaken = (sku: string, childId: string) => boolean;

/** Numbers tried in vain for all children together, and for each besides, before SKUs are called taken. */
const TRIES = 2000;
const TRIES_EACH = 2;

/**
 * SKUs by the pattern for the given children, in their order. Separators beside a mark that is empty are left out.
 */
export function proposeSkus(
  family: Family,
  children: readonly Child[],
  pattern: string,
  isTaken: IsTaken,
): SkuProposal[] {
  const [unknown] = unknownMarks(family, pattern);
  const write = skuWriter(family, pattern);
  const counts = readPattern(pattern).some((piece) => typeof piece !== 'string' && isCounter(piece.mark));
  const made = new Set<string>();
  const isFree = (sku: string, childId: string) => !made.has(identityOf('sku', sku)) && !isTaken(sku, childId);
  let last = 0;
  let tries = TRIES + TRIES_EACH * children.length;
  return children.map((child) => {
    let sku = write(child, last + 1, 1);
    if (counts && unknown === undefined && readSku(sku).ok) {
      const found = freeNumber(
        (count, again) => write(child, count, again),
        last + 1,
        tries,
        (one) => isFree(one, child.id),
      );
      tries -= found.tried;
      sku = found.sku;
      last = found.count;
    }
    const problem =
      unknown === undefined ? problemOf(family, pattern, sku, made, (one) => isTaken(one, child.id)) : undefined;
    made.add(identityOf('sku', sku));
    if (unknown !== undefined) return { childId: child.id, sku, problem: unreadable('sku.pattern', { mark: unknown }) };
    return problem ? { childId: child.id, sku, problem } : { childId: child.id, sku };
  });
}

const isCounter = (mark: string) => mark === COUNTER || mark === APART;

/** The first number from `from` on with which a SKU is free, or `from` where none is within so many tries. */
function freeNumber(
  write: (count: number, again: number) => string,
  from: number,
  tries: number,
  isFree: (sku: string) => boolean,
): { sku: string; count: number; tried: number } {
  for (let tried = 0; tried < tries; tried++) {
    const sku = write(from + tried, tried + 1);
    if (isFree(sku)) return { sku, count: from + tried, tried };
  }
  return { sku: write(from, 1), count: from, tried: tries };
}

function problemOf(
  family: Family,
  pattern: string,
  sku: string,
  made: ReadonlySet<string>,
  isTaken: (sku: string) => boolean,
): Unreadable | undefined {
  const empty = emptyMark(family, pattern);
  if (empty) return unreadable('sku.pattern-empty', { mark: empty });
  const read = readSku(sku);
  if (!read.ok) return read;
  if (made.has(identityOf('sku', sku))) return unreadable('sku.pattern-twice', { sku });
  return isTaken(sku) ? unreadable('sku.given-before', { sku }) : undefined;
}

/** A mark of the family as a whole that it has no figure for. */
function emptyMark(family: Family, pattern: string): string | undefined {
  for (const piece of readPattern(pattern)) {
    if (typeof piece === 'string' || family.axes.some((axis) => markOf(axis.label) === piece.mark)) continue;
    const key = ownOf(FAMILY_MARKS, piece.mark);
    if (key && skuLetters(String(family.fields[key] ?? ''), { mark: piece.mark }) === '') return piece.mark;
  }
  return undefined;
}

/** Writes the SKU of a child by the pattern; `again` is 1 for the first try, where `{apart}` is empty. */
function skuWriter(family: Family, pattern: string): (child: Child, count: number, again: number) => string {
  const { valueById } = familyIndex(family);
  const axisOfMark = new Map([...family.axes].reverse().map((axis) => [markOf(axis.label), axis]));
  const pieces = readPattern(pattern);
  const textOf = (piece: PatternMark, child: Child, count: number, again: number): string => {
    const axis = axisOfMark.get(piece.mark);
    if (axis) {
      const value = valueById.get(child.at[axis.id] ?? '');
      // A label in letters that no SKU has leaves its short code.
      return (value && piece.label ? skuLetters(value.label, piece) : '') || skuLetters(value?.code ?? '', piece);
    }
    if (piece.mark === COUNTER) return String(count).padStart(piece.length ?? 1, '0');
    if (piece.mark === APART) return again === 1 ? '' : String(again).padStart(piece.length ?? 1, '0');
    return skuLetters(String(family.fields[ownOf(FAMILY_MARKS, piece.mark) ?? ''] ?? ''), piece);
  };
  return (child, count, again) => {
    let sku = '';
    let afterEmpty = false;
    for (const piece of pieces) {
      if (typeof piece === 'string') {
        sku += sku === '' && afterEmpty ? piece.replace(/^[-._/]+/, '') : piece;
        continue;
      }
      const text = textOf(piece, child, count, again);
      afterEmpty = text === '';
      if (afterEmpty) sku = sku.replace(/[-._/]+$/, '');
      sku += text;
    }
    return sku;
  };
}

/** A text with only the signs that SKUs have, cut and in the letters that the mark asks for. */
function skuLetters(text: string, { length, letters }: PatternMark): string {
  const bare = text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^A-Za-z0-9._/-]+/g, '');
  const cut = bare.slice(0, length);
  if (letters === 'as-written') return cut;
  return letters === 'small' ? cut.toLowerCase() : cut.toUpperCase();
}
