/** What is still the same after copying and filling down: found where it is a slip, quiet where it is not. */
import { describe, expect, it } from 'vitest';
import type { Command } from '../src/change/commands';
import { copyFamily } from '../src/copies/copyFamily';
import { stillSame } from '../src/copies/stillSame';
import { stillSameText } from '../src/descriptions/stillSame';
import type { Family, Figure } from '../src/family/shape';
import { familyIndex } from '../src/family/weave';
import type { Place } from '../src/place/place';
import { registry, runCommand, stormJacket } from './sample';

const jacket = stormJacket();
const colour = jacket.axes[0]!;
const size = jacket.axes.find(({ role }) => role === 'size')!;
const run = (family: Family, ...commands: Command[]) =>
  commands.reduce((now, command) => runCommand(now, command).family, family);
const set = (key: string, figures: [Place, Figure][]): Command => ({
  do: 'setFigures',
  changes: figures.map(([place, figure]) => ({ place, key, figure })),
});
const valueAt = (axis: typeof colour, nth: number): Place => ({
  level: 'value',
  axisId: axis.id,
  valueId: axis.values[nth]!.id,
});
const childAt = (childId: string): Place => ({ level: 'child', childId });
const found = (family: Family, pieces: Record<string, number> = {}, origin?: Family) =>
  stillSame(registry, family, { pieces, origin: origin ?? null });
const texts = (...asked: Parameters<typeof found>) => found(...asked).map(stillSameText);
const lengths = (...cm: number[]) =>
  set(
    'garmentLength',
    cm.map((one, nth) => [valueAt(size, nth), one]),
  );

