/** Measures that mostly differ from size to size and do not. */
import { group } from 'd3-array';
import { columnOf } from '../family/column';
import { familyIndex } from '../family/weave';
import { placeKey } from '../family/placeKey';
import type { Axis, Child, Family } from '../family/shape';
import type { Place } from '../place/place';
import type { Field } from '../registry/field';
import { showFigure } from '../registry/figures';
import type { Registry } from '../registry/openRegistry';
import { areSizes } from '../size/sortSizes';
import { same, type StillSame } from './shape';

const MEASURES: readonly string[] = ['length', 'weight', 'number'];
/** Of so many sizes at least something can be said. */
const SIZES_LEAST = 3;
/** So large a part of them has to differ, where two that are the same are a slip. */
const MOSTLY = 0.7;

/** A measure the same on neighbouring sizes where it grows otherwise, or the same on all, written on each. */
export function sameMeasures(registry: Registry, family: Family): StillSame[] {
  const axes = family.axes.filter(
    ({ role, values }) => (role === 'size' || role === 'length') && areSizes(values.map(({ label }) => label)),
  );
  const fields = registry.fields.filter(({ isFact, type }) => isFact && MEASURES.includes(type));
  return axes.flatMap((axis) => {
    const lines = linesAlong(family, axis);
    return fields.flatMap((field) => alongAxis(registry, family, axis, field, lines));
  });
}

/** Children in the order of the axis, a line for each combination of the others. */
function linesAlong(family: Family, axis: Axis): Child[][] {
  const others = family.axes.filter(({ id }) => id !== axis.id);
  const lines = group(familyIndex(family).woven, ({ at }) => others.map(({ id }) => at[id]).join());
  const rank = new Map(axis.values.map(({ id }, nth) => [id, nth]));
  return [...lines.values()]
    .filter((line) => line.length >= SIZES_LEAST)
    .map((line) => line.toSorted((one, other) => rank.get(one.at[axis.id]!)! - rank.get(other.at[axis.id]!)!));
}

function alongAxis(
  registry: Registry,
  family: Family,
  axis: Axis,
  field: Field,
  lines: readonly Child[][],
): StillSame[] {
  const column = columnOf(family, field.key);
  if (column.groups.length < 2) return [];
  const { position, valueById } = familyIndex(family);
  const groupOf = (child: Child) => column.groupAt(position.get(child.id)!);
  const found = new Map<string, Omit<StillSame, 'signature'>>();
  const put = (code: 'measure-tie' | 'measure-all', children: readonly Child[]): void => {
    const { figure } = groupOf(children[0]!);
    const labels = children.map(({ at }) => valueById.get(at[axis.id]!)!.label);
    // Lines may be of several lengths: what is the same on all of each is told once.
    const sizes = code === 'measure-tie' ? labels.join(' and ') : axis.label.toLowerCase();
    const params = { field: field.label, sizes, figure: withUnit(showFigure(registry, field, figure), field) };
    const known = found.get(`${code} ${sizes} ${params.figure}`);
    const next: Omit<StillSame, 'signature'> = known ?? { code, key: field.key, places: [], childIds: [], params };
    found.set(`${code} ${sizes} ${params.figure}`, next);
    next.childIds.push(...children.map(({ id }) => id));
    for (const child of children) addPlace(next.places, groupOf(child).place);
  };
  for (const line of lines) {
    const figures = line.map((child) => groupOf(child).figure);
    if (figures.some((figure) => figure === undefined)) continue;
    const distinct = new Set(figures).size;
    const stands = new Set(line.map((child) => placeKey(groupOf(child).place!)));
    if (distinct === 1 && stands.size === line.length) put('measure-all', line);
    if (distinct === line.length || distinct / line.length < MOSTLY) continue;
    for (let at = 1; at < line.length; at++)
      if (figures[at] === figures[at - 1]) put('measure-tie', [line[at - 1]!, line[at]!]);
  }
  return [...found.values()].map(same);
}

const withUnit = (text: string, { unit }: Field): string => (unit ? `${text} ${unit}` : text);

function addPlace(places: Place[], place: Place | null): void {
  if (place && !places.some((one) => placeKey(one) === placeKey(place))) places.push(place);
}
