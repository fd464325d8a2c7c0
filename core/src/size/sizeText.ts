/** A size as it is written, made ready to be read: small letters, one kind of mark, for whom it is. */
import { ownOf } from '../text/own';
import { WEARERS } from './sizeWords';

const VULGAR: Record<string, string> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅕': '1/5',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

export interface SizeText {
  text: string;
  /** What stands in brackets behind it. */
  aside: string;
}

/** The label as it is read: small letters, one kind of dash, cross and inch mark, no word that only says "size". */
export function sizeText(label: string): SizeText {
  let text = label
    .replace(/[½⅓⅔¼¾⅕⅛⅜⅝⅞]/g, (one) => ` ${ownOf(VULGAR, one)!} `)
    .toLowerCase()
    .replace(/[‐-―−]/g, '-')
    .replace(/[×✕]/g, 'x')
    .replace(/''|[”“″]/g, '"')
    .replace(/[’‘′]/g, "'")
    .replace(/(\d)er(?=[ -])/g, '$1')
    .replace(/[\s_]+/g, ' ')
    .trim();
  let aside = '';
  text = text.replace(/\s*[([]([^)\]]*)[)\]]\s*/g, (_, inside: string, at: number) => {
    if (at === 0) return `${inside} `;
    aside = `${aside} ${inside}`.trim();
    return ' ';
  });
  text = text
    .trim()
    .replace(
      /^(?:size|sizes|sz|gr(?:ö|oe)ße|groesse|gr\.|taille|talla|taglia|tg\.|maat|no\.?|nr\.?|n°|#)\s*:?\s*(?=[\p{L}\d])/u,
      '',
    )
    .replace(/^(?:t|gr)\.?\s+(?=\d)/, '')
    .replace(/^int(?:ernational)?\s+(?=[\p{L}\d])/u, '');
  return { text: text.replace(/(?<!^one|^free)[ -]size$/, '').trim(), aside };
}

/** "Youth S", "YM": for whom it is, and the size; grown-ups where nothing is said. */
export function partWearer(text: string): { rest: string; wearer: number } {
  const short = /^y(?=x*[sml]$)/.exec(text);
  if (short) return { rest: text.slice(1), wearer: YOUTH - NOBODY };
  for (const [at, pattern] of WEARERS.entries()) {
    const found = pattern.exec(text)?.[0];
    const rest = found ? text.slice(found.length).replace(/^[\s:.-]+/, '') : '';
    if (rest !== '') return { rest, wearer: at - NOBODY };
  }
  return { rest: text, wearer: 0 };
}
const YOUTH = 4;
/** Sizes for nobody in particular stand behind those of children. */
const NOBODY = 6;
