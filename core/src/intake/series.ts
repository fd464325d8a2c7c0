/** Going on with what some cells began: 1, 2, 3 or or day after day; what shows no step is repeated. */
import Big from 'big.js';
import { readNumber } from '../measure/readNumber';

/**
 * The texts that go on after some others.
 * @param given texts in order; for going on upwards or leftwards hand them over reversed
 * @returns so many texts as `count` says
 */
export function goOn(given: readonly string[], count: number): string[] {
  const next = numbers(given) ?? days(given) ?? counters(given) ?? ((at: number) => given[at % given.length] ?? '');
  return Array.from({ length: count }, (_, at) => next(at));
}

type Next = (at: number) => string;

/** Numbers an even step apart; one number alone is repeated. */
function numbers(given: readonly string[]): Next | null {
  // What begins with a zero is a number of somebody, not an amount.
  if (given.length < 2 || given.some((text) => /^\s*0\d/.test(text))) return null;
  const read = given.map((text) => readNumber(text, { decimal: '.' }));
  if (!read.every((one) => one.ok)) return null;
  const values = read.map((one) => new Big(one.number));
  const step = evenStep(values);
  if (!step) return null;
  const decimals = Math.max(...read.map((one) => one.number.split('.')[1]?.length ?? 0));
  return (at) =>
    values
      .at(-1)!
      .plus(step.times(at + 1))
      .toFixed(decimals);
}

function evenStep(values: readonly Big[]): Big | null {
  const step = values[1]!.minus(values[0]!);
  return values.every((value, at) => at === 0 || value.minus(values[at - 1]!).eq(step)) ? step : null;
}

const DAY = 86_400_000;

/** Days as ISO 8601 writes them: one alone goes on day by day. */
function days(given: readonly string[]): Next | null {
  if (given.length === 0 || !given.every((text) => /^\d{4}-\d{2}-\d{2}$/.test(text))) return null;
  const times = given.map((text) => Date.parse(`${text}T00:00:00Z`));
  if (times.some(Number.isNaN)) return null;
  const step = times.length === 1 ? DAY : times[1]! - times[0]!;
  if (times.some((time, at) => at > 0 && time - times[at - 1]! !== step)) return null;
  return (at) => new Date(times.at(-1)! + step * (at + 1)).toISOString().slice(0, 10);
}

/**
 * A text that ends in a counter, its width kept. One text alone counts only where it has a letter, so that no amount, day or
 * time is taken for one; several of them show their step, and so 007, 008 goes on with 009. Decimals and times count nothing.
 */
function counters(given: readonly string[]): Next | null {
  if (given.some((text) => /\d[.,:]\d+$/.test(text))) return null;
  if (given.length === 1 && !/\p{L}/u.test(given[0]!)) return null;
  const parts = given.map((text) => /^((?:.*\D)?)(\d{1,9})$/.exec(text));
  if (parts.length === 0 || !parts.every((part) => part !== null && part[1] === parts[0]![1])) return null;
  const counts = parts.map((part) => new Big(part![2]!));
  const step = counts.length === 1 ? new Big(1) : evenStep(counts);
  if (!step) return null;
  const width = Math.min(...parts.map((part) => part![2]!.length));
  return (at) => {
    const count = counts.at(-1)!.plus(step.times(at + 1));
    return count.lt(0) ? given[at % given.length]! : parts[0]![1]! + count.toFixed(0).padStart(width, '0');
  };
}
