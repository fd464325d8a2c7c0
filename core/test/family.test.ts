import fc from 'fast-check';
import { applyPatch as applyByLibrary } from 'rfc6902';
import { describe, expect, it } from 'vitest';
import { alikeWithout } from '../src/axes/alike';
import type { Command, SingleCommand } from '../src/change/commands';
import { applyPatch } from '../src/difference/patch';
import { figureOf, inherited, resolve } from '../src/family/level';
import { type Family, FamilySchema } from '../src/family/shape';
import { childLabels, familyIndex } from '../src/family/weave';
import { Refusal } from '../src/refusal/refusal';
import { anyFamily, createFamily, describeChange, replaceWith, runCommand, stormJacket, titleOf } from './sample';

const axisOf = (family: Family, label: string) => family.axes.find((axis) => axis.label === label)!;
const valueOf = (family: Family, axis: string, label: string) =>
  axisOf(family, axis).values.find((value) => value.label === label)!;
const childAt = (family: Family, ...labels: string[]) =>
  familyIndex(family).woven.find((child) => childLabels(family, child).join() === labels.join())!;
const run = (family: Family, ...commands: SingleCommand[]) =>
  commands.reduce((now, command) => runCommand(now, command).family, family);
const onValue = (family: Family, axis: string, label: string) => ({
  level: 'value' as const,
  axisId: axisOf(family, axis).id,
  valueId: valueOf(family, axis, label).id,
});
const set = (
  place: Parameters<typeof resolve>[2] extends never
    ? never
    : { level: 'family' } | { level: 'value'; axisId: string; valueId: string } | { level: 'child'; childId: string },
  key: string,
  figure: string | number | null,
): SingleCommand => ({ do: 'setFigures', changes: [{ place, key, figure }] });
const refusal = (work: () => unknown): Refusal => {
  try {
    work();
  } catch (error) {
    if (error instanceof Refusal) return error;
    throw error;
  }
  throw new Error('nothing was refused');
};

/** SKUs on every child, so that identity can be followed. */
function numbered(family: Family): Family {
  return run(family, {
    do: 'setFigures',
    changes: familyIndex(family).woven.map((child, at) => ({
      place: { level: 'child', childId: child.id },
      key: 'sku',
      figure: `SKU-${at}`,
    })),
  });
}

describe('the weave', () => {
  it('is sparse, with sizes in size order', () => {
    const jacket = stormJacket();
    expect(familyIndex(jacket).woven).toHaveLength(44);
    expect(axisOf(jacket, 'Size').values.map((value) => value.label)).toEqual(['XS', 'S', 'M', 'L', 'XL', 'XXL']);
    expect(childAt(jacket, 'Rust', 'XS', 'Fleece-lined')).toBeUndefined();
  });
  it('makes 30 children of 10 designs in 3 sizes (common practice)', () => {
    const axis = (label: string, count: number) => ({
      role: 'other' as const,
      label,
      values: Array.from({ length: count }, (_, at) => ({ label: `${label} ${at}` })),
    });
    expect(
      familyIndex(
        createFamily({ id: 'f', fields: { name: 'Prints' }, axes: [axis('Design', 10), axis('Format', 3)], off: [] }),
      ).woven,
    ).toHaveLength(30);
  });
  it('keeps what a crossing held while it is out', () => {
    const jacket = numbered(stormJacket());
    const child = childAt(jacket, 'Rust', 'M', 'Unlined');
    const out = run(jacket, { do: 'setWoven', crossings: [child.at], woven: false });
    expect(familyIndex(out).woven).toHaveLength(43);
    expect(childAt(run(out, { do: 'setWoven', crossings: [child.at], woven: true }), 'Rust', 'M', 'Unlined')).toEqual(
      child,
    );
  });
});

