/** Every option that stands in a name or a cell: colours, sizes, materials, patterns, packs, each with the tokens it takes. */
import { ROLES, type Role } from '../../family/shape';
import { compact, foldLetters } from '../../text/letters';
import type { Registry } from '../../registry/openRegistry';
import { isGoods } from './goodsWords';
import { COLOUR_PHRASES, colourKey, colourWord, isBeforeColour } from './colourWords';
import { BEFORE_COLOUR_NAMES } from './links';
import { colourAt } from './readColour';
import { MATERIALS, PATTERNS } from './materialWords';
import { BED_SIZES } from './sizeWords';
import { announcesSize, mayBeginSize, readLengthWord, readSize } from './readSize';
import type { OptionRead } from './shape';
import { wholeOf } from './wholeOf';
import { phraseEnd, setsApart, tokensOf, type Token } from './tokens';

/** Finds options by the words of the trade and by the seller's own dictionary. */
export interface OptionReader {
  /** The options of a text from left to right; none overlaps another. */
  read(tokens: readonly Token[]): OptionRead[];
  /** What a whole text is, if it is one option and nothing else. */
  whole(tokens: readonly Token[]): OptionRead | null;
}

interface Phrase {
  words: readonly string[];
  roles: readonly Role[];
  key: string;
  label?: string;
  /** An option only beside others of its kind. */
  isWeak?: boolean;
}

interface Lexicon {
  phrases: Map<string, Phrase[]>;
  /** Word → whether an option can begin with it. */
  known: Map<string, boolean>;
}

/** So many words and texts are remembered. */
const LONGEST_KEPT = 50_000;

/** Names and cells are read so far: what is longer is a text. */
export const LONGEST_READ = 200;

/** Makes a reader; what it has read is remembered, since lists say the same a thousand times. */
export function openOptionReader(registry: Registry): OptionReader {
  const lexicon: Lexicon = { phrases: phrasesOf(registry), known: new Map() };
  const known = new Map<string, OptionRead | null>();
  const read = (tokens: readonly Token[]) =>
    readAll(lexicon, tokens.length > LONGEST_READ ? tokens.slice(0, LONGEST_READ) : tokens);
  return {
    read,
    whole(tokens) {
      if (tokens.length > LONGEST_READ) return null;
      const said = tokens.map((token) => token.text).join(' ');
      let found = known.get(said);
      if (found === undefined) {
        found = wholeOf(read(tokens), tokens);
        if (known.size < LONGEST_KEPT) known.set(said, found);
      }
      return found;
    },
  };
}

/** Sizes are read by what they say: "S" and "Small" are one, whichever the dictionary has. */
function isReadSize(role: Role, spelling: string): boolean {
  if (role === 'colour' || role === 'material' || role === 'pattern') return false;
  const tokens = tokensOf(spelling);
  return readSize(tokens, 0)?.to === tokens.length;
}

function phrasesOf(registry: Registry): Map<string, Phrase[]> {
  const phrases = new Map<string, Phrase[]>();
  const add = (text: string, role: Role, key = compact(text), label?: string, isWeak = false) => {
    const words = foldLetters(text)
      .split(/[^\p{L}\p{N}]+/u)
      .filter(Boolean);
    if (words.length === 0) return;
    const list = phrases.get(words[0]!) ?? [];
    const twin = list.find((one) => one.words.join(' ') === words.join(' '));
    if (twin) twin.roles = [...new Set([...twin.roles, role])];
    else list.push({ words, roles: [role], key, isWeak, ...(label === undefined ? {} : { label }) });
    phrases.set(words[0]!, list);
  };
  for (const role of ROLES) {
    for (const entry of Object.values(registry.data.dictionary[role] ?? {}))
      for (const spelling of [entry.label, ...entry.synonyms])
        if ((spelling.length > 2 || role !== 'other') && !isReadSize(role, spelling))
          add(spelling, role, compact(entry.label), entry.label);
  }
  for (const text of MATERIALS) add(text, 'material');
  for (const text of PATTERNS) add(text, 'pattern');
  for (const text of COLOUR_PHRASES) add(text, 'colour');
  for (const [size, spellings] of BED_SIZES) for (const text of spellings) add(text, 'size', size, undefined, true);
  for (const list of phrases.values()) list.sort((a, b) => b.words.length - a.words.length);
  return phrases;
}

function readAll(lexicon: Lexicon, tokens: readonly Token[]): OptionRead[] {
  const found: OptionRead[] = [];
  for (let at = 0; at < tokens.length;) {
    const option = readNumbered(lexicon, tokens, at) ?? readAt(lexicon, tokens, at);
    if (option) {
      found.push(option);
      at = option.to;
      const length = option.roles[0] === 'size' ? readLengthWord(tokens[at]) : null;
      if (length) {
        found.push({ from: at, to: at + 1, roles: ['length'], key: length.key, isWeak: false });
        at += 1;
      }
    } else at += 1;
  }
  return found;
}

/** "Yarn - 101 Ivory": a colour with its number, set apart from the name. */
function readNumbered(lexicon: Lexicon, tokens: readonly Token[], at: number): OptionRead | null {
  const { kind, text } = tokens[at]!;
  const before = tokens[at - 1];
  // Heights of children, each six more than the last, are likelier sizes.
  const isHeight = Number(text) < 189 && Number(text) % 6 === 2;
  const isNumber = kind === 'number' && /^\d{3,4}$/.test(text) && !isHeight;
  if (!isNumber || (before && (before.kind !== 'sign' || (before.glued && before.text !== '(')))) return null;
  const next = tokens[at + 1];
  if (next?.kind !== 'word' || next.glued) return null;
  const colour = readAt(lexicon, tokens, at + 1);
  return colour?.roles[0] === 'colour'
    ? { ...colour, from: at, key: text + colour.key, label: undefined, isWeak: false }
    : null;
}

