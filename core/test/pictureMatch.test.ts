/** Pictures matched by their file names, by example and on folders of names with the truth beside them. */
import { describe, expect, it } from 'vitest';
import type { Family } from '../src/family/shape';
import { openPictureCatalogue } from '../src/pictures/match/catalogue';
import { fileWords } from '../src/pictures/match/fileWords';
import { inPictureOrder, matchPictures } from '../src/pictures/match/matchPictures';
import type { PictureLook } from '../src/pictures/pictureFacts';
import { compact } from '../src/text/letters';
import { HARDER_MANNERS, MANNERS, placeName, scoreOf } from './pictureNames';
import { createFamily, registry, runCommand, stormJacket } from './sample';

const jacket = stormJacket();
const poncho = createFamily({
  ...{
    id: 'fam2',
    off: [],
    fields: { name: 'Skerry storm poncho', brand: 'Skerry Supply', styleCode: 'SKP', category: 'outerwear/jackets' },
  },
  axes: [{ role: 'colour', label: 'Colour', values: [{ label: 'Rust' }, { label: 'Deep Rust' }] }],
});
const families = [jacket, poncho];
const sku = Object.values(jacket.children)[5]!;
const withSku = runCommand(jacket, {
  do: 'setFigures',
  changes: [
    { place: { level: 'child', childId: sku.id }, key: 'sku', figure: 'SKJ-RUST-M-FL' },
    { place: { level: 'child', childId: sku.id }, key: 'gtin', figure: '4006381333931' },
  ],
}).family;
const catalogue = openPictureCatalogue(
  families.map(({ id, fields }) => ({
    id,
    name: String(fields.name),
    brand: String(fields.brand),
    styleCode: String(fields.styleCode),
  })),
  [
    { kind: 'sku', value: 'SKJ-RUST-M-FL', familyId: 'fam1', childId: sku.id },
    { kind: 'gtin', value: '04006381333931', familyId: 'fam1', childId: sku.id },
  ],
);
const familyOf = (id: string): Family | undefined => [withSku, poncho].find((one) => one.id === id);
const matched = (paths: string[], more: { within?: string; look?: PictureLook; ids?: string[] } = {}) =>
  matchPictures(
    paths.map((path, at) => ({ path, look: more.look, id: more.ids?.[at] })),
    { registry, catalogue, familyOf, within: more.within },
  );
const told = (path: string, more: Parameters<typeof matched>[1] = {}) => {
  const [one] = matched([path], more);
  return `${one!.confidence} ${one!.familyId ?? 'nobody'} ${placeName(familyOf(one!.familyId ?? ''), one!.place)}`;
};
const look = (colour: string): PictureLook => ({
  colours: [{ colour, share: 0.9 }],
  ground: '#FFFFFF',
  goods: 0.4,
  blur: 0.2,
  hash: { bits: '0'.repeat(64), strong: '0'.repeat(64) },
});

describe('words of a file name', () => {
  it('are found whatever stands between them', () => {
    const words = (path: string) =>
      fileWords(path)
        .atoms.map((atom) => (atom.apart ? ' ' : '·') + atom.written)
        .join('')
        .trim();
    expect(words('Storm%20Jacket/SKJRust_01 (2).jpeg?width=800')).toBe('Storm Jacket SKJ·Rust 01 2');
    expect(words('https://a.example/größe-ÄÖ.png')).toBe('größe ÄÖ');
    expect(words('100%wool.png')).toBe('100 wool');
    expect(compact('Größe GRAY No. 5')).toBe('grossegreyno5');
  });
});