describe('levels', () => {
  const jacket = stormJacket();
  it('take the nearest figure; on a tie between values the later axis wins, and says so', () => {
    const priced = run(
      jacket,
      set(onValue(jacket, 'Size', 'XXL'), 'price', '199.00'),
      set(onValue(jacket, 'Lining', 'Fleece-lined'), 'price', '219.00'),
    );
    const child = childAt(priced, 'Rust', 'XXL', 'Fleece-lined');
    expect(resolve(priced, child, 'price')).toEqual({
      figure: '219.00',
      from: onValue(priced, 'Lining', 'Fleece-lined'),
      scope: 'everywhere',
      beaten: [onValue(priced, 'Size', 'XXL')],
    });
    expect(figureOf(priced, childAt(priced, 'Rust', 'XXL', 'Unlined'), 'price')).toBe('199.00');
    expect(resolve(priced, childAt(priced, 'Rust', 'M', 'Unlined'), 'price').from).toEqual({ level: 'family' });
  });
  it('let a child have its own and give it back', () => {
    const child = childAt(jacket, 'Ochre', 'S', 'Unlined');
    const own = run(jacket, set({ level: 'child', childId: child.id }, 'price', '150'));
    expect(figureOf(own, own.children[child.id]!, 'price')).toBe('150');
    const back = run(own, set({ level: 'child', childId: child.id }, 'price', null));
    expect(figureOf(back, back.children[child.id]!, 'price')).toBe('189.00');
  });
  it('refuse what is no figure, at its place, with nothing changed', () => {
    const child = childAt(jacket, 'Ochre', 'S', 'Unlined');
    expect(refusal(() => run(jacket, set({ level: 'child', childId: child.id }, 'price', '-1')))).toMatchObject({
      code: 'figure.below-zero',
      place: { childId: child.id, key: 'price' },
    });
    expect(refusal(() => run(jacket, set({ level: 'family' }, 'sku', 'X')))).toMatchObject({ code: 'field.level' });
    expect(
      refusal(() =>
        run(jacket, {
          do: 'setFigures',
          changes: [
            { place: { level: 'child', childId: child.id }, key: 'sku', figure: 'ONE' },
            {
              place: { level: 'child', childId: childAt(jacket, 'Ochre', 'M', 'Unlined').id },
              key: 'sku',
              figure: 'one',
            },
          ],
        }),
      ),
    ).toMatchObject({ code: 'sku.twice' });
  });
});

describe('restructuring', () => {
  const jacket = numbered(stormJacket());
  it('adds a colour as new children alone, where the other colours are woven', () => {
    const grown = run(jacket, { do: 'addValues', axisId: axisOf(jacket, 'Colour').id, values: [{ label: 'Kelp' }] });
    const fresh = familyIndex(grown).woven.filter((child) => !jacket.children[child.id]);
    expect(fresh).toHaveLength(11);
    for (const child of familyIndex(jacket).woven) expect(grown.children[child.id]).toEqual(child);
  });
  it('puts a size that is added later into its place', () => {
    expect(
      axisOf(
        run(jacket, {
          do: 'addValues',
          axisId: axisOf(jacket, 'Size').id,
          values: [{ label: '3XL' }, { label: 'XXS' }],
        }),
        'Size',
      ).values.map((value) => value.label),
    ).toEqual(['XXS', 'XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL']);
  });
  it('brings children back, SKU and all, with a value that comes back', () => {
    const colour = axisOf(jacket, 'Colour').id;
    const without = run(jacket, {
      do: 'removeValues',
      axisId: colour,
      valueIds: [valueOf(jacket, 'Colour', 'Rust').id],
    });
    expect(familyIndex(without).woven).toHaveLength(33);
    const again = run(without, { do: 'addValues', axisId: colour, values: [{ label: 'rust' }] });
    const skus = (family: Family) =>
      familyIndex(family)
        .woven.map((child) => child.fields.sku)
        .sort();
    expect(skus(again)).toEqual(skus(jacket));
    expect(Object.values(again.shelf).filter((one) => one.child.woven)).toEqual([]);
  });
  it('asks which child stays when an axis goes, and keeps the others on the shelf', () => {
    const lining = axisOf(jacket, 'Lining');
    expect(alikeWithout(jacket, lining.id)).toHaveLength(20);
    const asked = refusal(() => run(jacket, { do: 'removeAxis', axisId: lining.id, keep: {} }));
    expect(asked.code).toBe('axis.alike');
    expect(asked.detail).toHaveLength(20);
    const priced = run(jacket, set(onValue(jacket, 'Lining', 'Fleece-lined'), 'price', '219.00'));
    const merged = run(priced, {
      do: 'removeAxis',
      axisId: lining.id,
      keep: { valueId: valueOf(jacket, 'Lining', 'Fleece-lined').id },
    });
    expect(familyIndex(merged).woven).toHaveLength(24);
    // Fleece-lined figures stay with the child they held for; XS was only made unlined and stays as it was.
    expect(figureOf(merged, childAt(merged, 'Rust', 'M'), 'price')).toBe('219.00');
    expect(figureOf(merged, childAt(merged, 'Rust', 'XS'), 'price')).toBe('189.00');
    const shelved = Object.values(merged.shelf).filter((one) => one.child.woven);
    expect(shelved).toHaveLength(20);
    expect(shelved[0]!.was).toMatchObject({ Lining: 'Unlined' });
    expect(
      refusal(() =>
        run(
          merged,
          set(
            { level: 'child', childId: childAt(merged, 'Rust', 'XS').id },
            'sku',
            String(shelved[0]!.child.fields.sku),
          ),
        ),
      ),
    ).toMatchObject({ code: 'sku.twice' });
  });
  it('moves no price when axes change places', () => {
    const priced = run(
      jacket,
      set(onValue(jacket, 'Size', 'XXL'), 'price', '199.00'),
      set(onValue(jacket, 'Lining', 'Fleece-lined'), 'price', '219.00'),
    );
    const moved = run(priced, { do: 'moveAxis', axisId: axisOf(priced, 'Lining').id, to: 0 });
    expect(moved.axes.map((axis) => axis.label)).toEqual(['Lining', 'Colour', 'Size']);
    for (const child of familyIndex(priced).woven)
      expect(figureOf(moved, moved.children[child.id]!, 'price')).toBe(figureOf(priced, child, 'price'));
  });
  it('renames everywhere, the SKU pattern included', () => {
    const renamed = run(
      jacket,
      { do: 'renameAxis', axisId: axisOf(jacket, 'Lining').id, label: 'Inner side' },
      {
        do: 'editValue',
        axisId: axisOf(jacket, 'Colour').id,
        valueId: valueOf(jacket, 'Colour', 'Rust').id,
        label: 'Copper',
      },
    );
    expect(renamed.skuPattern).toBe('{style}-{colour}-{size}-{inner-side}');
    expect(childAt(renamed, 'Copper', 'M', 'Unlined').id).toBe(childAt(jacket, 'Rust', 'M', 'Unlined').id);
  });
});

