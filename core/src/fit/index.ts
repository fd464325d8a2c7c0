/** How a family goes onto an account: plans, findings, remedies, listings. */
export { type AccountPrices, accountPrices } from './accountPrices';
export { completeness } from './completeness';
export { type Fit, type FitInput, type FitState, type LiveListing, STATES } from './context';
export { type EarningGroup, type Proposal, earningGroups, priceChanges, proposePrices, sellersPrice } from './earnings';
export { type Finding, SEVERITIES, findingId } from './finding';
export { isAnswered } from './findings/settings';
export { brokenFit, computeFit, computeWithContext, leaveOutsFor } from './fit';
export { fitDifference } from './fitDifference';
export { alike, mendAll, readyRemedy } from './mend';
export type { LeaveOutOffer } from './planner/leaveOut';
export { createPlannerMemory } from './planner/memory';
export { bestPlans } from './planner/plan';
export type { Plan, PlanTask, TargetAxis } from './planner/shape';
export { planTask } from './planner/task';
export { familyOfListing } from './project/listingKey';
export { combinedPictures, projectListings } from './project/projectListings';
export { type Mend, type Remedy, addRemedy, emptyMend, isReady } from './remedy';
