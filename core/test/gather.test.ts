/** Families gathered, left and copied: whatever a child holds goes with it. */
import { describe, expect, it } from 'vitest';
import { copyFamily } from '../src/copies/copyFamily';
import { figureOf } from '../src/family/level';
import type { Family } from '../src/family/shape';
import { childLabels, familyIndex } from '../src/family/weave';
import { gather } from '../src/gather/gather';
import { leave } from '../src/gather/leave';
import { proposeGather } from '../src/gather/proposeGather';
import { NEVER_SHARED } from '../src/identifiers/neverShared';
import { allPictures, picturesOf } from '../src/pictures/picturesOf';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { checkFamily, createFamily, runCommand, stormJacket } from './sample';

const registry = openRegistry(emptyRegistry());

/** A shirt of one design, in two colours and two sizes, with figures on every level. */
function shirt(design: string, price: string): Family {
  const family = createFamily({
    id: `k${design.toLowerCase()}`,
    fields: { name: `${design} tee`, brand: 'Tarn Works', price, styleCode: design.slice(0, 3).toUpperCase() },
    axes: [
      { role: 'colour', label: 'Colour', values: [{ label: 'Rust' }, { label: 'Navy' }] },
      { role: 'size', label: 'Size', values: [{ label: 'S' }, { label: 'M' }] },
    ],
    off: design === 'Puffin' ? [['Navy', 'M']] : [],
  });
  const [colour] = family.axes;
  const rust = { level: 'value' as const, axisId: colour!.id, valueId: colour!.values[0]!.id };
  const skus = Object.values(family.children).map(({ id }, at) => ({
    ...{ place: { level: 'child' as const, childId: id }, key: 'sku', figure: `${design}-${at}` },
  }));
  return runCommand(family, {
    do: 'batch',
    title: 'Furnish',
    commands: [
      { do: 'setFigures', changes: [...skus, { place: rust, key: 'cost', figure: '7.50' }] },
      { do: 'setPictures', place: { level: 'family' }, pictures: [`${design}-all`] },
      { do: 'setPictures', place: rust, pictures: [`${design}-rust`] },
    ],
  }).family;
}
const shirts = ['Gull', 'Heron', 'Puffin'].map((design, at) => shirt(design, `${20 + at}.00`));
const told = (family: Family, id: string) => {
  const child = family.children[id]!;
  return [
    child.fields.sku,
    figureOf(family, child, 'price'),
    figureOf(family, child, 'cost'),
    picturesOf(family, child),
  ];
};

describe('three families that differ in one thing', () => {
  const [gull, ...others] = shirts as [Family, ...Family[]];
  const proposal = proposeGather(registry, gull, others);
  const done = gather(registry, gull, others, proposal);

  it('are told apart by what their names differ in', () => {
    expect(proposal.axes).toEqual([{ role: 'pattern', label: 'Design' }]);
    expect(proposal.members.map(({ labels }) => labels.join(' '))).toContain('Rust S Heron');
  });

  it('become one, every child with its SKU, price, cost and pictures; the others are empty and retired', () => {
    const { family } = done.into;
    checkFamily(family);
    expect(family.axes.map(({ label, values }) => `${label} ${values.length}`)).toEqual([
      'Colour 2',
      'Size 2',
      'Design 3',
    ]);
    expect(familyIndex(family).woven).toHaveLength(11);
    for (const child of familyIndex(gull).woven) expect(told(family, child.id)).toEqual(told(gull, child.id));
    for (const { familyId, childId, to } of done.moves) {
      const from = others.find(({ id }) => id === familyId)!;
      expect(told(family, to)).toEqual(told(from, childId));
    }
    expect(done.others.map((one) => [one.family.retired, familyIndex(one.family).woven.length])).toEqual([
      [true, 0],
      [true, 0],
    ]);
  });

  it('hold what a whole design holds alike in one place, and say what stays behind', () => {
    const heron = done.into.family.axes[2]!.values.find(({ label }) => label === 'Heron')!;
    expect(heron.fields.price).toBe('21.00');
    expect(done.left.map(({ key }) => key)).toContain('name');
  });

  it('are refused where two children would be alike, or a label is missing', () => {
    const labelled = (label: string) => ({
      ...proposal,
      members: proposal.members.map((one) => ({ ...one, labels: [...one.labels.slice(0, 2), label] })),
    });
    expect(() => gather(registry, gull, others, labelled('One'))).toThrow('Two children would be Rust · S · One');
    expect(() => gather(registry, gull, others, labelled(' '))).toThrow('no label');
  });
});

