/** Pieces and part numbers that came along with a copy. */
import { group } from 'd3-array';
import { columnOf } from '../family/column';
import { familyIndex } from '../family/weave';
import type { Axis, Child, Family, Value } from '../family/shape';
import { labelsOf } from './sameLooks';
import { same, type StillSame } from './shape';

/** So many counted children have to have the same pieces before it is told. */
const ALL_LEAST = 4;
/** So many children of a value have to have the pieces of another, one by one, of three numbers at least: fewer are alike by chance. */
const ALIKE_LEAST = 4;

/** The pieces of a value that are those of another, or one number on every child. */
export function sameStock(family: Family, pieces: Readonly<Record<string, number>>): StillSame[] {
  const counting = columnOf(family, 'counting');
  const counted = familyIndex(family).woven.filter(
    ({ id }, position) => pieces[id] !== undefined && (counting.at(position) ?? 'counted') === 'counted',
  );
  const numbers = new Set(counted.map(({ id }) => pieces[id]));
  const [only] = numbers;
  if (numbers.size === 1 && only! > 0 && counted.length >= ALL_LEAST)
    return [
      same({
        code: 'stock-all',
        key: 'stock',
        places: [],
        childIds: counted.map(({ id }) => id),
        params: { pieces: String(only), children: String(counted.length) },
      }),
    ];
  return family.axes.flatMap((axis) => alikeOn(family, axis, counted, pieces));
}

function alikeOn(
  family: Family,
  axis: Axis,
  counted: readonly Child[],
  pieces: Readonly<Record<string, number>>,
): StillSame[] {
  const others = family.axes.filter(({ id }) => id !== axis.id);
  const byValue = group(counted, ({ at }) => at[axis.id]!);
  const lineOf = (children: readonly Child[]) =>
    children
      .map((child) => `${others.map(({ id }) => child.at[id]).join()}=${pieces[child.id]}`)
      .toSorted()
      .join(';');
  const alike = group(
    axis.values.flatMap((value) => {
      const children = byValue.get(value.id) ?? [];
      const isTelling = new Set(children.map(({ id }) => pieces[id])).size > 2;
      return children.length >= ALIKE_LEAST && isTelling ? [{ value, children }] : [];
    }),
    ({ children }) => lineOf(children),
  );
  return [...alike.values()].flatMap((twins) =>
    twins.length < 2
      ? []
      : same({
          code: 'stock-alike',
          key: 'stock',
          places: [],
          childIds: twins.flatMap(({ children }) => children.map(({ id }) => id)),
          params: { values: labelsOf(twins.map(({ value }): Value => value)) },
        }),
  );
}

/** Maker's part numbers that several children have. */
export function samePartNumbers(family: Family): StillSame[] {
  const numbered = familyIndex(family).woven.filter(({ fields }) => typeof fields.mpn === 'string');
  const byNumber = group(numbered, ({ fields }) => String(fields.mpn).trim().toLowerCase());
  return [...byNumber.values()].flatMap((children) =>
    children.length < 2
      ? []
      : same({
          code: 'part-number',
          key: 'mpn',
          childIds: children.map(({ id }) => id),
          places: children.map(({ id }) => ({ level: 'child' as const, childId: id })),
          params: { number: String(children[0]!.fields.mpn), children: String(children.length) },
        }),
  );
}
