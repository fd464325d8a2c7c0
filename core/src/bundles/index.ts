/** Sets of items. */
export { type BundlePart, bundlePieces, partsOf, partsText, withRenamedPart } from './parts';
