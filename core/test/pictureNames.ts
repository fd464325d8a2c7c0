/** Folders of pictures as sellers name them, with the truth beside each name: families at random, ten manners of naming, slips, strangers. */
import { placeKey } from '../src/family/placeKey';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex, placeLabel } from '../src/family/weave';
import {
  type CatalogueEntry,
  type CatalogueNumber,
  type PictureCatalogue,
  openPictureCatalogue,
} from '../src/pictures/match/catalogue';
import type { PictureMatch } from '../src/pictures/match/match';
import type { Place } from '../src/place/place';
import { createFamily, runCommand } from './sample';
import { gtinCheckDigit } from '../src/identifiers/gtin';

/** A number below `n` from a seed that goes on (mulberry32). */
export function randomFrom(seed: number): (n: number) => number {
  let state = seed >>> 0;
  return (n) => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return Math.floor((((t ^ (t >>> 14)) >>> 0) / 4294967296) * n);
  };
}

const NOUNS = [
  'jacket',
  'smock',
  'blanket',
  'mug',
  'socks',
  'apron',
  'rucksack',
  'scarf',
  'gloves',
  'trousers',
  'cushion',
  'lantern',
];
const ADJECTIVES = [
  'Storm',
  'Harbour',
  'Linen',
  'Merino',
  'Waxed',
  'Night',
  'Shore',
  'Rose',
  'Dune',
  'Quilted',
  'Folding',
  'Tall',
];
const COLOURS = [
  'Rust',
  'Deep Spruce',
  'Midnight',
  'Ochre',
  'Navy',
  'Grey',
  'Cream',
  'Brick',
  'Sky Blue',
  'Moss',
  'Black',
  'Rose',
  'Sand',
];
const SIZES = [['XS', 'S', 'M', 'L', 'XL'], ['36', '38', '40', '42'], ['One size'], ['8', '10', '12', '14']];
const LETTERS = 'BCDFGHKLMNPRSTVWZ';

export interface Goods {
  families: Family[];
  catalogue: PictureCatalogue;
  familyOf(id: string): Family | undefined;
}

const some = <T>(random: (n: number) => number, from: readonly T[], count: number): T[] => {
  const left = [...from];
  return Array.from({ length: Math.min(count, left.length) }, () => left.splice(random(left.length), 1)[0]!);
};

/** Families at random with SKUs and GTINs; no two share a name or style code, many share words and letters. */
export function randomGoods(seed: number, count = 24): Goods {
  const random = randomFrom(seed);
  const families: Family[] = [];
  const names = new Set<string>();
  for (let at = 0; families.length < count; at++) {
    const name = `${ADJECTIVES[random(ADJECTIVES.length)]}${random(3) === 0 ? ` ${ADJECTIVES[random(ADJECTIVES.length)]!.toLowerCase()}` : ''} ${NOUNS[random(NOUNS.length)]}`;
    if (names.has(name)) continue;
    names.add(name);
    const letter = () => LETTERS[random(LETTERS.length)];
    const styleCode = [
      `${letter()}${letter()}${letter()}`,
      `${letter()}${letter()}-${100 + random(900)}`,
      `${letter()}${letter()}${letter()}${10 + at}`,
    ][random(3)]!;
    if (families.some((one) => one.fields.styleCode === styleCode)) continue;
    const sizes = SIZES[random(SIZES.length)]!;
    const family = createFamily({
      ...{
        id: `fam${at}`,
        off: [],
        fields: { name, brand: 'Skerry Supply', styleCode, category: 'outerwear/jackets' },
      },
      axes: [
        { role: 'colour', label: 'Colour', values: some(random, COLOURS, 2 + random(4)).map((label) => ({ label })) },
        ...(sizes.length > 1
          ? [{ role: 'size' as const, label: 'Size', values: sizes.map((label) => ({ label })) }]
          : []),
      ],
    });
    families.push(withNumbers(family, families.length));
  }
  const entries: CatalogueEntry[] = families.map(({ id, fields }) => ({
    id,
    name: String(fields.name),
    brand: String(fields.brand),
    styleCode: String(fields.styleCode),
  }));
  const numbers: CatalogueNumber[] = families.flatMap((family) =>
    familyIndex(family).woven.flatMap((child) => [
      { kind: 'sku' as const, value: String(child.fields.sku).toUpperCase(), familyId: family.id, childId: child.id },
      {
        kind: 'gtin' as const,
        value: String(child.fields.gtin).padStart(14, '0'),
        familyId: family.id,
        childId: child.id,
      },
    ]),
  );
  const byId = new Map(families.map((family) => [family.id, family]));
  return { families, catalogue: openPictureCatalogue(entries, numbers), familyOf: (id) => byId.get(id) };
}

