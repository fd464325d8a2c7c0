/**
 * Live listings in a plan: which go on, under their keys, and which are made again. In numbers, since every shape asks: there may be
 * as many live listings as children.
 */
import { inAnyOrder, isLedAlike, leadsOf } from '../../listing/structure';
import type { PlanCost, PlanTask, Standing } from './shape';

/** Live listings in numbers, worked out once for a task. */
function standingOf({ live, children, cache }: PlanTask): Standing {
  let standing = cache.standing.get(live);
  if (standing) return standing;
  const numberOf = new Map(children.map((child, number) => [child.id, number]));
  const structures = new Map<string, number>();
  const structureAt = Int32Array.from(live, ({ structure }) => {
    if (!structures.has(structure)) structures.set(structure, structures.size);
    return structures.get(structure)!;
  });
  standing = {
    structures: Array.from(structures.keys(), (one) => ({ leads: leadsOf(one), inAnyOrder: inAnyOrder(one) })),
    structureAt,
    listings: tally(structureAt, structures.size),
    numbers: live.map(({ childIds }) => Int32Array.from(childIds.flatMap((id) => numberOf.get(id) ?? []))),
  };
  cache.standing.set(live, standing);
  return standing;
}

function tally(places: Int32Array, count: number): Int32Array {
  const counts = new Int32Array(count);
  for (const place of places) counts[place]! += 1;
  return counts;
}

/**
 * What no plan of a structure is below that has so many listings: a live listing goes on in one of them at most, and becomes another
 * where none that may go on has the structure already.
 */
export function disturbedAtLeast(
  task: PlanTask,
  structure: string,
  listings: number,
): Pick<PlanCost, 'remade' | 'reshaped'> {
  if (task.live.length === 0) return { remade: 0, reshaped: 0 };
  const standing = standingOf(task);
  const leads = leadsOf(structure);
  const same = standing.structures.flatMap((one, at) => (isLedAlike(one.leads, leads) ? [at] : []));
  const going = same.reduce((sum, at) => sum + standing.listings[at]!, 0);
  const goOn = Math.min(listings, going);
  const shown = inAnyOrder(structure);
  const isThere = same.some((at) => standing.structures[at]!.inAnyOrder === shown);
  return { remade: task.live.length - goOn, reshaped: isThere ? 0 : goOn };
}

/** Live listings, by their places in the task, that go on under a structure. */
export function goingOn(task: PlanTask, structure: string): Int32Array {
  if (task.live.length === 0) return new Int32Array();
  const { structures, structureAt } = standingOf(task);
  const leads = leadsOf(structure);
  const isSame = structures.map((one) => isLedAlike(one.leads, leads));
  return Int32Array.from(task.live.keys()).filter((place) => isSame[structureAt[place]!]);
}

/** The children of a live listing. */
export const childrenOf = (task: PlanTask, place: number): Int32Array => standingOf(task).numbers[place]!;

export interface GoneOn {
  /** Place of a listing of the plan → that of the live one it goes on with. */
  liveAt: ReadonlyMap<number, number>;
  /**
   * Live listings that are made again, children that go from one to another, and listings whose options become
   * others.
   */
  remade: number;
  moved: number;
  reshaped: number;
}

/**
 * Which live listings the listings of a plan go on with: each with the one that it shares most children with.
 * @param parts the children of each listing of the plan
 * @param going live listings that may go on, by their places
 */
export function goOn(task: PlanTask, structure: string, parts: readonly Int32Array[], going: Int32Array): GoneOn {
  const holder = new Int32Array(task.children.length).fill(-1);
  for (const place of going) for (const number of childrenOf(task, place)) holder[number] = place;
  const liveAt = mostShared(parts, holder);
  const goesOn = new Set(liveAt.values());
  let moved = 0;
  parts.forEach((numbers, at) => {
    const mine = liveAt.get(at);
    for (const number of numbers) if (holder[number] !== mine && goesOn.has(holder[number]!)) moved += 1;
  });
  const shown = inAnyOrder(structure);
  const { structures, structureAt } = standingOf(task);
  const isReshaped = structures.map((one) => one.inAnyOrder !== shown);
  let reshaped = 0;
  for (const place of goesOn) if (isReshaped[structureAt[place]!]) reshaped += 1;
  return { liveAt, remade: task.live.length - goesOn.size, moved, reshaped };
}

/** The most children in common first, each listing and each live one once. */
function mostShared(parts: readonly Int32Array[], holder: Int32Array): Map<number, number> {
  const shared: { at: number; place: number; children: number }[] = [];
  parts.forEach((numbers, at) => {
    const counts = new Map<number, number>();
    for (const number of numbers) {
      const place = holder[number]!;
      if (place >= 0) counts.set(place, (counts.get(place) ?? 0) + 1);
    }
    for (const [place, children] of counts) shared.push({ at, place, children });
  });
  shared.sort((a, b) => b.children - a.children || a.at - b.at);
  const liveAt = new Map<number, number>();
  const taken = new Set<number>();
  for (const { at, place } of shared) {
    if (liveAt.has(at) || taken.has(place)) continue;
    liveAt.set(at, place);
    taken.add(place);
  }
  return liveAt;
}
