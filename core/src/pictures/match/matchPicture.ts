/** What one file name says within one family: the place of the picture, its angle and number, and how sure all that is. */
import { basicColourOfName } from '../../colour/terms';
import type { Axis, Family, Value } from '../../family/shape';
import type { Place } from '../../place/place';
import { familyIndex } from '../../family/weave';
import { OF_THE_WHOLE, type Angle } from '../angles';
import type { PictureLook } from '../pictureFacts';
import { valueOfColour } from './byColour';
import type { Candidate } from './catalogue';
import type { Reading, Understood } from './explain';
import type { MatchReason, PictureMatch } from './match';
import { SHADES } from './noise';
import { pictureAxisOf, placeOfChild, placeOfValues } from './placeOfValues';
import { resembling } from './resemble';
import type { Meaning, Vocabulary } from './vocabulary';

/** Whether the number that a name ends in counts pictures: other names that are the same but for it say so. */
export type Counts = 'yes' | 'no' | 'unknown';

/** What one reading makes of a picture; `cost` is what it leaves open, for comparing families. */
export interface Verdict extends Omit<PictureMatch, 'at'> {
  cost: number;
}

/** A value, and whether its name, its code or the beginning of SKUs says it. */
interface ValueMeaning {
  axisId: string;
  valueId: string;
  by: 'label' | 'spelling' | 'code' | 'stem';
}

/**
 * The verdict on a picture within the family that a candidate names. `by` says how it came to be meant: by a number, a code, its name, or
 * because the picture was brought to it.
 */
export function matchPicture(
  reading: Reading,
  vocabulary: Vocabulary,
  by: Candidate['by'] | 'here',
  look: PictureLook | undefined,
  last: number,
  counts: Counts = 'unknown',
): Verdict {
  const { family } = vocabulary;
  const isSure = familyIsSure(reading, vocabulary, by);
  const reasons: MatchReason[] = [familyReason(reading, vocabulary, by)];
  const angles = reading.understood.flatMap(({ means, text }) =>
    means.is === 'angle' ? [{ text, angle: means.angle }] : [],
  );
  const angle = angles.at(-1)?.angle ?? null;
  const base = {
    familyId: family.id,
    angle,
    number: numberIn(reading, last, counts),
    cost: costOf(reading, vocabulary, last),
  };
  if (angles.length > 0) reasons.push({ code: 'angle', ...angles.at(-1)! });
  const end = (place: Place | null, sure: boolean, question: string, ...why: MatchReason[]): Verdict => ({
    ...base,
    place,
    confidence: sure && isSure ? 'sure' : 'doubtful',
    reasons: [...reasons, ...why],
    question: sure && isSure ? null : `${family.id}|${isSure ? question : `family|${words(reading, reading.unknown)}`}`,
  });

  const child = childNamed(reading);
  if (child !== null) return end(placeOfChild(family, child), true, '');
  const said = valuesNamed(reading, last);
  const counter = numberAtTheEnd(reading, last);
  // A code of its own such as 01 is no counter for certain, whatever stands beside it.
  const isCounter = counter !== null && counts === 'yes' && !counter.text.startsWith('0');
  const named = isCounter ? without(said, counter) : said;
  const conflict = [...named.values()].find((all) => new Set(all.map((one) => one.means.valueId)).size > 1);
  if (conflict) {
    const ids = [...new Set(conflict.map((one) => one.means.valueId))];
    const labels = ids.map((id) => familyIndex(family).valueById.get(id)!.label);
    return end(null, false, `two|${labels.join('|')}`, { code: 'two-values', values: labels });
  }
  const shade = shadeBeside(reading, named, family);
  const chosen = new Map([...named].map(([axisId, all]) => [axisId, all[0]!]));
  if (chosen.size > 0) {
    const told = [...chosen.values()].map((one) => valueReason(family, one));
    const at = Object.fromEntries([...chosen].map(([axisId, one]) => [axisId, one.means.valueId]));
    const { place, children } = placeOfValues(family, at);
    if (shade !== null) return end(place, false, `shade|${shade}`, ...told, { code: 'shade', text: shade });
    const axis = pictureAxisOf(family);
    if (axis && !chosen.has(axis.id) && place.level !== 'child') {
      const guess = unnamed(reading, family, axis, angle, look, last);
      if (guess.place?.level === 'value') {
        const { place: together } = placeOfValues(family, { ...at, [axis.id]: guess.place.valueId });
        return end(together, guess.sure, guess.question, ...told, guess.reason);
      }
    }
    if (children === 0 && chosen.size > 1) {
      const values = Object.values(at).map((id) => familyIndex(family).valueById.get(id)!.label);
      return end(place, false, `no-child|${values.join('|')}`, ...told, { code: 'no-such-child', values });
    }
    if (counts !== 'no' && counter && !isCounter && [...chosen.values()].some((one) => isSameWord(one, counter)))
      return end(place, false, 'number', ...told, { code: 'number-or-value', text: counter.text });
    return end(place, true, '', ...told);
  }
  const axis = pictureAxisOf(family);
  if (!axis || axis.values.length === 0) return end({ level: 'family' }, true, '');
  const { place, sure, question, reason } = unnamed(reading, family, axis, angle, look, last);
  return end(place, sure, question, reason);
}

