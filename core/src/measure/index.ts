/** Measures and their units. */
export { readNumber } from './readNumber';
export { isSum } from './reckon';
export { volumeWeight } from './units';
