/** A text as words, numbers and signs, with where each stands. */
import { foldLetters } from '../../text/letters';

export interface Token {
  kind: 'word' | 'number' | 'sign';
  /** Folded: small letters without marks. */
  text: string;
  /** Place of its first sign in the text, and of the one after its last. */
  from: number;
  to: number;
  /** Hangs on the token before, with nothing between. */
  glued: boolean;
}

const OTHER_LETTER = /[\p{L}\p{M}]/u;
const OTHER_NUMBER = /\p{N}/u;

type SignKind = 'letter' | 'digit' | 'blank' | 'sign' | 'numeral';

/** What a sign is. Most are plain ones, which need no table of all letters there are. */
function kindOf(name: string, at: number): SignKind {
  const code = name.charCodeAt(at);
  if (code < 128) {
    if (code >= 48 && code <= 57) return 'digit';
    if ((code >= 97 && code <= 122) || (code >= 65 && code <= 90)) return 'letter';
    return code === 32 || (code >= 9 && code <= 13) ? 'blank' : 'sign';
  }
  const sign = name[at]!;
  if (OTHER_LETTER.test(sign)) return 'letter';
  if (OTHER_NUMBER.test(sign)) return 'numeral';
  return /\s/.test(sign) ? 'blank' : 'sign';
}

/** The tokens of a name or cell. `’s` is left out, so that "men's" is one word and no size. */
export function tokensOf(name: string): Token[] {
  const tokens: Token[] = [];
  let end = -1;
  for (let from = 0; from < name.length;) {
    const sign = kindOf(name, from);
    if (sign === 'blank') {
      from += 1;
      continue;
    }
    const to = endOf(name, from, sign);
    addToken(tokens, name.slice(from, to), sign, from, to, from === end);
    end = to;
    from = to;
  }
  return tokens;
}

/** Where the token ends that begins with a sign: a run of letters, digits with their decimals, or the sign alone. */
function endOf(name: string, from: number, sign: SignKind): number {
  let to = from + 1;
  if (sign === 'letter') while (to < name.length && kindOf(name, to) === 'letter') to += 1;
  if (sign !== 'digit') return to;
  while (to < name.length && kindOf(name, to) === 'digit') to += 1;
  const isMark = name[to] === '.' || name[to] === ',';
  if (!isMark || to + 1 >= name.length || kindOf(name, to + 1) !== 'digit') return to;
  to += 2;
  while (to < name.length && kindOf(name, to) === 'digit') to += 1;
  return to;
}

function addToken(tokens: Token[], written: string, sign: SignKind, from: number, to: number, glued: boolean): void {
  const before = tokens.at(-1);
  if (glued && (written === 's' || written === 'S') && before && isApostrophe(before.text) && tokens.length > 1) {
    tokens.pop();
    const owner = tokens.at(-1)!;
    owner.text += 's';
    owner.to = to;
    return;
  }
  const kind = sign === 'letter' || sign === 'numeral' ? 'word' : sign === 'digit' ? 'number' : 'sign';
  const text = kind === 'word' ? foldLetters(written) : kind === 'number' ? written.replace(',', '.') : written;
  tokens.push({ kind, text, from, to, glued });
}

/** Whether a sign parts what follows from what stands before: it stands by itself, or is a bracket, a comma and the like. */
export const setsApart = ({ kind, glued, text }: Token): boolean =>
  kind === 'sign' && (!glued || '([|,;:'.includes(text));

const isApostrophe = (sign: string) => sign === "'" || sign === '’' || sign === '`';

/** Where words end that stand at a token, hyphens between them left out; null where they do not stand there. */
export function phraseEnd(words: readonly string[], tokens: readonly Token[], at: number): number | null {
  let next = at;
  for (const [place, word] of words.entries()) {
    if (place > 0 && tokens[next]?.text === '-') next += 1;
    if (tokens[next]?.text !== word) return null;
    next += 1;
  }
  return next;
}
