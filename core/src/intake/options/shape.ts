/** An option that was read in a name or a cell. */
import type { Role } from '../../family/shape';

/** Kinds of options that are measured; goods come in packs of several, too. */
export const MEASURES: ReadonlySet<Role> = new Set(['size', 'volume', 'length']);
export const MEASURES_AND_PACKS: ReadonlySet<Role> = new Set([...MEASURES, 'pack']);

export interface OptionRead {
  /** The first token, and the one after the last. */
  from: number;
  to: number;
  /** What it may be, the likeliest first. */
  roles: readonly Role[];
  /** Two spellings of one value have the same. */
  key: string;
  /** How it is written where there are several ways. */
  label?: string | undefined;
  /** Each choice of a trade that it may be a value of, with the key it has there. */
  choices?: ReadonlyMap<string, string>;
  /** The axis it is on, where that is not the one of its role: "Firmness", "Measure". */
  axis?: string;
  /** A number beside a colour that is no size: it may be the number of that colour. */
  isOfColour?: true;
  /** Bare numbers, and colours that name a thing besides: options only beside others like them. */
  isWeak: boolean;
}
