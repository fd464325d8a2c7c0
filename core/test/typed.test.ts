import Big from 'big.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { goOn } from '../src/intake/series';
import { dateHabitOf, readDate } from '../src/measure/readDate';
import { isSum, reckon } from '../src/measure/reckon';
import { unreadableText } from '../src/refusal/refusal';
import { readFigure } from '../src/registry/figures';
import { readTyped } from '../src/registry/typed';
import { registry } from './sample';

const sum = (text: string, held?: string) => {
  const reading = reckon(text, held);
  return reading.ok ? reading.sum.toString() : reading.why;
};
const typed = (key: string, text: string, held?: string | number) => {
  const read = readTyped(registry, registry.field(key)!, text, { held, currency: 'EUR' });
  return read.ok ? read.figure : unreadableText(read);
};

describe('prices with an ending', () => {
  it('go to the nearest that ends so, from what is there, a figure or a sum', () => {
    expect(typed('price', '~90', '189.00')).toBe('188.90');
    expect(typed('price', '+5 % ~90', '189.00')).toBe('198.90');
    expect(typed('price', '250 ~99')).toBe('249.99');
    expect(typed('price', '*1.1~00', '94.00')).toBe('103.00');
    expect(typed('price', '~90')).toContain('none here');
    expect(typed('weight', '~90', 500)).toContain('~90');
  });
});

describe('small sums', () => {
  it('are worked out as on paper: points before lines, parentheses first', () => {
    expect(sum('=240+4')).toBe('244');
    expect(sum('=2+3*4')).toBe('14');
    expect(sum('=(2+3)*4/8')).toBe('2.5');
    expect(sum('=0.1+0.2')).toBe('0.3');
    expect(sum('=-(2-5)')).toBe('3');
  });
  it('go on from the figure that is there', () => {
    expect(sum('+4', '240')).toBe('244');
    expect(sum('− 4.50', '240')).toBe('235.5');
    expect(sum('*1.1', '249.90')).toBe('274.89');
    expect(sum('×2+1', '10')).toBe('21');
    expect(sum('+5 %', '200')).toBe('210');
    expect(sum('-10%', '200')).toBe('180');
    expect(sum('/4', '10')).toBe('2.5');
  });
  it('that are none say so', () => {
    expect(sum(`=${'('.repeat(100_000)}1${')'.repeat(100_000)}`)).toBe('form');
    expect(sum(`=${'-'.repeat(100_000)}1`)).toBe('form');
    expect(sum('+4')).toBe('nothing');
    expect(sum('=240+')).toBe('form');
    expect(sum('=(2+3')).toBe('form');
    expect(sum('=a1+2', '3')).toBe('form');
    expect(sum('/0', '3')).toBe('zero');
  });
  it('agree with exact decimals for sums and products in any order', () => {
    const number = fc.integer({ min: 0, max: 1_000_000 }).map((cents) => new Big(cents).div(100));
    const step = fc.tuple(fc.constantFrom('+', '-', '*'), number);
    fc.assert(
      fc.property(number, fc.array(step, { maxLength: 6 }), (first, steps) => {
        const text = steps.reduce((so, [sign, one]) => `(${so}${sign}${one.toFixed()})`, first.toFixed());
        const wanted = steps.reduce(
          (so, [sign, one]) => (sign === '+' ? so.plus(one) : sign === '-' ? so.minus(one) : so.times(one)),
          first,
        );
        expect(sum(`=${text}`)).toBe(wanted.toString());
      }),
    );
  });
  it('are told from numbers: a fact below zero is a number, a price is not', () => {
    expect(isSum('-5')).toBe(true);
    expect(isSum('-5', true)).toBe(false);
    expect(isSum('+5 %', true)).toBe(true);
    expect(isSum('189.00')).toBe(false);
  });
  it('are rounded as their field is, and told where they come to nothing it takes', () => {
    expect(typed('price', '*1.1', '249.99')).toBe('274.99');
    expect(typed('weight', '+50', 350)).toBe(400);
    expect(typed('stock', '-2', 7)).toBe(5);
    expect(typed('stock', '*1.1', 7)).toContain('is no whole number of pieces');
    expect(typed('price', '-300', '249.99')).toBe('Price cannot be below zero.');
    expect(typed('price', '+4')).toBe('"+4" goes on from a figure, and Price has none here. Type the figure itself.');
    expect(typed('name', '=Storm', 'x')).toBe('=Storm');
  });
});