function withNumbers(family: Family, number: number): Family {
  const changes = familyIndex(family).woven.flatMap((child, at) => {
    const place: Place = { level: 'child', childId: child.id };
    const codes = family.axes.map((axis) => axis.values.find((value) => value.id === child.at[axis.id])!.code);
    const body = `590${String(number).padStart(4, '0')}${String(at).padStart(5, '0')}`;
    return [
      { place, key: 'sku', figure: [family.fields.styleCode, ...codes].join('-') },
      { place, key: 'gtin', figure: body + gtinCheckDigit(body) },
    ];
  });
  return runCommand(family, { do: 'setFigures', changes }).family;
}

export interface NamedTruth {
  path: string;
  /** Null: no family here. */
  familyId: string | null;
  place: Place | null;
}

const ANGLE_WORDS = ['front', 'back', 'side', 'detail', 'worn'];
const dashed = (text: string) => text.toLowerCase().replaceAll(' ', '-');
const camel = (text: string) => text.replace(/(?:^|\s)(\w)/g, (_, letter: string) => letter.toUpperCase());

interface Of {
  family: Family;
  colour: { id: string; label: string; code: string };
  child: Family['children'][string];
  angle: string;
  number: number;
}
type Manner = (of: Of) => string;
const styleOf = ({ family }: Of) => String(family.fields.styleCode);
const nameOf = ({ family }: Of) => String(family.fields.name);

/** Manners that name a value. */
const OF_VALUES: Record<string, Manner> = {
  'style, colour, angle': (of) => `${styleOf(of)}-${of.colour.label}-${of.angle}.jpg`,
  'style, code, number': (of) => `${styleOf(of)}_${of.colour.code}_0${of.number}.JPG`,
  'name, colour, angle': (of) => `${dashed(nameOf(of))}-${dashed(of.colour.label)}-${of.angle}.png`,
  folders: (of) => `autumn/${nameOf(of)}/${of.colour.label}/${of.number}.jpg`,
  'camel case': (of) => `${camel(nameOf(of))}${camel(of.colour.label)}${camel(of.angle)}.jpeg`,
  'no separators': (of) =>
    `${dashed(nameOf(of)).replaceAll('-', '')}${dashed(of.colour.label).replaceAll('-', '')}${of.angle}.webp`,
  'brand, name (colour) copy': (of) => `Skerry Supply ${nameOf(of)} (${of.colour.label}) - Copy ${of.number}.jpg`,
  'number first': (of) => `0${of.number} ${of.colour.label.toUpperCase()} ${styleOf(of).toLowerCase()} 1200x1200.jpg`,
  'an address': (of) =>
    `https://pictures.example/2025/${encodeURIComponent(`${nameOf(of)} ${of.colour.label}`)}_${of.angle}.jpg?v=3`,
};
const slip = (text: string, at: number) => text.slice(0, at) + text[at + 1] + text[at] + text.slice(at + 2);
/** Manners that leave something open: what is doubtful is asked. */
const HARDER: Record<string, Manner> = {
  'colour cut short': (of) =>
    `${styleOf(of)}-${dashed(of.colour.label).replaceAll('-', '').slice(0, 3)}-${of.number}.jpg`,
  'a slip in the colour': (of) => `${styleOf(of)}-${slip(of.colour.label, 1)}-${of.number}.jpg`,
  'a slip in the name': (of) => `${dashed(slip(nameOf(of), 2))}-${dashed(of.colour.label)}-${of.number}.jpg`,
  'camera in a folder': (of) => `Shoot 12/${styleOf(of)}/${of.colour.label}/DSC_00${10 + of.number}.jpg`,
  'worn out': (of) => `${styleOf(of)}_${of.colour.label.toUpperCase().replace(' ', '')}_FINAL_v2_web@2x (1).jpg`,
  'words the other way': (of) => `${of.colour.label} ${nameOf(of).split(' ').reverse().join('_')} ${of.number}.png`,
};
/** Manners that name a child. */
const OF_CHILDREN: Record<string, Manner> = {
  SKU: (of) => `${String(of.child.fields.sku).replaceAll('-', '_')}_${of.number}.jpg`,
  GTIN: (of) => `${String(of.child.fields.gtin)}_${of.angle}.jpg`,
};
export const MANNERS = [...Object.keys(OF_VALUES), ...Object.keys(OF_CHILDREN)];
export const HARDER_MANNERS = Object.keys(HARDER);

