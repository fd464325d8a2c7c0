/** Axes and values: adding, removing, joining, splitting, ordering. */
export { type AlikeGroup, alikeWithout } from './alike';
export { partLabels } from './splitAxis';
export { crossingsOf, requireSize } from './weaving';