it('designs are called by what their names have beside each other; one that has nothing is plain', () => {
  const mugs = ['Galley mug', 'Galley mug Anchor', 'Galley mug Gull'].map((name, at) =>
    createFamily({ id: `m${at}`, fields: { name }, axes: [], off: [] }),
  );
  const { axes, members } = proposeGather(registry, mugs[0]!, mugs.slice(1));
  expect(axes.map(({ label }) => label)).toEqual(['Design']);
  expect(members.map(({ labels }) => labels.join())).toEqual(['Plain', 'Anchor', 'Gull']);
});

describe('single products', () => {
  it('are gathered over axes read off their names', () => {
    const singles = ['Deck Cap Rust S', 'Deck Cap Rust M', 'Deck Cap Navy S'].map((name, at) =>
      createFamily({ id: `s${at}`, fields: { name }, axes: [], off: [] }),
    );
    const [first, ...others] = singles as [Family, ...Family[]];
    const { axes, members } = proposeGather(registry, first, others);
    expect(axes.map(({ role }) => role)).toEqual(['colour', 'size']);
    const { family } = gather(registry, first, others, { axes, members }).into;
    expect(familyIndex(family).woven.map((child) => childLabels(family, child).join(' '))).toEqual([
      'Rust S',
      'Rust M',
      'Navy S',
    ]);
  });
});

describe('a child that leaves', () => {
  it('is a family of one with all that held for it, and comes back by being gathered', () => {
    const jacket = stormJacket();
    const child = familyIndex(jacket).woven[3]!;
    const { from, families, moves } = leave(registry, jacket, [child.id], () => 'kalone');
    const [single] = families as [Family];
    checkFamily(single);
    const { to } = moves[0]!;
    for (const key of ['sku', 'gtin', 'price', 'cost', 'weight'])
      expect([key, figureOf(single, single.children[to]!, key)]).toEqual([key, figureOf(jacket, child, key)]);
    expect(picturesOf(single, single.children[to]!)).toEqual(picturesOf(jacket, child));
    expect(single.fields.name).toBe(`${String(jacket.fields.name)} ${childLabels(jacket, child).join(' ')}`);
    expect(from.family.children[child.id]).toBeUndefined();
    const again = gather(registry, from.family, [single], proposeGather(registry, from.family, [single]));
    expect(again.into.family.axes).toHaveLength(3);
    expect(figureOf(again.into.family, again.into.family.children[again.moves[0]!.to]!, 'price')).toBe(
      figureOf(jacket, child, 'price'),
    );
    expect(again.into.family.pictures).toEqual(jacket.pictures);
    const everyone = familyIndex(jacket).woven.map(({ id }) => id);
    expect(() => leave(registry, jacket, everyone, () => 'k')).toThrow('cannot leave');
  });
});

