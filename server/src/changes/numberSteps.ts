/** Steps on identifiers: numbers taken, given back and set aside, SKUs made by the pattern. */
import { and, eq } from 'drizzle-orm';
import { familyIndex, placeLabel } from '@loom-kin/core/family';
import { gtin14, isOfBlock, proposeSkus } from '@loom-kin/core/identifiers';
import { Refusal, type Unreadable, unreadable } from '@loom-kin/core/refusal';
import { RegistryDataSchema, emptyRegistry, runRegistryCommand } from '@loom-kin/core/registry';
import { children } from '@loom-kin/core/text';
import type { Step } from '@loom-kin/contract';
import { numbersTold, takeNumbers, withReservation } from '../identifiers/blocks';
import { childrenWithout, skuTaken } from '../identifiers/identifiers';
import { givenIdentifiers } from '../store/schema';
import { documentIn, familyIn, putDocument, registryIn, runOn, type Work } from './work';

type StepOn<On extends Step['on']> = Extract<Step, { on: On }>;

export const NUMBER_STEPS = {
  numbers(work: Work, { familyId, childIds, ...from }: StepOn<'numbers'>): void {
    const bare = childrenWithout(familyIn(work, familyId), 'gtin', childIds);
    if (bare.length === 0) return;
    const { data } = registryIn(work);
    const numbers = takeNumbers(work.store.database, data, from, bare.length, givenInWork(work));
    const changes = bare.map((child, at) => figureOnChild(child.id, 'gtin', numbers[at]!));
    runOn(work, familyId, { do: 'setFigures', changes });
    work.titles.push(`Give numbers to ${children(bare.length)}`);
  },
  numbersBack(work: Work, { familyId, childIds }: StepOn<'numbersBack'>): void {
    const { returned, told } = returnable(work, familyId, childIds);
    if (returned.size === 0) throw new Refusal('block.none-back', { known: told });
    const changes = [...returned.keys()].map((childId) => figureOnChild(childId, 'gtin', null));
    runOn(work, familyId, { do: 'setFigures', changes });
    markReturned(work, familyId, returned);
    if (told > 0)
      work.notices.push(
        `${told} ${told === 1 ? 'number stays: it was' : 'numbers stay: they were'} told to an account.`,
      );
    work.titles.push(`Give the numbers of ${children(returned.size)} back`);
  },
  setAside(work: Work, { blockId, label, count }: StepOn<'setAside'>): void {
    const before = documentIn(work, RegistryDataSchema, 'registry') ?? emptyRegistry();
    const block = before.numberBlocks.find((one) => one.id === blockId);
    if (!block) throw new Refusal('block.unknown', {});
    const wanted = withReservation(work.store.database, block, label, count);
    const { data } = runRegistryCommand(before, { do: 'setNumberBlock', block: wanted });
    putDocument(work, 'registry', '', before, data);
    work.titles.push(`Set ${count} numbers aside for ${label}`);
  },
  skus(work: Work, { familyId, childIds }: StepOn<'skus'>): void {
    const made = skusFor(work, familyId, childIds);
    if (!made.ok) throw new Refusal(made.code, made.params as never);
    const [first] = made.changes;
    if (!first) return;
    runOn(work, familyId, { do: 'setFigures', changes: made.changes });
    work.titles.push(
      made.changes.length === 1
        ? `Make the SKU of ${placeLabel(familyIn(work, familyId), first.place)}`
        : `Make ${made.changes.length} SKUs`,
    );
  },
};

const figureOnChild = <F extends string | null>(childId: string, key: string, figure: F) => ({
  place: { level: 'child' as const, childId },
  key,
  figure,
});

/** SKUs by the pattern for children that have none; of all where none are named. */
export function skusFor(
  work: Work,
  familyId: string,
  childIds?: readonly string[],
): { ok: true; changes: ReturnType<typeof figureOnChild<string>>[] } | Unreadable {
  const family = familyIn(work, familyId);
  const bare = childrenWithout(family, 'sku', childIds ?? familyIndex(family).woven.map((child) => child.id));
  const proposals = proposeSkus(family, bare, family.skuPattern, skuTaken(work.store.database, familyId));
  const problem = proposals.find((one) => one.problem)?.problem;
  if (problem) return unreadable(problem.code, problem.params as never);
  return { ok: true, changes: proposals.map((one) => figureOnChild(one.childId, 'sku', one.sku)) };
}

/** Numbers that children got earlier in the same change: nothing of it is stored yet. */
function givenInWork(work: Work): Set<string> {
  const given = new Set<string>();
  for (const { before, now } of work.families.values()) {
    if (before === now) continue;
    for (const { fields } of Object.values(now.children))
      if (typeof fields.gtin === 'string') given.add(gtin14(fields.gtin));
  }
  return given;
}

/** Child → its number, of those whose number is of a block and was told to nobody; and how many were told. */
function returnable(
  work: Work,
  familyId: string,
  childIds: readonly string[],
): { returned: Map<string, string>; told: number } {
  const family = familyIn(work, familyId);
  const { numberBlocks } = registryIn(work).data;
  const numbers = new Map<string, string>();
  for (const childId of childIds) {
    const gtin = family.children[childId]?.fields.gtin;
    if (typeof gtin === 'string' && numberBlocks.some((block) => isOfBlock(block, gtin)))
      numbers.set(childId, gtin14(gtin));
  }
  const told = numbersTold(work.store.database, new Set(numbers.values()));
  const returned = new Map([...numbers].filter(([, number]) => !told.has(number)));
  return { returned, told: numbers.size - returned.size };
}

/** Lets the blocks give these numbers out again. They were these children's last, whosever they were first. */
function markReturned(work: Work, familyId: string, returned: ReadonlyMap<string, string>): void {
  for (const [childId, number] of returned)
    work.store.database
      .update(givenIdentifiers)
      .set({ returned: true, familyId, childId })
      .where(and(eq(givenIdentifiers.kind, 'gtin'), eq(givenIdentifiers.value, number)))
      .run();
}
