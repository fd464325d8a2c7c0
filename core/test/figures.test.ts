import currencyCodes from 'currency-codes';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { colourDifference, guessSwatch } from '../src/colour/name';
import { habitOf, readNumber } from '../src/measure/readNumber';
import { lengthIn, readLength, readWeight, volumeWeight, weightIn } from '../src/measure/units';
import { readAmount, showAmount, toCurrency } from '../src/money/amount';
import { decimalsOf } from '../src/money/currency';
import { channelPrice } from '../src/money/price';
import { slabRate, withTax, withoutTax } from '../src/money/tax';
import { readFigure } from '../src/registry/figures';
import { cutTo } from '../src/text/cut';
import { hasLink, optionValuesIn, withoutWords } from '../src/wording/findWords';
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
  // Sharma, Wu, Dalal: "The CIEDE2000 Color-Difference Formula", 2005, table 1, all 34 pairs; written down from memory.
  const PUBLISHED = `
    50 2.6772 -79.7751 | 50 0 -82.7485 | 2.0425
    50 3.1571 -77.2803 | 50 0 -82.7485 | 2.8615
    50 2.8361 -74.0200 | 50 0 -82.7485 | 3.4412
    50 -1.3802 -84.2814 | 50 0 -82.7485 | 1.0000
    50 -1.1848 -84.8006 | 50 0 -82.7485 | 1.0000
    50 -0.9009 -85.5211 | 50 0 -82.7485 | 1.0000
    50 0 0 | 50 -1 2 | 2.3669
    50 -1 2 | 50 0 0 | 2.3669
    50 2.4900 -0.0010 | 50 -2.4900 0.0009 | 7.1792
    50 2.4900 -0.0010 | 50 -2.4900 0.0010 | 7.1792
    50 2.4900 -0.0010 | 50 -2.4900 0.0011 | 7.2195
    50 2.4900 -0.0010 | 50 -2.4900 0.0012 | 7.2195
    50 -0.0010 2.4900 | 50 0.0009 -2.4900 | 4.8045
    50 -0.0010 2.4900 | 50 0.0010 -2.4900 | 4.8045
    50 -0.0010 2.4900 | 50 0.0011 -2.4900 | 4.7461
    50 2.5 0 | 50 0 -2.5 | 4.3065
    50 2.5 0 | 73 25 -18 | 27.1492
    50 2.5 0 | 61 -5 29 | 22.8977
    50 2.5 0 | 56 -27 -3 | 31.9030
    50 2.5 0 | 58 24 15 | 19.4535
    50 2.5 0 | 50 3.1736 0.5854 | 1.0000
    50 2.5 0 | 50 3.2972 0 | 1.0000
    50 2.5 0 | 50 1.8634 0.5757 | 1.0000
    50 2.5 0 | 50 3.2592 0.3350 | 1.0000
    60.2574 -34.0099 36.2677 | 60.4626 -34.1751 39.4387 | 1.2644
    63.0109 -31.0961 -5.8663 | 62.8187 -29.7946 -4.0864 | 1.2630
    61.2901 3.7196 -5.3901 | 61.4292 2.2480 -4.9620 | 1.8731
    35.0831 -44.1164 3.7933 | 35.0232 -40.0716 1.5901 | 1.8645
    22.7233 20.0904 -46.6940 | 23.0331 14.9730 -42.5619 | 2.0373
    36.4612 47.8580 18.3852 | 36.2715 50.5065 21.2231 | 1.4146
    90.8027 -2.0831 1.4410 | 91.1528 -1.6435 0.0447 | 1.4441
    90.9257 -0.5406 -0.9208 | 88.6381 -0.8985 -0.7239 | 1.5381
    6.7747 -0.2908 -2.4247 | 5.8714 -0.0985 -2.2286 | 0.6377
    2.0776 0.0795 -1.1350 | 0.9033 -0.0636 -0.5514 | 0.9082`;
  const pairs = PUBLISHED.trim()
    .split('\n')
    .map((line) => line.split('|').map((one) => one.trim()) as [string, string, string]);
  it.each(pairs)('%s and %s differ as published: %s', (a, b, difference) =>
    expect(colourDifference(`color(--lab-d65 ${a})`, `color(--lab-d65 ${b})`)).toBeCloseTo(Number(difference), 4),
  );
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

describe('figures as people write them', () => {
  const stored = (key: string, text: string) => {
    const read = readFigure(registry, registry.field(key)!, text);
    return read.ok ? read.figure : read.code;
  };
  it('may have a comma in the shares of a composition, and a fraction as one sign', () => {
    expect(stored('composition', '33,3 % a, 33,3 % b, 33,4 % c')).toBe('33.3 % a, 33.3 % b, 33.4 % c');
    expect(stored('composition', 'wool 33,3 %, silk 66,7 %')).toBe('33.3 % wool, 66.7 % silk');
    // One pound is 453.59237 g exactly (international yard and pound agreement, 1959).
    expect([stored('weight', '½ lb'), stored('weight', '1½ lb')]).toEqual([226.8, 680.39]);
  });
  it('are not cut within a sign', () => {
    expect([cutTo('Coat 🧥', 6), cutTo('Coat 🧥', 7), cutTo('Coat', 3)]).toEqual(['Coat ', 'Coat 🧥', 'Coa']);
  });
});
