/** Which families a picture's file name may mean: by GTIN, SKU, style code or the words of the name. */
import { basicColourOfName } from '../../colour/terms';
import { angleOfWord } from '../angles';
import { gtin14, isGtin } from '../../identifiers/gtin';
import { isSlip } from './isSlip';
import { isWrittenAs, type Atom, type FileWords } from './fileWords';
import { compact } from '../../text/letters';
import { saysNothing } from './noise';
import { commonStem } from './skuStems';

export interface CatalogueEntry {
  id: string;
  name: string;
  brand: string;
  styleCode: string;
}

export interface CatalogueNumber {
  kind: 'sku' | 'gtin';
  /** As it is kept for comparing: SKU in capitals, GTIN of 14 digits. */
  value: string;
  familyId: string;
  childId: string;
}

/** A family that a name may mean, and the child where a number says it. */
export interface Candidate {
  familyId: string;
  by: 'gtin' | 'sku' | 'style' | 'name';
  childId?: string;
  /** The number or code that was found. */
  found: string;
}

export interface PictureCatalogue {
  /** The likeliest families, each once, numbers before codes before names. */
  candidates(words: FileWords): Candidate[];
}

/** A phrase is at most so many atoms long. */
const LONGEST = 10;
/** Shorter codes are found by themselves alone, never inside of other letters. */
const SHORTEST_INSIDE = 4;
const SHORTEST_SKU = 4;
/** So many families are looked at by their names. */
const MOST_NAMED = 6;
/** So much of a name has to be there, weighed by how rare its words are. */
const LEAST_OF_NAME = 0.45;

/** A word without the ending of the plural. */
export const stemOf = (word: string): string =>
  word.length > 3 && word.endsWith('s') && word.at(-2) !== 's' ? word.slice(0, -1) : word;
export const nameWords = (name: string): string[] =>
  name
    .split(/[^\p{L}\p{N}\p{M}]+/u)
    .map((word) => stemOf(compact(word)))
    .filter(Boolean);

export function openPictureCatalogue(
  entries: readonly CatalogueEntry[],
  numbers: Iterable<CatalogueNumber>,
): PictureCatalogue {
  const gtins = new Map<string, CatalogueNumber>();
  const skus = new Map<string, CatalogueNumber[]>();
  const withoutStyle = new Map(entries.flatMap(({ id, styleCode }) => (styleCode ? [] : [[id, [] as string[]]])));
  for (const number of numbers) {
    if (number.kind === 'gtin') gtins.set(number.value, number);
    else {
      push(skus, compact(number.value), number);
      withoutStyle.get(number.familyId)?.push(number.value);
    }
  }
  const styles = new Map<string, string[]>();
  // Where a family has no style code, what all its SKUs begin with is as good as one.
  for (const [id, own] of withoutStyle) {
    const stem = compact(commonStem(own));
    if (stem !== '' && !isWord(stem)) push(styles, stem, id);
  }
  const names = new Map<string, string[]>();
  const byWord = new Map<string, string[]>();
  const wordsOf = new Map<string, string[]>();
  for (const { id, name, styleCode } of entries) {
    if (styleCode) push(styles, compact(styleCode), id);
    push(names, compact(name), id);
    const words = [...new Set(nameWords(name))];
    wordsOf.set(id, words);
    for (const word of words) push(byWord, word, id);
  }
  const slips = slipsOf(byWord.keys());
  const rarity = (word: string) => Math.log(1 + entries.length / (byWord.get(word)?.length ?? 1));

  /** Families whose names share words with the file's, the most of them first. */
  function named(words: ReadonlySet<string>): string[] {
    const scores = new Map<string, number>();
    for (const written of words) {
      const word = byWord.has(written) ? written : (slips(written) ?? written);
      for (const id of byWord.get(word) ?? []) scores.set(id, (scores.get(id) ?? 0) + rarity(word));
    }
    return [...scores]
      .map(([id, score]) => ({
        id,
        share: score / wordsOf.get(id)!.reduce((sum, word) => sum + rarity(word), 0),
        score,
      }))
      .filter(({ share }) => share >= LEAST_OF_NAME)
      .sort((a, b) => b.score - a.score || b.share - a.share)
      .slice(0, MOST_NAMED)
      .map(({ id }) => id);
  }

  return {
    candidates(words) {
      const found = new Map<string, Candidate>();
      const add = (one: Candidate) => {
        const before = found.get(one.familyId);
        if (
          !before ||
          ORDER[one.by] < ORDER[before.by] ||
          (one.by === before.by && one.found.length > before.found.length)
        )
          found.set(one.familyId, one);
      };
      for (const { text, atoms } of phrasesOf(words)) {
        const gtin = isGtin(text) ? gtins.get(gtin14(text)) : undefined;
        if (gtin) add({ familyId: gtin.familyId, by: 'gtin', childId: gtin.childId, found: text });
        for (const { familyId, childId, value } of text.length >= SHORTEST_SKU ? (skus.get(text) ?? []) : [])
          if (isWrittenAs(atoms(), value)) add({ familyId, by: 'sku', childId, found: text });
        for (const familyId of styles.get(text) ?? []) add({ familyId, by: 'style', found: text });
        for (const familyId of names.get(text) ?? []) add({ familyId, by: 'name', found: text });
      }
      for (const inside of insidesOf(words)) {
        for (const familyId of styles.get(inside) ?? []) add({ familyId, by: 'style', found: inside });
        for (const familyId of names.get(inside) ?? []) add({ familyId, by: 'name', found: inside });
      }
      const single = new Set(words.atoms.map((atom) => stemOf(atom.text)));
      for (const familyId of named(single)) add({ familyId, by: 'name', found: '' });
      return [...found.values()].sort((a, b) => ORDER[a.by] - ORDER[b.by] || b.found.length - a.found.length);
    },
  };
}

