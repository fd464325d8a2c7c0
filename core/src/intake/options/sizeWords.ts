/** Words that say a size, a number of pieces or an age; in the languages supplier lists come in. Common practice. */
import { foldLetters } from '../../text/letters';

const set = (text: string): Set<string> => new Set(text.trim().split(/\s+/).map(foldLetters));

/** "Size M", "Gr. 42", "taille 38": what follows is the size. */
export const BEFORE_SIZES = set(
  'size sizes sz mt gr größe grosse groesse taille talla taglia tg maat storlek rozmiar tamanho str storrelse pointure waist',
);
/** "EU 42", "UK 8": the system that the number after it is of. */
export const SIZE_SYSTEMS = set('eu eur uk us usa it fr de jp jpn br');
export const WORD_SIZES: Record<string, string> = {
  small: 'S',
  medium: 'M',
  large: 'L',
  klein: 'S',
  mittel: 'M',
  gross: 'L',
  sml: 'S',
  sm: 'S',
  med: 'M',
  lge: 'L',
  lrg: 'L',
  lg: 'L',
};
/** Words for what fits everybody; two words are written together here. */
export const ONE_SIZES = set(
  'onesize einheitsgröße einheitsgroesse onesizefitsall unisize freesize tailleunique tallaunica tagliaunica',
);

/** Unit → role of an axis of such values, and how it is written. */
export const UNITS: Record<string, readonly ['length' | 'volume' | 'size' | 'pack', string]> = {
  mm: ['length', 'mm'],
  cm: ['length', 'cm'],
  m: ['length', 'm'],
  metre: ['length', 'm'],
  metres: ['length', 'm'],
  meter: ['length', 'm'],
  in: ['length', 'in'],
  inch: ['length', 'in'],
  inches: ['length', 'in'],
  '"': ['length', 'in'],
  '”': ['length', 'in'],
  '″': ['length', 'in'],
  ft: ['length', 'ft'],
  foot: ['length', 'ft'],
  feet: ['length', 'ft'],
  ml: ['volume', 'ml'],
  cl: ['volume', 'cl'],
  dl: ['volume', 'dl'],
  l: ['volume', 'l'],
  ltr: ['volume', 'l'],
  litre: ['volume', 'l'],
  litres: ['volume', 'l'],
  liter: ['volume', 'l'],
  liters: ['volume', 'l'],
  floz: ['volume', 'fl oz'],
  g: ['size', 'g'],
  gr: ['size', 'g'],
  gram: ['size', 'g'],
  grams: ['size', 'g'],
  kg: ['size', 'kg'],
  oz: ['size', 'oz'],
  lb: ['size', 'lb'],
  lbs: ['size', 'lb'],
  ...counted('size', 'person', 'person persons people man personen personnes personas persone'),
  ...counted('size', 'P', 'p'),
  ...counted('size', 'lm', 'lm lumen lumens'),
  ...counted('size', 'W', 'w watt watts'),
  ...counted('size', 'mAh', 'mah'),
  ...counted('size', 'MB', 'mb'),
  ...counted('size', 'GB', 'gb'),
  ...counted('size', 'TB', 'tb'),
  ...counted('size', 'K', 'k kelvin'),
  ...counted('size', 'ply', 'ply'),
  ...counted('size', 'den', 'den denier'),
  ...counted('size', 'tog', 'tog'),
  ...counted('size', 'seater', 'seater seaters sitzer zits places plazas posti'),
  ...counted('size', 'step', 'step steps'),
  ...counted('size', 'piece', 'teilig tlg'),
  ...counted(
    'pack',
    'tablets',
    'tablet tablets tabletten capsule capsules kapseln bags teabags sachets pods seeds samen graines semi semillas zaden',
  ),
};

/** Words that all count the same. */
function counted(
  role: 'size' | 'pack',
  written: string,
  words: string,
): Record<string, readonly [typeof role, string]> {
  return Object.fromEntries(words.split(' ').map((word) => [word, [role, written] as const]));
}

export const MONTHS = set('months month mths mth mo mos monate monat mois meses mesi maanden');
export const YEARS = set('years year yrs yr y jahre jahr ans an años anni jaar');
/** "2–3 years": the word before. */
export const BEFORE_AGES = set('age ages aged alter');

/** "3-pack", "2 pairs", "6er set". */
export const PACKS = set(
  'pack packs pk pcs pc pieces piece pairs pair set stk stück stuck paar pack pièces piezas pezzi stuks er-pack ct count',
);
/** "Pack of 3", "set of 2", "lot de 3". */
export const BEFORE_PACKS = set('pack set box lot bundle pkg paquete confezione');
export const OF = set('of de von da a di');

/** Sizes of beds → how they are spelled; sizes only beside others, or of bed linen. */
export const BED_SIZES: ReadonlyMap<string, readonly string[]> = new Map([
  ['bedsingle', ['single', 'single size']],
  ['bedtwin', ['twin', 'twin size']],
  ['bedtwinxl', ['twin xl']],
  ['bedsmalldouble', ['small double', 'small double size']],
  ['bedfull', ['full', 'full size']],
  ['beddouble', ['double', 'double size']],
  ['bedqueen', ['queen', 'queen size']],
  ['bedking', ['king', 'king size', 'kingsize']],
  ['bedsuperking', ['super king', 'superking', 'super king size', 'superking size']],
  ['bedemperor', ['emperor', 'emperor size']],
  ['bedcaliforniaking', ['california king', 'cal king']],
]);
