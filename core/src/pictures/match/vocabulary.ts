/** What the words of a file name can mean within one family: its codes, its name, its values in every spelling. */
import { ownOf } from '../../text/own';
import { identifierOwners } from '../../identifiers/sameness';
import type { Axis, Child, Family, Value } from '../../family/shape';
import type { Registry } from '../../registry/openRegistry';
import { angleOfWord, type Angle } from '../angles';
import { compact, foldLetters } from '../../text/letters';
import { isSlip } from './isSlip';
import { nameWords, stemOf } from './catalogue';
import { saysNothing } from './noise';
import { skuStems } from './skuStems';

export type Meaning =
  | { is: 'gtin'; childId: string }
  | { is: 'sku'; childId: string; written: string }
  | { is: 'style' | 'name' | 'brand' }
  | { is: 'nameWord'; word: string; isSlip?: true }
  | { is: 'value'; axisId: string; valueId: string; by: 'label' | 'spelling' | 'code' }
  | { is: 'stem'; at: Child['at']; written: string }
  | { is: 'angle'; angle: Angle }
  | { is: 'nothing' };

export interface Vocabulary {
  family: Family;
  /** What letters and digits, written together, mean. */
  meanings(text: string): readonly Meaning[];
  /** The words of the family's name, without its brand. */
  nameWords: ReadonlySet<string>;
}

/** Sizes in letters, written out. */
const WRITTEN_OUT: Record<string, string[]> = {
  XXS: ['2xs', 'xxsmall', 'extraextrasmall'],
  XS: ['xsmall', 'extrasmall'],
  S: ['small'],
  M: ['medium', 'med'],
  L: ['large'],
  XL: ['xlarge', 'extralarge'],
  XXL: ['2xl', 'xxlarge', 'extraextralarge'],
  XXXL: ['3xl', 'xxxlarge'],
};

/** Words that people cut short in file names. */
const CUT_SHORT: Record<string, readonly string[]> = {
  light: ['lt'],
  dark: ['dk', 'drk'],
  heather: ['htr', 'hthr', 'melange'],
  medium: ['med', 'mid'],
};
const TWO_LETTERS: Record<string, string> = { ä: 'ae', ö: 'oe', ü: 'ue', å: 'aa', '&': ' and ', '+': ' and ' };

/** How a label is written besides: marks as two letters, signs as words, usual words cut short. */
function otherSpellings(label: string): string[] {
  const low = label.normalize('NFC').toLowerCase();
  const written = low.replace(/[äöüå&+]/g, (sign) => ownOf(TWO_LETTERS, sign)!);
  const short = Object.entries(CUT_SHORT).flatMap(([word, ways]) =>
    new RegExp(`\\b${word}\\b`).test(low) ? ways.map((way) => low.replace(new RegExp(`\\b${word}\\b`), way)) : [],
  );
  return [...(written === low ? [] : [written]), ...short];
}

export function vocabularyOf(registry: Registry, family: Family): Vocabulary {
  const known = new Map<string, Meaning[]>();
  const add = (text: string, meaning: Meaning) => {
    const key = compact(text);
    if (key === '') return;
    const list = known.get(key) ?? [];
    list.push(meaning);
    known.set(key, list);
  };
  const text = (key: string) => (typeof family.fields[key] === 'string' ? (family.fields[key] as string) : '');
  for (const [key, child] of identifierOwners(family)) {
    const [kind, number] = [key.slice(0, key.indexOf('|')), key.slice(key.indexOf('|') + 1)];
    if (kind === 'sku') add(number, { is: 'sku', childId: child.id, written: number });
    else
      for (const digits of [number, number.replace(/^0/, ''), number.replace(/^00/, '')])
        add(digits, { is: 'gtin', childId: child.id });
  }
  for (const { written, at } of skuStems(family)) add(written, { is: 'stem', at, written });
  add(text('styleCode'), { is: 'style' });
  add(text('modelNumber'), { is: 'style' });
  add(text('name'), { is: 'name' });
  add(text('brand'), { is: 'brand' });
  for (const axis of family.axes) for (const value of axis.values) addValue(registry, axis, value, add);
  const brand = new Set(nameWords(text('brand')));
  const words = new Set(nameWords(text('name')).filter((word) => !brand.has(word)));
  const nameMeaning = (word: string): Meaning[] => {
    if (words.has(word)) return [{ is: 'nameWord', word }];
    if (brand.has(word)) return [{ is: 'brand' }];
    const meant = word.length >= 4 ? [...words].filter((one) => one.length >= 5 && isSlip(word, one)) : [];
    return meant.length === 1 ? [{ is: 'nameWord', word: meant[0]!, isSlip: true }] : [];
  };
  const meanings = (wanted: string): readonly Meaning[] => {
    const own = known.get(wanted) ?? [];
    const word = stemOf(wanted);
    const angle = angleOfWord(wanted);
    return [
      ...own,
      ...nameMeaning(word),
      ...(angle ? [{ is: 'angle' as const, angle }] : []),
      ...(own.length === 0 && !angle && saysNothing(wanted) ? [{ is: 'nothing' as const }] : []),
    ];
  };
  return { family, meanings, nameWords: words };
}

function addValue(registry: Registry, axis: Axis, value: Value, add: (text: string, meaning: Meaning) => void): void {
  const means = (by: 'label' | 'spelling' | 'code'): Meaning => ({
    is: 'value',
    axisId: axis.id,
    valueId: value.id,
    by,
  });
  const seen = new Set<string>();
  const once = (text: string, by: 'label' | 'spelling' | 'code') => {
    const key = compact(text);
    if (seen.has(key)) return;
    seen.add(key);
    add(text, means(by));
  };
  once(value.label, 'label');
  for (const spelling of otherSpellings(value.label)) once(spelling, 'spelling');
  for (const figures of Object.values(value.scoped ?? {}))
    if (typeof figures.label === 'string') once(figures.label, 'label');
  for (const figures of [value.fields, ...Object.values(value.scoped ?? {})])
    if (typeof figures.shortLabel === 'string') once(figures.shortLabel, 'spelling');
  const word = registry.word(axis.role, value.label);
  for (const spelling of word ? [word.label, ...word.synonyms] : []) once(spelling, 'spelling');
  for (const spelling of ownOf(WRITTEN_OUT, value.label.trim().toUpperCase()) ?? []) once(spelling, 'spelling');
  // "Deep Spruce" is written "Deep-spruce (lined)" as well: what stands in brackets is no part of the name.
  const bare = foldLetters(value.label)
    .replace(/\(.*?\)/g, '')
    .trim();
  if (bare !== '') once(bare, 'spelling');
  if (value.code.length >= 2 || (axis.role === 'size' && value.code !== '')) once(value.code, 'code');
}
