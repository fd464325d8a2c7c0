/** Values that begin as one that is there: a sibling colour with the same prices, weights and crossings, and nothing that two goods never share. */
import { replaceChild, replaceValue, withFigure } from '../family/draft';
import { EVERYWHERE, figuresIn, type Scope } from '../family/scope';
import { axisOf, valueOf } from '../family/weave';
import type { Carrier, Family } from '../family/shape';
import { NEVER_SHARED } from '../identifiers/neverShared';
import type { ValueSpec } from '../registry/dictionary';
import type { Registry } from '../registry/openRegistry';
import { addValues } from './values';
import { requireSize, weaver } from './weaving';

/**
 * Adds values to an axis, each woven where the children of `like` are, with what stands on it and on them. Pictures show other goods and
 * stay there. A child that comes back from the shelf has what it had.
 */
export function addValuesLike(
  registry: Registry,
  family: Family,
  axisId: string,
  specs: readonly ValueSpec[],
  like: string,
): void {
  const before = axisOf(family, axisId);
  const model = valueOf(before, like);
  const siblings = Object.values(family.children).filter((child) => child.woven && child.at[axisId] === like);
  requireSize(Object.keys(family.children).length + siblings.length * specs.length);
  const known = new Set([...Object.keys(family.children), ...Object.keys(family.shelf)]);
  addValues(registry, family, axisId, specs, false);
  const there = new Set(before.values.map(({ id }) => id));
  const added = axisOf(family, axisId).values.filter(({ id }) => !there.has(id));
  const weave = weaver(family);
  for (const value of added) {
    replaceValue(family, axisId, { ...value, ...copied(value, model) });
    for (const sibling of siblings) {
      const child = weave({ ...sibling.at, [axisId]: value.id });
      if (!known.has(child.id)) replaceChild(family, { ...child, ...copied(child, sibling) });
    }
  }
}

/** What a value is called, and what shows it. */
const OF_ONE_VALUE = new Set(['label', 'shortLabel', 'nameSuffix', 'pictures']);

/** Its own figures, and those of another that goods may share. */
function copied<T extends Carrier>(own: T, from: Carrier): Pick<Carrier, 'fields' | 'scoped'> {
  let now: Carrier = own;
  for (const scope of [EVERYWHERE, ...(Object.keys(from.scoped ?? {}) as Scope[])])
    for (const [key, figure] of Object.entries(figuresIn(from, scope)))
      if (!NEVER_SHARED.includes(key) && !OF_ONE_VALUE.has(key))
        now = { ...now, ...withFigure(now, scope, key, figure) };
  return { fields: now.fields, ...(now.scoped ? { scoped: now.scoped } : {}) };
}
