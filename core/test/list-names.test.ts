/** What stands in the names of lists beside goods and options, and options that are written in a way of their own. */
import { describe, expect, it } from 'vitest';
import { toldOf, toldOfNames } from './told';

describe('names', () => {
  it('cry out what tells no goods apart', () => {
    expect(
      toldOfNames(`NEW! Fell Fleece Navy M
        Fell Fleece Navy L - SALE
        Fell Fleece Rust M (limited edition)
        Fell Fleece Rust L
        Fell Fleece Sage L | -20%
        20 % off: Fell Fleece Sage M`),
    ).toEqual(['Fell Fleece | Colour: Navy, Rust, Sage | Size: M, L']);
  });
  it('cry how many there are', () => {
    expect(
      toldOfNames(`Fell Fleece Navy M (3 in stock)
        Fell Fleece Navy L (12 in stock)
        Fell Fleece Rust L - only 1 left`),
    ).toEqual(['Fell Fleece | Colour: Navy, Rust | Size: M, L']);
  });
  it('do not cry with the words of goods', () => {
    expect(toldOfNames('New Moon Tee S\nNew Moon Tee M\nMoon Tee S\nMoon Tee M')).toEqual([
      'New Moon Tee | Size: S, M',
      'Moon Tee | Size: S, M',
    ]);
    expect(toldOfNames('Sale\nNew')).toEqual(['Sale', 'New']);
  });
  it('begin with their brand here and there, where a column says it', () => {
    expect(
      toldOf([
        ['Name', 'Brand'],
        ['Northfold Wool Sweater Navy M', 'Northfold'],
        ['Wool Sweater Navy L', 'Northfold'],
        ['Wool Sweater Rust L', 'Northfold'],
        ['Wool Sweater Rust M', 'Aldervale'],
      ]),
    ).toEqual(['Wool Sweater | Colour: Navy, Rust | Size: M, L', 'Wool Sweater Rust M']);
  });
  it('are written for pages', () => {
    expect(toldOfNames('Salt &amp; Pepper Mill S\nSalt &amp; Pepper Mill M\nSalt & Pepper Mill L')).toEqual([
      'Salt & Pepper Mill | Size: S, M, L',
    ]);
    expect(toldOfNames('<b>Caf&eacute; Apron</b> Navy<br>\nCafé Apron Rust\nCaf&#233; Apron <Sage>')).toContain(
      'Café Apron | Colour: Navy, Rust',
    );
  });
  it('are joined by signs of whatever kind', () => {
    expect(toldOfNames('wool_sweater_navy_m\nwool_sweater_navy_l\nwool_sweater_royal_blue_m')).toEqual([
      'wool sweater | Colour: navy, royal blue | Size: m, l',
    ]);
    expect(toldOfNames('tarn-boots-royal-blue-38\ntarn-boots-royal-blue-39\ntarn-boots-navy-38')).toEqual([
      'tarn boots | Colour: royal blue, navy | Size: 38, 39',
    ]);
    expect(
      toldOfNames('Fell Coat/Navy/M\nFell Coat/Girl Crush/M\nFell Coat/Rust/L\nFell Half-Zip/Rust/M', '49'),
    ).toEqual(['Fell Coat | Colour: Navy, Girl Crush, Rust | Size: M, L', 'Fell Half-Zip/Rust/M']);
    expect(toldOfNames('Wool.Sweater.Navy.M\nWool.Sweater.Navy.L\nWool.Sweater.Rust.M')).toEqual([
      'Wool.Sweater | Colour: Navy, Rust | Size: M, L',
    ]);
    expect(toldOfNames('Knitwear > Wool Sweater > Navy > M\nKnitwear > Wool Sweater > Rust > L')).toEqual([
      'Knitwear > Wool Sweater | Colour: Navy, Rust | Size: M, L',
    ]);
  });
});

describe('options in names', () => {
  it('are shortened with a point', () => {
    expect(
      toldOfNames(
        'Poncho Lt. Grey S\nPoncho light grey M\nPoncho Dk. Green S\nPoncho Med. Blue M\nPoncho Hthr. Grey M',
      ),
    ).toEqual(['Poncho | Colour: Lt. Grey, Dk. Green, Med. Blue, Hthr. Grey | Size: S, M']);
  });
  it('are unknown colours that "in" leads to', () => {
    expect(
      toldOfNames('Harbour Smock in Kittiwake S\nHarbour Smock in Kittiwake M\nHarbour Smock in Bracken S'),
    ).toEqual(['Harbour Smock | Colour: Kittiwake, Bracken | Size: S, M']);
  });
  it('are diameters', () => {
    expect(toldOfNames('Pan Ø20\nPan Ø24\nPan Ø 28 cm')).toEqual(['Pan | Length: Ø20, Ø24, Ø 28 cm']);
  });
  it('are numbers of shoes', () => {
    expect(toldOfNames('Zapato marrón nº 38\nZapato marrón nº 39\nZapato negro nº 38')).toEqual([
      'Zapato | Colour: marrón, negro | Size: 38, 39',
    ]);
    expect(toldOfNames('Lamp nº 38\nLamp nº 39')).toEqual(['Lamp nº 38', 'Lamp nº 39']);
  });
  it('are waist and leg, or band and cup, however written', () => {
    expect(toldOfNames('Tee szM\nTee szL\nTee szXL')).toEqual(['Tee | Size: szM, szL, szXL']);
    expect(toldOfNames('Chino Navy 32/34\nChino Rust 32 x 34\nChino Navy W30 L32\nChino Rust 30/32')).toEqual([
      'Chino | Colour: Navy, Rust | Size: W30 L32, 32 x 34',
    ]);
    expect(toldOfNames('Bra Navy 75B\nBra Navy 80C\nBra Rust 75 B')).toEqual([
      'Bra | Colour: Navy, Rust | Size: 75 B, 80C',
    ]);
  });
  it('are models that goods fit, where they have a number', () => {
    expect(
      toldOfNames(`Phone Case for Nova 12 Black
        Phone Case for Nova 12 Clear
        Phone Case for Nova 12 Pro Black
        Phone Case for Nova 13 Black`),
    ).toEqual(['Phone Case | Fits model: Nova 12, Nova 12 Pro, Nova 13 | Colour: Black, Clear']);
    expect(toldOfNames('Cover for Bikes S\nCover for Bikes M\nCover for Grills S\nCover for Grills M')).toEqual([
      'Cover for Bikes | Size: S, M',
      'Cover for Grills | Size: S, M',
    ]);
  });
});

