/** Levels and inheritance: which figure holds for a child, and where it comes from. */
import { familyIndex } from './weave';
import { fieldOf } from '../registry/fields';
import type { Child, Family, Figure, Place } from './shape';

/**
 * A figure that holds for a child, with its provenance. `beaten` lists values of other axes that have a figure too
 * and lost the tie.
 */
export interface Resolved {
  figure: Figure | undefined;
  from: Place | null;
  beaten: Place[];
}

const NOTHING: Resolved = { figure: undefined, from: null, beaten: [] };
const FROM_FAMILY: Place = { level: 'family' };

/**
 * The figure of a field for one child: its own, else that of one of its values, else the family's.
 * Where values of several axes have one, the later axis in the family's order wins.
 */
export function resolve(family: Family, child: Child, key: string): Resolved {
  const own = child.fields[key];
  if (own !== undefined) return { figure: own, from: { level: 'child', childId: child.id }, beaten: [] };
  return inherited(family, child, key);
}

/** What the child would have without a figure of its own. */
export function inherited(family: Family, child: Child, key: string): Resolved {
  const { valueById, keysOnValues } = familyIndex(family);
  let found: Resolved | undefined;
  for (let i = keysOnValues.has(key) ? family.axes.length - 1 : -1; i >= 0; i--) {
    const axis = family.axes[i]!;
    const value = valueById.get(child.at[axis.id] ?? '');
    const figure = value?.fields[key];
    if (!value || figure === undefined) continue;
    const place: Place = { level: 'value', axisId: axis.id, valueId: value.id };
    if (found) found.beaten.push(place);
    else found = { figure, from: place, beaten: [] };
  }
  if (found) return found;
  const ofFamily = family.fields[key];
  return ofFamily === undefined ? NOTHING : { figure: ofFamily, from: FROM_FAMILY, beaten: [] };
}

/** The figure alone. */
export function figureOf(family: Family, child: Child, key: string): Figure | undefined {
  const own = child.fields[key];
  if (own !== undefined) return own;
  return familyIndex(family).keysOnValues.has(key) ? inherited(family, child, key).figure : family.fields[key];
}

/** The figure as text, or an empty string. Lists are joined with a comma. */
export function textOf(family: Family, child: Child | null, key: string): string {
  const figure = child ? figureOf(family, child, key) : family.fields[key];
  if (figure === undefined) return '';
  return Array.isArray(figure) ? figure.join(', ') : String(figure);
}

/** Whether a child is for sale. Children are, unless somebody said otherwise. */
export function isOnSale(family: Family, child: Child): boolean {
  return figureOf(family, child, 'onSale') !== false;
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

/** Whether a field may stand at a place. */
export function mayStand(place: Place, key: string): boolean {
  return fieldOf(key)?.levels.includes(place.level) ?? false;
}
