/** What is left of names when their options are taken out: rows whose stems are the same are likely one family. */
import { stemOf } from '../../pictures/match/catalogue';
import { LINKS } from '../options/links';
import type { Token } from '../options/tokens';
import type { Item, StemWord } from './shape';

type Named = Pick<Item, 'tokens' | 'spans' | 'said' | 'aside' | 'stem'>;

/** The words of the name that are no options and tell goods apart; worked out once for the options it has. */
export const stemWords = (item: Named): StemWord[] => stemOfItem(item).words;

/** The form under which stems are the same: plural and spelling together or apart do not count. */
export const stemKey = (item: Item): string => stemOfItem(item).key;

function stemOfItem(item: Named): NonNullable<Item['stem']> {
  const { spans, said, stem } = item;
  if (stem?.spans === spans && stem.said === said.length) return stem;
  const words = readStem(item);
  let key = '';
  for (const { text } of words) key += stemOf(text);
  return (item.stem = { spans, said: said.length, words, key });
}

function readStem(name: Named): StemWord[] {
  const taken = takenIn(name);
  for (const { from, to } of name.aside ?? []) taken.fill(true, from, to);
  const words: StemWord[] = [];
  for (let at = 0; at < taken.length; at++) {
    const { kind, text } = name.tokens[at]!;
    if (!taken[at] && kind !== 'sign') words.push({ text, at });
  }
  return words;
}

/** By token of a name, whether it is of an option, repeats what the row gives, or leads to such. */
function takenIn({ tokens, spans, said }: Pick<Item, 'tokens' | 'spans' | 'said'>): boolean[] {
  const taken = new Array<boolean>(tokens.length).fill(false);
  for (const { from, to } of spans) taken.fill(true, from, to);
  for (const { from, to } of said) taken.fill(true, from, to);
  // A link leads to what stands behind it, so what is marked here is not looked at again.
  for (let at = 0; at < taken.length; at++)
    if (!taken[at] && LINKS.has(tokens[at]!.text) && leadsToTaken(tokens, taken, at)) taken[at] = true;
  return taken;
}

/** Whether nothing but signs and links stand between a word and an option after it. */
function leadsToTaken(tokens: readonly Token[], taken: readonly boolean[], at: number): boolean {
  for (let next = at + 1; next < tokens.length; next++) {
    if (taken[next]) return true;
    if (tokens[next]!.kind !== 'sign' && !LINKS.has(tokens[next]!.text)) return false;
  }
  return false;
}

/** What may be left over where options were taken out. */
const SIGNS = /[()[\],/|;:·•–—"“”„«»_>.-]/;

/** The name of goods without their options, as it is written. */
export function cleanName({ name, tokens, spans, said }: Pick<Item, 'name' | 'tokens' | 'spans' | 'said'>): string {
  const taken = takenIn({ tokens, spans, said });
  let text = '';
  let end = 0;
  tokens.forEach((token, at) => {
    if (!taken[at]) text += name.slice(end, token.to);
    else if (end < token.from) text += ' ';
    end = token.to;
  });
  if (!SIGNS.test(text)) return text.replace(/\s+/g, ' ').trim();
  return text
    .replace(/\([\s,/|;:.-]*\)|\[[\s,/|;:.-]*\]|["“”„«»]\s*["“”„«»]/g, ' ')
    .replace(/\s+/g, ' ')
    .replace(/(?:\s*[,/|;:])+\s*(?=[)\]])|(?<=[([])(?:\s*[,/|;:])+\s*/g, '')
    .replace(/(?:\s*[-–—,/|;:(·•_>]\s*)+$/u, '')
    .replace(/\s+\.$|\.{2,}$/, '')
    .replace(/^(?:\s*[-–—,/|;:)·•]\s*)+/u, '')
    .replace(/\s+([,;:])/g, '$1')
    .replace(/([,;:])(?:\s*[,;:])+/g, '$1')
    .replace(/(?:\s[-–—,/|;:·•>])+\s(?=[-–—,/|;:·•>]\s)/gu, ' ')
    .replace(/([/|>-])\1+/g, '$1')
    .replace(/\s[/|](?=[\p{L}\d])/gu, ' ')
    .trim();
}
