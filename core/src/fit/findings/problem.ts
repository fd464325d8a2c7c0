/** What is wrong with one figure, before it is known whom it concerns. */
import type { FindingCode, FindingParams } from '../../words/findings';
import type { Remedy } from '../remedy';

export type Problem = { [C in FindingCode]: { code: C; params: FindingParams<C>; remedies?: Remedy[] } }[FindingCode];
