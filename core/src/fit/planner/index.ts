export type { PlanCost, Plan, PlanTask, TargetAxis } from './shape';
export * from './task';
export * from './plan';
export type { PlannerMemory } from './memory';
export { leaveOutOffers, type LeaveOutOffer } from './leaveOut';