describe('days', () => {
  const day = (text: string, dayFirst?: boolean, languages: string[] = []) => {
    const read = readDate(text, { dayFirst }, languages);
    return read.ok ? read.date : read.why === 'two' ? read.readings.join(' or ') : null;
  };
  it('are read as people write them', () => {
    for (const text of [
      '2027-03-01',
      '1.3.2027',
      '01.03.27',
      '1 March 2027',
      '1 Mar 2027',
      'Mar 1, 2027',
      'March 1st, 2027',
    ])
      expect([text, day(text)]).toEqual([text, '2027-03-01']);
    expect(day('1. März 2027', undefined, ['de'])).toBe('2027-03-01');
    expect(day('1 de marzo de 2027', undefined, ['es'])).toBe('2027-03-01');
    expect(day('2027-03-01T00:00:00.000Z')).toBe('2027-03-01');
  });
  it('that can be two days are asked about, unless the column decides', () => {
    expect(day('1/3/2027')).toBe('2027-03-01 or 2027-01-03');
    expect(day('1/3/2027', false)).toBe('2027-01-03');
    expect(day('25/3/2027')).toBe('2027-03-25');
    expect(dateHabitOf(['1/3/2027', '25/3/2027'])).toEqual({ dayFirst: true });
    expect(dateHabitOf(['1/3/2027', '3/25/2027', '25/3/2027'])).toEqual({});
    const read = readFigure(registry, registry.field('saleFrom')!, '1/3/2027');
    expect(read.ok ? '' : unreadableText(read)).toBe(
      '"1/3/2027" can be 2027-03-01 and 2027-01-03. Type it as year-month-day.',
    );
  });
  it('that are none are refused', () => {
    for (const text of ['30.2.2027', '2027-13-01', 'soon', '32 March 2027', '1 Octember 2027'])
      expect(day(text)).toBeNull();
  });
  it('come back as `Intl` writes them, in every language asked for', () => {
    const languages = ['en-GB', 'de', 'fr', 'es', 'it', 'nl', 'sv'];
    const date = fc.date({ min: new Date('2020-01-01'), max: new Date('2039-12-31'), noInvalidDate: true });
    fc.assert(
      fc.property(date, fc.constantFrom(...languages), (at, language) => {
        const text = new Intl.DateTimeFormat(language, { dateStyle: 'long', timeZone: 'UTC' }).format(at);
        expect(day(text, undefined, [language])).toBe(at.toISOString().slice(0, 10));
      }),
    );
  });
});

describe('a series', () => {
  it('goes on with an even step, a counter or the days, and repeats what shows none', () => {
    expect(goOn(['1', '2'], 3)).toEqual(['3', '4', '5']);
    expect(goOn(['10.50', '11'], 2)).toEqual(['11.50', '12.00']);
    expect(goOn(['5'], 3)).toEqual(['5', '5', '5']);
    expect(goOn(['A-08', 'A-09'], 2)).toEqual(['A-10', 'A-11']);
    expect(goOn(['GPK-1'], 2)).toEqual(['GPK-2', 'GPK-3']);
    expect(goOn(['2027-02-27'], 3)).toEqual(['2027-02-28', '2027-03-01', '2027-03-02']);
    expect(goOn(['2027-01-01', '2027-01-08'], 1)).toEqual(['2027-01-15']);
    expect(goOn(['yes', 'no'], 3)).toEqual(['yes', 'no', 'yes']);
    // An amount, a day or a time alone is repeated; what begins with a zero keeps its width.
    for (const one of ['239.00', '239,00', 'EUR 239.00', '01.12.2026', '12:30', '007'])
      expect(goOn([one], 2)).toEqual([one, one]);
    expect(goOn(['007', '008'], 2)).toEqual(['009', '010']);
    expect(goOn(['1', '2', '4'], 3)).toEqual(['1', '2', '4']);
    expect(goOn([], 1)).toEqual(['']);
  });
});
