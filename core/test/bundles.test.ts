/** Sets of items: how they are written, and how many there are pieces for. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bundlePieces, partsText, readParts, withRenamedPart } from '../src/bundles/parts';
import { unreadableText } from '../src/refusal/refusal';

const said = (text: string) => {
  const read = readParts(text);
  return read.ok ? read.text : unreadableText(read);
};

describe('the parts of a set', () => {
  it.each([
    ['2 × SKJ-RST-M, 1 × GMG-CHK', '2 × SKJ-RST-M, 1 × GMG-CHK'],
    ['2 x SKJ-RST-M; GMG-CHK', '2 × SKJ-RST-M, 1 × GMG-CHK'],
    ['SKJ-RST-M × 2\nGMG-CHK*3', '2 × SKJ-RST-M, 3 × GMG-CHK'],
    ['4 SOCK', '4 × SOCK'],
    // Letters x are in SKUs: without a blank beside it one is no sign.
    ['2x4-BOARD', '1 × 2x4-BOARD'],
    ['10 2x4-BOARD', '10 × 2x4-BOARD'],
    ['A, a, 2 × A', '4 × A'],
  ])('%s', (text, usual) => expect(said(text)).toBe(usual));
  it.each([
    ['two socks', 'no part of a set'],
    ['0 × A', '1 to 999'],
    ['1000 × A', '1 to 999'],
    ['-A', 'starts with a letter or digit'],
    [Array.from({ length: 21 }, (_, at) => `A${at}`).join(), '20 are kept at most'],
  ])('%s is refused', (text, why) => expect(said(text)).toContain(why));
  const sku = fc.stringMatching(/^[A-Z][A-Z0-9-]{0,6}$/);
  const set = fc.uniqueArray(fc.record({ sku, pieces: fc.integer({ min: 1, max: 999 }) }), {
    minLength: 1,
    maxLength: 20,
    selector: (part) => part.sku,
  });
  it('are read as they are written', () => {
    fc.assert(
      fc.property(set, (parts) => {
        expect(readParts(partsText(parts))).toEqual({ ok: true, parts, text: partsText(parts) });
      }),
    );
  });
  it('are enough for as many sets as can be packed, and not for one more', () => {
    fc.assert(
      fc.property(
        set,
        fc.array(fc.integer({ min: -5, max: 5000 }), { minLength: 20, maxLength: 20 }),
        (parts, stock) => {
          const there = new Map(parts.map((part, at) => [part.sku, stock[at]!]));
          const sets = bundlePieces(parts, (one) => there.get(one))!;
          const isEnough = (count: number) =>
            parts.every((part) => part.pieces * count <= Math.max(0, there.get(part.sku)!));
          expect([isEnough(sets), isEnough(sets + 1)]).toEqual([true, false]);
        },
      ),
    );
  });
  it('that are not counted set no limit; one that nobody has leaves none', () => {
    const parts = [
      { sku: 'A', pieces: 2 },
      { sku: 'B', pieces: 1 },
    ];
    expect(bundlePieces(parts, (one) => (one === 'A' ? 7 : null))).toBe(3);
    expect(bundlePieces(parts, () => null)).toBeNull();
    expect(bundlePieces(parts, (one) => (one === 'A' ? 7 : undefined))).toBe(0);
  });
  it('follow an item that gets another SKU', () => {
    expect(withRenamedPart([{ sku: 'A', pieces: 2 }], 'a', 'C')).toEqual([{ sku: 'C', pieces: 2 }]);
    expect(withRenamedPart([{ sku: 'A', pieces: 2 }], 'B', 'C')).toBeNull();
  });
});
