/**
 * Which of a channel's values a family's value is most likely: by its label, its other spellings, its size, its colour. Name and
 * swatch speak together, and what is far off says so.
 */
import { foldForPairing } from './pairings';
import { colourDifference } from '../colour/name';
import { basicColourOfName, basicColourOfSwatch, BESIDE, type BasicColour } from '../colour/terms';
import type { Role, Value } from '../family/shape';
import type { Registry } from '../registry/openRegistry';
import { garmentEntry } from './garments';
import type { PairingProposal } from './proposal';
import type { ListedValue, PairingList } from './list';
import { isSameSize, liesIn, sizeMeaning } from './sizes';
import { isConverted } from './sizeSystems';

type Wanted = Pick<Value, 'label' | 'swatch'>;

/** A colour that lies no farther than this is taken for one of the same name (CIEDE2000; common practice). */
const NEAR = 12;
/** One that lies farther is doubtful, unless name and swatch say the same. */
const FAR = 40;

/**
 * The likeliest of the channel's values; null where none is likely at all.
 * @param role the role of the axis, or the field (`pairedField`)
 * @param spellings how the seller's dictionary writes the value besides
 */
export function proposePairing(
  role: string,
  value: Wanted,
  list: PairingList,
  spellings: readonly string[] = [],
): PairingProposal | null {
  const same = list.byWord.get(foldForPairing(value.label));
  if (same !== undefined) return { to: same, why: 'label', confidence: 'sure' };
  const asked = [role, value.label, value.swatch ?? '', ...spellings].join('\n');
  let known = list.proposed.get(asked);
  if (known === undefined) {
    known = proposeOther(role, value, list, spellings);
    if (list.proposed.size < REMEMBERED) list.proposed.set(asked, known);
  }
  return known;
}

/** So many proposals are remembered of a list. */
const REMEMBERED = 5000;

function proposeOther(
  role: string,
  value: Wanted,
  list: PairingList,
  spellings: readonly string[],
): PairingProposal | null {
  const spelled = spellings.map((one) => list.byWord.get(foldForPairing(one))).find((one) => one !== undefined);
  if (spelled !== undefined) return { to: spelled, why: 'spelling', confidence: 'sure' };
  return role === 'colour' ? proposeColour(value, list) : (proposeSize(value, list) ?? proposeByWord(value, list));
}

/**
 * The likeliest of the channel's values, knowing how the seller's dictionary writes the value besides, and what was chosen for others.
 * @param chosen the seller's pairings of the role on the channel: folded label → the channel's value
 */
export function proposeFor(
  registry: Registry,
  role: string,
  value: Pick<Value, 'label'> & { swatch?: string | null | undefined },
  list: PairingList,
  chosen: Readonly<Record<string, string>> = {},
): PairingProposal | null {
  const word = registry.word(role as Role, value.label);
  const wanted = value.swatch ? { label: value.label, swatch: value.swatch } : { label: value.label };
  const usual = proposePairing(role, wanted, list, word ? [word.label, ...word.synonyms] : []);
  return usual?.confidence === 'sure' ? usual : (earlierChoice(registry, role, wanted, list, chosen) ?? usual);
}

/** Two colours that lie no farther apart are the same to a seller who has settled one of them (CIEDE2000; common practice). */
const ALIKE = 5;

/** What was chosen for a value whose words stand in this one's, or for a colour that is nearly the same. */
function earlierChoice(
  registry: Registry,
  role: string,
  value: Wanted,
  list: PairingList,
  chosen: Readonly<Record<string, string>>,
): PairingProposal | null {
  const text = ` ${foldForPairing(value.label)} `;
  const choices = Object.entries(chosen).flatMap(([of, to]) => {
    const there = list.byWord.get(foldForPairing(to));
    return there === undefined ? [] : [{ of, to: there }];
  });
  const named = choices.filter(({ of }) => of.length > 2 && text.includes(` ${of} `));
  const [longest] = named.sort((a, b) => b.of.length - a.of.length);
  if (longest) return { ...longest, why: 'earlier', confidence: 'likely' };
  if (role !== 'colour' || !value.swatch) return null;
  const seen = choices.flatMap(({ of, to }) => {
    const swatch = registry.word('colour', of)?.swatch;
    const difference = swatch ? colourDifference(value.swatch!, swatch) : Infinity;
    return difference <= ALIKE ? [{ of, to, difference }] : [];
  });
  const [nearestChoice] = seen.sort((a, b) => a.difference - b.difference);
  return nearestChoice ? { to: nearestChoice.to, of: nearestChoice.of, why: 'earlier', confidence: 'likely' } : null;
}

