/** What is read of a size, and what decides between several readings. */
import type { Unit } from './sizeWords';

/** Groups in the order they stand in a list that mixes them. */
export const GROUPS = ['one', 'age', 'number', 'letter', 'plus', 'measure'] as const;
export type SizeGroup = (typeof GROUPS)[number];

export interface SizeReading {
  group: SizeGroup;
  /** Compared one after the other; a missing one counts as zero. */
  order: number[];
}

/** What a list of sizes says of its labels. */
export interface SizeHabits {
  /** A lone m is metres, not months. */
  metres: boolean;
  /** A lone m is months. */
  months: boolean;
  /** 2L is two sizes over large, not two litres. */
  letters: boolean;
  /** Ounces are of volume. */
  fluid: boolean;
  /** 1/2 is a half, not 1 to 2. */
  fractions: boolean;
  /** 1X is the first of sizes of their own, not XL. */
  plus: boolean;
  /** Bare numbers are years. */
  years: boolean;
  /** Numbers are sizes: 6X stands between 6 and 7. */
  numbers: boolean;
  /** GB are gigabytes, not the sizes of Great Britain. */
  data: boolean;
  /** The unit of numbers without one. */
  unit: Unit | null;
}

export const NO_HABITS: SizeHabits = {
  metres: false,
  months: false,
  letters: false,
  fluid: false,
  fractions: false,
  plus: false,
  years: false,
  numbers: false,
  data: false,
  unit: null,
};

/** Numbers without a unit: sizes, or years where the list is of ages. The narrower range stands first. */
export function bareNumbers(low: number, high: number, { years }: SizeHabits, cut = 0, zeros = 0): SizeReading {
  if (years && low <= OLDEST_CHILD) return { group: 'age', order: [low * 12, high * 12, PLAIN, cut] };
  return { group: 'number', order: [low, high - low, cut, zeros] };
}
const OLDEST_CHILD = 20;
/** Of one age months stand before toddlers' sizes, and those before plain numbers. */
export const TODDLER = 1;
const PLAIN = 2;
