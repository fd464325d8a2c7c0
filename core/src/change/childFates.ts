/** What a change of the structure makes of every child: shown before it is done. */
import { columnOf } from '../family/column';
import { childLabels, familyIndex } from '../family/weave';
import type { Child, Family } from '../family/shape';
import { mainPicture } from '../pictures/picturesOf';

/** It stays as it is; it is called by other options; it waits on the shelf; it leaves to be a family of its own; it is new; it comes back from the shelf. */
export type Fate = 'stays' | 'moves' | 'shelf' | 'leaves' | 'new' | 'back';

export interface ChildFate {
  childId: string;
  fate: Fate;
  /** Its options, first axis first; none where it was not there, or is no more. */
  before: string[] | null;
  after: string[] | null;
  sku: string;
  /** Its price where that is another afterwards, and whether its main picture is. */
  price: { before: string; after: string } | null;
  otherPicture: boolean;
}

/** What becomes of each child that is woven before or after, in the order of the weave. */
export function childFates(before: Family, after: Family): ChildFate[] {
  const prices = { before: priceReader(before), after: priceReader(after) };
  const there = familyIndex(before).woven.map((child) => fateOf(before, after, prices, child));
  const come = familyIndex(after).woven.filter(({ id }) => !before.children[id]?.woven);
  return [...there, ...come.map((child) => arrival(before, after, child))];
}

/** How many children there are of each fate. */
export function countFates(fates: readonly ChildFate[]): Record<Fate, number> {
  const counts: Record<Fate, number> = { stays: 0, moves: 0, shelf: 0, leaves: 0, new: 0, back: 0 };
  for (const { fate } of fates) counts[fate] += 1;
  return counts;
}

/** Reads the price of a child, as text. */
function priceReader(family: Family): (childId: string) => string {
  const column = columnOf(family, 'price');
  const { position } = familyIndex(family);
  return (childId) => String(column.at(position.get(childId)!) ?? '');
}

function fateOf(
  before: Family,
  after: Family,
  price: Record<'before' | 'after', (childId: string) => string>,
  child: Child,
): ChildFate {
  const labels = childLabels(before, child);
  const sku = String(child.fields.sku ?? '');
  const now = after.children[child.id];
  const childId = child.id;
  if (!now?.woven) {
    const fate = now || after.shelf[childId] ? 'shelf' : 'leaves';
    return { childId, before: labels, sku, fate, after: null, price: null, otherPicture: false };
  }
  const called = childLabels(after, now);
  const prices = [price.before(childId), price.after(childId)];
  return {
    childId,
    before: labels,
    after: called,
    sku,
    fate: isAlike(called, labels) ? 'stays' : 'moves',
    price: prices[0] === prices[1] ? null : { before: prices[0]!, after: prices[1]! },
    otherPicture: mainPicture(before, child) !== mainPicture(after, now),
  };
}

const isAlike = (one: readonly string[], other: readonly string[]): boolean =>
  one.length === other.length && one.every((label, at) => label === other[at]);

const arrival = (before: Family, after: Family, child: Child): ChildFate => ({
  childId: child.id,
  before: null,
  after: childLabels(after, child),
  sku: String(child.fields.sku ?? ''),
  fate: before.shelf[child.id] || before.children[child.id] ? 'back' : 'new',
  price: null,
  otherPicture: false,
});
