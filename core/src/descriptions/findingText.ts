/** The sentence of a finding, whom it concerns, and what its remedies say. */
import type { PairingReason } from '../pairing/proposal';
import type { Family } from '../family/shape';
import { childLabels, placeLabel } from '../family/weave';
import type { Finding } from '../fit/finding';
import type { Remedy, RemedyLabel } from '../fit/remedy';
import { byKind, type ByKind } from '../text/byKind';
import { capital, children } from '../text/counts';
import { FINDINGS, WHOLE, type Subject } from '../words/findings';

/** Whom a finding is about. */
export function subjectOf(finding: Finding, family: Family): Subject {
  const { childIds, place } = finding;
  if (childIds.length > 1) {
    if (place.level === 'value') return { text: capital(placeLabel(family, place)), many: false };
    return { text: children(childIds.length), many: true };
  }
  const child = family.children[childIds[0] ?? ''];
  if (!child) return { text: place.level === 'family' ? WHOLE : capital(placeLabel(family, place)), many: false };
  const labels = childLabels(family, child).join(' · ');
  return labels ? { text: labels, many: false, isLabel: true } : { text: 'The only child', many: false };
}

/** The sentence of a finding. */
export function findingText(finding: Finding, family: Family): string {
  const sentence = FINDINGS[finding.code] as (params: unknown, who: Subject) => string;
  return sentence(finding.params, subjectOf(finding, family));
}

/** The labels of the first few children a finding concerns, and how many more there are. */
export function concerned(
  finding: Pick<Finding, 'childIds'>,
  family: Family,
  most = 3,
): { names: string[]; more: number } {
  const standing = finding.childIds.flatMap((id) => family.children[id] ?? []);
  const names = standing.slice(0, most).map((child) => childLabels(family, child).join(' · ') || 'the only child');
  return { names, more: standing.length - names.length };
}

/** What the button of a remedy says. */
export const remedyText = (remedy: Remedy): string => byKind(REMEDY_TEXTS, 'kind', remedy);

const CHANGE_TEXTS: ByKind<RemedyLabel, 'do', string> = {
  cutText: (label) => `Cut to ${label.most} characters`,
  takeFrom: (label) =>
    `As the ${label.field.toLowerCase()}: “${label.text.length > 40 ? `${label.text.slice(0, 39)}…` : label.text}”`,
  keepFirst: (label) => `Keep the first ${label.most}`,
  rename: (label) => `Rename to "${label.name}"`,
  giveBack: (label) => `Give the ${label.field.toLowerCase()} back`,
  markExempt: () => 'Mark as exempt',
  liftWish: (label) => `Let ${label.axis} be ${label.wish === 'apart' ? 'joined' : 'split'}`,
  liftWishes: () => 'Lift the wishes',
  sharePictures: (label) =>
    label.labels === 'names' ? 'Several options on one picture, by name' : 'Several options on one picture, by letter',
  keepBestPlan: () => 'Keep the best plan',
  leaveOut: (label) => `Leave ${label.children === 1 ? 'it' : 'them'} out on ${label.account}`,
  offerUnder: (label) =>
    label.children === 1 ? 'Offer it under the entry' : `Offer the ${label.children} under the entries`,
  keepApart: (label) => (label.children === 1 ? 'It is other goods' : 'They are other goods'),
  leaveEntry: (label) => (label.children === 1 ? 'List it by itself' : 'List them by themselves'),
  offerAgain: (label) => `Offer ${children(label.children)} again`,
  offer: (label) => `Offer it on ${label.account}`,
};

const REMEDY_TEXTS: ByKind<Remedy, 'kind', string> = {
  change: (remedy) => byKind(CHANGE_TEXTS, 'do', remedy.label),
  pairing: (remedy) =>
    remedy.confidence === 'doubtful'
      ? `Pair with ${remedy.pairing.to}? (${pairingReasonText(remedy.reason)}; far off)`
      : `Pair with ${remedy.pairing.to} (${pairingReasonText(remedy.reason)})`,
  categoryMap: (remedy) => `Such goods go to ${remedy.label}`,
  fact: (remedy) => `Add ${remedy.fact.label} to your facts`,
  numbers: (remedy) =>
    remedy.childIds.length === 1 ? 'Take the next free number' : `Take the next ${remedy.childIds.length} free numbers`,
  skus: (remedy) =>
    remedy.childIds.length === 1 ? 'Make its SKU by the pattern' : `Make ${remedy.childIds.length} SKUs by the pattern`,
  figure: () => 'Type it here',
  pair: () => 'Choose what it is there',
  choosePlace: () => 'Choose where such goods go',
  askEntries: () => 'Ask now',
  approval: () => 'Ask to be let in',
};

/** Why a value of the channel is proposed. */
export function pairingReasonText(reason: PairingReason): string {
  switch (reason.why) {
    case 'colour':
      return reason.difference === null
        ? 'a colour of that kind'
        : `the nearest colour, ${reason.difference} away by CIEDE2000`;
    case 'label':
      return 'the same label';
    case 'spelling':
      return 'another spelling of it';
    case 'word':
      return 'the same word';
    case 'size':
      return 'the same size';
    case 'system':
      return 'the same size in another system (ISO/TS 19407 for shoes)';
    case 'garment':
      return 'the same size of clothes in another country, as commonly compared (letters: EN 13402-3)';
    case 'earlier':
      return `as you chose for ${reason.of}`;
    case 'range':
      return 'it lies within';
  }
}
