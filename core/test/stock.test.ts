/** Pieces: what an account is told of, and limits of orders. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { type StockRule, piecesFor } from '../src/stock/stockRule';
import { canBeMet } from '../src/fit/findings/orders';
import { fitInput, fitWithListings } from './sample';
import { wholeJacket } from './whole';

describe('pieces an account is told of', () => {
  it.each<[StockRule | undefined, number, number]>([
    [undefined, 7, 7],
    [{ none: true }, 7, 0],
    [{ buffer: 2 }, 7, 5],
    [{ buffer: 9 }, 7, 0],
    // (11 − 1) × 25 % = 2.5, rounded down.
    [{ buffer: 1, share: 25 }, 11, 2],
    [{ cap: 3 }, 7, 3],
    [{ share: 50, cap: 3 }, 5, 2],
  ])('by %o of %i are %i', (rule, pieces, told) => {
    expect(piecesFor(rule, pieces, undefined)).toBe(told);
  });
  it('are those of some places alone, where it is said so', () => {
    expect(piecesFor({ from: ['shed'] }, 9, { main: 4, shed: 5 })).toBe(5);
    expect(piecesFor({ from: ['shed'], buffer: 1 }, 9, { main: 9 })).toBe(0);
    expect(piecesFor({ from: ['main', 'shed'] }, 9, { main: 4, shed: 5 })).toBe(9);
    // Where places are not told apart all pieces are at the first: an account that draws on the shop has none of them.
    expect([piecesFor({ from: ['shop'] }, 7, undefined), piecesFor({ from: ['main'] }, 7, undefined)]).toEqual([0, 7]);
  });
  it('are never more than there are, nor below zero', () => {
    const rule = fc.record(
      { none: fc.boolean(), buffer: fc.nat(50), share: fc.integer({ min: 1, max: 100 }), cap: fc.nat(50) },
      { requiredKeys: [] },
    );
    fc.assert(
      fc.property(rule, fc.nat(100), (one, pieces) => {
        const told = piecesFor(one, pieces, undefined);
        expect(told).toBeGreaterThanOrEqual(0);
        expect(told).toBeLessThanOrEqual(pieces);
        expect(Number.isInteger(told)).toBe(true);
      }),
    );
  });
  it('go out with the listing; what is not counted is bounded as well', () => {
    const { family, ...given } = wholeJacket();
    const pieces = (stock: StockRule) => {
      const { listings } = fitWithListings(fitInput(family, 'own-shop', { ...given, settings: { stock } }));
      return new Set(listings.flatMap((one) => one.offers.map((offer) => offer.stock)));
    };
    const all = Math.max(...Object.values(given.stock));
    expect(Math.max(...pieces({ buffer: 1 }))).toBe(all - 1);
    expect(pieces({ none: true })).toEqual(new Set([0]));
  });
});

describe('limits of an order', () => {
  it('can be met where counting finds a number that does', () => {
    const limit = fc.option(fc.integer({ min: 0, max: 20 }), { nil: null });
    fc.assert(
      fc.property(limit, limit, limit, (least, most, multiple) => {
        const numbers = Array.from({ length: 500 }, (_, at) => at + 1);
        const some = numbers.some(
          (one) =>
            one >= (least ?? 0) &&
            one <= (most ?? Infinity) &&
            (multiple === null || (multiple > 0 && one % multiple === 0)),
        );
        expect(canBeMet(least, most, multiple)).toBe(some);
      }),
    );
  });
});
