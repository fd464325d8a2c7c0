/** Where the pictures of a family stand, in their order. */
import { familyIndex } from '../family/weave';
import type { Combination, Family } from '../family/shape';

export interface PicturePlace {
  picture: string;
  /** "Colour: Rust" where it stands on a value, "Colour: Navy + Design: Stars" on a combination; empty elsewhere. */
  value: string;
  /** The child it stands on; empty elsewhere. */
  child: string;
  /** From 1. */
  place: number;
}

export function placesOfPictures(family: Family): PicturePlace[] {
  const numbered = (pictures: readonly string[], value: string, child: string): PicturePlace[] =>
    pictures.map((picture, at) => ({ picture, value, child, place: at + 1 }));
  return [
    ...numbered(family.pictures, '', ''),
    ...family.axes.flatMap((axis) =>
      axis.values.flatMap((value) => numbered(value.pictures, `${axis.label}: ${value.label}`, '')),
    ),
    ...familyIndex(family).combinations.flatMap(({ at, pictures }) => numbered(pictures, nameOf(family, at), '')),
    ...familyIndex(family).woven.flatMap((child) => numbered(child.pictures, '', child.id)),
  ];
}

const nameOf = (family: Family, at: Combination['at']): string =>
  family.axes
    .flatMap(({ id, label }) => (at[id] ? [`${label}: ${familyIndex(family).valueById.get(at[id])!.label}`] : []))
    .join(' + ');
