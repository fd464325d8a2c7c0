/** Many pictures at once: each to the likeliest family and place there, what is alike asked about once. */
import type { Family } from '../../family/shape';
import { familyIndex } from '../../family/weave';
import type { Registry } from '../../registry/openRegistry';
import { ANGLES } from '../angles';
import type { PictureLook } from '../pictureFacts';
import type { Candidate, PictureCatalogue } from './catalogue';
import { explain } from './explain';
import { fileWords } from './fileWords';
import type { PictureMatch } from './match';
import { matchPicture, type Counts, type Verdict } from './matchPicture';
import { pictureAxisOf, placeOfValues } from './placeOfValues';
import { sharedValues } from './skuStems';
import { vocabularyOf, type Vocabulary } from './vocabulary';

export interface NamedPicture {
  /** The file's name with its folders, or its address. */
  path: string;
  /** The picture's id, where it is known: the same picture may come under several names. */
  id?: string | undefined;
  look?: PictureLook | undefined;
}

export interface MatchContext {
  registry: Registry;
  catalogue: PictureCatalogue;
  /** A family by its id; undefined where it is gone. */
  familyOf(id: string): Family | undefined;
  /** The family that the pictures were brought to. */
  within?: string | undefined;
}

/** Evidence of another family is as good from here on: two families are a question. */
const AS_GOOD = 0.5;

/** A match for every picture, in their order. */
export function matchPictures(pictures: readonly NamedPicture[], ground: MatchContext): PictureMatch[] {
  const vocabularies = new Map<string, Vocabulary | null>();
  const vocabularyFor = (id: string): Vocabulary | null => {
    let known = vocabularies.get(id);
    if (known === undefined) {
      const family = ground.familyOf(id);
      vocabularies.set(id, (known = family ? vocabularyOf(ground.registry, family) : null));
    }
    return known;
  };
  const counts = countsOf(pictures.map(({ path }) => path));
  const matches = pictures.map((picture, at) => ({ at, ...bestMatch(picture, ground, vocabularyFor, counts[at]!) }));
  return sharedByChildren(pictures, matches, ground);
}

function bestMatch(
  { path, look }: NamedPicture,
  { catalogue, within }: MatchContext,
  vocabularyFor: (id: string) => Vocabulary | null,
  counts: Counts,
): Omit<PictureMatch, 'at'> {
  const words = fileWords(path);
  const found = catalogue.candidates(words);
  const named = found.some((one) => one.by !== 'name');
  const tried: (Candidate | { familyId: string; by: 'here'; found: '' })[] =
    within === undefined
      ? found
      : [{ familyId: within, by: 'here', found: '' }, ...(named ? found.filter((one) => one.by !== 'name') : [])];
  const verdicts = tried.flatMap(({ familyId, by, found: text }) => {
    const vocabulary = vocabularyFor(familyId);
    if (!vocabulary) return [];
    const verdict = matchPicture(explain(words, vocabulary), vocabulary, by, look, words.last, counts);
    return [{ by, verdict, length: text.length }];
  });
  verdicts.sort(
    (a, b) =>
      RANK[a.by] - RANK[b.by] ||
      SURE[a.verdict.confidence] - SURE[b.verdict.confidence] ||
      a.verdict.cost - b.verdict.cost ||
      b.length - a.length,
  );
  const [best, next] = verdicts;
  if (!best) return NOBODY;
  const { cost, ...match } = best.verdict;
  if (next && next.by === best.by && isAsGood(best.verdict, next.verdict) && best.length === next.length)
    return twoFamilies(match, [best.verdict, next.verdict], vocabularyFor);
  // A few words of a name among many that nobody knows mean nothing.
  if (best.by === 'name' && match.confidence !== 'sure' && cost > knownLetters(words, cost)) return NOBODY;
  return match;
}