describe('the SKU pattern', () => {
  const jacket = stormJacket();
  const addCuff: SingleCommand = {
    do: 'addAxis',
    role: 'other',
    label: 'Cuff',
    values: [{ label: 'Plain' }, { label: 'Ribbed' }],
    existingTake: 0,
  };
  const drop = (family: Family): SingleCommand => {
    const axis = axisOf(family, 'Lining');
    return { do: 'removeAxis', axisId: axis.id, keep: { valueId: axis.values[0]!.id } };
  };
  it('of the style and every axis takes new axes in and lets old ones go', () => {
    const grown = run(jacket, addCuff);
    expect([grown.skuPattern, run(grown, drop(grown)).skuPattern]).toEqual([
      '{style}-{colour}-{size}-{lining}-{cuff}',
      '{style}-{colour}-{size}-{cuff}',
    ]);
  });
  it("of the seller's own is left alone", () => {
    const own = run(jacket, { do: 'setSkuPattern', pattern: '{colour}.{size}' });
    expect([run(own, addCuff).skuPattern, run(own, drop(own)).skuPattern]).toEqual([
      '{colour}.{size}',
      '{colour}.{size}',
    ]);
  });
});

describe('a command that says what is so already', () => {
  it('changes nothing: the same family comes back, without a patch', () => {
    const jacket = run(
      stormJacket(),
      { do: 'setFigures', changes: [{ place: { level: 'family' }, key: 'highlights', figure: ['One', 'Two'] }] },
      { do: 'setPictures', place: { level: 'family' }, pictures: ['a', 'b'] },
    );
    const colour = axisOf(jacket, 'Colour');
    const wished = run(jacket, {
      do: 'setWish',
      account: 'quayside',
      wish: { apart: [colour.id], whole: [], leaveOut: [], offered: true },
    });
    const again: SingleCommand[] = [
      {
        do: 'setFigures',
        changes: [
          { place: { level: 'family' }, key: 'highlights', figure: ['One', 'Two'] },
          { place: { level: 'family' }, key: 'price', figure: '189.00' },
        ],
      },
      { do: 'setPictures', place: { level: 'family' }, pictures: ['a', 'b', 'a'] },
      { do: 'orderValues', axisId: colour.id, valueIds: colour.values.map((value) => value.id) },
      { do: 'setWish', account: 'quayside', wish: { apart: [colour.id], whole: [], leaveOut: [], offered: true } },
      { do: 'renameAxis', axisId: colour.id, label: 'Colour' },
      { do: 'setWoven', crossings: [familyIndex(wished).woven[0]!.at], woven: true },
      { do: 'retireFamily', retired: false },
      { do: 'setSkuPattern', pattern: wished.skuPattern },
    ];
    for (const command of again) expect([command.do, runCommand(wished, command).forward]).toEqual([command.do, []]);
    expect(runCommand(wished, { do: 'batch', title: 'All', commands: again }).family).toBe(wished);
  });
});

