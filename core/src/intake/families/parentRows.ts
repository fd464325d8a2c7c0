/** Rows that say something of a family and are none of its children: told from them by what they say, and by their numbers. */
import type { Role } from '../../family/shape';
import { compact } from '../../text/letters';
import { push } from '../filing';
import { isBeside } from './joinCandidates';
import type { Item } from './shape';
import type { RowVariant } from './weaves';

/**
 * Rows that stand between the family and its children: "FJ-NV", navy in whatever size, above "FJ-NV-S" and "FJ-NV-M".
 * Others' numbers go on from theirs, and say what they say and more.
 */
export function headsAmong(variants: readonly RowVariant[]): Set<Item> {
  const byHead = new Map<string, RowVariant[]>();
  for (const variant of variants) {
    const code = variant.item.ownCode.toUpperCase();
    for (const { index } of code.matchAll(/[^\p{L}\p{N}]/gu)) push(byHead, code.slice(0, index), variant);
  }
  const isBelow = (head: RowVariant, { at }: RowVariant): boolean =>
    at.size > head.at.size && [...head.at].every(([axis, { key }]) => at.get(axis)?.key === key);
  const heads = variants.filter((variant) => {
    const below = byHead.get(variant.item.ownCode.toUpperCase()) ?? [];
    const hasNone = variant.item.price === null || below.some(({ item }) => item.price !== null);
    return below.length > 0 && hasNone && below.every((one) => isBelow(variant, one));
  });
  return new Set(heads.map(({ item }) => item));
}

/** Whether a row says no option at all. */
export const isEmptyOf = ({ given, spans, across }: Item) => given.length + spans.length + across.length === 0;

/**
 * A row without any option that has no number of its own, or one that all others begin with, says something of the family; so does one
 * without pieces that is called as all others are, where those have theirs across the columns or below each other: their sum.
 */
export function isParentRow(item: Item, main: readonly RowVariant[]): boolean {
  if (!isEmptyOf(item) || isBeside(item) || main.length < 2) return false;
  const begins =
    item.ownCode !== '' &&
    main.every((variant) => variant.item.ownCode.toUpperCase().startsWith(item.ownCode.toUpperCase()));
  const hasNone = item.ownCode === '' && main.every((variant) => variant.item.ownCode !== '');
  const isSum =
    item.ownCode === '' && main.every(({ across, item: other }) => across !== null && other.name === item.name);
  return begins || hasNone || isSum || isSumOf(item, main);
}

/** Whether some column of a row without a number of its own holds the sum of what the others have there. */
function isSumOf({ ownCode, name, cells }: Item, main: readonly RowVariant[]): boolean {
  if (ownCode !== '' || main.some(({ item }) => item.name !== name)) return false;
  return cells.some((cell, at) => {
    const numbers = main.map(({ item }) => Number(item.cells[at] || NaN));
    return cell.trim() !== '' && Number(cell) === numbers.reduce((sum, one) => sum + one, 0);
  });
}

/** "Moor Tee - White / S" of "Moor Tee": the family is called as its parent is, and what all names say besides would be lost. */
export function isLeftOut(items: readonly Item[], role: Role, parents: readonly { name: string }[]): boolean {
  const called = parents.find(({ name }) => name !== '');
  const span = items[0]!.spans.find(({ roles }) => roles[0] === role);
  if (!called || !span) return false;
  const { name, tokens } = items[0]!;
  const text = name.slice(tokens[span.from]!.from, tokens[span.to - 1]!.to);
  return !compact(called.name).includes(compact(text));
}
