/** The parts of the registry that families refer to, and pictures under other ids. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { accountsNamed, partsMissing, registryUsed } from '../src/export/registryUsed';
import type { FamilyFile } from '../src/family/familyFile';
import type { Family } from '../src/family/shape';
import { allPictures, withPictureIds } from '../src/pictures/picturesOf';
import { runRegistryCommand } from '../src/registry/commands';
import { openRegistry } from '../src/registry/openRegistry';
import { type RegistryData, emptyRegistry } from '../src/registry/shape';
import { anyFamily, checkFamily, registry, stormJacket } from './sample';

const fileOf = ({ revision: _revision, ...family }: Family): FamilyFile => ({
  format: 'loom-kin/family',
  version: 2,
  family,
  stock: {},
});
const partsOf = (...families: Family[]) => {
  const used = registryUsed(registry);
  for (const family of families) used.note(fileOf(family));
  return used.parts();
};
const withFields = (fields: Family['fields']): Family => {
  const jacket = stormJacket();
  return { ...jacket, fields: { ...jacket.fields, ...fields } };
};
/** A registry that has what these families need and nothing else. */
const registryWith = (...families: Family[]): RegistryData =>
  runRegistryCommand(emptyRegistry(), { do: 'takeRegistry', registry: partsOf(...families) }).data;

describe('what families refer to', () => {
  it('is their category with those above it, and no other', () => {
    const { categories } = partsOf(withFields({ category: 'outerwear/jackets' }));
    expect(Object.keys(categories!).sort()).toEqual(['outerwear', 'outerwear/jackets']);
  });

  it('are facts, wherever they stand and for whomever they hold, with the categories they are for', () => {
    const [fact] = Object.values(registry.data.facts);
    const jacket = stormJacket();
    const [child] = Object.values(jacket.children);
    const own = { ...child!, scoped: { 'account:quayside': { [fact!.key]: '70' } } };
    const parts = partsOf({ ...jacket, children: { ...jacket.children, [own.id]: own } });
    expect(Object.keys(parts.facts!)).toEqual([fact!.key]);
    for (const id of fact!.categories) expect(parts.categories).toHaveProperty([id]);
  });

  it('is enough to read them where nothing is known', () => {
    const jacket = withFields({ category: 'outerwear/jackets' });
    const elsewhere = openRegistry(registryWith(jacket));
    expect(elsewhere.pathLabel('outerwear/jackets')).toBe(registry.pathLabel('outerwear/jackets'));
    expect(elsewhere.data.facts).not.toEqual(registry.data.facts);
  });

  it('counts as missing only where it is not there, so that nothing of the seller is written over', () => {
    const jacket = withFields({ category: 'outerwear/jackets' });
    const parts = partsOf(jacket);
    const there = registryWith(jacket);
    expect(partsMissing(there, parts)).toBeNull();
    const renamed: RegistryData = {
      ...there,
      categories: {
        outerwear: { ...there.categories.outerwear!, label: 'Coats and the like' },
      },
    };
    const missing = partsMissing(renamed, parts)!;
    expect(Object.keys(missing.categories!)).toEqual(['outerwear/jackets']);
    const { data } = runRegistryCommand(renamed, { do: 'takeRegistry', registry: missing });
    expect(data.categories.outerwear!.label).toBe('Coats and the like');
  });

  it('are accounts that they say something for', () => {
    const jacket = stormJacket();
    const [axis] = jacket.axes;
    const values = axis!.values.map((value, at) =>
      at === 0
        ? { ...value, scoped: { 'account:loftline': { label: 'Rost' }, 'language:de': { label: 'Rost' } } }
        : value,
    );
    const family = { ...jacket, axes: [{ ...axis!, values }, ...jacket.axes.slice(1)] };
    const wish = { apart: [], whole: [], leaveOut: [] };
    expect([...accountsNamed({ family: { ...family, wishes: { palmway: wish } } })].sort()).toEqual([
      'loftline',
      'palmway',
    ]);
  });
});

/** A family with pictures at every kind of place. */
const pictured = fc
  .record({
    family: anyFamily(2, 2),
    ids: fc.uniqueArray(fc.stringMatching(/^[a-f]{6}$/), { minLength: 6, maxLength: 6 }),
  })
  .map(({ family, ids: [a, b, c, d, e, f] }): Family => {
    const [first, ...axes] = family.axes;
    const [child] = Object.values(family.children);
    return {
      ...family,
      pictures: [a!, b!],
      scoped: { 'account:quayside': { pictures: [b!, c!] } },
      axes: first ? [{ ...first, values: first.values.map((value) => ({ ...value, pictures: [d!] })) }, ...axes] : [],
      children: { ...family.children, [child!.id]: { ...child!, pictures: [e!, a!] } },
      pictureNotes: { [a!]: { angle: 'front', texts: { en: 'From the front' } }, [f!]: { texts: {} } } as never,
    };
  });

describe('pictures under other ids', () => {
  it('stand where they stood, and what is said of them goes with them', () => {
    fc.assert(
      fc.property(pictured, (family) => {
        const there = withPictureIds(family, (id) => `x${id}`);
        expect([...allPictures(there)].sort()).toEqual([...allPictures(family)].map((id) => `x${id}`).sort());
        expect(Object.keys(there.pictureNotes!).sort()).toEqual(
          Object.keys(family.pictureNotes!)
            .map((id) => `x${id}`)
            .sort(),
        );
        // There and back again nothing is another.
        expect(withPictureIds(there, (id) => id.slice(1))).toEqual(family);
      }),
      { numRuns: 60 },
    );
  });

  it('that are gone stand nowhere, and the family is whole without them', () => {
    fc.assert(
      fc.property(pictured, (family) => {
        const gone = family.pictures[0]!;
        const left = withPictureIds(family, (id) => (id === gone ? null : id));
        expect(allPictures(left).has(gone)).toBe(false);
        expect(allPictures(left).size).toBe(allPictures(family).size - 1);
        expect(left.pictureNotes).not.toHaveProperty([gone]);
        expect(() => checkFamily({ ...left, fields: { name: 'Any' } })).not.toThrow();
      }),
      { numRuns: 60 },
    );
  });
});
