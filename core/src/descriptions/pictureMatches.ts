/** Why a picture goes where it does, and what is asked about it. */
import { ANGLE_LABELS } from '../pictures/angles';
import type { MatchReason, PictureMatch } from '../pictures/match/match';
import { byKind, type ByKind } from '../text/byKind';
import { listed } from '../text/counts';

const RESEMBLES = {
  slip: 'is spelled like',
  short: 'is short for',
  language: 'is another language’s word for',
} as const;

const REASONS: ByKind<MatchReason, 'code', string> = {
  gtin: (reason) => `GTIN ${reason.text}`,
  sku: (reason) => `SKU "${reason.text}"`,
  style: (reason) => `style code "${reason.text}"`,
  name: () => `the family's name`,
  'part-of-name': (reason) =>
    reason.text === '' ? 'hardly a word of the name' : `"${reason.text}" of the family's name`,
  label: (reason) => `"${reason.text}" is ${reason.value}`,
  spelling: (reason) => `"${reason.text}" is another spelling of ${reason.value}`,
  code: (reason) => `the code "${reason.text}" is ${reason.value}`,
  stem: (reason) => `SKUs of ${reason.value} begin with "${reason.text}"`,
  resembles: (reason) => `"${reason.text}" ${RESEMBLES[reason.why]} ${reason.value}`,
  colour: (reason) => `the goods have the colour of ${reason.value}`,
  angle: (reason) => `"${reason.text}": ${ANGLE_LABELS[reason.angle].toLowerCase()}`,
  here: () => 'brought to this family',
  'no-option': () => 'no option named: for all children',
  'same-for-all': (reason) => `the same picture for several children of ${reason.value}`,
  'unknown-words': (reason) => `nothing here is called "${reason.text}"`,
  'two-values': (reason) => `${listed(reason.values)} are named together`,
  'two-families': (reason) => `${listed(reason.names)} fit alike`,
  'no-such-child': (reason) => `no child is ${listed(reason.values)}`,
  shade: (reason) => `"${reason.text}" makes another colour of it`,
  'number-or-value': (reason) => `"${reason.text}" could count pictures as well`,
  nothing: () => 'its name says nothing of your goods',
};

/** One reason in words. */
export const matchReasonText = (reason: MatchReason): string => byKind(REASONS, 'code', reason);

/** What is asked about a doubtful picture; null where nothing is. @param place what the place is called, null without one */
export function matchQuestion(
  match: Pick<PictureMatch, 'confidence' | 'reasons'>,
  family: string,
  place: string | null,
): string | null {
  if (match.confidence !== 'doubtful') return null;
  const [first, last] = [match.reasons[0]!, match.reasons.at(-1)!];
  switch (last.code) {
    case 'resembles':
      return `Does "${last.text}" mean ${last.value}?`;
    case 'colour':
      return `Their names tell no option. Do they belong to ${place}, as their colour says?`;
    case 'unknown-words':
      return `Which option is "${last.text}"?`;
    case 'two-values':
      return `They name ${listed(last.values)}. Which is it?`;
    case 'two-families':
      return `They fit ${listed(last.names)} alike. Is it ${family}?`;
    case 'no-such-child':
      return `No child is ${listed(last.values)}. Are they for all of ${place}?`;
    case 'shade':
      return `Is "${last.text} …" ${place}?`;
    case 'number-or-value':
      return `Is ${last.text} the option, or the number of the picture?`;
    default:
      return first.code === 'style'
        ? `Is this ${family}? A number follows its style code.`
        : `Is this ${family}? Only some words of its name are there.`;
  }
}
