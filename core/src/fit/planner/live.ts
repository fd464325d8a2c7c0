/** Live listings in a plan: which go on, under their keys, and which are made again. */
import type { StandingListing, PlanListing, PlanTask } from './shape';

/**
 * What a channel sees of a structure: the axes shown, joined ones with `+`, the one that leads first. What is split or pinned
 * is not in it: a listing that holds one lining is the same listing whether there are others or not.
 */
export const structureOf = (groups: readonly (readonly string[])[]): string =>
  groups.map((group) => group.join('+')).join('|');

/** What a structure shows. Listings sent before had more behind a semicolon. */
export const shownOf = (structure: string): string => structure.split(';')[0]!;

const inAnyOrder = (structure: string): string => shownOf(structure).split('|').sort().join('|');

/** Leading axes of a structure. */
export const leadsOf = (structure: string): Set<string> =>
  new Set(
    shownOf(structure)
      .split('|')
      .map((group) => group.split('+')[0]!)
      .filter(Boolean),
  );

/**
 * Whether a listing of one structure can be revised into one of the other: its axes are led by the same, in whatever order, or
 * some come or go beside them, as when a colour that was a plain fact gets a second value.
 */
export function isSameListing(one: string, other: string): boolean {
  const [a, b] = [leadsOf(one), leadsOf(other)];
  const [fewer, more] = a.size < b.size ? [a, b] : [b, a];
  return [...fewer].every((lead) => more.has(lead));
}

/** Live listings that go on under a structure. */
export function goingOn(task: PlanTask, structure: string): { listing: StandingListing; numbers: number[] }[] {
  if (task.live.length === 0) return [];
  const numberOf = new Map(task.children.map((child, number) => [child.id, number]));
  return task.live.flatMap((listing) => {
    if (!isSameListing(listing.structure, structure)) return [];
    const numbers = listing.childIds.flatMap((id) => numberOf.get(id) ?? []);
    return [{ listing, numbers }];
  });
}

export interface Begun extends Omit<PlanListing, 'key'> {
  /** The key it gets where no live listing goes on in it. */
  ownKey: string;
}

export interface Keyed {
  listings: PlanListing[];
  remade: number;
  moved: number;
  reshaped: number;
}

/** Gives listings their keys: each goes on with the live listing that it shares most children with. */
export function withKeys(
  task: PlanTask,
  structure: string,
  begun: readonly Begun[],
  live: readonly { listing: StandingListing }[],
): Keyed {
  const heldBy = new Map(live.flatMap(({ listing }) => listing.childIds.map((id) => [id, listing.key] as const)));
  const keyOf = matchKeys(begun, heldBy);
  const goesOn = new Set(keyOf.values());
  const taken = new Set(goesOn);
  const listings = begun.map(({ ownKey, ...listing }, at): PlanListing => {
    const key = keyOf.get(at) ?? freeKey(ownKey, taken);
    taken.add(key);
    return { ...listing, key };
  });
  const moved = listings.reduce((sum, { key, childIds }) => {
    const left = childIds.filter((id) => heldBy.has(id) && heldBy.get(id) !== key && goesOn.has(heldBy.get(id)!));
    return sum + left.length;
  }, 0);
  const reshaped = live.filter(
    ({ listing }) => goesOn.has(listing.key) && inAnyOrder(listing.structure) !== inAnyOrder(structure),
  ).length;
  return { listings, reshaped, remade: task.live.filter((one) => !goesOn.has(one.key)).length, moved };
}

/** Place of a listing → key of the live one it goes on with; the most children in common first. */
function matchKeys(begun: readonly Begun[], heldBy: ReadonlyMap<string, string>): Map<number, string> {
  const shared: { at: number; key: string; children: number }[] = [];
  if (heldBy.size > 0) {
    begun.forEach(({ childIds }, at) => {
      const counts = new Map<string, number>();
      for (const id of childIds) {
        const key = heldBy.get(id);
        if (key !== undefined) counts.set(key, (counts.get(key) ?? 0) + 1);
      }
      for (const [key, children] of counts) shared.push({ at, key, children });
    });
  }
  shared.sort((a, b) => b.children - a.children || a.at - b.at);
  const keyOf = new Map<number, string>();
  const given = new Set<string>();
  for (const { at, key } of shared) {
    if (keyOf.has(at) || given.has(key)) continue;
    keyOf.set(at, key);
    given.add(key);
  }
  return keyOf;
}

function freeKey(wanted: string, taken: ReadonlySet<string>): string {
  let key = wanted;
  for (let more = 2; taken.has(key); more++) key = `${wanted}-${more}`;
  return key;
}
