/** Texts with tags, as the own shop takes them: a few tags without attributes, and the words between. */
import { ownOf } from './own';

const TAG = /<[^<>]*>/g;
const TAKEN = /^<\/?(?:p|h3|h4|ul|ol|li|br|strong|em)>$/;
const ENTITIES: Record<string, string> = { '&lt;': '<', '&gt;': '>', '&amp;': '&' };

export const isMarkup = (text: string): boolean => /^<(?:p|h3|h4|ul|ol)>/.test(text);

/** The first tag that is not taken; null where all are. */
export function strangeTag(text: string): string | null {
  return text.match(TAG)?.find((tag) => !TAKEN.test(tag)) ?? null;
}

/** What a reader reads: without tags. */
export function lettersOf(text: string): string {
  return text.replace(TAG, '').replace(/&(?:lt|gt|amp);/g, (entity) => ownOf(ENTITIES, entity)!);
}

/** The same in lines, for where no tags are shown. */
export function linesOf(text: string): string {
  return lettersOf(text.replace(/<(?:\/p|\/h3|\/h4|\/li|br)>/g, '\n')).trim();
}
