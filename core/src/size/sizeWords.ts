/** Words and units that sizes are written with. Exact definitions: NIST SP 811 (2008), appendix B; gallons and fluid ounces are those of the US. */

/** A dimension, and how large the unit is in its base: centimetres, grams, millilitres, months, bytes, watts. */
export interface Unit {
  of: 'length' | 'mass' | 'volume' | 'age' | 'data' | 'power' | 'pieces';
  factor: number;
}

const units = (of: Unit['of'], all: Record<string, number>): [string, Unit][] =>
  Object.entries(all).flatMap(([names, factor]) =>
    names.split(' ').map((name): [string, Unit] => [name, { of, factor }]),
  );

export const UNITS = new Map<string, Unit>([
  ...units('length', {
    mm: 0.1,
    'cm cms': 1,
    dm: 10,
    'metre metres meter meters mtr mtrs': 100,
    'in ins inch inches zoll "': 2.54,
    "ft foot feet '": 30.48,
    'yd yds yard yards': 91.44,
    km: 100_000,
  }),
  ...units('mass', {
    mg: 0.001,
    'g gr gm gram grams gramm': 1,
    'kg kgs kilo kilos kilogram kilograms': 1000,
    'lb lbs pound pounds': 453.59237,
    'oz ounce ounces': 28.349523125,
  }),
  ...units('volume', {
    'ml millilitre millilitres milliliter milliliters': 1,
    cl: 10,
    dl: 100,
    'ltr litre litres liter liters': 1000,
    floz: 29.5735295625,
    'pt pint pints': 473.176473,
    'qt quart quarts': 946.352946,
    'gal gallon gallons': 3785.411784,
  }),
  ...units('age', {
    'day days': 1 / 30.4375,
    'week weeks wk wks': 7 / 30.4375,
    'mo mos mth mths month months monat monate mois mes meses mesi maanden mnd': 1,
    'y yr yrs year years jahr jahre ans an años anni jaar yo': 12,
  }),
  ...units('data', { mb: 1, gb: 1000, tb: 1_000_000 }),
  ...units('power', { w: 1, watt: 1, watts: 1, kw: 1000 }),
  ...units('pieces', {
    'pack packs pk pks pcs pc piece pieces count ct pair pairs pr roll rolls sheet sheets bag bags set sets bottle bottles can cans box boxes stück stk tablets capsules servings tier tiers seater person persons people drawer drawers light lights step steps ply lm lumen lumens mah den denier': 1,
    'dozen dz': 12,
  }),
]);

/** One letter that is a unit only beside others of its kind: metres or months, litres or large. */

/** Letter sizes by their distance from M. */
export const LETTER_WORDS = new Map<string, number>(
  Object.entries({ s: -1, sm: -1, sml: -1, small: -1, m: 0, md: 0, med: 0, medium: 0, l: 1, lg: 1, lge: 1, large: 1 }),
);

/** Cups in their order; after D the makers of several countries go different ways (EN 13402-3 has AA to J; doubled letters: common practice). */
export const CUPS = [
  'aaa',
  'aa',
  'a',
  'b',
  'c',
  'd',
  'dd',
  'ddd',
  'e',
  'ee',
  'f',
  'ff',
  'g',
  'gg',
  'h',
  'hh',
  'i',
  'j',
  'jj',
  'k',
  'kk',
];

/** What stands behind a size and says how long, or how wide, it is (common practice). */
export const CUTS = new Map<string, number>([
  ...(
    [
      [-4, 'xxs xx-short'],
      [-3, 'xs x-short extra-short xnarrow x-narrow'],
      [-2, 'petite p narrow n slim sl'],
      [-1, 's short kurz'],
      [0, 'r reg regular standard medium m d normal'],
      [1, 'l long lang w wide husky h plus'],
      [2, 't tall xl x-long xlong extra-long ww xw x-wide e'],
      [3, 'xxl xt x-tall 2e ee'],
      [4, '3e eee'],
      [5, '4e xxw'],
    ] as const
  ).flatMap(([rank, words]) => words.split(' ').map((word): [string, number] => [word, rank])),
]);

/** For whom a size is, from the smallest on. */
export const WEARERS: readonly RegExp[] = [
  /^(?:baby|infant|newborn)(?:'?s)?\b/,
  /^toddler(?:'?s)?\b/,
  /^little kids?\b/,
  /^big kids?\b/,
  /^(?:kid|kids|child|children|boy|boys|girl|girls|junior|juniors|youth)(?:'?s)?\b/,
  /^teens?(?:'?s)?\b/,
  /^(?:women|womens|ladies|lady|woman)(?:'?s)?\b/,
  /^(?:men|mens|man|gents)(?:'?s)?\b/,
  /^(?:adult|adults|unisex)(?:'?s)?\b/,
];

/** Sizes that are words, each list from small to large (common practice). */
export const SCALES: readonly (readonly string[])[] = [
  ['petite', 'short', 'regular', 'long', 'tall', 'extra long'],
  ['extra narrow', 'narrow', 'slim', 'regular', 'standard', 'medium', 'wide', 'extra wide'],
  ['slim', 'regular', 'relaxed', 'loose'],
  [
    'crib',
    'toddler',
    'cot',
    'cot bed',
    'single',
    'twin',
    'twin xl',
    'large single',
    'small double',
    'full',
    'double',
    'queen',
    'king',
    'super king',
    'superking',
    'emperor',
    'california king',
    'cal king',
  ],
  [
    'sample',
    'travel',
    'mini',
    'petite',
    'small',
    'regular',
    'standard',
    'medium',
    'full',
    'large',
    'grand',
    'family',
    'jumbo',
    'maxi',
    'giant',
    'mega',
  ],
  ['baby', 'toddler', 'kids', 'child', 'youth', 'junior', 'teen', 'ladies', 'women', 'men', 'adult'],
  ['xx-short', 'x-short', 'short', 'regular', 'long', 'x-long', 'xx-long'],
  ['standard', 'queen', 'king'],
  ['mini', 'midi', 'maxi'],
  ['short', 'medium', 'long'],
  ['half', 'single', 'double', 'triple', 'quadruple'],
  ['low', 'mid', 'high'],
  ['light', 'medium', 'heavy'],
  ['half', 'full'],
  ['klein', 'mittel', 'groß', 'sehr groß'],
  ['petit', 'moyen', 'grand', 'très grand'],
  ['pequeño', 'mediano', 'grande', 'muy grande'],
  ['piccolo', 'medio', 'grande', 'molto grande'],
  ['klein', 'middel', 'groot', 'extra groot'],
];
