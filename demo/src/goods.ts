/** The goods of Skerry Supply, a made-up maker of foul-weather clothing and things for life by the water. */
import type { Role } from '@loom-kin/core';
import type { Figure } from './draw';

export interface DemoFamily {
  figure: Figure;
  fields: Record<string, string | number | boolean | string[]>;
  axes: { role: Role; label: string; values: { label: string; code?: string; swatch?: string }[] }[];
  off?: string[][];
  /** Figures on values: value label → field → figure. */
  onValues?: Record<string, Record<string, string | number>>;
  /** Figures for one account alone. */
  onAccounts?: Record<string, Record<string, string>>;
  /** Values that get no picture, to show what is missing. */
  withoutPicture?: string[];
  gtins: boolean;
  /** Labels of a child, parted by a point → the number its maker gave it; the others take theirs from the block. */
  numbers?: Record<string, string>;
  /** Pieces of every child, counted round. */
  pieces: number[];
}

const C = {
  rust: { label: 'Rust', code: 'RST', swatch: '#A4502B' },
  spruce: { label: 'Spruce', code: 'SPR', swatch: '#24483C' },
  midnight: { label: 'Midnight', code: 'MID', swatch: '#1B2540' },
  ochre: { label: 'Ochre', code: 'OCH', swatch: '#C58A1C' },
  granite: { label: 'Granite', code: 'GRN', swatch: '#7B7F80' },
  kelp: { label: 'Kelp', code: 'KLP', swatch: '#4C5325' },
  chalk: { label: 'Chalk', code: 'CHK', swatch: '#F1EFE7' },
  kingfisher: { label: 'Kingfisher', code: 'KGF', swatch: '#0E7FA6' },
  signal: { label: 'Signal', code: 'SIG', swatch: '#F2641D' },
  madder: { label: 'Madder', code: 'MAD', swatch: '#A9362B' },
  oat: { label: 'Oat', code: 'OAT', swatch: '#DDD0B4' },
};
const sizes = (...labels: string[]) => ({
  role: 'size' as const,
  label: 'Size',
  values: labels.map((label) => ({ label, ...(/^[A-Z]+$/.test(label) ? { code: label } : {}) })),
});
const colours = (...values: (keyof typeof C)[]) => ({
  role: 'colour' as const,
  label: 'Colour',
  values: values.map((key) => C[key]),
});
const base = { brand: 'Skerry Supply', maker: 'Skerry Supply', condition: 'new', madeIn: 'Norrhavn' };
/** Size → centimetres from collar to hem, as figures on values. */
const garmentLengths = (lengths: Record<string, number>) =>
  Object.fromEntries(Object.entries(lengths).map(([label, cm]) => [label, { garmentLength: cm }]));
const withLengths = (lengths: Record<string, number>, others: Record<string, Record<string, string | number>>) =>
  Object.fromEntries(
    Object.entries(garmentLengths(lengths)).map(([label, length]) => [label, { ...length, ...others[label] }]),
  );
const points = (...list: string[]) => list;