describe('families and their values', () => {
  const goods = ['Fell Fleece', 'Tarn Vest'];
  const listIn = (write: (name: string, colour: string, size: string) => string) =>
    goods
      .flatMap((name) =>
        ['Navy', 'Forest Green'].flatMap((colour) => ['M', '3XL'].map((size) => write(name, colour, size))),
      )
      .join('\n');
  it.each<[string, (name: string, colour: string, size: string) => string]>([
    ['Fell Fleece M [Navy]', (name, colour, size) => `${name} ${size} [${colour}]`],
    ['Fell Fleece (Navy/M)', (name, colour, size) => `${name} (${colour}/${size})`],
    ['Fell Fleece (Navy-M)', (name, colour, size) => `${name} (${colour}-${size})`],
    ['Fell Fleece [Navy] [M]', (name, colour, size) => `${name} [${colour}] [${size}]`],
    ['Fell Fleece > Navy > M', (name, colour, size) => `${name} > ${colour} > ${size}`],
    ['M / Fell Fleece / Navy', (name, colour, size) => `${size} / ${name} / ${colour}`],
  ])('are called by their words alone, without the signs beside them: %s', (_, write) => {
    const options = ['Colour: Navy, Forest Green', 'Size: M, 3XL'];
    expect(toldOfNames(listIn(write), '49.00').map((line) => line.split(' | ').sort())).toEqual(
      goods.map((name) => [...options, name].sort()),
    );
  });
  it('are spelled as the list has them where there is more than one short way', () => {
    expect(
      toldOfNames('Fell Fleece Navy Medium\nFell Fleece Navy 3xl\nFell Fleece Rust 3xl\nFell Fleece Sage XXXL'),
    ).toEqual(['Fell Fleece | Colour: Navy, Rust, Sage | Size: M, 3XL']);
    expect(toldOfNames('Fell Fleece M\nFell Fleece XXXL')).toEqual(['Fell Fleece | Size: M, XXXL']);
  });
  it('keep a size of one alone where the names of others have theirs, and no sign where it stood', () => {
    for (const mark of [' - ', '/', ', ', ' | ']) {
      const rows = [
        ['Fell Rope', '1 m'],
        ['Fell Rope', '2 m'],
        ['Tarn Rope', '2 m'],
        ['Tarn Rope', '5 m'],
        ['Moor Rope', '3 m'],
      ];
      expect(
        toldOfNames(
          rows.flatMap(([name, size]) => ['Navy', 'Rust'].map((one) => [name, one, size].join(mark))).join('\n'),
        ).at(-1),
      ).toBe('Moor Rope | Colour: Navy, Rust | Length: 3 m');
    }
    expect(toldOfNames('Fell Brogues Tan 41\nFell Brogues Black 41\nTarn Vest Navy')[0]).toBe(
      'Fell Brogues 41 | Colour: Tan, Black',
    );
    expect(
      toldOfNames(
        'Fell Brogues Tan 41\nFell Brogues Black 41\nTarn Boots Tan 40\nTarn Boots Tan 42\nMoor Boots Tan 40\nMoor Boots Tan 42',
      )[0],
    ).toBe('Fell Brogues | Colour: Tan, Black | Size: 41');
    expect(toldOfNames('Rope Navy/3 m\nRope Rust/3 m')).toEqual(['Rope 3 m | Colour: Navy, Rust']);
  });
  it('are colours with a size for a word, where the size stands elsewhere', () => {
    expect(
      toldOfNames(
        'Fell Blazer - Medium Roast - 12\nFell Blazer - Medium Roast - 14\nFell Blazer - Navy - 12\nFell Blazer - Navy - 14',
        '49.00',
      ),
    ).toEqual(['Fell Blazer | Colour: Medium Roast, Navy | Size: 12, 14']);
  });
  it('are of a colour by a word behind it, though goods have but one word and what they are made of', () => {
    expect(toldOfNames('Velvet Lipstick Rosewood\nVelvet Lipstick Coral Kiss\nVelvet Lipstick Honey', '14.00')).toEqual(
      ['Velvet Lipstick | Colour: Rosewood, Coral Kiss, Honey'],
    );
  });
});