/** Whether an option can begin with a word: most words of a list begin none, and stand in it a thousand times. */
function mayBegin({ phrases, known }: Lexicon, word: string): boolean {
  let may = known.get(word);
  if (may === undefined) {
    may =
      phrases.has(word) || word === 'ral' || colourWord(word) !== null || isBeforeColour(word) || mayBeginSize(word);
    if (known.size < LONGEST_KEPT) known.set(word, may);
  }
  return may;
}

function readAt(lexicon: Lexicon, tokens: readonly Token[], at: number): OptionRead | null {
  const said = BEFORE_COLOUR_NAMES.has(tokens[at]!.text) ? readSaidColour(lexicon, tokens, at) : null;
  return said ?? readKnown(lexicon, tokens, at);
}

/** An option by what it is, whatever announces it. */
function readKnown(lexicon: Lexicon, tokens: readonly Token[], at: number): OptionRead | null {
  const { kind, text } = tokens[at]!;
  if (kind === 'sign') return null;
  if (kind === 'word' && !mayBegin(lexicon, text)) return null;
  const phrase = kind === 'word' ? phraseAt(lexicon.phrases, tokens, at) : null;
  const colour = kind === 'word' ? colourAt(tokens, at) : null;
  if (phrase && colour && phrase.to <= colour.to)
    return phrase.to === colour.to
      ? {
          ...colour,
          ...('label' in phrase ? { label: phrase.label, key: phrase.key } : {}),
          roles: union(phrase, colour),
        }
      : colour;
  if (phrase && colour) {
    // "Rose gold" is a colour and a metal.
    const isColour = tokens.slice(at, phrase.to).every((token) => token.kind === 'sign' || colourWord(token.text));
    return isColour ? { ...phrase, roles: union(phrase, colour) } : phrase;
  }
  if (phrase ?? colour) return phrase ?? colour;
  const size = readSize(tokens, at);
  if (!size) return readAnnounced(lexicon, tokens, at);
  const { to, role, also, key, isWeak, label } = size;
  return { from: at, to, roles: also ? [role, also] : [role], key, isWeak, label };
}

/** "Tee, colour River Bed, M", "Colour: Old Barn": what a name says to be its colour, up to the next sign or option. */
function readSaidColour(lexicon: Lexicon, tokens: readonly Token[], at: number): OptionRead | null {
  const isSign = (place: number) => tokens[place]?.kind === 'sign' && !tokens[place]!.glued;
  const isNamed = tokens[at + 1]?.text === ':' || tokens[at + 1]?.text === '=';
  const before = tokens[at - 1];
  if (!isNamed && !(before && setsApart(before))) return null;
  const from = isNamed ? at + 2 : at + 1;
  let to = from;
  while (tokens[to]?.kind === 'word' && !announcesSize(tokens, to) && !isSign(to)) {
    const option = readKnown(lexicon, tokens, to);
    if (option && option.roles[0] !== 'colour') break;
    to = option?.to ?? to + 1;
  }
  if (to === from) return null;
  const known = readKnown(lexicon, tokens, from);
  const isWhole = known?.to === to;
  return {
    from: at,
    to,
    roles: ['colour'],
    isWeak: false,
    key: isWhole ? known.key : colourKey(tokens.slice(from, to)),
    label: isWhole ? known.label : undefined,
  };
}

/** "Size: Queen": a size that is a word, after what announces it. */
function readAnnounced({ phrases }: Lexicon, tokens: readonly Token[], at: number): OptionRead | null {
  if (!announcesSize(tokens, at)) return null;
  const next = tokens.findIndex((token, place) => place > at && token.kind !== 'sign');
  const read = next > 0 && next <= at + 2 ? phraseAt(phrases, tokens, next) : null;
  return read?.roles[0] === 'size' ? { ...read, from: at, isWeak: false } : null;
}

/** A colour that is a material too ("Denim", "Gold") is taken for a colour first. */
const union = (phrase: OptionRead, colour: OptionRead): Role[] =>
  phrase.roles.includes('colour') ? [...phrase.roles] : [...colour.roles, ...phrase.roles];

function phraseAt(phrases: Map<string, Phrase[]>, tokens: readonly Token[], at: number): OptionRead | null {
  for (const phrase of phrases.get(tokens[at]!.text) ?? []) {
    const to = phraseEnd(phrase.words, tokens, at);
    if (to !== null)
      return {
        from: at,
        to: phrase.roles[0] === 'pattern' && isPrinted(tokens, at, to) ? to + 1 : to,
        roles: phrase.roles,
        key: phrase.key,
        label: phrase.label,
        isWeak: phrase.isWeak ?? false,
      };
  }
  return null;
}

/** "Tee leopard print": goods with a pattern; prints are goods themselves where there are no others. */
const isPrinted = (tokens: readonly Token[], from: number, to: number): boolean =>
  tokens[to]?.text === 'print' && tokens.some(({ text }, at) => (at < from || at > to) && isGoods(text));
