/**
 * A finding: one broken or endangered rule, told once. It has a closed code with parameters, all the children it
 * concerns, and its cause: the place where the figure at fault stands, or should. Its sentence is made in `words`.
 */
import { placeKey } from '../family/placeKey';
import type { Scope } from '../family/scope';
import type { Place } from '../place/place';
import type { FindingCode, FindingParams } from '../words/findings';
import type { Remedy } from './remedy';

/** stops: the channel would refuse it; warns: it would go on but badly; advises: good to know. */
export const SEVERITIES = ['stops', 'warns', 'advises'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Where a finding leads: a field's key, or a part of the family or account that is no field. */
export type FindingKey = string;

export interface Finding<C extends FindingCode = FindingCode> {
  code: C;
  params: FindingParams<C>;
  severity: Severity;
  /** The children it concerns; none where it is about the family or the account as a whole. */
  childIds: string[];
  /** The cause: where the figure at fault stands, or should. */
  place: Place;
  /** Field key, or one of `plan`, `pairing`, `setting`, `category`. */
  key: FindingKey;
  /** The scope of the figure at fault. */
  scope: Scope;
  /** Tells findings apart that share code and place: a picture's id, a setting's key. */
  about?: string;
  /** Where in the rulebook the rule stands. */
  rule: string;
  remedies: Remedy[];
}

/** What makes two findings one: the same rule broken for the same cause. */
export function findingId(finding: Pick<Finding, 'code' | 'place' | 'key' | 'scope' | 'about'>): string {
  const { place } = finding;
  return [finding.code, finding.key, placeKey(place), finding.scope, finding.about ?? ''].join('|');
}
