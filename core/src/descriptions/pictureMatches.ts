/** Why a picture goes where it does, and what is asked about it. */
import { ANGLE_LABELS } from '../pictures/angles';
import type { MatchReason, PictureMatch } from '../pictures/match/match';
import { listed } from '../text/counts';

const RESEMBLES = {
  slip: 'is spelled like',
  short: 'is short for',
  language: 'is another language’s word for',
} as const;

/** One reason in words. */
export function matchReasonText(reason: MatchReason): string {
  switch (reason.code) {
    case 'gtin':
      return `GTIN ${reason.text}`;
    case 'sku':
      return `SKU "${reason.text}"`;
    case 'style':
      return `style code "${reason.text}"`;
    case 'name':
      return `the family's name`;
    case 'part-of-name':
      return reason.text === '' ? 'hardly a word of the name' : `"${reason.text}" of the family's name`;
    case 'label':
      return `"${reason.text}" is ${reason.value}`;
    case 'spelling':
      return `"${reason.text}" is another spelling of ${reason.value}`;
    case 'code':
      return `the code "${reason.text}" is ${reason.value}`;
    case 'stem':
      return `SKUs of ${reason.value} begin with "${reason.text}"`;
    case 'resembles':
      return `"${reason.text}" ${RESEMBLES[reason.why]} ${reason.value}`;
    case 'colour':
      return `the goods have the colour of ${reason.value}`;
    case 'angle':
      return `"${reason.text}": ${ANGLE_LABELS[reason.angle].toLowerCase()}`;
    case 'here':
      return 'brought to this family';
    case 'no-option':
      return 'no option named: for all children';
    case 'same-for-all':
      return `the same picture for several children of ${reason.value}`;
    case 'unknown-words':
      return `nothing here is called "${reason.text}"`;
    case 'two-values':
      return `${listed(reason.values)} are named together`;
    case 'two-families':
      return `${listed(reason.names)} fit alike`;
    case 'no-such-child':
      return `no child is ${listed(reason.values)}`;
    case 'shade':
      return `"${reason.text}" makes another colour of it`;
    case 'number-or-value':
      return `"${reason.text}" could count pictures as well`;
    case 'nothing':
      return 'its name says nothing of your goods';
  }
}

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