describe('what an account was told of a child', () => {
  it('goes with it, and is not said any more where it was', () => {
    const jacket = stormJacket();
    const child = familyIndex(jacket).woven[3]!;
    const wish = { apart: [], whole: [], leaveOut: [child.id], entries: { [child.id]: 'E1' }, offered: true };
    const told = runCommand(jacket, { do: 'setWish', account: 'own-shop', wish }).family;
    const { from, families, moves } = leave(registry, told, [child.id], () => 'kalone');
    const { to } = moves[0]!;
    expect(from.family.wishes['own-shop']).toEqual({ apart: [], whole: [], leaveOut: [], offered: true });
    expect(families[0]!.wishes['own-shop']).toMatchObject({ leaveOut: [to], entries: { [to]: 'E1' }, offered: true });
    const again = gather(registry, from.family, families, proposeGather(registry, from.family, families));
    const back = again.moves[0]!.to;
    expect(again.into.family.wishes['own-shop']).toMatchObject({ leaveOut: [back], entries: { [back]: 'E1' } });
    expect(again.others[0]!.family.wishes['own-shop']!.leaveOut).toEqual([]);
  });

  it('may be said anew while a child it names waits on the shelf', () => {
    const jacket = stormJacket();
    const [axis] = jacket.axes;
    const value = axis!.values[0]!.id;
    const child = familyIndex(jacket).woven.find((one) => one.at[axis!.id] === value)!;
    const wish = { apart: [], whole: [], leaveOut: [child.id] };
    const told = runCommand(jacket, { do: 'setWish', account: 'own-shop', wish }).family;
    const without = runCommand(told, { do: 'removeValues', axisId: axis!.id, valueIds: [value] }).family;
    const again = runCommand(without, { do: 'setWish', account: 'own-shop', wish: { ...wish, offered: true } }).family;
    expect(again.wishes['own-shop']!.leaveOut).toEqual([child.id]);
  });

  it('goes with it as well as a figure of one language', () => {
    const [gull] = shirts as [Family];
    const child = familyIndex(gull).woven[0]!;
    const place = { level: 'child' as const, childId: child.id };
    const scope = 'language:de';
    const told = runCommand(gull, {
      do: 'setFigures',
      changes: [{ place, key: 'nameSuffix', figure: 'in Rost', scope }],
    });
    const { families, moves } = leave(registry, told.family, [child.id], () => 'kalone');
    expect(families[0]!.children[moves[0]!.to]!.scoped).toEqual({ [scope]: { nameSuffix: 'in Rost' } });
  });
});

describe('a copy', () => {
  it('has the structure and the figures, and nothing that two goods never share', () => {
    const bare = stormJacket();
    const [first] = familyIndex(bare).woven;
    const numbered = { level: 'child' as const, childId: first!.id };
    const together = { level: 'combination' as const, at: Object.fromEntries(Object.entries(first!.at).slice(0, 2)) };
    const jacket = runCommand(bare, {
      do: 'batch',
      title: 'Furnish',
      commands: [
        {
          do: 'setFigures',
          changes: [
            { place: numbered, key: 'sku', figure: 'SKJ-1' },
            { place: numbered, key: 'gtin', figure: '4006381333931' },
          ],
        },
        { do: 'setPictures', place: together, pictures: ['p1'] },
        { do: 'setPictures', place: numbered, pictures: ['p2'], scope: 'account:fernpost' },
        { do: 'describePictures', notes: [{ picture: 'p1', angle: 'back' }] },
      ],
    }).family;
    const whole = copyFamily(jacket, { id: 'kcopy', fields: { name: 'Tarn jacket' }, pictures: true }).family;
    expect([...allPictures(checkFamily(whole))]).toEqual(['p1', 'p2']);
    const { family, emptied } = copyFamily(jacket, { id: 'kcopy', fields: { name: 'Tarn jacket' }, pictures: false });
    checkFamily(family);
    expect([...allPictures(family)]).toEqual([]);
    expect(family.pictureNotes).toBeUndefined();
    expect(emptied.sort()).toEqual(expect.arrayContaining(['gtin', 'sku', 'styleCode']));
    expect(familyIndex(family).woven).toHaveLength(familyIndex(jacket).woven.length);
    familyIndex(family).woven.forEach((child, at) => {
      expect(NEVER_SHARED.filter((key) => child.fields[key] !== undefined)).toEqual([]);
      expect(figureOf(family, child, 'price')).toBe(figureOf(jacket, familyIndex(jacket).woven[at]!, 'price'));
      expect(picturesOf(family, child)).toEqual([]);
    });
  });
});
