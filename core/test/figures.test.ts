import currencyCodes from 'currency-codes';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  channelPrice,
  colourDifference,
  decimalsOf,
  guessSwatch,
  habitOf,
  hasLink,
  lengthIn,
  optionValuesIn,
  readAmount,
  readFigure,
  readLength,
  readNumber,
  readWeight,
  showAmount,
  slabRate,
  toCurrency,
  volumeWeight,
  weightIn,
  withoutTax,
  withoutWords,
  withTax,
} from '../src/index';
import { registry } from './sample';

describe('money', () => {
  it('knows the decimals of every currency of ISO 4217, as a registry library lists them', () => {
    // Funds and metals have none in the standard's table and are no prices.
    const noMoney = ['XAG', 'XAU', 'XBA', 'XBB', 'XBC', 'XBD', 'XDR', 'XPD', 'XPT', 'XSU', 'XTS', 'XUA', 'XXX'];
    for (const code of currencyCodes.codes().filter((one) => !noMoney.includes(one)))
      expect([code, decimalsOf(code)]).toEqual([code, currencyCodes.code(code)!.digits]);
  });
  it('reads amounts as people type them', () => {
    for (const [typed, amount] of [
      ['189', '189'],
      ['189,90', '189.90'],
      ['1.299,50', '1299.50'],
      ['1,299.50', '1299.50'],
      ['1 299,50 €', '1299.50'],
      ['€ 5', '5'],
      ['S$ 12.50', '12.50'],
      ['USD 3', '3'],
      ['5,-', '5'],
      ['12’000 CHF', '12000'],
      ['-1', '-1'],
      ['abc', null],
      ['1.2.3', null],
      ['', null],
      ['1e5', null],
    ] as const) {
      const read = readAmount(typed);
      expect([typed, read.ok ? read.number : null]).toEqual([typed, amount]);
    }
  });
  it('is exact: 300 plus 10 % is 330 and back (common practice), 0.1 three times is 0.3', () => {
    expect(withTax('300', '10').toFixed(2)).toBe('330.00');
    expect(withoutTax('330', '10').toFixed(2)).toBe('300.00');
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 10_000_000 }), fc.integer({ min: 0, max: 30 }), (cents, percent) => {
        const amount = (cents / 100).toFixed(2);
        expect(toCurrency(withoutTax(withTax(amount, String(percent)).toString(), String(percent)), 'EUR')).toBe(
          amount,
        );
      }),
    );
  });
  it("becomes the channel's by rate and tax, rounded once", () => {
    const how = { currency: 'USD', taxIncluded: false, rate: '1.09', taxPercent: '20' };
    expect(channelPrice('189.00', how)).toBe('171.68');
    expect(channelPrice('189.00', { ...how, taxIncluded: true })).toBe('206.01');
    expect(channelPrice('10', { ...how, currency: 'KRW', rate: '1480.5', taxIncluded: true })).toBe('14805');
    expect(toCurrency('0.005', 'EUR')).toBe('0.01');
  });
  it('finds the tax slab by price: up to the edge the lower rate', () => {
    const slabs = [{ upTo: '1000', percent: '5' }, { percent: '12' }];
    expect([slabRate(slabs, '1000'), slabRate(slabs, '1000.01')]).toEqual(['5', '12']);
  });
  it('is shown with its sign', () => {
    expect(showAmount('1299.5', 'EUR')).toBe('€1,299.50');
    expect(showAmount('12000', 'KRW')).toBe('₩12,000');
  });
});

describe('numbers', () => {
  const read = (typed: string, habit?: Parameters<typeof readNumber>[1]) => {
    const reading = readNumber(typed, habit);
    return reading.ok ? reading.number : reading.why === 'two' ? reading.readings : null;
  };
  it.each([
    ['0,299', '0.299'],
    ['12,34.50', null],
    ['12’000', '12000'],
    ['1.234.567,89', '1234567.89'],
    ['1,234,567', '1234567'],
    ['٢٥٠', '250'],
    ['१२.५', '12.5'],
    ['207.90000000000003', '207.9'],
    ['.5', '0.5'],
    ['12 34', null],
    ['1e5', null],
  ])('%s is %s', (typed, number) => expect(read(typed)).toEqual(number));
  it('that can be read two ways say both, and the other cells of the column decide', () => {
    expect(read('1,299')).toEqual(['1299', '1.299']);
    expect(read('1.299')).toEqual(['1299', '1.299']);
    expect(read('1,299', habitOf(['3,50', '1,299', '']))).toBe('1.299');
    expect(read('1,299', habitOf(['3.50', '1,299']))).toBe('1299');
    expect(habitOf(['3.50', '3,50'])).toEqual({});
    expect(habitOf(['1,299.00'])).toEqual({ decimal: '.' });
  });
  it('are the same number again however they are written, with either mark', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 9_999_999 }),
        fc.constantFrom('de', 'en', 'fr', 'de-CH'),
        (cents, locale) => {
          const written = new Intl.NumberFormat(locale, { minimumFractionDigits: 2 }).format(cents / 100);
          const reading = readNumber(written);
          expect([written, reading.ok && Number(reading.number)]).toEqual([written, cents / 100]);
        },
      ),
    );
  });
});

