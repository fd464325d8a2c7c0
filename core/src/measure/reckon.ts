/**
 * Small sums as they are typed into a cell: `=240+4`, and those that go on from the figure there: `+4`, `-10 %`, `*1.1`, `/2`.
 * Exact decimals; a percentage after plus or minus is one of what stands before it.
 */
import Big from 'big.js';
import { readNumber, type NumberHabit } from './readNumber';

export type SumReading =
  | { ok: true; sum: Big }
  /** `form`: no sum; `nothing`: goes on from a figure that is not there; `zero`: parts by zero. */
  | { ok: false; why: 'form' | 'nothing' | 'zero' };

const OPERATORS = /^[+\-*/×÷]/;
const NUMBER = /^\d[\d.,'’\u00a0\u202f]*|^[.,]\d+/;

/** Nobody types longer ones; parentheses by the thousand are deeper than a program can go. */
const LENGTH_AT_MOST = 500;

/**
 * Whether a text is meant as a sum.
 * @param signed whether figures there may be below zero: then "-5" and "+5" are numbers
 */
export function isSum(text: string, signed = false): boolean {
  const plain = text.trim();
  if (plain.startsWith('=')) return true;
  if (!OPERATORS.test(plain)) return false;
  return !(signed && /^[+-]\s*[\d.,]+$/.test(plain));
}

/**
 * Works a sum out.
 * @param held the figure that is there, which a sum without `=` goes on from
 * @returns the sum, exact but for divisions (20 decimals)
 */
export function reckon(text: string, held: string | undefined, habit: NumberHabit = {}): SumReading {
  const plain = text.trim().replace(/[−–]/g, '-').replaceAll('×', '*').replaceAll('÷', '/');
  const goesOn = !plain.startsWith('=');
  if (goesOn && held === undefined) return { ok: false, why: 'nothing' };
  const rest = plain.replace(/^=/, '').replace(/\s+/g, '');
  if (rest.length > LENGTH_AT_MOST) return { ok: false, why: 'form' };
  const reader = new SumReader(rest, habit);
  try {
    const sum = goesOn ? reader.terms(reader.factors(new Big(held!))) : reader.whole();
    return reader.isAtEnd ? { ok: true, sum } : { ok: false, why: 'form' };
  } catch (error) {
    if (error instanceof SumFault) return { ok: false, why: error.why };
    throw error;
  }
}

class SumFault extends Error {
  constructor(readonly why: 'form' | 'zero') {
    super(why);
  }
}

/** Sums of terms, terms of factors, factors of numbers and parentheses: one function each. */
class SumReader {
  constructor(
    private rest: string,
    private readonly habit: NumberHabit,
  ) {}

  get isAtEnd(): boolean {
    return this.rest === '';
  }

  whole(): Big {
    return this.terms(this.factors(this.factor().value));
  }

  /** Everything that is added or taken away, from what is there already. */
  terms(from: Big): Big {
    let sum = from;
    for (let sign = this.take('+', '-'); sign; sign = this.take('+', '-')) {
      const first = this.factor();
      const term = first.isPercent ? sum.times(first.value) : this.factors(first.value);
      sum = sign === '+' ? sum.plus(term) : sum.minus(term);
    }
    return sum;
  }

  /** Everything that multiplies or divides what is there already. */
  factors(from: Big): Big {
    let product = from;
    for (let sign = this.take('*', '/'); sign; sign = this.take('*', '/')) {
      const { value } = this.factor();
      if (sign === '/' && value.eq(0)) throw new SumFault('zero');
      product = sign === '*' ? product.times(value) : product.div(value);
    }
    return product;
  }

  private factor(): { value: Big; isPercent: boolean } {
    if (this.take('-')) {
      const { value, isPercent } = this.factor();
      return { value: value.times(-1), isPercent };
    }
    if (this.take('(')) {
      const value = this.whole();
      if (!this.take(')')) throw new SumFault('form');
      return { value, isPercent: false };
    }
    const written = NUMBER.exec(this.rest)?.[0] ?? '';
    const read = readNumber(written, this.habit);
    if (!read.ok) throw new SumFault('form');
    this.rest = this.rest.slice(written.length);
    const isPercent = this.take('%') !== null;
    return { value: isPercent ? new Big(read.number).div(100) : new Big(read.number), isPercent };
  }

  private take(...signs: string[]): string | null {
    const sign = signs.find((one) => this.rest.startsWith(one)) ?? null;
    if (sign) this.rest = this.rest.slice(sign.length);
    return sign;
  }
}