function proposeSize({ label }: Wanted, list: PairingList): PairingProposal | null {
  const { entries } = list;
  const size = sizeMeaning(label);
  if (!size) return null;
  const same = entries.find((entry) => entry.size && isSameSize(entry.size, size));
  if (same) return { to: same.label, why: 'size', confidence: 'sure' };
  const inCentimetres =
    size.kind === 'number' && !size.isRange && size.figures.length > 1 ? sizeMeaning(`${label} cm`) : null;
  const measured = inCentimetres && entries.find((entry) => entry.size && isSameSize(entry.size, inCentimetres));
  if (measured) return { to: measured.label, why: 'size', confidence: 'likely' };
  const garment = garmentEntry(label, list);
  if (garment) return { to: garment.label, why: 'garment', confidence: 'doubtful' };
  // A list of clothes holds no shoes.
  const converted =
    garment === null && size.kind === 'shoe'
      ? undefined
      : entries.find((entry) => entry.size && isConverted(size, entry.size));
  if (converted) return { to: converted.label, why: 'system', confidence: 'likely' };
  const around = entries.filter((entry) => entry.size && liesIn(size, entry.size));
  if (around.length !== 1) return null;
  // "86/92" names its 92; whether a 36 is a shoe or a waist the label does not say.
  const [only] = around as [ListedValue];
  const isNamed = only.label.includes('/') && only.size!.figures.includes(size.figures[0]!);
  return { to: only.label, why: 'range', confidence: isNamed ? 'likely' : 'doubtful' };
}

/** A value of the channel whose whole label stands in the family's: "Waxed cotton" holds "Cotton". */
function proposeByWord(value: Wanted, list: PairingList): PairingProposal | null {
  const held = heldIn(value.label, list.entries);
  return held && { to: held.label, why: 'word', confidence: 'likely' };
}

/** The entry whose label stands in this one; the longest, and among those the last. Single letters are no words. */
function heldIn(label: string, entries: readonly ListedValue[]): ListedValue | null {
  const text = ` ${foldForPairing(label)} `;
  const held = entries.filter(({ word }) => word.length > 2 && text.includes(` ${word} `));
  const rank = ({ word }: ListedValue) => word.length * 1000 + text.lastIndexOf(` ${word} `);
  return held.sort((a, b) => rank(b) - rank(a))[0] ?? null;
}

function proposeColour(value: Wanted, list: PairingList): PairingProposal | null {
  const held = heldIn(value.label, list.entries);
  const said = basicColourOfName(value.label);
  // "Blue grey" holds "Blue", but is a grey.
  const seen = value.swatch ? basicColourOfSwatch(value.swatch) : null;
  // A light blue may be far from the channel's blue; one whose swatch is no blue is asked about.
  const isOdd = (difference: number | null, colour: BasicColour) =>
    difference !== null && difference > FAR && (said === null || seen?.colour !== colour);
  if (held && (said === null || held.colour === said)) {
    const odd = held.colour !== null && isOdd(differenceTo(value, held), held.colour);
    return { to: held.label, why: 'word', confidence: odd ? 'doubtful' : 'likely' };
  }
  const colour = said ?? seen?.colour;
  if (!colour) return null;
  const isClear = said !== null || (seen !== null && seen.difference <= NEAR);
  const own = nearest(value, list, [colour]);
  if (own) return { ...own, confidence: isClear && !isOdd(own.difference, colour) ? 'likely' : 'doubtful' };
  for (const beside of BESIDE[colour]) {
    const other = nearest(value, list, [beside]);
    if (other) return { ...other, confidence: (other.difference ?? FAR) <= NEAR ? 'likely' : 'doubtful' };
  }
  const any = nearest(value, list, null);
  return any && { ...any, confidence: 'doubtful' };
}

interface Near {
  to: string;
  why: 'colour';
  difference: number | null;
}

/** The nearest entry of some basic colours; of all with a swatch where none are named. */
function nearest(value: Wanted, list: PairingList, colours: readonly BasicColour[] | null): Near | null {
  const among = list.entries.filter((entry) =>
    colours ? entry.colour !== null && colours.includes(entry.colour) : entry.swatch !== undefined,
  );
  const measured = among.map((entry): Near => {
    const difference = differenceTo(value, entry);
    return { to: entry.label, why: 'colour', difference: difference === null ? null : Math.round(difference) };
  });
  return measured.sort((a, b) => (a.difference ?? 1000) - (b.difference ?? 1000))[0] ?? null;
}

const differenceTo = (value: Wanted, entry: ListedValue): number | null =>
  value.swatch && entry.swatch ? colourDifference(value.swatch, entry.swatch) : null;
