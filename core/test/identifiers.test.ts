import fc from 'fast-check';
import { parse as parseIsbn } from 'isbn3';
import validator from 'validator';
import { describe, expect, it } from 'vitest';
import { familyIndex } from '../src/family/weave';
import {
  type NumberBlock,
  blockNumber,
  blockSize,
  checkBlocks,
  freeRun,
  isOfBlock,
  nextNumbers,
  numbersLeft,
} from '../src/identifiers/block';
import { gtin14, gtinCheckDigit, isGtin, isIsbn10, isbn13From10, readGtin } from '../src/identifiers/gtin';
import { proposeSkus } from '../src/identifiers/proposeSkus';
import { shortCodes } from '../src/identifiers/shortCodes';
import { sortSizes } from '../src/size/sortSizes';
import { stormJacket } from './sample';

describe('GTIN', () => {
  // GS1, "How to calculate a check digit manually": 629104150021 takes 3.
  it('has the check digit of the GS1 worked example', () => expect(gtinCheckDigit('629104150021')).toBe(3));
  // Published specimen numbers: the EAN-13 of the GS1 General Specifications figures, the UPC-A of the UPC article of
  // reference works (from memory).
  it.each(['9501101530003', '4006381333931', '036000291452', '96385074', '00012345600012'])('takes %s', (number) =>
    expect(isGtin(number)).toBe(true),
  );

  it('agrees with a registry library on random EAN-8 and EAN-13 numbers, right and wrong', () => {
    const digits = (length: number) =>
      fc.array(fc.integer({ min: 0, max: 9 }), { minLength: length, maxLength: length }).map((list) => list.join(''));
    fc.assert(
      fc.property(fc.oneof(digits(8), digits(13)), fc.boolean(), (number, mend) => {
        const tried = mend ? number.slice(0, -1) + gtinCheckDigit(number.slice(0, -1)) : number;
        expect(isGtin(tried)).toBe(validator.isEAN(tried));
      }),
      { numRuns: 500 },
    );
  });
  it('notices every single wrong digit, and every swap of neighbours that do not differ by five', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 999_999_999_999 }),
        fc.integer({ min: 0, max: 11 }),
        fc.integer({ min: 1, max: 9 }),
        (body, at, shift) => {
          const text = String(body).padStart(12, '0');
          const number = text + gtinCheckDigit(text);
          const wrong = number.slice(0, at) + ((Number(number[at]) + shift) % 10) + number.slice(at + 1);
          expect(isGtin(wrong)).toBe(false);
          const swapped = number.slice(0, at) + number[at + 1] + number[at] + number.slice(at + 2);
          if (Math.abs(Number(number[at]) - Number(number[at + 1])) % 5 !== 0) expect(isGtin(swapped)).toBe(false);
        },
      ),
    );
  });
  it('sees what a spreadsheet did, and says what is right', () => {
    expect(readGtin('4.00638E+12')).toMatchObject({ ok: false, code: 'gtin.scientific' });
    expect(readGtin('4,00638E+12')).toMatchObject({ ok: false, code: 'gtin.scientific' });
    expect(readGtin('36000291452')).toMatchObject({
      ok: false,
      code: 'gtin.lost-zero',
      params: { right: '036000291452' },
    });
    expect(readGtin('4006381333930')).toMatchObject({
      ok: false,
      code: 'gtin.check-digit',
      params: { wanted: 1 },
    });
    expect(readGtin('2001234567893')).toMatchObject({ ok: false, code: 'gtin.internal' });
    expect(readGtin('12345')).toMatchObject({ ok: false, code: 'gtin.length' });
    expect(readGtin('40063813339 3l')).toMatchObject({ ok: false, code: 'gtin.letters' });
    expect(readGtin(' 4006381-333931 ')).toEqual({ ok: true, gtin: '4006381333931' });
  });
  // GS1 General Specifications, sections 1.4 (restricted numbers) and 7.10 (UPC-E), from memory; the numbers are made up.
  it.each<[string, string]>([
    ['0000000000000', 'gtin.zeros'],
    ['00000000', 'gtin.zeros'],
    ['20123451', 'gtin.internal'],
    ['0412345678903', 'gtin.internal'],
    ['94006381333934', 'gtin.variable'],
    ['01234565', 'gtin.short-form'],
  ])('%s is refused as %s', (text, code) => expect(readGtin(text)).toMatchObject({ ok: false, code }));
  it('of ten digits that could be an ISBN and a UPC without its zeros is asked about, never guessed', () => {
    // Ten digits whose ISBN check holds and which, with two zeros before, are a UPC as well.
    const both = Array.from({ length: 20_000 }, (_, at) => String(100_000_000 + at * 7)).flatMap((nine) =>
      [...'0123456789'].map((last) => nine + last).filter((ten) => isIsbn10(ten) && isGtin(`00${ten}`)),
    );
    expect(both.length).toBeGreaterThan(10);
    for (const ten of both) {
      expect(readGtin(ten)).toMatchObject({ ok: false, code: 'gtin.isbn-or-upc' });
      expect(readGtin(`ISBN ${ten}`)).toEqual({ ok: true, gtin: isbn13From10(ten) });
    }
  });
  it.each([
    'ISBN 978-0-306-40615-7',
    'ISBN-13: 9780306406157',
    '978–0–306–40615–7',
    "'9780306406157",
    '9780306406157.0',
    ' 978 0306 406157 ',
    'EAN 9780306406157',
  ])('is read from "%s"', (text) => expect(readGtin(text)).toEqual({ ok: true, gtin: '9780306406157' }));
  it('is the same number whatever its zeros', () => expect(gtin14('036000291452')).toBe(gtin14('0036000291452')));
});