/** Where no value is named: by what a word resembles, by the colour of the goods, else the whole family. */
function unnamed(
  reading: Reading,
  family: Family,
  axis: Axis,
  angle: Angle | null,
  look: PictureLook | undefined,
  last: number,
): { place: Place | null; sure: boolean; question: string; reason: MatchReason } {
  const at = (value: Value): Place => ({ level: 'value', axisId: axis.id, valueId: value.id });
  const strange = strangers(reading, last);
  for (const word of strange) {
    const near = resembling(axis, word);
    if (near) {
      const reason: MatchReason = { code: 'resembles', text: word, value: near.value.label, why: near.why };
      return { place: at(near.value), sure: near.isSure, question: `word|${word}`, reason };
    }
  }
  if (angle !== null && OF_THE_WHOLE.has(angle))
    return {
      place: { level: 'family' },
      sure: strange.length === 0,
      question: `whole|${strange.join(' ')}`,
      reason: { code: 'no-option' },
    };
  const seen = look ? valueOfColour(axis, look) : null;
  if (seen) {
    const reason: MatchReason = { code: 'colour', value: seen.value.label, difference: Math.round(seen.difference) };
    return { place: at(seen.value), sure: false, question: 'colour', reason };
  }
  if (strange.length > 0)
    return {
      place: null,
      sure: false,
      question: `word|${strange.join(' ')}`,
      reason: { code: 'unknown-words', text: strange.join(' ') },
    };
  return { place: { level: 'family' }, sure: true, question: '', reason: { code: 'no-option' } };
}

/** Words that nobody knows, those of the folder nearest by where the name itself has none. */
function strangers({ atoms, unknown }: Reading, last: number): string[] {
  const wordsIn = (part: number) =>
    unknown.filter((at) => atoms[at]!.part === part && atoms[at]!.text.length >= 2).map((at) => atoms[at]!.text);
  const own = wordsIn(last);
  return own.length > 0 || last === 0 ? own : wordsIn(last - 1);
}

const words = ({ atoms }: Reading, places: readonly number[]): string => places.map((at) => atoms[at]!.text).join(' ');

function childNamed({ understood }: Reading): string | null {
  const ids = understood.flatMap(({ means }) => (means.is === 'gtin' || means.is === 'sku' ? [means.childId] : []));
  return new Set(ids).size === 1 ? ids[0]! : null;
}

type Named = Omit<Understood, 'means'> & { means: ValueMeaning };

/** Axis → the values that are named on it. Where a label is named, a code that could be another value means nothing. */
function valuesNamed({ understood, unknown, digits, atoms }: Reading, last: number): Map<string, Named[]> {
  const found = new Map<string, Named[]>();
  for (const one of understood) {
    const meant = valuesMeant(one.means);
    if (meant.length === 0) continue;
    // The number of a folder among words that nobody knows is no size.
    const { part } = atoms[one.from]!;
    if (part !== last && /^\d+$/.test(one.text) && [...unknown, ...digits].some((at) => atoms[at]!.part === part))
      continue;
    for (const means of meant) found.set(means.axisId, [...(found.get(means.axisId) ?? []), { ...one, means }]);
  }
  for (const [axisId, all] of found) {
    const spelled = all.filter((one) => one.means.by !== 'code');
    if (spelled.length > 0) found.set(axisId, spelled);
  }
  return found;
}

/** The values that words mean: one, or those that the SKUs that begin so have in common. */
function valuesMeant(means: Meaning): ValueMeaning[] {
  if (means.is === 'value') return [means];
  if (means.is !== 'stem') return [];
  return Object.entries(means.at).map(([axisId, valueId]) => ({ axisId, valueId, by: 'stem' }));
}

const isSameWord = (one: Named, other: Named): boolean => one.from === other.from;

