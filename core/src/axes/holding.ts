/**
 * What holds for a child, compared: every figure it has in each scope, and its pictures. Scopes are looked at one by one, since whoever
 * reads looks into several in turn: what is the same in each is the same to all.
 */
import { ownOrInherited, resolve, type Resolved } from '../family/level';
import { EVERYWHERE, type Scope, type Scopes } from '../family/scope';
import { familyIndex } from '../family/weave';
import type { Child, Family } from '../family/shape';
import { surchargedKey } from '../money/surcharge';
import { picturesOf } from '../pictures/picturesOf';
import type { Registry } from '../registry/openRegistry';

/** A field in a scope, and whether values add to it there. */
export interface Concern {
  scope: Scope;
  key: string;
  isSurcharged: boolean;
}

/** A child and the family it stands in. */
export interface Standing {
  family: Family;
  child: Child;
}

/** What only the family or only a value can have: its name, a short label. Children have none of their own, and come and go without it. */
const mayBeOwn = (registry: Registry, key: string): boolean => registry.field(key)?.levels.includes('child') ?? true;

/**
 * The fields that may hold otherwise in one of these families than in another, for everywhere first.
 * @param isOnValues only what stands on values is looked at: what the family and its children have themselves is the same
 */
export function concernsOf(registry: Registry, families: readonly Family[], isOnValues: boolean): Concern[] {
  const found = new Map<string, Concern>();
  const surcharged = new Set(families.flatMap((family) => [...familyIndex(family).surcharged]));
  const scopes = new Set(families.flatMap((family) => [...familyIndex(family).keysInScope.keys()]));
  const note = (scope: Scope, key: string) => {
    if (key === 'pictures' || !mayBeOwn(registry, key)) return;
    found.set(`${scope}\n${key}`, { scope, key, isSurcharged: surcharged.has(key) });
  };
  for (const family of families) {
    const index = familyIndex(family);
    const everywhere = isOnValues
      ? index.keysOnValues
      : new Set([...Object.keys(family.fields), ...index.keysOnValues, ...keysOfChildren(family)]);
    for (const key of everywhere) note(EVERYWHERE, surchargedKey(key) ?? key);
    for (const [scope, keys] of index.keysInScope) for (const key of keys) note(scope, surchargedKey(key) ?? key);
  }
  // A surcharge of everywhere raises what an account sees as well, and one of an account what holds everywhere.
  for (const key of surcharged) for (const scope of [EVERYWHERE, ...scopes]) note(scope, key);
  return [...found.values()].sort((one, other) => rank(one.scope) - rank(other.scope));
}

const rank = (scope: Scope): number => (scope === EVERYWHERE ? 0 : 1);

function keysOfChildren({ children, shelf }: Family): Set<string> {
  const keys = new Set<string>();
  for (const id in children) for (const key in children[id]!.fields) keys.add(key);
  for (const id in shelf) for (const key in shelf[id]!.child.fields) keys.add(key);
  return keys;
}

/** What holds for a child of a field in one scope. What values add to is looked at as it is read: whatever it is added to stands where it likes. */
export function heldIn({ family, child }: Standing, { scope, key, isSurcharged }: Concern): Resolved | undefined {
  return isSurcharged ? resolve(family, child, key, readIn(scope)) : ownOrInherited(family, child, key, scope);
}

const readIn = (scope: Scope): Scopes => (scope === EVERYWHERE ? [] : [scope]);

/** Scopes that have pictures of their own in one of the families, and everywhere first. */
export function pictureScopes(families: readonly Family[]): Scope[] {
  const own = families.flatMap((family) =>
    [...familyIndex(family).keysInScope].flatMap(([scope, keys]) => (keys.has('pictures') ? [scope] : [])),
  );
  return [EVERYWHERE, ...new Set(own)];
}

export const picturesIn = ({ family, child }: Standing, scope: Scope): string[] =>
  picturesOf(family, child, readIn(scope));