describe('a picture goes by its name', () => {
  it.each([
    ['SKJ-rust-front.jpg', 'sure fam1 Rust'],
    ['skerry_storm_jacket_spruce.png', 'sure fam1 Spruce'],
    ['4006381333931_2.jpg', `sure fam1 ${placeName(withSku, { level: 'child', childId: sku.id })}`],
    ['skj_rust_m_fl.webp', `sure fam1 ${placeName(withSku, { level: 'child', childId: sku.id })}`],
    ['SKJ_sizechart.png', 'sure fam1 family'],
    ['SKJ.jpg', 'sure fam1 family'],
    ['SKP deep rust.jpg', 'sure fam2 Deep Rust'],
    ['Storm poncho Rust.jpg', 'sure fam2 Rust'],
    // Midnight spelled amiss, cut short, and what could be another colour.
    ['SKJ midnihgt.jpg', 'sure fam1 Midnight'],
    ['SKJ-mdn-2.jpg', 'sure fam1 Midnight'],
    ['SKJ dark rust.jpg', 'doubtful fam1 Rust'],
    ['SKJ rust spruce.jpg', 'doubtful fam1 —'],
    ['SKJ turquoise.jpg', 'doubtful fam1 —'],
    // Other goods, and what no word says.
    ['SKJ12 rust.jpg', 'doubtful fam1 Rust'],
    ['storm lantern rust.jpg', 'none nobody —'],
    ['garden chair rust.jpg', 'none nobody —'],
    ['IMG_0417.jpg', 'none nobody —'],
  ])('%s: %s', (path, expected) => expect(told(path)).toBe(expected));

  it('to the family it was brought to, unless a code or number names another', () => {
    expect(told('rust_01.jpg', { within: 'fam1' })).toBe('sure fam1 Rust');
    expect(told('SKP_rust.jpg', { within: 'fam1' })).toBe('sure fam2 Rust');
  });
  it('by the colour of the goods where the name says nothing, and is asked about', () => {
    expect(told('SKJ_03.jpg', { look: look('#B0532F') })).toBe('doubtful fam1 Rust');
    expect(told('IMG_0417.jpg', { look: look('#1D2743'), within: 'fam1' })).toBe('doubtful fam1 Midnight');
    // Between two of them it is nobody's.
    expect(told('SKJ_03.jpg', { look: look('#FF00FF') })).toBe('sure fam1 family');
  });
  it('a number it ends in counts pictures, unless the names beside it say that it is a size', () => {
    const sizes = createFamily({
      id: 'fam3',
      off: [],
      fields: { name: 'Wader', brand: '', styleCode: 'WAD', category: 'outerwear/jackets' },
      axes: [{ role: 'size', label: 'Size', values: ['1', '2', '8', '10', '12'].map((label) => ({ label })) }],
    });
    const ground = {
      registry,
      catalogue: openPictureCatalogue([{ id: 'fam3', name: 'Wader', brand: '', styleCode: 'WAD' }], []),
      familyOf: (id: string) => (id === 'fam3' ? sizes : undefined),
    };
    const of = (paths: string[]) =>
      matchPictures(
        paths.map((path) => ({ path })),
        ground,
      ).map((one) => `${one.confidence} ${placeName(sizes, one.place)} ${one.number ?? ''}`.trim());
    expect(of(['WAD_8.jpg', 'WAD_10.jpg', 'WAD_12.jpg'])).toEqual(['sure 8', 'sure 10', 'sure 12']);
    expect(of(['WAD_1.jpg', 'WAD_2.jpg'])).toEqual(['sure family 1', 'sure family 2']);
    expect(of(['WAD_10.jpg'])).toEqual(['doubtful 10']);
  });
  it('other ways to write a colour are the colour: marks, signs, words cut short; a code such as 01 may count', () => {
    const bag = createFamily({
      id: 'fam4',
      off: [],
      fields: { name: 'Bag', brand: '', styleCode: 'BAG', category: 'outerwear/jackets' },
      axes: [
        {
          role: 'colour',
          label: 'Colour',
          values: [
            { label: 'Grün' },
            { label: 'Black & White' },
            { label: 'Light Grey' },
            { label: 'Mohn', code: '01' },
          ],
        },
      ],
    });
    const ground = {
      registry,
      catalogue: openPictureCatalogue([{ id: 'fam4', name: 'Bag', brand: '', styleCode: 'BAG' }], []),
      familyOf: (id: string) => (id === 'fam4' ? bag : undefined),
    };
    const of = (path: string) =>
      matchPictures([{ path }], ground).map((one) => `${one.confidence} ${placeName(bag, one.place)}`)[0];
    expect(
      ['BAG_gruen_1.jpg', 'BAG black-and-white.jpg', 'bag-lt-grey-2.jpg', 'BAG_01.jpg', 'BAG_01_2.jpg'].map(of),
    ).toEqual([...['sure Grün', 'sure Black & White', 'sure Light Grey', 'doubtful Mohn', 'sure Mohn']]);
  });
  it('the same picture under the names of several children is of what they have in common', () => {
    const paths = ['SKJ-Rust-M-Unlined.jpg', 'SKJ-Rust-L-Unlined.jpg'];
    const names = (ids: string[]) => matched(paths, { ids }).map((one) => placeName(jacket, one.place));
    expect(names(['a', 'b'])).toEqual(['Rust · M · Unlined', 'Rust · L · Unlined']);
    expect(names(['a', 'a'])).toEqual(Array(2).fill('everything Rust with Unlined'));
  });
  describe('of a family with designs, whose SKUs begin alike and which has no style code', () => {
    const bare = createFamily({
      id: 'fam5',
      off: [],
      fields: { name: 'Fjell tee', category: 'outerwear/jackets' },
      axes: [
        { role: 'colour', label: 'Colour', values: [{ label: 'Navy' }, { label: 'White' }] },
        { role: 'pattern', label: 'Design', values: [{ label: 'Stars of the north' }, { label: 'Plain' }] },
        { role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
      ],
    });
    const [colour, design, size] = bare.axes;
    const figures = [
      {
        place: { level: 'value' as const, axisId: design!.id, valueId: design!.values[0]!.id },
        key: 'shortLabel',
        figure: 'Polaris',
      },
      ...Object.values(bare.children).map(({ id, at }) => ({
        place: { level: 'child' as const, childId: id },
        key: 'sku',
        figure: `QFX-${at[colour!.id] === colour!.values[0]!.id ? '10' : '20'}-${at[design!.id] === design!.values[0]!.id ? 'K' : 'P'}-${at[size!.id]}`,
      })),
    ];
    const tee = runCommand(bare, { do: 'setFigures', changes: figures }).family;
    const ground = {
      registry,
      catalogue: openPictureCatalogue(
        [{ id: 'fam5', name: 'Fjell tee', brand: '', styleCode: '' }],
        figures.slice(1).map(({ place, figure }) => ({
          kind: 'sku' as const,
          familyId: 'fam5',
          value: figure,
          childId: (place as { childId: string }).childId,
        })),
      ),
      familyOf: () => tee,
    };
    const of = (path: string) =>
      matchPictures([{ path }], ground).map((one) => `${one.confidence} ${placeName(tee, one.place)}`)[0];
    it.each([
      ['fjell tee navy stars of the north front.jpg', 'sure everything Navy with Stars of the north'],
      ['fjell tee navy polaris.jpg', 'sure everything Navy with Stars of the north'],
      ['fjell-tee_plain.jpg', 'sure Plain'],
      ['QFX-front.jpg', 'sure family'],
      ['QFX-10.jpg', 'sure Navy'],
      ['QFX-20-P-back.jpg', 'sure everything White with Plain'],
      ['QFX_white_polaris_2.jpg', 'sure everything White with Stars of the north'],
    ])('%s: %s', (path, expected) => expect(of(path)).toBe(expected));
  });
  it('asks where no child has the options together', () => {
    const off = runCommand(jacket, {
      do: 'setWoven',
      woven: false,
      crossings: Object.values(jacket.children).flatMap(({ at }) => {
        const labels = jacket.axes.map((axis) => axis.values.find(({ id }) => id === at[axis.id])!.label);
        return labels.includes('Spruce') && labels.includes('Unlined') ? [at] : [];
      }),
    }).family;
    const [one] = matchPictures([{ path: 'SKJ-spruce-unlined.jpg' }], { registry, catalogue, familyOf: () => off });
    expect([one!.confidence, placeName(off, one!.place), one!.reasons.at(-1)]).toEqual([
      ...['doubtful', 'Spruce', { code: 'no-such-child', values: ['Spruce', 'Unlined'] }],
    ]);
  });
  it('asks once about what is alike', () => {
    const all = matched(['SKJ_turq_1.jpg', 'SKJ_turq_2.jpg', 'SKJ_lilac_1.jpg', 'SKP_turq_1.jpg']);
    expect(new Set(all.map((one) => one.question)).size).toBe(3);
  });
  it('into an order: by number, else by angle', () => {
    const order = (paths: string[]) =>
      inPictureOrder(matched(paths).map((one) => ({ ...one, path: paths[one.at]! }))).map((one) => one.path);
    expect(order(['SKJ-rust-10.jpg', 'SKJ-rust-2.jpg'])).toEqual(['SKJ-rust-2.jpg', 'SKJ-rust-10.jpg']);
    expect(order(['SKJ-rust-detail.jpg', 'SKJ-rust-back.jpg', 'SKJ-rust-front.jpg'])).toEqual([
      ...['SKJ-rust-front.jpg', 'SKJ-rust-back.jpg', 'SKJ-rust-detail.jpg'],
    ]);
  });
});

describe('folders of names in many manners', () => {
  const match = (folder: { path: string }[], goods: { catalogue: typeof catalogue; familyOf: typeof familyOf }) =>
    matchPictures(folder, { registry, catalogue: goods.catalogue, familyOf: goods.familyOf });
  // Always the same folders: of a few hundred names one more or less that is wrong decides.
  const seed = 20_261;
  it.each(MANNERS)(`%s: hardly one wrong, hardly one missed (seed ${seed})`, (manner) => {
    const { precision, recall } = scoreOf(manner, [seed, seed + 1, seed + 2], match);
    expect(precision).toBeGreaterThanOrEqual(0.99);
    expect(recall).toBeGreaterThanOrEqual(0.95);
  });
  it.each(HARDER_MANNERS)(`%s: hardly one wrong; what is doubtful is asked (seed ${seed})`, (manner) => {
    const { precision, recallWithAsked } = scoreOf(manner, [seed, seed + 1, seed + 2, seed + 3, seed + 4], match);
    expect(precision).toBeGreaterThanOrEqual(0.98);
    expect(recallWithAsked).toBeGreaterThanOrEqual(0.85);
  });
});
