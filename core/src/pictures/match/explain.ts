/** The best reading of a file name within one family: which of its words mean what, and which nobody knows. */
import { isWrittenAs, type Atom, type FileWords } from './fileWords';
import { noiseIn } from './noise';
import type { Meaning, Vocabulary } from './vocabulary';

/** Words that were understood together. */
export interface Understood {
  from: number;
  to: number;
  text: string;
  means: Meaning;
}

export interface Reading {
  atoms: readonly Atom[];
  understood: readonly Understood[];
  /** Places of words that mean nothing here. */
  unknown: readonly number[];
  /** Digits that nothing else explains, by their place. */
  digits: readonly number[];
}

/** What a letter is worth that is understood so. Longer phrases are worth more than their pieces. */
const WORTH: Record<Meaning['is'], number> = {
  gtin: 5,
  sku: 4,
  stem: 3.6,
  style: 3,
  name: 2.6,
  value: 2.2,
  nameWord: 2,
  brand: 1.6,
  angle: 1.4,
  nothing: 0.4,
};
const BY: Record<'label' | 'spelling' | 'code', number> = { label: 0, spelling: -0.1, code: -0.3 };
/** What each phrase costs, so that one long phrase is better than two short ones. */
const A_PHRASE = 0.6;
const LONGEST = 10;

/** Reads the words so that most of them are understood. */
export function explain(words: FileWords, vocabulary: Vocabulary): Reading {
  const atoms = words.atoms.flatMap((atom) => pieces(atom, vocabulary));
  const noise = noiseIn(atoms);
  /** The best there is from each atom on. */
  const best: { worth: number; phrase: Understood | null; next: number }[] = [];
  best[atoms.length] = { worth: 0, phrase: null, next: atoms.length };
  for (let from = atoms.length - 1; from >= 0; from--) {
    best[from] = { worth: best[from + 1]!.worth, phrase: null, next: from + 1 };
    if (noise.has(from)) continue;
    for (const phrase of phrasesFrom(atoms, from, vocabulary)) {
      const worth = worthOf(phrase) + best[phrase.to]!.worth;
      if (worth > best[from]!.worth) best[from] = { worth, phrase, next: phrase.to };
    }
  }
  const understood: Understood[] = [];
  const unknown: number[] = [];
  const digits: number[] = [];
  for (let at = 0; at < atoms.length; at = best[at]!.next) {
    const { phrase } = best[at]!;
    if (phrase) understood.push(phrase);
    else if (!noise.has(at)) (/^\p{N}+$/u.test(atoms[at]!.text) ? digits : unknown).push(at);
  }
  return { atoms, understood, unknown, digits };
}

const worthOf = ({ text, means }: Understood): number =>
  text.length * (WORTH[means.is] + (means.is === 'value' ? BY[means.by] : 0)) - A_PHRASE;

function* phrasesFrom(atoms: readonly Atom[], from: number, vocabulary: Vocabulary): Iterable<Understood> {
  let text = '';
  /** Whether separators stand inside of the phrase. */
  let isApart = false;
  for (let to = from; to < atoms.length && to - from < LONGEST && atoms[to]!.part === atoms[from]!.part; to++) {
    text += atoms[to]!.text;
    isApart ||= to > from && atoms[to]!.apart;
    for (const means of vocabulary.meanings(text)) {
      // Codes of values are short: "R-2" is no R2.
      if (isApart && means.is === 'value' && means.by === 'code') continue;
      if ((means.is === 'sku' || means.is === 'stem') && !isWrittenAs(atoms.slice(from, to + 1), means.written))
        continue;
      if (isApart && ['gtin', 'angle', 'nothing', 'nameWord'].includes(means.is)) continue;
      yield { from, to: to + 1, text, means };
    }
  }
}

/** Letters that are written without separators, parted where each part means something; else as they are. */
function pieces(atom: Atom, vocabulary: Vocabulary): Atom[] {
  const { text } = atom;
  if (text.length < 5 || vocabulary.meanings(text).length > 0) return [atom];
  /** From each letter on: the fewest pieces that mean something. */
  const cut: (number | null)[] = Array.from({ length: text.length + 1 }, () => null);
  const count: number[] = Array.from({ length: text.length + 1 }, () => Infinity);
  count[text.length] = 0;
  for (let from = text.length - 1; from >= 0; from--)
    for (let to = text.length; to >= from + 2; to--) {
      if (count[to]! + 1 >= count[from]! || !isMeant(text.slice(from, to), vocabulary)) continue;
      count[from] = count[to]! + 1;
      cut[from] = to;
    }
  if (count[0] === Infinity) return [atom];
  const parts: Atom[] = [];
  for (let from = 0; from < text.length; from = cut[from]!) {
    const to = cut[from]!;
    const written = atom.written.length === text.length ? atom.written.slice(from, to) : text.slice(from, to);
    parts.push({ ...atom, text: text.slice(from, to), written, apart: from === 0 && atom.apart });
  }
  return parts;
}

/** Within other letters only what is of this family, and words of three letters or more, mean anything. */
const isMeant = (text: string, vocabulary: Vocabulary) =>
  vocabulary
    .meanings(text)
    .some((one) => (one.is === 'angle' || one.is === 'nothing' ? text.length >= 4 : text.length >= 2));
