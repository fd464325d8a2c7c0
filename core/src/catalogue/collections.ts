/** Collections that fill themselves: families that conditions hold for are in them beside those that were put there. */
import { z } from 'zod';
import type { Family } from '../family/shape';
import { foldLabel } from '../family/foldLabel';
import type { Registry } from '../registry/openRegistry';
import { ConditionsSchema, holds, type Sorted } from './conditions';

export const CollectionSchema = z.object({ name: z.string().trim().min(1).max(80), when: ConditionsSchema });
export type Collection = z.infer<typeof CollectionSchema>;

export const CollectionsSchema = z.array(CollectionSchema).max(200);

/** Names of the collections that take a family by themselves. */
export const collectionsFor = (collections: readonly Collection[], family: Sorted, registry: Registry): string[] =>
  collections.filter(({ when }) => when.of.length > 0 && holds(when, family, registry)).map(({ name }) => name);

/** The family as channels see it: also in the collections that take it by themselves. The very same where none does. */
export function inItsCollections(
  family: Family,
  collections: readonly Collection[],
  sorted: () => Sorted,
  registry: Registry,
): Family {
  if (collections.length === 0) return family;
  const own = [family.fields.collections ?? []].flat().map(String);
  const there = new Set(own.map(foldLabel));
  const more = collectionsFor(collections, sorted(), registry).filter((name) => !there.has(foldLabel(name)));
  return more.length === 0 ? family : { ...family, fields: { ...family.fields, collections: [...own, ...more] } };
}
