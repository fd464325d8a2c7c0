/**
 * A family while it is being changed. Its containers are its own; what lies in them belongs to the family it was made
 * from and is replaced, never changed in place. What was not touched stays the very same object, so that the
 * difference to before is found by looking at what was touched alone.
 */
import type { Axis, Carrier, Child, Family, Figure, Figures, Value } from './shape';
import type { Place } from '../place/place';
import { changeCombination, combinationAt } from './combination';
import { EVERYWHERE, figuresIn, type Scope } from './scope';
import { axisOf, childOf, valueOf } from './weave';

export function draftOf(family: Family): Family {
  return {
    ...family,
    axes: [...family.axes],
    ...(family.combinations ? { combinations: { ...family.combinations } } : {}),
    children: { ...family.children },
    shelf: { ...family.shelf },
    wishes: { ...family.wishes },
  };
}

/** Puts a changed axis in the place of the one with its id. */
export function replaceAxis(family: Family, axis: Axis): void {
  family.axes = family.axes.map((one) => (one.id === axis.id ? axis : one));
}

/** Puts a changed value in the place of the one with its id. */
export function replaceValue(family: Family, axisId: string, value: Value): void {
  const axis = axisOf(family, axisId);
  replaceAxis(family, { ...axis, values: axis.values.map((one) => (one.id === value.id ? value : one)) });
}

export function replaceChild(family: Family, child: Child): void {
  family.children[child.id] = child;
}

/** What holds figures and pictures at a place, or a Refusal where nothing does. */
export function carrierAt(family: Family, place: Place): Carrier {
  if (place.level === 'family') return family;
  if (place.level === 'value') return valueOf(axisOf(family, place.axisId), place.valueId);
  if (place.level === 'combination') return combinationAt(family, place.at);
  return childOf(family, place.childId);
}

/** Changes what holds figures and pictures at a place. */
export function changeCarrier(family: Family, place: Place, changed: Partial<Carrier>): void {
  if (place.level === 'family') Object.assign(family, changed);
  else if (place.level === 'value') {
    const value = valueOf(axisOf(family, place.axisId), place.valueId);
    replaceValue(family, place.axisId, { ...value, ...changed });
  } else if (place.level === 'combination') changeCombination(family, place.at, changed);
  else replaceChild(family, { ...childOf(family, place.childId), ...changed });
}

/** A carrier with one figure set in a scope, or taken away (null). An empty scope goes. */
export function withFigure(
  carrier: Carrier,
  scope: Scope,
  key: string,
  figure: Figure | null,
): Pick<Carrier, 'fields' | 'scoped'> {
  const { [key]: _before, ...others } = figuresIn(carrier, scope);
  const figures: Figures = figure === null ? others : { ...figuresIn(carrier, scope), [key]: figure };
  if (scope === EVERYWHERE) return { fields: figures, ...(carrier.scoped ? { scoped: carrier.scoped } : {}) };
  const { [scope]: _scope, ...elsewhere } = carrier.scoped ?? {};
  const scoped = Object.keys(figures).length > 0 ? { ...elsewhere, [scope]: figures } : elsewhere;
  return { fields: carrier.fields, scoped: Object.keys(scoped).length > 0 ? scoped : undefined };
}
