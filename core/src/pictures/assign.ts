/** Which pictures show a child. Facts about pictures only: pixels are looked at elsewhere. */
import { z } from 'zod';
import type { Child, Family } from '../family/shape';
import { familyIndex } from '../family/weave';

export const PictureFactsSchema = z.object({
  id: z.string(),
  fileName: z.string(),
  width: z.number().int(),
  height: z.number().int(),
  /** The border of the picture is white (or clear). */
  whiteBackground: z.boolean(),
});
export type PictureFacts = z.infer<typeof PictureFactsSchema>;

/** The child's pictures, main one first: its own, then its values' (first axis first), then the family's. */
export function picturesOf(family: Family, child: Child): string[] {
  const { valueById } = familyIndex(family);
  const ofValues = family.axes.flatMap((axis) => valueById.get(child.at[axis.id] ?? '')?.pictures ?? []);
  return [...new Set([...child.pictures, ...ofValues, ...family.pictures])];
}

/**
 * Pictures that show this child in particular: its own and its values'. Empty means: only the family's, which show no
 * option.
 */
export function particularPictures(family: Family, child: Child): string[] {
  const general = new Set(family.pictures);
  return picturesOf(family, child).filter((id) => !general.has(id) || child.pictures.includes(id));
}

/** Woven children without any picture. */
export function childrenWithoutPicture(family: Family): Child[] {
  return familyIndex(family).woven.filter((child) => picturesOf(family, child).length === 0);
}

/** The picture that stands for the family in a list: its own first, else the first one on any value or child. */
export function facePicture(family: Family): string | undefined {
  return (
    family.pictures[0] ??
    family.axes.flatMap((axis) => axis.values.flatMap((value) => value.pictures))[0] ??
    familyIndex(family).woven.flatMap((child) => child.pictures)[0]
  );
}
