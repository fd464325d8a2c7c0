/**
 * Children as they were, whatever was done to the axes and to whoever came or went. Where something would hold for a child otherwise than
 * before, it becomes the child's own. Where a child would have something that it had not, what it would have it from gives that to those
 * who had it before, one by one.
 */
import { dequal } from 'dequal';
import { carrierAt, changeCarrier, draftOf, replaceChild, withFigure } from '../family/draft';
import { combinationsOf, dropLostCombinations } from '../family/combination';
import { everyChild } from '../family/everyChild';
import { EVERYWHERE, figureIn, type Scope } from '../family/scope';
import { MOST, type Carrier, type Child, type Family } from '../family/shape';
import { type Place } from '../place/place';
import { picturesAt } from '../pictures/picturesOf';
import { Refusal } from '../refusal/refusal';
import type { Registry } from '../registry/openRegistry';
import { concernsOf, heldIn, picturesIn, pictureScopes, type Concern, type Standing } from './holding';

/** As a child stood before, by the id it has in the family that is being made. */
export type Befores = ReadonlyMap<string, Standing>;

/** A figure, or the pictures, of a place in a scope that somebody would take from there and must not. */
interface Giver {
  place: Place;
  scope: Scope;
  key: string;
}

/** Every child of a family, on the shelf or not, as it stands. */
export function standingsOf(family: Family): Befores {
  return new Map(everyChild(family).map((child) => [child.id, { family, child }]));
}

/**
 * Gives the children of a draft what held for them before.
 * @param befores how they stood; children that are not named stay as they are
 * @param isAtHome all of them stood in the family that the draft was made of
 */
export function keepAsBefore(registry: Registry, draft: Family, befores: Befores, isAtHome: boolean): void {
  dropLostCombinations(draft);
  // Each round takes something from the family or a value, so that there is an end to them.
  for (let all = befores; ;) {
    const after = Object.freeze(draftOf(draft));
    const families = [...new Set([...all.values()].map((one) => one.family)), after];
    const concerns = concernsOf(registry, families, isAtHome);
    const scopes = pictureScopes(families);
    const givers = new Map<string, Giver>();
    const give = (giver: Giver) => givers.set(JSON.stringify(giver), giver);
    for (const child of everyChild(after)) {
      const before = all.get(child.id);
      if (!before) continue;
      const kept = withPictures(
        before,
        { family: after, child: withFigures(before, { family: after, child }, concerns, give) },
        scopes,
        give,
      );
      if (kept !== child) putChild(draft, kept);
    }
    if (givers.size === 0) return;
    // What is taken from there is missed by children that nobody named, too.
    const others = everyChild(after).filter(({ id }) => !all.has(id));
    if (others.length > 0)
      all = new Map([...all, ...others.map((child) => [child.id, { family: after, child }] as const)]);
    for (const giver of givers.values()) takeFrom(draft, giver);
  }
}

function withFigures(
  before: Standing,
  { family, child }: Standing,
  concerns: readonly Concern[],
  give: (giver: Giver) => void,
): Child {
  let kept = child;
  for (const concern of concerns) {
    const { scope, key } = concern;
    const was = heldIn(before, concern)?.figure;
    const now = heldIn({ family, child: kept }, concern);
    if (dequal(was, now?.figure)) continue;
    if (was !== undefined) kept = { ...kept, ...withFigure(kept, scope, key, was) };
    else if (now?.from?.level === 'child') kept = { ...kept, ...withFigure(kept, now.scope, key, null) };
    else if (now?.from) give({ place: now.from, scope: now.scope, key });
  }
  return kept;
}

function withPictures(
  before: Standing,
  { family, child }: Standing,
  scopes: readonly Scope[],
  give: (giver: Giver) => void,
): Child {
  let kept = child;
  for (const scope of scopes) {
    const was = picturesIn(before, scope);
    if (dequal(picturesIn({ family, child: kept }, scope), was)) continue;
    const places = placesOf(family, kept);
    const strange = places.filter((place) => shownAt(family, place, scope).some((id) => !was.includes(id)));
    for (const place of strange) {
      const isOfScope = figureIn(carrierAt(family, place), scope, 'pictures') !== undefined;
      give({ place, scope: isOfScope ? scope : EVERYWHERE, key: 'pictures' });
    }
    const own = ownPictures(was, [...new Set(places.flatMap((place) => shownAt(family, place, scope)))]);
    if (own.length > MOST.pictures) throw new Refusal('picture.too-many', { most: MOST.pictures });
    // For an account an empty list of its own would say that it shows none: all are its own then.
    if (scope === EVERYWHERE) kept = { ...kept, pictures: own };
    else kept = { ...kept, ...withFigure(kept, scope, 'pictures', own.length > 0 ? own : was) };
  }
  return kept;
}

/** What has to be a child's own for it to show these, where it shows others besides. */
function ownPictures(shown: readonly string[], others: readonly string[]): string[] {
  const isTail = others.every((id, at) => shown[shown.length - others.length + at] === id);
  return isTail ? shown.slice(0, shown.length - others.length) : [...shown];
}

const shownAt = (family: Family, place: Place, scope: Scope): readonly string[] =>
  picturesAt(carrierAt(family, place), scope === EVERYWHERE ? [] : [scope]);

/** The combinations and values of a child and the family, in the order their pictures are shown. */
function placesOf(family: Family, child: Child): Place[] {
  const values = family.axes.flatMap((axis): Place[] => {
    const valueId = child.at[axis.id];
    const stands = valueId !== undefined && axis.values.some((value) => value.id === valueId);
    return stands ? [{ level: 'value', axisId: axis.id, valueId }] : [];
  });
  const combined = combinationsOf(family, child).map(({ at }): Place => ({ level: 'combination', at }));
  return [...combined, ...values, { level: 'family' }];
}

function takeFrom(draft: Family, { place, scope, key }: Giver): void {
  const carrier: Carrier = carrierAt(draft, place);
  if (key === 'pictures' && scope === EVERYWHERE) changeCarrier(draft, place, { pictures: [] });
  else changeCarrier(draft, place, withFigure(carrier, scope, key, null));
}

function putChild(draft: Family, child: Child): void {
  const shelved = draft.shelf[child.id];
  if (shelved) draft.shelf[child.id] = { ...shelved, child };
  else replaceChild(draft, child);
}
