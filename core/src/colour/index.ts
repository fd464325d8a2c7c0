/** Colours: names, swatches, and how alike they look. */
export { colourDifference, guessSwatch } from './name';