export const DEMO: readonly DemoFamily[] = [
  {
    figure: 'jacket',
    gtins: true,
    pieces: [14, 22, 31, 28, 17, 9],
    fields: {
      ...base,
      name: 'Skerry storm jacket',
      styleCode: 'SKJ',
      category: 'outerwear/jackets',
      modelNumber: 'SJ-24',
      taxCode: '62014010',
      price: '189.00',
      listPrice: '229.00',
      cost: '71.40',
      weight: 940,
      packageLength: 38,
      packageWidth: 30,
      packageHeight: 8,
      composition: '100 % cotton, waxed',
      care: 'Wipe clean, wax again each autumn',
      wearer: 'anyone',
      shortText: 'A waxed jacket for days when the ferry does not run.',
      description:
        'A waxed cotton jacket with a storm flap, deep pockets and a hood that turns with the head. Made for quays, dogs and bicycles, and for many years.',
      highlights: points(
        'Waxed cotton that can be waxed again',
        'Hood that turns with the head',
        'Two-way zip under a storm flap',
        'Pockets deep enough for a flask',
        'Cuffs that close over gloves',
      ),
      searchWords: points('storm jacket', 'waxed jacket', 'rain', 'sailing', 'harbour', 'outdoor', 'hooded'),
      searchTitle: 'Skerry storm jacket, waxed cotton',
      searchDescription:
        'A waxed cotton storm jacket with a turning hood and deep pockets, in four colours, unlined or fleece-lined.',
      collections: points('Foul weather', 'New this autumn'),
    },
    axes: [
      colours('rust', 'spruce', 'midnight', 'ochre'),
      sizes('XS', 'S', 'M', 'L', 'XL', 'XXL'),
      {
        role: 'material',
        label: 'Lining',
        values: [
          { label: 'Unlined', code: 'U' },
          { label: 'Fleece-lined', code: 'F' },
        ],
      },
    ],
    off: ['Rust', 'Spruce', 'Midnight', 'Ochre'].map((colour) => [colour, 'XS', 'Fleece-lined']),
    onValues: {
      'Fleece-lined': { price: '219.00', listPrice: '259.00', weight: 1180, cost: '84.10' },
      ...garmentLengths({ XS: 66, S: 68, M: 71, L: 74, XL: 76, XXL: 78 }),
    },
    onAccounts: { palmway: { name: 'Skerry storm jacket, waxed cotton' } },
  },
  {
    figure: 'smock',
    gtins: true,
    pieces: [8, 19, 25, 21, 11],
    fields: {
      ...base,
      name: 'Deck smock',
      styleCode: 'DSM',
      taxCode: '62113290',
      category: 'outerwear/smocks',
      price: '94.00',
      cost: '36.20',
      weight: 520,
      packageLength: 34,
      packageWidth: 26,
      packageHeight: 5,
      composition: '100 % cotton canvas',
      care: 'Wash at 40 °C',
      wearer: 'anyone',
      description:
        'A canvas smock with one large front pocket. It goes over a jumper and takes salt, tar and fish scales without complaint.',
      highlights: points(
        'Heavy canvas',
        'One large pocket',
        'Cut to go over a jumper',
        'Softens with every wash',
        'Sewn with doubled seams',
      ),
      searchWords: points('smock', 'canvas', 'deck', 'workwear'),
      searchTitle: 'Deck smock in heavy canvas',
      searchDescription: 'A canvas smock with one large front pocket, cut to go over a jumper.',
      collections: points('Work by the water'),
    },
    axes: [colours('midnight', 'rust', 'chalk'), sizes('S', 'M', 'L', 'XL', 'XXL')],
    onValues: withLengths({ S: 66, M: 69, L: 72, XL: 74, XXL: 76 }, { XXL: { price: '98.00' } }),
    onAccounts: { palmway: { name: 'Deck smock in heavy canvas' } },
  },
  {
    figure: 'trousers',
    gtins: true,
    pieces: [6, 12, 12, 7],
    fields: {
      ...base,
      name: 'Harbour trousers',
      styleCode: 'HTR',
      taxCode: '62034235',
      care: 'Wash at 40 °C, inside out',
      category: 'outerwear/trousers',
      price: '109.00',
      cost: '41.00',
      weight: 610,
      packageLength: 34,
      packageWidth: 28,
      packageHeight: 6,
      composition: '98 % cotton, 2 % elastane',
      wearer: 'anyone',
      description: 'Trousers with doubled knees for kneeling on wet boards, in two leg lengths.',
      highlights: points('Doubled knees', 'Two leg lengths', 'Quick to dry', 'Room for a folding rule'),
      searchWords: points('trousers', 'work', 'harbour'),
      collections: points('Work by the water'),
    },
    axes: [
      colours('granite', 'kelp'),
      sizes('30', '32', '34', '36', '38'),
      {
        role: 'length',
        label: 'Leg',
        values: [
          { label: 'Regular', code: 'R' },
          { label: 'Long', code: 'L' },
        ],
      },
    ],
    onAccounts: { palmway: { name: 'Harbour trousers with doubled knees' } },
    off: [
      ['Granite', '30', 'Long'],
      ['Kelp', '30', 'Long'],
    ],
  },
  {
    figure: 'sock',
    gtins: false,
    pieces: [40, 64, 52],
    fields: {
      ...base,
      name: 'Merino harbour socks',
      styleCode: 'MHS',
      taxCode: '61159400',
      care: 'Wash at 30 °C',
      category: 'knitwear/socks',
      gtinExempt: true,
      price: '16.50',
      cost: '5.10',
      weight: 90,
      packageLength: 22,
      packageWidth: 12,
      packageHeight: 4,
      composition: '80 % merino wool, 20 % nylon',
      wearer: 'anyone',
      description: 'Thick merino socks for rubber boots, knitted without a seam over the toes.',
      highlights: points(
        'Merino wool',
        'No seam over the toes',
        'Cushioned sole',
        'Stay up in rubber boots',
        'Wash at 30 °C',
      ),
      searchWords: points('socks', 'merino', 'boots'),
      searchTitle: 'Merino harbour socks',
      collections: points('Knitted'),
    },
    axes: [
      colours('oat', 'madder', 'midnight', 'kelp'),
      sizes('35-38', '39-42', '43-46'),
      {
        role: 'pack',
        label: 'Pack',
        values: [
          { label: '1 pair', code: '1P' },
          { label: '3 pairs', code: '3P' },
        ],
      },
    ],
    onAccounts: { palmway: { name: 'Merino harbour socks, knitted thick' } },
    onValues: { '3 pairs': { price: '42.00', cost: '14.40', weight: 260 } },
  },
  {
    figure: 'suit',
    gtins: true,
    pieces: [5, 9, 12, 8],
    fields: {
      ...base,
      name: 'Puddle suit',
      styleCode: 'PUD',
      taxCode: '62029300',
      care: 'Wipe clean',
      category: 'children/rainwear',
      price: '59.00',
      listPrice: '59.00',
      cost: '22.80',
      weight: 420,
      packageLength: 30,
      packageWidth: 22,
      packageHeight: 6,
      composition: '100 % polyester, coated',
      wearer: 'children',
      description: 'A rain suit in one piece with a zip down one leg, so that it goes on standing up in a hallway.',
      highlights: points(
        'One piece',
        'Zip down one leg',
        'Welded seams',
        'Elastic foot straps',
        'Light loops on the back',
      ),
      searchWords: points('rain suit', 'children', 'puddles'),
      collections: points('Foul weather', 'Small people'),
    },
    axes: [sizes('86/92', '98/104', '110/116', '122/128', '134/140'), colours('signal', 'kingfisher', 'ochre')],
    onValues: garmentLengths({ '86/92': 68, '98/104': 78, '110/116': 88, '122/128': 98, '134/140': 108 }),
    onAccounts: { palmway: { name: 'Puddle suit for wet days out' } },
    withoutPicture: ['Ochre'],
  },
  {
    figure: 'dogcoat',
    gtins: true,
    pieces: [11, 7, 0, 15],
    fields: {
      ...base,
      name: 'Dog storm coat',
      styleCode: 'DSC',
      category: 'pets/coats',
      price: '46.00',
      cost: '17.30',
      weight: 260,
      packageLength: 28,
      packageWidth: 20,
      packageHeight: 5,
      composition: '100 % cotton, waxed',
      description: 'The storm jacket for four legs: waxed cotton, a fleece back and straps that do not rub.',
      highlights: points(
        'Waxed cotton',
        'Fleece along the back',
        'Straps that do not rub',
        'Loop for the lead',
        'Shows in headlights',
      ),
      searchWords: points('dog coat', 'waxed', 'rain'),
      collections: points('Four legs'),
    },
    axes: [
      colours('rust', 'spruce', 'midnight'),
      {
        role: 'length',
        label: 'Back length',
        values: ['25 cm', '30 cm', '35 cm', '40 cm', '50 cm', '60 cm'].map((label) => ({ label })),
      },
    ],
    onValues: { '50 cm': { price: '52.00' }, '60 cm': { price: '56.00' } },
    onAccounts: { palmway: { name: 'Dog storm coat, waxed and warm' } },
  },
  {
    figure: 'blanket',
    gtins: false,
    pieces: [4, 6, 3],
    fields: {
      ...base,
      name: 'Island blanket',
      styleCode: 'ISB',
      taxCode: '63012010',
      care: 'Wash by hand, dry lying flat',
      wearer: 'home',
      category: 'home/blankets',
      gtinExempt: true,
      price: '128.00',
      cost: '55.00',
      weight: 1450,
      composition: '100 % lambswool',
      description: 'A blanket woven from the wool of the islands, in patterns named after its weather.',
      collections: points('The home'),
    },
    axes: [
      {
        role: 'pattern',
        label: 'Pattern',
        values: [
          { label: 'Squall', code: 'SQL' },
          { label: 'Haar', code: 'HAR' },
          { label: 'Swell', code: 'SWL' },
          { label: 'Low sun', code: 'LOS' },
        ],
      },
      {
        role: 'size',
        label: 'Size',
        values: ['130 × 170 cm', '150 × 200 cm', '220 × 240 cm'].map((label, at) => ({ label, code: `B${at + 1}` })),
      },
    ],
    onValues: { '150 × 200 cm': { price: '158.00', weight: 1950 }, '220 × 240 cm': { price: '236.00', weight: 3300 } },
    onAccounts: { palmway: { name: 'Island blanket of lambswool' } },
  },
  {
    figure: 'mug',
    gtins: true,
    pieces: [60, 48, 75],
    fields: {
      ...base,
      name: 'Galley mug',
      styleCode: 'GMG',
      category: 'home/mugs',
      price: '14.00',
      cost: '4.20',
      weight: 240,
      packageLength: 12,
      packageWidth: 12,
      packageHeight: 11,
      description: 'An enamel mug with a rolled rim, for galleys, sheds and window sills facing the sea.',
      highlights: points('Enamel on steel', 'Rolled rim', 'Goes on the stove', 'Chips and does not break', 'Two sizes'),
      searchWords: points('mug', 'enamel', 'galley'),
      searchTitle: 'Galley mug in enamel',
      collections: points('The home', 'Small gifts'),
    },
    axes: [
      colours('chalk', 'midnight', 'madder', 'ochre', 'spruce', 'kingfisher'),
      {
        role: 'volume',
        label: 'Volume',
        values: [
          { label: '300 ml', code: '30' },
          { label: '500 ml', code: '50' },
        ],
      },
    ],
    numbers: {
      'Chalk · 300 ml': '9501018400017',
      'Chalk · 500 ml': '9501018400024',
      'Midnight · 300 ml': '9501018400031',
    },
    onValues: { '500 ml': { price: '17.00', weight: 330 } },
    onAccounts: { palmway: { name: 'Galley mug, enamel on steel' } },
  },
];

/** Colours of the blankets' patterns, which have no swatch of their own. */
export const PATTERN_COLOURS: Record<string, string> = {
  Squall: '#5A6772',
  Haar: '#B4B7B4',
  Swell: '#14525E',
  'Low sun': '#C58A1C',
};
