/** Which value a word that nobody knows is most likely: cut short, spelled amiss, or the colour in another language. */
import { basicColourOfName, basicColourOfSwatch, type BasicColour } from '../../colour/terms';
import type { Axis, Value } from '../../family/shape';
import { compact } from '../../text/letters';
import { isSlip } from './isSlip';

export interface Resemblance {
  value: Value;
  why: 'slip' | 'short' | 'language';
  /** Hardly anything else can be meant. */
  isSure: boolean;
}

/** Basic colours in other languages (common practice): German, French, Spanish, Italian, Dutch. */
const COLOUR_WORDS: Partial<Record<BasicColour, string>> = {
  black: 'schwarz noir noire negro negra nero zwart',
  white: 'weiss blanc blanche blanco blanca bianco wit',
  grey: 'grau gris grigio grijs',
  red: 'rot rouge rojo roja rosso rood',
  orange: 'naranja arancione oranje',
  yellow: 'gelb jaune amarillo amarilla giallo geel',
  green: 'gruen grun vert verte verde groen',
  turquoise: 'tuerkis turkis turquesa turchese',
  blue: 'blau bleu bleue azul blu blauw',
  purple: 'lila violett violet morado viola paars',
  pink: 'rosa rose pink roze',
  brown: 'braun brun marron marrone bruin',
  beige: 'sand beige sable arena sabbia zand',
};
const COLOUR_OF = new Map(
  (Object.entries(COLOUR_WORDS) as [BasicColour, string][]).flatMap(([colour, words]) =>
    words.split(' ').map((word) => [word, colour] as const),
  ),
);

/** The one value of the axis that a word resembles; null where none or several do. @param word small letters */
export function resembling(axis: Axis, word: string): Resemblance | null {
  const written = axis.values.map((value) => ({ value, label: compact(value.label) }));
  const begins = word.length >= 3 ? written.filter(({ label }) => label.startsWith(word)) : [];
  if (begins.length === 1) return { value: begins[0]!.value, why: 'short', isSure: true };
  const slips = written.filter(({ label }) => label.length >= 4 && word[0] === label[0] && isSlip(word, label));
  if (slips.length === 1) return { value: slips[0]!.value, why: 'slip', isSure: word.length >= 5 };
  if (word.length >= 2 && /^\p{L}+$/u.test(word)) {
    const shortened = written.filter(({ label }) => word.length < label.length && isCutShort(word, label));
    if (shortened.length === 1 && begins.length === 0)
      return { value: shortened[0]!.value, why: 'short', isSure: /^[^aeiouy]{3,}$/.test(word) };
  }
  const colour = COLOUR_OF.get(word);
  const same = colour && axis.role === 'colour' ? axis.values.filter((value) => colourOf(value) === colour) : [];
  return same.length === 1 ? { value: same[0]!, why: 'language', isSure: false } : null;
}

const colourOf = (value: Value): BasicColour | null =>
  basicColourOfName(value.label) ?? (value.swatch ? basicColourOfSwatch(value.swatch).colour : null);

/** The first letter and others of the label in their order: `brn` for brown. */
function isCutShort(word: string, label: string): boolean {
  if (word[0] !== label[0]) return false;
  let at = 0;
  for (const letter of label) if (letter === word[at]) at += 1;
  return at === word.length;
}