/** Whether SKUs that begin so begin with a word that stands in other files' names as well. */
const isWord = (stem: string): boolean =>
  saysNothing(stem) || angleOfWord(stem) !== undefined || basicColourOfName(stem) !== null;

/** Shorter words with a slip in them could be anything. */
const SHORTEST_WITH_SLIP = 5;

/** Finds the one word that differs by a slip of the pen: words are filed under what is left of them without one letter. */
function slipsOf(words: Iterable<string>): (written: string) => string | undefined {
  const without = new Map<string, string[]>();
  for (const word of words)
    if (word.length >= SHORTEST_WITH_SLIP) for (const key of lettersLess(word)) push(without, key, word);
  return (written) => {
    if (written.length < SHORTEST_WITH_SLIP - 1) return undefined;
    const near = new Set(
      [...lettersLess(written)].flatMap((key) => without.get(key) ?? []).filter((word) => isSlip(written, word)),
    );
    return near.size === 1 ? [...near][0] : undefined;
  };
}

/** The word, and the word without each of its letters. */
function lettersLess(word: string): Set<string> {
  return new Set([word, ...Array.from(word, (_, at) => word.slice(0, at) + word.slice(at + 1))]);
}

const ORDER = { gtin: 0, sku: 1, style: 2, name: 3 };

function push<T>(map: Map<string, T[]>, key: string, one: T): void {
  const list = map.get(key);
  if (list) list.push(one);
  else map.set(key, [one]);
}

/** Every run of atoms within a part, written together. */
function* phrasesOf({ atoms }: FileWords): Iterable<{ text: string; atoms: () => Atom[] }> {
  for (let from = 0; from < atoms.length; from++) {
    let text = '';
    for (let to = from; to < atoms.length && to - from < LONGEST && atoms[to]!.part === atoms[from]!.part; to++) {
      text += atoms[to]!.text;
      yield { text, atoms: () => atoms.slice(from, to + 1) };
    }
  }
}

/** Everything inside of long atoms: names that are written without any separator. */
function* insidesOf({ atoms }: FileWords): Iterable<string> {
  for (const { text } of atoms) {
    if (text.length <= SHORTEST_INSIDE) continue;
    for (let from = 0; from + 3 <= text.length; from++)
      for (let to = from + (from === 0 ? 2 : SHORTEST_INSIDE); to <= text.length; to++) yield text.slice(from, to);
  }
}
