/** Copies of families, and what is still the same. */
export { copyFamily } from './copyFamily';
export type { StillSame } from './shape';
export { stillSame } from './stillSame';