describe('patches', () => {
  const figure = fc.constantFrom('10.00', '25.50', '99');
  /** Random commands on whatever the family is by then; those it refuses are passed over. */
  const anyCommand = fc.record({ kind: fc.integer({ min: 0, max: 8 }), a: fc.nat(), b: fc.nat(), figure });
  function make(
    family: Family,
    { kind, a, b, figure: amount }: { kind: number; a: number; b: number; figure: string },
  ): Command | null {
    const axis = family.axes[a % Math.max(1, family.axes.length)];
    const value = axis?.values[b % axis.values.length];
    const child = Object.values(family.children)[b % Math.max(1, Object.keys(family.children).length)];
    if (kind === 0 && child)
      return {
        do: 'setFigures',
        changes: [{ place: { level: 'child', childId: child.id }, key: 'price', figure: amount }],
      };
    if (kind === 1 && axis && value)
      return {
        do: 'setFigures',
        changes: [{ place: { level: 'value', axisId: axis.id, valueId: value.id }, key: 'price', figure: amount }],
      };
    if (kind === 2 && axis) return { do: 'addValues', axisId: axis.id, values: [{ label: `New ${b % 5}` }] };
    if (kind === 3 && axis && value) return { do: 'removeValues', axisId: axis.id, valueIds: [value.id] };
    if (kind === 4)
      return {
        do: 'addAxis',
        role: 'other',
        label: `Extra ${b % 3}`,
        values: [{ label: 'One' }, { label: 'Two' }],
        existingTake: b % 2,
      };
    if (kind === 5 && axis && value) return { do: 'removeAxis', axisId: axis.id, keep: { valueId: value.id } };
    if (kind === 6 && axis) return { do: 'moveAxis', axisId: axis.id, to: b % 4 };
    if (kind === 7 && child) return { do: 'setWoven', crossings: [child.at], woven: b % 2 === 0 };
    if (kind === 8 && axis && value)
      return { do: 'editValue', axisId: axis.id, valueId: value.id, label: `Renamed ${b % 4}` };
    return null;
  }

  it('carry every change forth and back, by our reading and by another library (RFC 6902)', () => {
    fc.assert(
      fc.property(anyFamily(3, 3), fc.array(anyCommand, { minLength: 1, maxLength: 12 }), (start, plan) => {
        let family = start;
        for (const one of plan) {
          const command = make(family, one);
          if (!command) continue;
          let changed;
          try {
            changed = runCommand(family, command);
          } catch (error) {
            expect(error).toBeInstanceOf(Refusal);
            continue;
          }
          const { revision: _before, next: _next, ...was } = family;
          const byLibrary = JSON.parse(JSON.stringify(family)) as Family;
          expect(applyByLibrary(byLibrary, changed.forward as never).every((error) => error === null)).toBe(true);
          expect({ ...byLibrary, revision: changed.family.revision }).toEqual(
            JSON.parse(JSON.stringify(changed.family)),
          );
          expect(applyPatch(family, changed.forward)).toEqual(byLibrary);
          const { revision: _after, next: _next2, ...back } = applyPatch(changed.family, changed.inverse);
          expect(back).toEqual(JSON.parse(JSON.stringify(was)));
          expect(FamilySchema.safeParse(changed.family).success).toBe(true);
          family = changed.family;
          // No child is ever lost: it is in the weave's record or on the shelf.
          for (const id of Object.keys(start.children)) expect(family.children[id] ?? family.shelf[id]).toBeDefined();
          const crossings = Object.values(family.children).map((child) =>
            family.axes.map((axis) => child.at[axis.id]).join(),
          );
          expect(new Set(crossings).size).toBe(crossings.length);
        }
      }),
      { numRuns: 150 },
    );
  });

  it('name what a change changed', () => {
    const jacket = stormJacket();
    const command: Command = {
      do: 'setFigures',
      changes: [{ place: onValue(jacket, 'Size', 'XXL'), key: 'price', figure: '199.00' }],
    };
    expect(titleOf(command, jacket)).toBe('Set price on everything XXL');
    expect(describeChange(jacket, runCommand(jacket, command).family)).toEqual([
      { where: 'everything XXL', what: 'Price', before: '', after: '199.00' },
    ]);
  });

  it('bring a family to what a file says, changing nothing when nothing differs', () => {
    const jacket = numbered(stormJacket());
    expect(replaceWith(jacket, JSON.parse(JSON.stringify(jacket)) as Family).forward).toEqual([]);
    const other = run(jacket, { do: 'addValues', axisId: axisOf(jacket, 'Colour').id, values: [{ label: 'Kelp' }] });
    const { revision: _r, ...wanted } = JSON.parse(JSON.stringify(other)) as Family;
    const { revision: _s, ...got } = replaceWith(jacket, { ...wanted, revision: 0 }).family;
    expect(got).toEqual(wanted);
    const broken = JSON.parse(JSON.stringify(jacket)) as Family;
    delete Object.values(broken.children)[0]!.at[axisOf(jacket, 'Size').id];
    expect(refusal(() => replaceWith(jacket, broken)).message).toContain('has no value on the axis Size');
    expect(inherited(jacket, childAt(jacket, 'Rust', 'M', 'Unlined'), 'sku').from).toBeNull();
  });
});