/** For each name whether the number it ends in counts: names that are the same but for it have a 1, or none alone has a number. */
function countsOf(paths: readonly string[]): Counts[] {
  const alike = new Map<string, Set<string>>();
  const parted = paths.map((path) => {
    const match = /^(.*?)(\d{1,2})(\D*)$/s.exec(path.replace(/\.[A-Za-z0-9]{2,5}([?#].*)?$/, ''));
    if (!match) return null;
    const key = `${match[1]}#${match[3]}`;
    const numbers = alike.get(key) ?? new Set();
    alike.set(key, numbers.add(match[2]!));
    return { key, number: match[2]! };
  });
  return parted.map((one) => {
    if (!one) return 'unknown';
    if (/^0/.test(one.number)) return 'yes';
    const numbers = alike.get(one.key)!;
    if (numbers.size === 1) return 'unknown';
    return numbers.has('1') || numbers.has('01') ? 'yes' : 'no';
  });
}

const RANK: Record<Candidate['by'] | 'here', number> = { gtin: 0, sku: 1, style: 2, here: 3, name: 4 };
const SURE = { sure: 0, doubtful: 1, none: 2 };

const NOBODY: Omit<PictureMatch, 'at'> = {
  familyId: null,
  place: null,
  angle: null,
  number: null,
  confidence: 'none',
  reasons: [{ code: 'nothing' }],
  question: null,
};

const knownLetters = ({ atoms }: ReturnType<typeof fileWords>, cost: number): number =>
  atoms.reduce((sum, atom) => sum + atom.text.length, 0) - cost;

const isAsGood = (best: Verdict, next: Verdict) =>
  best.familyId !== next.familyId && best.confidence === next.confidence && next.cost - best.cost <= AS_GOOD;

function twoFamilies(
  match: Omit<PictureMatch, 'at'>,
  verdicts: readonly Verdict[],
  vocabularyFor: (id: string) => Vocabulary | null,
): Omit<PictureMatch, 'at'> {
  const names = verdicts.map(({ familyId }) => String(vocabularyFor(familyId!)!.family.fields.name));
  const question = `two-families|${verdicts.map((one) => one.familyId).join('|')}`;
  return { ...match, confidence: 'doubtful', reasons: [...match.reasons, { code: 'two-families', names }], question };
}

/** One picture that came under the names of several children that share a value that pictures differ by stands where they all see it. */
function sharedByChildren(
  pictures: readonly NamedPicture[],
  matches: readonly PictureMatch[],
  { familyOf }: MatchContext,
): PictureMatch[] {
  const ofChildren = new Map<string, PictureMatch[]>();
  for (const match of matches) {
    const { id } = pictures[match.at]!;
    if (id === undefined || match.place?.level !== 'child') continue;
    const key = `${id}|${match.familyId}`;
    ofChildren.set(key, [...(ofChildren.get(key) ?? []), match]);
  }
  const moved = new Map<number, PictureMatch>();
  for (const group of ofChildren.values()) {
    const family = familyOf(group[0]!.familyId!);
    const axis = family && pictureAxisOf(family);
    if (!axis || group.length < 2) continue;
    const at = sharedValues(
      family,
      group.flatMap(({ place }) => (place?.level === 'child' ? (family.children[place.childId] ?? []) : [])),
    );
    if (at[axis.id] === undefined) continue;
    const { place } = placeOfValues(family, at);
    const value = family.axes
      .flatMap(({ id }) => familyIndex(family).valueById.get(at[id] ?? '')?.label ?? [])
      .join(' · ');
    for (const match of group)
      moved.set(match.at, { ...match, place, reasons: [...match.reasons, { code: 'same-for-all', value }] });
  }
  return matches.map((match) => moved.get(match.at) ?? match);
}

/** The order of pictures that come to one place: by number, then by angle, then by name. */
export function inPictureOrder<T extends { angle: PictureMatch['angle']; number: number | null; path: string }>(
  pictures: readonly T[],
): T[] {
  const numbered = pictures.every((one) => one.number !== null);
  const rank = ({ angle }: T) => (angle === null ? (numbered ? 0 : ANGLES.length) : ANGLES.indexOf(angle));
  return pictures.toSorted(
    (a, b) =>
      (numbered ? a.number! - b.number! : 0) ||
      rank(a) - rank(b) ||
      (a.number ?? Infinity) - (b.number ?? Infinity) ||
      a.path.localeCompare(b.path, 'en', { numeric: true }),
  );
}