describe('ISBN', () => {
  // ISBN 0-306-40615-2 = 978-0-306-40615-7: the worked example of the ISBN Users' Manual (from memory).
  it('turns ten digits into thirteen', () => {
    expect(isIsbn10('0306406152')).toBe(true);
    expect(isbn13From10('0306406152')).toBe('9780306406157');
    expect(isIsbn10('080442957X')).toBe(true);
    expect(isIsbn10('0306406153')).toBe(false);
  });
  it('agrees with a registry library', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 999_999_999 }), (body) => {
        const nine = String(body).padStart(9, '0');
        for (const mark of '0123456789X') {
          const parsed = parseIsbn(nine + mark);
          // The library also wants a known registration group; where it reads one, the numbers must be the same.
          if (parsed?.isValid && parsed.isbn13) expect(isbn13From10(nine + mark)).toBe(parsed.isbn13);
          if (isIsbn10(nine + mark)) expect(isGtin(isbn13From10(nine + mark))).toBe(true);
        }
      }),
      { numRuns: 60 },
    );
  });
});

describe('number blocks', () => {
  const block: NumberBlock = { id: 'b', label: 'b', prefix: '950110153', digits: 13, reserved: [] };
  it('give numbers in order, never one that was used', () => {
    const used = new Set([gtin14(blockNumber(block, 0)), gtin14(blockNumber(block, 2))]);
    const numbers = nextNumbers(block, used, 3);
    expect(numbers.map((number) => number.slice(9, 12))).toEqual(['001', '003', '004']);
    expect(numbers.every(isGtin)).toBe(true);
    expect(blockNumber(block, 0)).toBe('9501101530003');
  });
  it('give fewer when they run out', () =>
    expect(nextNumbers({ ...block, prefix: '95011015300' }, new Set(), 50)).toHaveLength(10));
  it('pass by what is set aside, and give it only to who asks for it', () => {
    const part = { id: 'r1', label: 'Labels', from: 1, count: 2 };
    const parted = { ...block, reserved: [part] };
    const used = new Set([gtin14(blockNumber(block, 1))]);
    const places = (numbers: string[]) => numbers.map((number) => Number(number.slice(9, 12)));
    expect(places(nextNumbers(parted, used, 2))).toEqual([0, 3]);
    expect(places(nextNumbers(parted, used, 9, part))).toEqual([2]);
    expect(numbersLeft(parted, used)).toEqual({ free: 998, reserved: { r1: 1 } });
    expect([freeRun(parted, used, 1), freeRun(parted, used, 2), freeRun(parted, used, 998)]).toEqual([0, 3, null]);
  });
  it('give out every number once, however it is taken, set aside and counted', () => {
    const small: NumberBlock = { ...block, prefix: '9501101530', digits: 13 };
    const part = fc.record({ from: fc.integer({ min: 0, max: 90 }), count: fc.integer({ min: 1, max: 10 }) });
    const parts = fc.uniqueArray(part, { maxLength: 4, selector: ({ from }) => Math.floor(from / 10) });
    fc.assert(
      fc.property(parts, fc.array(fc.integer({ min: 1, max: 30 }), { maxLength: 6 }), (asides, takes) => {
        const reserved = asides.map(({ from, count }, at) => ({
          ...{ id: `r${at}`, label: 'x', from: from - (from % 10), count },
        }));
        const parted = { ...small, reserved };
        checkBlocks([parted]);
        const used = new Set<string>();
        for (const [at, take] of takes.entries()) {
          const numbers = nextNumbers(parted, used, take, at % 2 ? reserved[at % (reserved.length || 1)] : undefined);
          for (const number of numbers) {
            expect(used.has(gtin14(number))).toBe(false);
            expect(isOfBlock(parted, number) && isGtin(number)).toBe(true);
            used.add(gtin14(number));
          }
          const left = numbersLeft(parted, used);
          const aside = Object.values(left.reserved).reduce((sum, one) => sum + one, 0);
          expect(left.free + aside + used.size).toBe(blockSize(parted));
          expect(nextNumbers(parted, used, 1000)).toHaveLength(left.free);
        }
      }),
    );
  });
  it('do not overlap, in whatever length they are written, and hold no internal numbers', () => {
    const twelve: NumberBlock = { ...block, id: 'u', label: 'U', prefix: '81234', digits: 12 };
    expect(() => checkBlocks([twelve, { ...block, prefix: '0812345' }])).toThrow('overlaps with U');
    expect(() => checkBlocks([{ ...block, prefix: '2101' }])).toThrow('inside one company only');
    expect(() => checkBlocks([{ ...block, prefix: '0412' }])).toThrow('inside one company only');
    const part = { id: 'r1', label: 'Labels', from: 998, count: 3 };
    expect(() => checkBlocks([{ ...block, reserved: [part] }])).toThrow('Labels');
    expect(isOfBlock(twelve, '0812345000008')).toBe(true);
    expect(isOfBlock(twelve, '10812345000005')).toBe(false);
  });
});

