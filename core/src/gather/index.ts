/** Gathering families into one, and letting children leave. */
export { type Gathered, gather } from './gather';
export { leave } from './leave';
export { proposeGather } from './proposeGather';