/** The number of one or two digits that the name ends in, where it could be a value as well. */
function numberAtTheEnd({ atoms, understood, digits }: Reading, last: number): Named | null {
  if (digits.some((at) => atoms[at]!.part === last)) return null;
  const numbers = understood.filter((one) => atoms[one.from]!.part === last && /^\d{1,2}$/.test(one.text));
  const end = numbers.at(-1);
  return end?.means.is === 'value' ? { ...end, means: end.means } : null;
}

/** The values that are named besides by one word. */
function without(named: ReadonlyMap<string, Named[]>, one: Named): Map<string, Named[]> {
  return new Map(
    [...named].flatMap(([axisId, all]) => {
      const left = all.filter((other) => other.from !== one.from);
      return left.length > 0 ? [[axisId, left]] : [];
    }),
  );
}

/** A word that makes another colour of the one beside it: "dark rust" is hardly Rust. */
function shadeBeside({ atoms, unknown }: Reading, named: ReadonlyMap<string, Named[]>, family: Family): string | null {
  for (const [axisId, all] of named) {
    if (!family.axes.some((axis) => axis.id === axisId && axis.role === 'colour')) continue;
    for (const { from, to } of all)
      for (const at of [from - 1, to]) {
        const word = atoms[at]?.text ?? '';
        const isOther = SHADES.has(word) || (basicColourOfName(word) !== null && unknown.includes(at));
        if (unknown.includes(at) && isOther) return word;
      }
  }
  return null;
}

function valueReason(family: Family, { text, means }: Named): MatchReason {
  return { code: means.by, text, value: familyIndex(family).valueById.get(means.valueId)!.label };
}

/** The name of the family is there whole, or a code or number of it with nothing that could make another of it. */
function familyIsSure(reading: Reading, { nameWords }: Vocabulary, by: Candidate['by'] | 'here'): boolean {
  if (by === 'gtin' || by === 'sku' || by === 'here') return true;
  const has = (is: Meaning['is']) => reading.understood.find((one) => one.means.is === is);
  const style = has('style') ?? has('stem');
  if (by === 'style' && style) {
    // "SKJ 12 rust" may be a style SKJ 12 that is not here; "SKJ 01" is the first picture.
    const after = reading.atoms[style.to];
    const goesOn = after && reading.digits.includes(style.to) && /^[1-9]\d*$/.test(after.text);
    return !(goesOn && (!after.apart || style.to < reading.atoms.length - 1));
  }
  if (has('name')) return true;
  const said = new Set(reading.understood.flatMap(({ means }) => (means.is === 'nameWord' ? [means.word] : [])));
  const missing = [...nameWords].filter((word) => !said.has(word));
  return missing.length === 0 && nameWords.size > 0;
}

function familyReason(reading: Reading, { nameWords }: Vocabulary, by: Candidate['by'] | 'here'): MatchReason {
  if (by === 'here') return { code: 'here' };
  const is = by === 'name' ? 'name' : by;
  const found = reading.understood.find(({ means }) => means.is === is || (is === 'style' && means.is === 'stem'));
  if (found) return { code: by, text: found.text };
  const said = reading.understood.flatMap(({ means, text }) => (means.is === 'nameWord' ? [text] : []));
  const isWhole = new Set(said).size >= nameWords.size && nameWords.size > 0;
  return { code: isWhole ? 'name' : 'part-of-name', text: said.join(' ') };
}

/** Unknown letters and words of the name that are missing: the less, the likelier is the family. */
function costOf({ atoms, unknown, understood }: Reading, { nameWords }: Vocabulary, last: number): number {
  const strange = unknown.reduce((sum, at) => sum + atoms[at]!.text.length * (atoms[at]!.part === last ? 1 : 0.4), 0);
  const isNamed = understood.some(({ means }) => ['name', 'style', 'stem', 'sku', 'gtin'].includes(means.is));
  const said = new Set(understood.flatMap(({ means }) => (means.is === 'nameWord' ? [means.word] : [])));
  const missing = isNamed
    ? 0
    : [...nameWords].filter((word) => !said.has(word)).reduce((sum, word) => sum + word.length, 0);
  return strange + missing;
}

/** The number that the name ends in, else the one it begins with; none of more than three digits. */
function numberIn(reading: Reading, last: number, counts: Counts): number | null {
  const { atoms, digits } = reading;
  const counter = counts === 'yes' ? numberAtTheEnd(reading, last) : null;
  if (counter) return Number(counter.text);
  const own = digits.filter((at) => atoms[at]!.part === last && atoms[at]!.text.length <= 3);
  const at = own.at(-1);
  return at === undefined ? null : Number(atoms[at]!.text);
}