describe('SKUs', () => {
  const jacket = stormJacket();
  it('are made by the pattern, each child its own', () => {
    const made = proposeSkus(jacket, familyIndex(jacket).woven, jacket.skuPattern, () => false);
    expect(made.every((one) => one.problem === undefined)).toBe(true);
    expect(new Set(made.map((one) => one.sku)).size).toBe(44);
    expect(made[0]!.sku).toBe('SKJ-RST-XS-UNL');
  });
  it("are held back where a pattern makes two alike, takes another's, or names an axis that is not there", () => {
    const children = familyIndex(jacket).woven;
    expect(
      proposeSkus(jacket, children, '{style}-{colour}', () => false).some(
        (one) => one.problem?.code === 'sku.pattern-twice',
      ),
    ).toBe(true);
    expect(proposeSkus(jacket, children, jacket.skuPattern, (sku) => sku === 'SKJ-RST-XS-UNL')[0]!.problem?.code).toBe(
      'sku.given-before',
    );
    expect(proposeSkus(jacket, children, '{style}-{length}', () => false)[0]!.problem).toMatchObject({
      code: 'sku.pattern',
      params: { mark: 'length' },
    });
  });
  it('have short codes that differ', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.string({ minLength: 1, maxLength: 20 }), { maxLength: 40 }), (labels) => {
        const codes = shortCodes(labels);
        expect(new Set(codes).size).toBe(labels.length);
        for (const code of codes) expect(code).toMatch(/^[A-Z0-9]{1,6}$/);
      }),
    );
  });
});

describe('sizes', () => {
  // Common practice: letters by size, numbers by number, ages by age.
  it.each([
    [
      ['XL', 'S', 'XXL', 'M', 'XS', 'L', '3XL', '2XS'],
      ['2XS', 'XS', 'S', 'M', 'L', 'XL', 'XXL', '3XL'],
    ],
    [
      ['10', '2', '4'],
      ['2', '4', '10'],
    ],
    [
      ['2 y', '6-9 m', '18 m', '0-3 m'],
      ['0-3 m', '6-9 m', '18 m', '2 y'],
    ],
    [
      ['500 ml', '0.3 l', '1 l'],
      ['0.3 l', '500 ml', '1 l'],
    ],
    [
      ['98/104', '86/92', '110/116'],
      ['86/92', '98/104', '110/116'],
    ],
    [
      ['3 pairs', '1 pair'],
      ['1 pair', '3 pairs'],
    ],
  ])('%j become %j', (given, wanted) => expect(sortSizes(given)).toEqual(wanted));
});
