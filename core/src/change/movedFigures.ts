/** What stood for several children at once and is single children's own after a change of the structure: nobody has it otherwise than before. */
import { EVERYWHERE, figureIn, type Scope } from '../family/scope';
import type { Carrier, Child, Family } from '../family/shape';
import type { Place } from '../place/place';
import { hasCombination } from '../family/combination';
import { familyIndex } from '../family/weave';
import { hasPlace } from '../family/hasPlace';
import { carrierAt } from '../family/draft';
import { surchargedKey } from '../money/surcharge';
import { carriersOf } from '../pictures/notes';

export interface MovedFigure {
  /** Where it stood, in the family as it was. */
  place: Place;
  scope: Scope;
  /** Field key, or `pictures`. */
  key: string;
  /** How many children have it as their own from now on. */
  children: number;
}

/**
 * Figures and pictures of the family, its values and their combinations that their children keep as their own, on the shelf as well, each
 * with how many do. Children that were not woven are not counted: nobody sees them.
 */
export function movedFigures(before: Family, after: Family): MovedFigure[] {
  const both = familyIndex(before).woven.flatMap((was): [Child, Child][] => {
    const now = after.children[was.id] ?? after.shelf[was.id]?.child;
    return now && was !== now ? [[was, now]] : [];
  });
  if (both.length === 0) return [];
  return [...carriersOf(before)].flatMap(({ place, carrier }) => {
    if (place.level === 'child') return [];
    const now = hasPlace(after, place) ? carrierAt(after, place) : undefined;
    return [...held(carrier)].flatMap(([scope, key]): MovedFigure[] => {
      if (now && has(now, scope, key)) return [];
      const own = surchargedKey(key) ?? key;
      const children = both.filter(
        ([was, is]) => isOf(was, place) && has(is, scope, own) && !has(was, scope, own),
      ).length;
      return children > 0 ? [{ place, scope, key, children }] : [];
    });
  });
}

/** Whether what stands at a place is for a child. */
const isOf = (child: Child, place: Exclude<Place, { level: 'child' }>): boolean =>
  place.level === 'family' ||
  (place.level === 'value' ? child.at[place.axisId] === place.valueId : hasCombination(child, place));

function* held({ fields, pictures, scoped = {} }: Carrier): Iterable<[Scope, string]> {
  for (const key of Object.keys(fields)) yield [EVERYWHERE, key];
  if (pictures.length > 0) yield [EVERYWHERE, 'pictures'];
  for (const [scope, figures] of Object.entries(scoped))
    for (const key of Object.keys(figures)) yield [scope as Scope, key];
}

const has = (carrier: Carrier, scope: Scope, key: string): boolean =>
  scope === EVERYWHERE && key === 'pictures'
    ? carrier.pictures.length > 0
    : figureIn(carrier, scope, key) !== undefined;