/** Names in one manner, some with a slip of the pen, some of goods that are not here, some of cameras. */
export function namedFolder(goods: Goods, manner: string, seed: number, count = 60): NamedTruth[] {
  const random = randomFrom(seed);
  return Array.from({ length: count }, (_, at): NamedTruth => {
    const family = goods.families[random(goods.families.length)]!;
    const child = familyIndex(family).woven[random(familyIndex(family).woven.length)]!;
    const axis = family.axes[0]!;
    const colour = axis.values.find((value) => value.id === child.at[axis.id])!;
    const of: Of = { family, child, colour, angle: ANGLE_WORDS[random(ANGLE_WORDS.length)]!, number: 1 + random(6) };
    const strange = random(20);
    if (strange === 0) return { path: `IMG_${4000 + at}.jpg`, familyId: null, place: null };
    if (strange === 1)
      return {
        path: `${['Velvet', 'Copper', 'Garden'][random(3)]}_poncho_${dashed(colour.label)}_${of.number}.jpg`,
        familyId: null,
        place: null,
      };
    if (strange === 2) return { path: `${styleOf(of)}_sizechart.png`, familyId: family.id, place: { level: 'family' } };
    const make = OF_VALUES[manner] ?? HARDER[manner];
    if (make)
      return { path: make(of), familyId: family.id, place: { level: 'value', axisId: axis.id, valueId: colour.id } };
    return { path: OF_CHILDREN[manner]!(of), familyId: family.id, place: { level: 'child', childId: child.id } };
  });
}

/** The children that a place is for: one that is alone of its colour is the same as its colour. */
function shownBy({ familyOf }: Goods, { familyId, place }: Pick<NamedTruth, 'familyId' | 'place'>): string {
  const family = familyOf(familyId ?? '');
  if (!family || !place || place.level === 'family') return place?.level ?? 'nowhere';
  if (place.level === 'child') return place.childId;
  if (place.level === 'combination') return placeKey(place);
  const { positionsOf, woven } = familyIndex(family);
  return positionsOf(place.valueId)
    .map((at) => woven[at]!.id)
    .join();
}

export interface Score {
  /** Of those that were taken for sure. */
  precision: number;
  /** Of those that have a family: taken for sure and right. */
  recall: number;
  /** The same with what is asked about, where the first proposal is right. */
  recallWithAsked: number;
}

/** How well names in a manner are matched, over some folders. */
export function scoreOf(
  manner: string,
  seeds: readonly number[],
  match: (folder: NamedTruth[], goods: Goods) => PictureMatch[],
): Score {
  const count = { sure: 0, right: 0, meant: 0, askedRight: 0 };
  for (const seed of seeds) {
    const goods = randomGoods(seed);
    const folder = namedFolder(goods, manner, seed * 77);
    match(folder, goods).forEach((one, at) => {
      const truth = folder[at]!;
      const isRight = one.familyId === truth.familyId && shownBy(goods, one) === shownBy(goods, truth);
      if (truth.familyId) count.meant += 1;
      if (one.confidence === 'sure') count.sure += 1;
      if (isRight && truth.familyId) count[one.confidence === 'sure' ? 'right' : 'askedRight'] += 1;
    });
  }
  const { sure, right, meant, askedRight } = count;
  return { precision: right / sure, recall: right / meant, recallWithAsked: (right + askedRight) / meant };
}

/** What a place is called, for comparing and telling. */
export function placeName(family: Family | undefined, place: Place | null): string {
  if (!family || !place) return '—';
  if (place.level === 'child') return childLabels(family, family.children[place.childId]!).join(' · ');
  if (place.level === 'combination') return placeLabel(family, place);
  return place.level === 'value' ? familyIndex(family).valueById.get(place.valueId)!.label : 'family';
}
