export type { Bill, Plan, PlanListing, PlanTask, TargetAxis, TaskAxis, TaskChild } from './shape';
export * from './task';
export * from './plan';
export { createPlannerMemory, type PlannerMemory } from './memory';
export { fewestCuts, groupOf } from './cut';
export { optionLabels } from './labels';
