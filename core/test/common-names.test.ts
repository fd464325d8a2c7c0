/** Words that every object has a property of are words like any other: colours, axes, values, columns, units, pairings. */
import { describe, expect, it } from 'vitest';
import { guessSwatch } from '../src/colour/name';
import { applyPatch } from '../src/difference/patch';
import { readList } from '../src/intake/families/readList';
import { NO_SETTLEMENT } from '../src/intake/families/settlement';
import { NO_MAPPING } from '../src/intake/table/shape';
import { readWeight } from '../src/measure/units';
import { foldForPairing, withPairings } from '../src/pairing/pairings';
import { createFamily, registry, runCommand } from './sample';

const NAMES = ['constructor', 'toString', '__proto__', 'hasOwnProperty', 'valueOf'];

describe.each(NAMES)('"%s"', (name) => {
  it('is a colour nobody knows, and no unit', () => {
    expect(guessSwatch(name)).toBeNull();
    expect(readWeight(`5 ${name}`).ok).toBe(false);
  });
  it('is the label of an axis and of a value; both are added, shelved, brought back and undone', () => {
    const family = createFamily({
      id: 'fn',
      fields: { name: 'Coat' },
      axes: [{ role: 'colour', label: 'Colour', values: [{ label: name }, { label: 'Rust' }] }],
      off: [],
    });
    const added = runCommand(family, {
      do: 'addAxis',
      role: 'other',
      label: name,
      existingTake: 0,
      values: [{ label: 'one' }, { label: 'two' }],
    });
    expect({ ...applyPatch(added.family, added.inverse), next: 0, revision: 0 }).toEqual({
      ...family,
      next: 0,
      revision: 0,
    });
    const [colour] = added.family.axes;
    const without = runCommand(added.family, {
      do: 'removeValues',
      axisId: colour!.id,
      valueIds: [colour!.values[0]!.id],
    });
    const back = runCommand(without.family, { do: 'addValues', axisId: colour!.id, values: [{ label: name }] });
    expect(Object.keys(back.family.children).sort()).toEqual(Object.keys(added.family.children).sort());
    expect(Object.keys(back.family.shelf)).toEqual([]);
  });
  it('is paired, and a word of the dictionary', () => {
    const table = withPairings({}, [{ role: 'colour', value: name, to: 'Grey' }]);
    expect(table.colour![foldForPairing(name)]).toBe('Grey');
    expect(registry.word('colour', name)).toBeUndefined();
  });
  it('stands in a list as a colour, a size, a header or a name, and the list is read', () => {
    const table = [
      ['Name', 'Colour', 'Size', 'SKU', name],
      ['Coat', name, 'S', 'A-1', 'x'],
      ['Coat', 'Rust', name, 'A-2', name],
      [`Hat ${name}`, 'Rust', 'M', 'A-3', ''],
    ];
    const read = readList(registry, table, NO_MAPPING, NO_SETTLEMENT);
    expect(read.families.length + read.singles.length).toBeGreaterThan(0);
  });
});
