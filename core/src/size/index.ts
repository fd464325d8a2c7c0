/** Sizes and size charts. */
export { areSizes, sortSizes } from './sortSizes';
