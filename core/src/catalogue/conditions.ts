/** Conditions over families: what routes and collections are made of. */
import { z } from 'zod';
import type { Family, Figure } from '../family/shape';
import { foldLabel } from '../family/foldLabel';
import { fromPrice } from '../family/level';
import { familyIndex } from '../family/weave';
import { isNumeric } from '../registry/field';
import { unreadable, type Unreadable } from '../refusal';
import type { Registry } from '../registry/openRegistry';

export const COMPARISONS = ['is', 'isNot', 'contains', 'oneOf', 'above', 'below'] as const;
export type Comparison = (typeof COMPARISONS)[number];

const Word = z.string().trim().min(1).max(200);

/** One condition: a field of the registry, how it is compared, and with what. Measures are in the field's own unit. */
export const ConditionSchema = z.object({
  key: z.string().min(1).max(60),
  is: z.enum(COMPARISONS),
  value: z.union([Word, z.number(), z.boolean(), z.array(Word).min(1).max(100)]),
});
export type Condition = z.infer<typeof ConditionSchema>;

const Match = z.enum(['all', 'any']);

/** Conditions of which all or any have to hold, groups among them one level deep. Without any it holds for every family. */
export const ConditionsSchema = z.object({
  match: Match,
  of: z
    .array(z.union([ConditionSchema, z.object({ match: Match, of: z.array(ConditionSchema).min(1).max(20) })]))
    .max(40),
});
export type Conditions = z.infer<typeof ConditionsSchema>;

/** Whether conditions are written to the end: half written, a value or a whole group is still missing, and nothing can be tried. */
export const isWritten = (conditions: Conditions): boolean => ConditionsSchema.safeParse(conditions).success;

/** What conditions see of a family. */
export interface Sorted {
  fields: Readonly<Record<string, Figure>>;
  /** The lowest price of a child, in the seller's currency; undefined without any. */
  price: string | undefined;
  /** The pieces of all children together. */
  stock: number;
}

/** What conditions see of a family whose pieces are known. */
export function sortedOf(family: Family, stock: Readonly<Record<string, number>>): Sorted {
  const pieces = familyIndex(family).woven.reduce((sum, child) => sum + (stock[child.id] ?? 0), 0);
  return { fields: family.fields, price: fromPrice(family), stock: pieces };
}

/** Whether conditions hold for a family. */
export function holds({ match, of }: Conditions, family: Sorted, registry: Registry): boolean {
  const one = (part: Conditions['of'][number]): boolean =>
    'of' in part ? quantified(part.match, part.of, one) : conditionHolds(part, family, registry);
  return of.length === 0 || quantified(match, of, one);
}

const quantified = <T>(match: 'all' | 'any', parts: readonly T[], test: (part: T) => boolean): boolean =>
  match === 'all' ? parts.every(test) : parts.some(test);

function conditionHolds({ key, is, value }: Condition, family: Sorted, registry: Registry): boolean {
  const said = saidOf(key, family, registry);
  if (is === 'isNot') return !isEqual(said, value);
  if (said.length === 0) return false;
  if (is === 'is') return isEqual(said, value);
  if (is === 'oneOf') return [value].flat().some((one) => isEqual(said, one as Figure));
  if (is === 'contains') return said.some((one) => foldLabel(String(one)).includes(foldLabel(String(value))));
  const [first] = said.map(Number);
  return is === 'above' ? first! > Number(value) : first! < Number(value);
}

/** What a family says of a field: a list's entries, and a category together with those above it. */
function saidOf(key: string, { fields, price, stock }: Sorted, registry: Registry): Figure[] {
  if (key === 'price') return price === undefined ? [] : [price];
  if (key === 'stock') return [stock];
  if (key === 'category') return registry.path(fields.category).map((one) => one.id);
  const figure = fields[key];
  return figure === undefined || figure === '' ? [] : [figure].flat();
}

const isEqual = (said: readonly Figure[], value: Condition['value']): boolean =>
  said.some((one) =>
    typeof one === 'boolean' || typeof value === 'boolean'
      ? String(one) === String(value)
      : isNumber(one) && isNumber(value)
        ? Number(one) === Number(value)
        : foldLabel(String(one)) === foldLabel(String(value)),
  );

const isNumber = (figure: unknown): boolean =>
  typeof figure === 'number' || (typeof figure === 'string' && /^\d+(\.\d+)?$/.test(figure));

/** What is wrong with conditions: a field nobody has, a comparison that does not go with it, a number that is none. */
export function conditionProblem({ of }: Conditions, registry: Registry): Unreadable | null {
  const all = of.flatMap((part) => ('of' in part ? part.of : [part]));
  for (const { key, is, value } of all) {
    const field = registry.field(key);
    if (!field) return unreadable('field.unknown', { key });
    if (Array.isArray(value) !== (is === 'oneOf')) return unreadable('condition.list', { field: field.label });
    if (is !== 'above' && is !== 'below') continue;
    if (!isNumeric(field)) return unreadable('condition.no-number', { field: field.label });
    if (!isNumber(value)) return unreadable('figure.no-number', { field: field.label, text: String(value) });
  }
  return null;
}
