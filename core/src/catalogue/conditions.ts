/** Conditions over families: what routes and collections are made of. */
import { z } from 'zod';
import type { Family, Figure } from '../family/shape';
import { foldLabel } from '../family/foldLabel';
import { fromPrice } from '../family/level';
import { familyIndex } from '../family/weave';
import { isNumeric } from '../registry/field';
import { unreadable, type Unreadable } from '../refusal/refusal';
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

/** Tells of families, one after the other, whether conditions hold for them. */
export type ConditionsTest = (family: Sorted) => boolean;

/** Makes conditions ready for many families: what is compared with is folded once. */
export function conditionsTest({ match, of }: Conditions, registry: Registry): ConditionsTest {
  if (of.length === 0) return () => true;
  const tests = of.map((part) =>
    'of' in part
      ? quantified(
          part.match,
          part.of.map((one) => conditionTest(one, registry)),
        )
      : conditionTest(part, registry),
  );
  return quantified(match, tests);
}

/** Whether conditions hold for a family. */
export const holds = (conditions: Conditions, family: Sorted, registry: Registry): boolean =>
  conditionsTest(conditions, registry)(family);

const quantified = (match: 'all' | 'any', tests: readonly ConditionsTest[]): ConditionsTest =>
  match === 'all' ? (family) => tests.every((test) => test(family)) : (family) => tests.some((test) => test(family));

function conditionTest({ key, is, value }: Condition, registry: Registry): ConditionsTest {
  const said = saidOf(key, registry);
  if (is === 'above' || is === 'below') {
    const bound = Number(value);
    return (family) => {
      const [first] = said(family);
      return first !== undefined && (is === 'above' ? Number(first) > bound : Number(first) < bound);
    };
  }
  if (is === 'contains') {
    const part = foldLabel(String(value));
    return (family) => said(family).some((one) => foldLabel(String(one)).includes(part));
  }
  if (is === 'oneOf') {
    const any = [value].flat().map((one) => equals(one as Figure));
    return (family) => said(family).some((one) => any.some((isIt) => isIt(one)));
  }
  const isIt = equals(value);
  return is === 'isNot' ? (family) => !said(family).some(isIt) : (family) => said(family).some(isIt);
}

/** What a family says of a field: a list's entries, and a category together with those above it. */
function saidOf(key: string, registry: Registry): (family: Sorted) => readonly Figure[] {
  if (key === 'price') return ({ price }) => (price === undefined ? [] : [price]);
  if (key === 'stock') return ({ stock }) => [stock];
  if (key === 'category') return ({ fields }) => registry.path(fields.category).map((one) => one.id);
  return ({ fields }) => {
    const figure = fields[key];
    return figure === undefined || figure === '' ? [] : [figure].flat();
  };
}

function equals(value: Condition['value']): (figure: Figure) => boolean {
  const text = String(value);
  const folded = foldLabel(text);
  const isFigure = isNumber(value);
  return (figure) =>
    typeof figure === 'boolean' || typeof value === 'boolean'
      ? String(figure) === text
      : isFigure && isNumber(figure)
        ? Number(figure) === Number(value)
        : foldLabel(String(figure)) === folded;
}

/** What begins with a zero, such as 007, is a number of somebody and no amount. */
const isNumber = (figure: unknown): boolean =>
  typeof figure === 'number' || (typeof figure === 'string' && /^(?!0\d)\d+(\.\d+)?$/.test(figure));

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
