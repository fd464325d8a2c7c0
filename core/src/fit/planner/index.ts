export * from './task';
export * from './plan';
export { fewestCuts, groupOf } from './cut';
export { optionLabels } from './labels';
