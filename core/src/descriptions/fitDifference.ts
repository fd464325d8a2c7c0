/** What differs between two fits, in words. */
import type { Family } from '../family/shape';
import type { FitState } from '../fit/context';
import type { FitDifference } from '../fit/fitDifference';
import { capital, count, listed } from '../text/counts';
import { findingText } from './findingText';

/** How something stands, as a verb. */
export const STATE_WORDS: Record<FitState, string> = {
  fits: 'fits',
  needs: 'needs work',
  stopped: 'is stopped',
  absent: 'is not offered',
};

/** So many of the new findings are told in full. */
const TOLD = 2;

/** Sentences about a family: "fits → is stopped. 2 listings would be made anew." */
export function fitDifferenceText(difference: FitDifference, family: Family): string {
  const { state, gained, lost, listings, remade, isReshaped, relabelled } = difference;
  const news = gained.filter((finding) => finding.severity !== 'advises' || gained.length <= TOLD);
  const more = news.length - TOLD;
  const parts = [
    ...(state[0] === state[1] ? [] : [`${capital(STATE_WORDS[state[0]])} → ${STATE_WORDS[state[1]]}.`]),
    ...news.slice(0, TOLD).map((finding) => findingText(finding, family)),
    ...(more > 0 ? [`${count(more, 'more finding')}.`] : []),
    ...(gained.length === 0 && lost.length > 0 ? [`${capital(count(lost.length, 'finding'))} less.`] : []),
    ...(listings[0] === listings[1] ? [] : [`${count(listings[1], 'listing')} instead of ${listings[0]}.`]),
    ...(remade > 0 ? [`${capital(count(remade, 'listing'))} would be made anew.`] : []),
    ...(isReshaped && listings[0] > 0 && listings[1] > 0 ? ['Its options are put together otherwise.'] : []),
    ...(relabelled > 0 ? [`${capital(count(relabelled, 'option'))} would have other labels.`] : []),
  ];
  return parts.join(' ');
}

/** What rules mean for all families together: "38 children: labels shortened; 2 listings would be made anew". */
export function meaningText(totals: {
  families: number;
  findings: readonly { name: string; families: number; children: number }[];
  remade: number;
}): string {
  const { families, findings, remade } = totals;
  if (families === 0) return 'Nothing changes for your families.';
  const told = findings.slice(0, 4).map(({ name, ...of }) => `${name} (${count(of.families, 'family', 'families')})`);
  return [
    `${capital(count(families, 'family is', 'families are'))} touched`,
    ...(told.length > 0 ? [`: ${listed(told)}`] : []),
    ...(remade > 0 ? [`; ${count(remade, 'listing')} would be made anew`] : []),
    '.',
  ].join('');
}
