/** The listings of a plan as they are told: with keys, and the children by their ids. */
import type { PlanListing, PlanTask, Shape } from './shape';
import type { GoneOn } from './standing';

/** The listings of each set in the order of the weave, their children too. Tables sort numbers faster than lists do. */
export const inWeaveOrder = (parts: readonly (readonly Int32Array[])[]): Int32Array[][] =>
  parts.map((some) => some.map((part) => part.toSorted()).sort((a, b) => a[0]! - b[0]!));

/** @param liveAt place of a listing → that of the live one whose key it goes on under */
export function inFull(
  task: PlanTask,
  shape: Shape,
  sets: readonly Int32Array[][],
  liveAt: GoneOn['liveAt'] = new Map<number, number>(),
): PlanListing[] {
  const begun = sets.flatMap((parts) => {
    const first = task.children[parts[0]![0]!]!;
    const split = Object.fromEntries(
      shape.split.map((axis) => [task.axes[axis]!.id, task.axes[axis]!.values[first.at[axis]!]!.id]),
    );
    return parts.map((numbers, at) => ({
      ownKey: [...Object.values(split), ...(parts.length > 1 ? [`p${at + 1}`] : [])].join('.') || 'all',
      split,
      part: parts.length > 1 ? { number: at + 1, of: parts.length } : null,
      childIds: Array.from(numbers, (number) => task.children[number]!.id),
    }));
  });
  const taken = new Set(Array.from(liveAt.values(), (live) => task.live[live]!.key));
  return begun.map(({ ownKey, ...listing }, at) => {
    const live = liveAt.get(at);
    const key = live === undefined ? freeKey(ownKey, taken) : task.live[live]!.key;
    taken.add(key);
    return { ...listing, key };
  });
}

function freeKey(wanted: string, taken: ReadonlySet<string>): string {
  let key = wanted;
  for (let more = 2; taken.has(key); more++) key = `${wanted}-${more}`;
  return key;
}