describe('measures', () => {
  const grams = (typed: string, unit?: Parameters<typeof readWeight>[1]) => {
    const reading = readWeight(typed, unit);
    return reading.ok ? reading.measure : null;
  };
  const centimetres = (typed: string) => {
    const reading = readLength(typed);
    return reading.ok ? reading.measure : null;
  };
  it('are the exact international inch, foot, ounce and pound of 1959', () => {
    expect(centimetres('1 in')).toBe(2.54);
    expect(centimetres('1 ft')).toBe(30.48);
    expect(grams('100 lb')).toBe(45_359.24);
    expect(grams('16 oz')).toBe(grams('1 lb'));
    expect(lengthIn(254, 'in', 2)).toBe('100');
    expect(weightIn(45_359.237, 'lb', 3)).toBe('100');
  });
  it.each([
    ['350', 350],
    ['0.35 kg', 350],
    ['0,35kg', 350],
    ['.5 kg', 500],
    ['12 oz', 340.19],
    ['2 lb 3 oz', 992.23],
    ['3 lbs', 1360.78],
    ['350 grams', 350],
    ['1,299 g', null],
    ['heavy', null],
    ['-5', null],
    ['5 stone', null],
  ])('%s weighs %s g', (typed, wanted) => expect(grams(typed)).toBe(wanted));
  it.each([
    ['14"', 35.56],
    [`5'11"`, 180.34],
    ['1 1/2 in', 3.81],
    ['13.5 inches', 34.29],
    ['35 cm.', 35],
    ['3/0 in', null],
  ])('%s is %s cm', (typed, wanted) => expect(centimetres(typed)).toBe(wanted));
  it('are in the unit of their column where they name none', () => {
    expect([grams('1.25', 'kg'), grams('900 g', 'kg')]).toEqual([1250, 900]);
    expect(volumeWeight(40, 30, 20)).toBe(4800);
  });
});

describe('colour', () => {
  // Sharma, Wu, Dalal: "The CIEDE2000 Color-Difference Formula", table 1, pairs 1, 7, 17, 25.
  it.each([
    ['color(--lab-d65 50 2.6772 -79.7751)', 'color(--lab-d65 50 0 -82.7485)', 2.0425],
    ['color(--lab-d65 50 0 0)', 'color(--lab-d65 50 -1 2)', 2.3669],
    ['color(--lab-d65 50 2.5 0)', 'color(--lab-d65 73 25 -18)', 27.1492],
    ['color(--lab-d65 60.2574 -34.0099 36.2677)', 'color(--lab-d65 60.4626 -34.1751 39.4387)', 1.2644],
  ])('%s and %s differ as published', (a, b, difference) => expect(colourDifference(a, b)).toBeCloseTo(difference, 3));
  it('guesses a swatch from the name, by its last known word', () => {
    expect(guessSwatch('Rust')).toBe('#A4502B');
    expect(guessSwatch('Deep Spruce')).toBe(guessSwatch('spruce'));
    expect(guessSwatch('Dark Orchid')).toBe('#9932CC');
    expect(guessSwatch('Zebra')).toBeNull();
  });
});

describe('wording', () => {
  it('finds option values in a name as words, short ones only as written', () => {
    expect(optionValuesIn('Storm coat rust, XL', ['Rust', 'XL', 'M', 'L'])).toEqual(['Rust', 'XL']);
    expect(optionValuesIn('Trusty mill coat', ['Rust', 'M'])).toEqual([]);
    expect(withoutWords('Storm coat rust, XL', ['Rust', 'XL'])).toBe('Storm coat');
    expect([hasLink('see www.example.test'), hasLink('a wwwhale')]).toEqual([true, false]);
  });
});

describe('the field registry', () => {
  it('reads what is typed, and tells the way out', () => {
    const read = (key: string, typed: string) => readFigure(registry, registry.field(key)!, typed);
    expect(read('price', 'abc')).toMatchObject({ ok: false, code: 'figure.no-amount' });
    expect(read('price', '-1')).toMatchObject({ ok: false, code: 'figure.below-zero' });
    expect(read('weight', '0.94 kg')).toEqual({ ok: true, figure: 940 });
    expect(read('onSale', 'No')).toEqual({ ok: true, figure: false });
    expect(read('saleFrom', '2027-02-30x')).toMatchObject({ ok: false });
    expect(read('highlights', 'one\ntwo\none')).toEqual({ ok: true, figure: ['one', 'two'] });
    expect(read('sku', '=1+1')).toMatchObject({ ok: false });
    expect(read('category', 'Outerwear › Jackets')).toEqual({ ok: true, figure: 'outerwear/jackets' });
    expect(read('cost', '')).toEqual({ ok: true, figure: null });
  });
});
