/** Colours in names and cells, with the words that change them. */
import { colourKey, colourWord, isAfterColour, isBeforeColour, isShortened } from './colourWords';
import { MATERIALS } from './materialWords';
import type { OptionRead } from './shape';
import type { Token } from './tokens';

const MADE_OF = new Set(MATERIALS);
const BEFORE_CREAM = new Set('hand day night face facial foot eye body skin barrier shaving suncare sun'.split(' '));

/** "Navy", "Dark forest green", "bleu foncé", "Rose gold": words for colours with those that change them. */
export function colourAt(tokens: readonly Token[], at: number): OptionRead | null {
  const number = tokens[at + 1]?.text ?? '';
  // A colour by its number in the register RAL Classic.
  if (tokens[at]!.text === 'ral' && /^\d{4}$/.test(number))
    return { from: at, to: at + 2, roles: ['colour'], key: `ral${number}`, isWeak: false };
  // "Hand cream lavender" is goods, and no colour called cream.
  if (tokens[at]!.text === 'cream' && BEFORE_CREAM.has(tokens[at - 1]?.text ?? '')) return null;
  let next = at;
  let end = at;
  let isPlain = false;
  for (; next < tokens.length; next++) {
    const token = tokens[next]!;
    if (token.kind === 'sign') {
      if (next > at && token.glued && goesOn(tokens, next)) continue;
      break;
    }
    const word = token.kind === 'word' ? colourWord(token.text) : null;
    // "Mustard linen": the second word is what it is made of.
    if (word === 'thing' && end === next && end > at && MADE_OF.has(token.text)) break;
    if (word) {
      end = next + 1;
      isPlain ||= word === 'plain';
    } else if (!isBeforeColour(token.text, tokens[next + 1]?.text ?? '') && !(end > at && isAfterColour(token.text)))
      break;
    else if (end > at && isAfterColour(token.text)) end = next + 1;
  }
  if (end === at) return null;
  return { from: at, to: end, roles: ['colour'], key: colourKey(tokens.slice(at, end)), isWeak: !isPlain };
}

/** A hyphen between: "off-white"; a slash between colours makes one of two; a point behind a short form: "Lt. grey". */
function goesOn(tokens: readonly Token[], at: number): boolean {
  const { text } = tokens[at]!;
  if (text === '.') return isShortened(tokens[at - 1]!.text) && tokens[at + 1]?.kind === 'word';
  return (text === '-' || text === '/') && tokens[at + 1]?.glued === true;
}
