/** Addresses of pictures in a list: which place of its family each belongs to. */
import { childAt, familyIndex } from '../../family/weave';
import type { Family } from '../../family/shape';
import type { Place } from '../../place/place';
import type { ListChild, ListFamily } from '../families/shape';
import { looksLikeAddress } from '../table/cells';
import type { ListColumn, Table } from '../table/shape';

export interface AddressedPicture {
  address: string;
  familyId: string;
  place: Place;
}

/** Columns that hold addresses of pictures. */
export const pictureColumns = (columns: readonly ListColumn[]): number[] =>
  columns.filter(({ meaning }) => meaning.is === 'picture').map(({ at }) => at);

/**
 * The pictures that the rows of a family name, in the order of the list. One that all its rows name is the family's, one of all rows
 * of a value is that value's, any other is that of each child.
 * @param family the family as it stands afterwards
 * @param labelsOf which values a child of the list has on the axes of the family
 */
export function addressedPictures(
  table: Table,
  columns: readonly number[],
  found: ListFamily,
  family: Family,
  labelsOf: (child: ListChild) => readonly string[],
): AddressedPicture[] {
  if (columns.length === 0) return [];
  const named = new Map<string, Set<string>>();
  const illustrated = new Set<string>();
  for (const child of found.children) {
    const id = childAt(family, labelsOf(child))?.id;
    if (id === undefined) continue;
    for (const address of child.rows.flatMap((row) => addressesIn(table[row - 1]!, columns))) {
      illustrated.add(id);
      named.set(address, (named.get(address) ?? new Set<string>()).add(id));
    }
  }
  const ofFamily = found.parentRows.flatMap((row) => addressesIn(table[row - 1]!, columns));
  const placesOf = placeFinder(family, illustrated);
  return [
    ...[...new Set(ofFamily)].map((address) => ({ address, place: { level: 'family' } as const })),
    ...[...named].flatMap(([address, ids]) => placesOf(ids).map((place) => ({ address, place }))),
  ].map((one) => ({ ...one, familyId: family.id }));
}

const addressesIn = (cells: readonly string[], columns: readonly number[]): string[] =>
  columns.flatMap((at) => (cells[at] ?? '').split(/[\s;|]+|,(?=\s*https?:)/i).filter(looksLikeAddress));

/** The widest place whose children, of those that have pictures at all, are just these. */
function placeFinder(family: Family, illustrated: ReadonlySet<string>): (ids: ReadonlySet<string>) => Place[] {
  const byValue = family.axes.flatMap((axis) =>
    axis.values.map((value) => ({
      place: { level: 'value', axisId: axis.id, valueId: value.id } as const,
      ids: [...illustrated].filter((id) => family.children[id]!.at[axis.id] === value.id),
    })),
  );
  const isOneOf = familyIndex(family).woven.length <= 1;
  return (ids) => {
    if (isOneOf || (ids.size > 1 && ids.size === illustrated.size)) return [{ level: 'family' }];
    const whole = byValue.find((value) => value.ids.length === ids.size && value.ids.every((id) => ids.has(id)));
    return whole ? [whole.place] : [...ids].map((childId) => ({ level: 'child', childId }));
  };
}
