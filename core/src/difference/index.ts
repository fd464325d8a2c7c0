/** Differences between two states as patches, undone and made again. */
export { difference } from './difference';
export { type JsonPatch, applyPatch, pathOf, sharedPlace } from './patch';