describe('what is still the same', () => {
  it('is nothing in a family that was made with care', () => expect(texts(jacket)).toEqual([]));
  it.each([
    [
      'two sizes of one length, where lengths grow',
      [68, 70, 72, 72, 76, 78],
      ['Garment length is 72 cm for M and L; the other sizes differ.'],
    ],
    [
      'every size of one length, each for itself',
      [72, 72, 72, 72, 72, 72],
      ['Garment length is 72 cm for every size, each for itself.'],
    ],
    ['lengths that grow', [68, 70, 72, 74, 76, 78], []],
    ['sizes made in pairs', [68, 68, 72, 72, 76, 76], []],
    ['lengths of which some are missing', [68, 70], []],
  ])('%s', (_what, cm, said) => expect(texts(run(jacket, lengths(...cm)))).toEqual(said));
  it('is told once for all colours, with every child, where the lengths stand at the children', () => {
    const { woven } = familyIndex(jacket);
    const cm = [68, 70, 72, 72, 76, 78];
    const nth = (child: (typeof woven)[number]) => size.values.findIndex(({ id }) => id === child.at[size.id]);
    const figures = woven.map((child): [Place, Figure] => [childAt(child.id), cm[nth(child)]!]);
    const [one, ...others] = found(run(jacket, set('garmentLength', figures)));
    expect(others).toEqual([]);
    expect(one!.childIds.length).toBe(woven.filter((child) => [2, 3].includes(nth(child))).length);
  });
  it('a picture of one colour under another, at the value or at its children; not where it is the family’s', () => {
    const put = (place: Place, ...pictures: string[]): Command => ({ do: 'setPictures', place, pictures });
    const twice = run(jacket, put(valueAt(colour, 0), 'p1', 'p2'), put(valueAt(colour, 1), 'p1', 'p3'));
    const said = [`${colour.values[0]!.label} and ${colour.values[1]!.label} have the same main picture.`];
    expect(texts(twice)).toEqual(said);
    const child = familyIndex(jacket).woven.find(({ at }) => at[colour.id] === colour.values[1]!.id)!;
    expect(texts(run(jacket, put(valueAt(colour, 0), 'p1'), put(childAt(child.id), 'p1')))).toEqual(said);
    expect(texts(run(jacket, put({ level: 'family' }, 'p1')))).toEqual([]);
    expect(texts(run(jacket, put(valueAt(size, 0), 'p1')))).toEqual([]);
  });
  it('pieces of one colour under another, or one number everywhere; not for what is made to order', () => {
    const { woven } = familyIndex(jacket);
    const stock = (of: (nth: number, colourAt: number) => number) =>
      Object.fromEntries(
        woven.map((child, nth) => [
          child.id,
          of(
            nth,
            colour.values.findIndex(({ id }) => id === child.at[colour.id]),
          ),
        ]),
      );
    const perColour = woven.length / colour.values.length;
    expect(
      texts(
        jacket,
        stock((nth) => nth),
      ),
    ).toEqual([]);
    expect(
      texts(
        jacket,
        stock((nth, at) => (at < 2 ? nth % perColour : nth + 40)),
      ),
    ).toEqual([`${colour.values[0]!.label} and ${colour.values[1]!.label} have the same pieces, child by child.`]);
    expect(
      texts(
        jacket,
        stock(() => 10),
      ),
    ).toEqual([`All ${woven.length} children have 10 pieces.`]);
    expect(
      texts(
        jacket,
        stock(() => 0),
      ),
    ).toEqual([]);
    expect(
      texts(
        run(jacket, set('counting', [[{ level: 'family' }, 'toOrder']])),
        stock(() => 10),
      ),
    ).toEqual([]);
  });
  it('a maker’s part number on two children, a swatch on two colours, a text that says another colour', () => {
    const [one, two] = familyIndex(jacket).woven;
    const numbered = set('mpn', [
      [childAt(one!.id), 'SK-1'],
      [childAt(two!.id), 'sk-1'],
    ]);
    expect(texts(run(jacket, numbered))).toEqual(["2 children have the maker's part number SK-1."]);
    const swatch = colour.values[0]!.swatch!;
    const valueId = colour.values[1]!.id;
    expect(texts(run(jacket, { do: 'editValue', axisId: colour.id, valueId, swatch }))).toEqual([
      `${colour.values[0]!.label} and ${colour.values[1]!.label} have the same swatch.`,
    ]);
    const says = (text: string) => texts(run(jacket, set('shortText', [[valueAt(colour, 1), text]])));
    expect(says('The colour of rust on old iron.')).toEqual(['Short text of Spruce says "Rust".']);
    expect(says('Rustling leaves.')).toEqual([]);
    expect(says('Spruce goes with Rust.')).toEqual([]);
  });
  it('in a copy: pictures, numbers and the name of what it was copied from', () => {
    const origin = run(
      jacket,
      { do: 'setPictures', place: { level: 'family' }, pictures: ['p1', 'p2'] },
      set('description', [[{ level: 'family' }, 'The Storm jacket is made for the pier.']]),
      set('name', [[{ level: 'family' }, 'Storm jacket']]),
    );
    const { family } = copyFamily(origin, { id: 'k2', fields: { name: 'Harbour coat' }, pictures: true });
    expect(family.copiedFrom).toBe(origin.id);
    const said = texts(family, {}, origin);
    expect(said).toContain('2 pictures are those of Storm jacket.');
    expect(said).toContain('Description says "Storm jacket", which this was copied from.');
    expect(said.at(-1)).toMatch(/^As for Storm jacket: .*Price/);
    expect(texts(family)).toEqual([]);
  });
  it('is quiet once it is called right, and told again when it is something else', () => {
    const tied = run(jacket, lengths(68, 70, 72, 72, 76, 78));
    const signatures = found(tied).map(({ signature }) => signature);
    const settled = run(tied, { do: 'settleSame', signatures, settled: true });
    expect(texts(settled)).toEqual([]);
    expect(texts(run(settled, lengths(68, 70, 73, 73, 76, 78)))).toHaveLength(1);
    expect(texts(run(settled, { do: 'settleSame', signatures, settled: false }))).toHaveLength(1);
  });
});
