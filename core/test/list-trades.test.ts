/** Choices of single trades in names: how coffee is ground, how firm a pillow is, for which hand. Made up; common practice. */
import { describe, expect, it } from 'vitest';
import { toldOf, toldOfNames } from './told';

describe('words that are a choice of one trade', () => {
  it('are an axis of their own where the same goods have several of them', () => {
    expect(
      toldOfNames(`Moor Blend Coffee Whole Bean 250 g
        Moor Blend Coffee Whole Bean 1 kg
        Moor Blend Coffee Ground 250 g
        Moor Blend Coffee Ground 1 kg
        Plain Curtain Eyelet 110x140 cm
        Plain Curtain Eyelet 160x180 cm
        Plain Curtain Pencil Pleat 110x140 cm
        Vorhang Küste Ösen 140x245
        Vorhang Küste Kräuselband 140x245`),
    ).toEqual([
      'Moor Blend Coffee | Grind: Whole Bean, Ground | Size: 250 g, 1 kg',
      'Plain Curtain | Heading: Eyelet, Pencil Pleat | Size: 110x140 cm, 160x180 cm',
      'Vorhang Küste | Heading: Ösen, Kräuselband | Size: 140x245',
    ]);
  });
  it('are one value however they are spelled', () => {
    expect(
      toldOfNames(`Batting Glove Left Hand M
        Batting Glove Left-Handed L
        Batting Glove Right-Handed M
        Batting Glove Right Hand L`),
    ).toEqual(['Batting Glove | Hand: Left Hand, Right Hand | Size: M, L']);
  });
  it('are taken for it though they might be a size, a material or a shade', () => {
    expect(
      toldOfNames(`Cloud Pillow Soft
        Cloud Pillow Medium
        Cloud Pillow Firm
        Gel Pen Fine Black
        Gel Pen Medium Black
        Gel Pen Fine Blue
        Gel Pen Medium Blue
        Wall Paint Moss Matt 5 L
        Wall Paint Moss Satin 5 L
        Wall Paint Rust Satin 5 L`),
    ).toEqual([
      'Cloud Pillow | Firmness: Soft, Medium, Firm',
      'Gel Pen | Nib: Fine, Medium | Colour: Black, Blue',
      'Wall Paint 5 L | Colour: Moss, Rust | Finish: Matt, Satin',
    ]);
  });
  it('may lead where the trade says them first', () => {
    expect(
      toldOfNames(`Left-Handed Scissors
        Right-Handed Scissors
        Square Box
        Round Box`),
    ).toEqual(['Scissors | Hand: Left-Handed, Right-Handed', 'Square Box', 'Round Box']);
  });
  it('leave apart what has none of them', () => {
    expect(
      toldOfNames(`Butter 250 g
        Butter Salted 250 g
        Butter Unsalted 250 g`),
    ).toEqual(['Butter 250 g | Salt: Salted, Unsalted', 'Butter 250 g']);
  });
});

describe('what goods measure', () => {
  it('is the colour of light in thousands, and a book without pages is a binding', () => {
    expect(
      toldOfNames(`Tide Bulb E27 2700K
        Tide Bulb E27 4000K
        Tide Bulb E14 2700K
        Tide Bulb E14 4000K
        The Weaver's Year Hardcover
        The Weaver's Year E-book`),
    ).toEqual(['Tide Bulb | Base: E14, E27 | Size: 2700K, 4000K', "The Weaver's Year | Binding: Hardcover, E-book"]);
    // Nor are gold and screens, whose thousands are others.
    expect(toldOfNames('Wave Ring 9K\nWave Ring 14K')).not.toContainEqual(expect.stringContaining('Wave Ring | '));
  });
  it('is one value with the size that it stands in brackets behind, where each size measures the same', () => {
    expect(
      toldOfNames(`City Bike Astrid S (48 cm) Cream
        City Bike Astrid M (52 cm) Cream
        City Bike Astrid M (52 cm) Racing Green`),
    ).toEqual(['City Bike Astrid | Size: S (48 cm), M (52 cm) | Colour: Cream, Racing Green']);
    expect(
      toldOfNames(`Fell Jeans S (30 in)
        Fell Jeans S (32 in)
        Fell Jeans M (30 in)
        Fell Jeans M (32 in)`),
    ).toEqual(['Fell Jeans | Size: S, M | Length: 30 in, 32 in']);
  });
  it('is not what a name says of all its rows', () => {
    expect(
      toldOfNames(`Mattress Soft Cloud 90x200 cm Firm
        Mattress Soft Cloud 90x200 cm Medium
        Mattress Soft Cloud 140x200 cm Firm
        Mattress Soft Cloud 140x200 cm Medium`),
    ).toEqual(['Mattress Soft Cloud | Size: 90x200 cm, 140x200 cm | Firmness: Firm, Medium']);
  });
});

describe('the same words', () => {
  it('are of the name where goods have one of them, or come in no such choice', () => {
    const names = [
      'Ground Sheet Fell',
      'Firm Hold Gel',
      'Soft Toy Bear',
      'Fine Merino Scarf',
      'Broad Merino Scarf',
      'Chino Regular Navy',
      'Chino Wide Navy',
      'Tee Round Neck',
      'Tee Square Neck',
    ];
    expect(toldOfNames(names.join('\n'))).toEqual(names);
  });
  it('are of the name where style codes hold them apart', () => {
    const rows = [
      ['Trail Shoe Narrow 40', 'N100'],
      ['Trail Shoe Narrow 41', 'N100'],
      ['Trail Shoe Wide 40', 'W100'],
      ['Trail Shoe Wide 41', 'W100'],
    ];
    expect(toldOf([['Name', 'Style code'], ...rows])).toEqual([
      'Trail Shoe Narrow | Size: 40, 41',
      'Trail Shoe Wide | Size: 40, 41',
    ]);
    expect(toldOf([['Name'], ...rows.map(([name]) => [name!])])).toEqual([
      'Trail Shoe | Width: Narrow, Wide | Size: 40, 41',
    ]);
  });
});

describe('a number with P behind the goods', () => {
  it('is for how many they are, beside others', () => {
    expect(
      toldOfNames(`Tent Fell 2P
        Tent Fell 3P
        Label Printer 120P`),
    ).toEqual(['Tent Fell | Size: 2P, 3P', 'Label Printer 120P']);
  });
});
