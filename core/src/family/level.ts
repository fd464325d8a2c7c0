/** Levels and scopes: which figure holds for a child, and where it comes from. */
import { surchargeKey, withSurcharges } from '../money/surcharge';
import { EVERYWHERE, figureIn, type Scope, type Scopes } from './scope';
import { familyIndex } from './weave';
import type { Surcharge } from './columnShape';
import type { Child, Family, Figure } from './shape';
import type { Place } from '../place/place';

/**
 * A figure that holds for a child, with its provenance. `beaten` lists values of other axes that have one too and
 * lost the tie.
 */
export interface Resolved {
  figure: Figure | undefined;
  from: Place | null;
  scope: Scope;
  beaten: Place[];
  /** What values add to the figure at `from`; it is in `figure` already. */
  surcharges?: readonly Surcharge[];
}

const NOTHING: Resolved = Object.freeze({ figure: undefined, from: null, scope: EVERYWHERE, beaten: [] });
const FROM_FAMILY: Place = Object.freeze({ level: 'family' });

/**
 * The figure of a field for one child. The narrowest scope that has one counts, whatever the level; inside a scope
 * the nearest level: the child's own, else that of one of its values, else the family's. Where values of several axes
 * have one, the later axis in the family's order wins. What is not the child's own is raised by the surcharges of its values.
 */
export function resolve(family: Family, child: Child, key: string, scopes: Scopes = []): Resolved {
  const found = inAnyScope(family, key, scopes, (scope) => ownOrInherited(family, child, key, scope));
  return surcharged(family, child, key, scopes, found);
}

/** The surcharges that a child's values add to a figure of some scope: those of that scope, or of a narrower one. */
export function surchargesOf(family: Family, child: Child, key: string, scopes: Scopes, base: Scope): Surcharge[] {
  const all = [...scopes, EVERYWHERE];
  const near = all.slice(0, all.indexOf(base) + 1);
  const { valueById } = familyIndex(family);
  return family.axes.flatMap((axis) => {
    const value = valueById.get(child.at[axis.id] ?? '');
    const scope = value && near.find((one) => figureIn(value, one, surchargeKey(key)) !== undefined);
    if (!value || scope === undefined) return [];
    const surcharge = String(figureIn(value, scope, surchargeKey(key)));
    return [{ place: { level: 'value' as const, axisId: axis.id, valueId: value.id }, surcharge }];
  });
}

/** A child's own figure is what it is; whatever it takes from elsewhere is raised by its values. */
function surcharged(family: Family, child: Child, key: string, scopes: Scopes, found: Resolved): Resolved {
  if (!familyIndex(family).surcharged.has(key) || found.from?.level === 'child' || typeof found.figure !== 'string') {
    return found;
  }
  const surcharges = surchargesOf(family, child, key, scopes, found.scope);
  if (surcharges.length === 0) return found;
  const figure = withSurcharges(
    found.figure,
    surcharges.map((one) => one.surcharge),
  );
  return { ...found, figure, surcharges };
}

/** What the child would have without a figure of its own in the narrowest scope. */
export function inherited(family: Family, child: Child, key: string, scopes: Scopes = []): Resolved {
  const [first, ...rest] = [...scopes, EVERYWHERE];
  const found = inheritedIn(family, child, key, first!);
  if (found || first === EVERYWHERE) return surcharged(family, child, key, scopes, found ?? NOTHING);
  return resolve(family, child, key, rest.slice(0, -1));
}

/** The figure that holds for the whole family, where no value or child has one of its own. */
export function familyFigure(family: Family, key: string, scopes: Scopes = []): Figure | undefined {
  for (const scope of scopes) {
    const figure = figureIn(family, scope, key);
    if (figure !== undefined) return figure;
  }
  return family.fields[key];
}

/**
 * What holds at a place that has no figure of its own in the narrowest scope: the figure of the next place or scope.
 *
 * @param scopes what the reader looks into, the narrowest first; empty for what holds everywhere
 */
export function heldBefore(family: Family, place: Place, key: string, scopes: Scopes = []): Resolved {
  if (place.level === 'child') {
    const child = family.children[place.childId];
    return child ? inherited(family, child, key, scopes) : NOTHING;
  }
  const value = place.level === 'value' ? familyIndex(family).valueById.get(place.valueId) : undefined;
  const [narrowest] = [...scopes, EVERYWHERE];
  for (const scope of [...scopes, EVERYWHERE]) {
    const ofValue = value && scope !== narrowest ? figureIn(value, scope, key) : undefined;
    if (ofValue !== undefined) return { figure: ofValue, from: place, scope, beaten: [] };
    const ofFamily = value || scope !== narrowest ? figureIn(family, scope, key) : undefined;
    if (ofFamily !== undefined) return { figure: ofFamily, from: FROM_FAMILY, scope, beaten: [] };
  }
  return NOTHING;
}

/** The figure that a child has in one scope, its own or that of a value or the family there; other scopes and surcharges are not looked at. */
export function ownOrInherited(family: Family, child: Child, key: string, scope: Scope): Resolved | undefined {
  const own = figureIn(child, scope, key);
  if (own === undefined) return inheritedIn(family, child, key, scope);
  return { figure: own, from: { level: 'child', childId: child.id }, scope, beaten: [] };
}

function inAnyScope(
  family: Family,
  key: string,
  scopes: Scopes,
  look: (scope: Scope) => Resolved | undefined,
): Resolved {
  const { keysInScope } = familyIndex(family);
  for (const scope of scopes) {
    const found = keysInScope.get(scope)?.has(key) ? look(scope) : undefined;
    if (found) return found;
  }
  return look(EVERYWHERE) ?? NOTHING;
}

function inheritedIn(family: Family, child: Child, key: string, scope: Scope): Resolved | undefined {
  const { valueById, keysOnValues } = familyIndex(family);
  let found: Resolved | undefined;
  const some = scope !== EVERYWHERE || keysOnValues.has(key);
  for (let i = some ? family.axes.length - 1 : -1; i >= 0; i--) {
    const axis = family.axes[i]!;
    const value = valueById.get(child.at[axis.id] ?? '');
    const figure = value && figureIn(value, scope, key);
    if (!value || figure === undefined) continue;
    const place: Place = { level: 'value', axisId: axis.id, valueId: value.id };
    if (found) found.beaten.push(place);
    else found = { figure, from: place, scope, beaten: [] };
  }
  if (found) return found;
  const ofFamily = figureIn(family, scope, key);
  return ofFamily === undefined ? undefined : { figure: ofFamily, from: FROM_FAMILY, scope, beaten: [] };
}

/** The figure alone. */
export function figureOf(family: Family, child: Child, key: string, scopes: Scopes = []): Figure | undefined {
  const { keysInScope, keysOnValues, surcharged } = familyIndex(family);
  if (surcharged.has(key)) return resolve(family, child, key, scopes).figure;
  if (scopes.length > 0 && scopes.some((scope) => keysInScope.get(scope)?.has(key))) {
    return resolve(family, child, key, scopes).figure;
  }
  const own = child.fields[key];
  if (own !== undefined) return own;
  return keysOnValues.has(key) ? inheritedIn(family, child, key, EVERYWHERE)?.figure : family.fields[key];
}

/** The lowest selling price among woven children, as the stored decimal string; what a list shows as "from". */
export function fromPrice(family: Family): string | undefined {
  let lowest: string | undefined;
  for (const child of familyIndex(family).woven) {
    const price = figureOf(family, child, 'price');
    if (typeof price === 'string' && (lowest === undefined || Number(price) < Number(lowest))) lowest = price;
  }
  return lowest;
}
