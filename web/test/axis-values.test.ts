import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { splitList } from '../src/weave/draftValues';
import { draftValues } from './sample';

describe('values from a pasted list', () => {
  it('are parted by commas, semicolons, tabs and lines; the same label is taken once', () => {
    expect(splitList(' Rust, Spruce;Kelp\tOat\nrust,, Deep   Sea ')).toEqual([
      'Rust',
      'Spruce',
      'Kelp',
      'Oat',
      'Deep Sea',
    ]);
    expect(splitList(' , ;')).toEqual([]);
  });
  it('get a swatch when they are colours, and size order when they are sizes', () => {
    expect(draftValues(['Rust', 'Nonesuch'], 'colour')).toEqual([
      { label: 'Rust', code: 'RUS', swatch: '#A4502B' },
      { label: 'Nonesuch', code: 'NON' },
    ]);
    const sizes = draftValues(['L', 'XS', 'M'], 'size');
    expect(sizes.map((value) => [value.label, value.code])).toEqual([
      ['XS', 'XS'],
      ['M', 'M'],
      ['L', 'L'],
    ]);
  });
  it('keep what was changed by hand while more is typed, and never share a code', () => {
    const before = [{ label: 'Rust', code: 'R9', swatch: '#FF0000' }];
    expect(draftValues(['Rust', 'Rusty'], 'colour', before)[0]).toEqual(before[0]);
    fc.assert(
      fc.property(fc.string({ maxLength: 120 }), (text) => {
        const values = draftValues(splitList(text), 'other');
        expect(new Set(values.map((value) => value.code)).size).toBe(values.length);
      }),
    );
  });
});
