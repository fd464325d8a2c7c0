/** Setting figures and pictures at a place, in a scope, on a family draft. */
import { dequal } from 'dequal';
import { carrierAt, changeCarrier, withFigure } from '../family/draft';
import { EVERYWHERE, figureIn, scopeName, type Scope } from '../family/scope';
import type { Carrier, Family, Figure } from '../family/shape';
import type { Place } from '../place/place';
import { Refusal } from '../refusal/refusal';
import { checkFigure } from '../registry/figures';
import type { Field } from '../registry/field';
import type { Registry } from '../registry/openRegistry';

/** One figure to set; null takes it away, so that the next level or scope holds again. */
export interface FigureChange {
  place: Place;
  key: string;
  figure: Figure | null;
  scope?: Scope | undefined;
}

/** Whether a field may stand at a place. */
export function mayStand(registry: Registry, place: Place, key: string): boolean {
  return registry.field(key)?.levels.includes(place.level) ?? false;
}

/** Sets one figure. The same figure again is no change. */
export function setFigure(registry: Registry, family: Family, change: FigureChange): void {
  const { place, key, scope = EVERYWHERE } = change;
  const carrier = carrierAt(family, place);
  const figure = change.figure === null ? null : checkedFigure(registry, place, key, change.figure, scope);
  if (figure === null) {
    if (key === 'name' && scope === EVERYWHERE) throw new Refusal('family.no-name', {}, { place: { ...place, key } });
    if (figureIn(carrier, scope, key) === undefined) return;
  } else if (dequal(figureIn(carrier, scope, key), figure)) return;
  changeCarrier(family, place, withFigure(carrier, scope, key, figure));
}

/**
 * The figure in the form it is stored in, or a Refusal: an unknown field, a wrong level or scope, a figure that is
 * none.
 */
export function checkedFigure(
  registry: Registry,
  place: Place,
  key: string,
  figure: Figure,
  scope: Scope,
): Figure | null {
  const about = { place: { ...place, key } };
  const field = registry.field(key);
  if (!field || field.type === 'stock') throw new Refusal('field.unknown', { key }, about);
  if (!mayStand(registry, place, key))
    throw new Refusal('field.level', { field: field.label, level: place.level }, about);
  checkScope(field, scope, about);
  const read = checkFigure(registry, field, figure);
  if (!read.ok) throw new Refusal(read.code, read.params, about);
  return read.figure;
}

function checkScope(field: Field, scope: Scope, about: { place: Place & { key: string } }): void {
  const { kind, name } = scopeName(scope);
  const allowed =
    kind === 'everywhere'
      ? !field.onlyScoped && field.type !== 'pictures'
      : kind === 'language'
        ? field.translatable
        : field.perAccount;
  if (!allowed) throw new Refusal('field.scope', { field: field.label, scope: name || 'everywhere' }, about);
}

/** Puts pictures at a place in order; for one account where a scope is named, and given back there by an empty list. */
export function setPictures(family: Family, place: Place, wanted: readonly string[], scope: Scope = EVERYWHERE): void {
  const carrier = carrierAt(family, place);
  const pictures = [...new Set(wanted)];
  if (scope === EVERYWHERE) {
    if (!dequal(carrier.pictures, pictures)) changeCarrier(family, place, { pictures });
    return;
  }
  const held = figureIn(carrier, scope, 'pictures');
  if (dequal(held ?? [], pictures)) return;
  changeCarrier(
    family,
    place,
    withFigure(carrier as Carrier, scope, 'pictures', pictures.length > 0 ? pictures : null),
  );
}
