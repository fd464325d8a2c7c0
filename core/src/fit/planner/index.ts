export type { Bill, StandingListing, Plan, PlanListing, PlanTask, TargetAxis, TaskAxis, TaskChild } from './shape';
export * from './task';
export * from './plan';
export { billOrder, compareOrders } from './bill';
export { createKnown, createPlannerMemory, type PlannerMemory } from './memory';
export { isSameListing } from './live';
export { fewestParts, type Budget } from './cut/search';
export type { Limits, Piece } from './cut/piece';
export { optionLabels } from './labels';
