/** What was copied, filled down or added like another and is still the same, though such things mostly differ. */
import type { Place } from '../place/place';

export type SameCode =
  /** Values of an axis that are told apart by sight have the same main picture. */
  | 'pictures'
  /** Colours with the same swatch. */
  | 'swatch'
  /** A number that no two goods share stands on several children. */
  | 'part-number'
  /** Sizes next to each other with the same measure, where the others differ. */
  | 'measure-tie'
  /** Every size has the same measure, each for itself. */
  | 'measure-all'
  /** The pieces of one value are those of another, one by one. */
  | 'stock-alike'
  /** All children have the same number of pieces. */
  | 'stock-all'
  /** A text of one value says the name of another. */
  | 'says-other'
  /** A text of a copy says the name of what it was copied from. */
  | 'says-origin'
  /** Pictures of a copy that show what it was copied from. */
  | 'origin-pictures'
  /** Figures of a copy that are those of what it was copied from. */
  | 'origin-figures';

export interface StillSame {
  code: SameCode;
  /** The field it is about; `pictures`, `stock` or `swatch` where it is none. */
  key: string;
  /** Where the figures stand. */
  places: Place[];
  /** The children it concerns. */
  childIds: string[];
  /** Labels, names and figures for its sentence. */
  params: Record<string, string>;
  /** What it is known by where the seller says that it is right. */
  signature: string;
}

/** Makes one; the signature changes with what is the same, where, and for how many. */
export function same(found: Omit<StillSame, 'signature'>): StillSame {
  const { code, key, places, childIds, params } = found;
  const said = Object.values(params).join('|');
  const [first] = places;
  const where = first ? JSON.stringify(first) : '';
  return { ...found, signature: [code, key, childIds.length, places.length, said, where].join(' ').slice(0, 200) };
}
