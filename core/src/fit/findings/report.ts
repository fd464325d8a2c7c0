/** Making findings: from positions of children and a cause, and putting together those that are one. */
import type { ColumnGroup } from '../../family/columnShape';
import { EVERYWHERE, type Scope } from '../../family/scope';
import type { Place } from '../../place/place';
import { familyIndex } from '../../family/weave';
import type { Field } from '../../registry/field';
import type { FindingCode, FindingParams } from '../../words/findings';
import type { CheckContext } from '../context';
import { findingId, type Finding, type Severity } from '../finding';
import type { Remedy } from '../remedy';

export const FAMILY: Place = Object.freeze({ level: 'family' });

/** What a finding is made of; the rest follows. */
export interface FindingParts<C extends FindingCode> {
  code: C;
  params: FindingParams<C>;
  severity: Severity;
  key: string;
  rule: string;
  /** Positions of the children it concerns; none for the family as a whole. */
  members?: readonly number[];
  /** The cause; the family where nothing nearer is at fault. */
  place?: Place;
  scope?: Scope;
  about?: string;
  remedies?: Remedy[];
}

export function makeFinding<C extends FindingCode>(context: CheckContext, parts: FindingParts<C>): Finding {
  const { code, params, severity, key, rule, members = [], place = FAMILY, scope = EVERYWHERE, about } = parts;
  const { woven } = familyIndex(context.family);
  const childIds = members.map((position) => woven[position]!.id);
  const remedies = parts.remedies ?? [];
  const finding = { code, params, severity, key, rule, place, scope, remedies, childIds };
  return (about === undefined ? finding : { ...finding, about }) as Finding;
}

/** Findings that are one, of several listings or groups, become one that concerns all their children. */
export function mergeAlike(findings: readonly Finding[]): Finding[] {
  const byId = new Map<string, Finding>();
  for (const finding of findings) {
    const id = findingId(finding);
    const there = byId.get(id);
    byId.set(id, there ? together(there, finding) : finding);
  }
  return byId.size === findings.length ? [...findings] : [...byId.values()];
}

const together = (one: Finding, other: Finding): Finding => ({
  ...one,
  childIds: [...new Set([...one.childIds, ...other.childIds])],
});

/**
 * Where a missing figure should stand: at the family where one would serve all, else at the child, or the children
 * together.
 */
export function homeOf(context: CheckContext, field: Field | undefined, members: readonly number[]): Place {
  if (field?.levels.includes('family') !== false || members.length !== 1) return FAMILY;
  return { level: 'child', childId: familyIndex(context.family).woven[members[0]!]!.id };
}

/** The children a finding about a figure concerns: none where the field stands on the family alone. */
export function concernedBy(field: Field | undefined, group: Pick<ColumnGroup, 'members'>): readonly number[] {
  return field && field.levels.every((level) => level === 'family') ? [] : group.members;
}

/** The remedy that asks for one figure: at the cause, or where it is missing. */
export function typeHere(key: string, place: Place): Remedy {
  return { kind: 'figure', key, places: [place] };
}
