/** Changes of a family that are shown already and wait to be stored, and how they are made again on top of somebody else's. */
import { z } from 'zod';
import { type Command, CommandSchema, runCommand } from '@loom-kin/core/change';
import { type ChangeLine, type Namer, describeChange } from '@loom-kin/core/descriptions';
import { type JsonPatch, difference, sharedPlace } from '@loom-kin/core/difference';
import type { Family } from '@loom-kin/core/family';
import type { StepInput } from '@loom-kin/contract';

const CountSchema = z.object({ childId: z.string(), pieces: z.number().int(), location: z.string().optional() });

/** One gesture: a command, counted pieces, or both. Its key names it, so that sending it twice makes it once. */
export const PendingSchema = z.object({
  key: z.string(),
  command: CommandSchema.optional(),
  counts: z.array(CountSchema).optional(),
});
export type Pending = z.infer<typeof PendingSchema>;
export type Count = z.infer<typeof CountSchema>;

/** A change that somebody else's stands against: what it was to be, and what is there now. */
export interface Aside {
  change: Pending;
  lines: (ChangeLine & { theirs: string })[];
}

/** The steps that store a change, made on a family as the server has it. */
export function stepsOf({ command, counts }: Pending, family: Pick<Family, 'id' | 'revision'>): StepInput[] {
  return [
    ...(command ? [{ on: 'family' as const, familyId: family.id, revision: family.revision, command }] : []),
    ...(counts && counts.length > 0 ? [{ on: 'stock' as const, familyId: family.id, counts }] : []),
  ];
}

/** What changes that wait have counted, in their order. */
export const countsOf = (changes: readonly Pending[]): Count[] => changes.flatMap((change) => change.counts ?? []);

const placesOf = (before: Family, after: Family): JsonPatch => difference(bare(before), bare(after)).forward;
/** The family without what only counts up. */
const bare = ({ revision: _revision, next: _next, ...rest }: Family) => rest;

export interface Replayed {
  /** The family with everything that could be made again. */
  family: Family;
  kept: Pending[];
  aside: Aside[];
}

/** The family after a command; null where it cannot be made any more. */
function tryCommand(namer: Namer, family: Family, command: Command): Family | null {
  try {
    return runCommand(namer.registry, family, command).family;
  } catch {
    return null;
  }
}

/**
 * Makes waiting changes again on a family that somebody else changed. What touches other places goes on top by itself; what touches the
 * same is set aside with both figures. Counts stand beside the family and always go on.
 * @param base the family the first change was made on
 * @param now the family as it is
 */
export function replay(namer: Namer, base: Family, now: Family, changes: readonly Pending[]): Replayed {
  const theirs = placesOf(base, now);
  const told = new Map(describeChange(namer, base, now).map((line) => [`${line.where}|${line.what}`, line.after]));
  const replayed: Replayed = { family: now, kept: [], aside: [] };
  let mine = base;
  for (const change of changes) {
    if (!change.command) {
      replayed.kept.push(change);
      continue;
    }
    const before = mine;
    const made = tryCommand(namer, before, change.command);
    mine = made ?? before;
    const isFree = made !== null && sharedPlace(placesOf(before, made), theirs) === undefined;
    const again = isFree ? tryCommand(namer, replayed.family, change.command) : null;
    if (again) {
      replayed.family = again;
      replayed.kept.push(change);
      continue;
    }
    const lines = made ? describeChange(namer, before, made) : [];
    replayed.aside.push({
      change,
      lines: lines.map((line) => ({ ...line, theirs: told.get(`${line.where}|${line.what}`) ?? line.before })),
    });
  }
  return replayed;
}
