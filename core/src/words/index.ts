/** Sentences of findings, one for each code. */
export { findingName } from './findingNames';
export type { FindingCode } from './findings';
