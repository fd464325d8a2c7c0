/** Prices that a channel takes: whole cents of its currency, multiples, or certain last digits. */
import Big from 'big.js';
import { decimalsOf } from './currency';

export interface PriceSteps {
  /** ISO 4217. */
  currency: string;
  /** Prices are multiples of this, as a decimal string. */
  multipleOf?: string | undefined;
  /** The last digits a price may have, such as 90 for 12.90. */
  endings?: readonly string[] | undefined;
}

type Rounding = 0 | 1 | 3;
const DOWN = Big.roundDown;
const UP = Big.roundUp;
const HALF_UP = Big.roundHalfUp;

/** The amount that may be asked and is nearest, half up; never zero for a price above it. */
export function nearestAllowed(exact: Big, steps: PriceSteps): Big {
  return allowed(exact, steps, HALF_UP);
}

/** The price that may be asked and is nearest, as the channel writes it. */
export function priceNear(amount: string, steps: PriceSteps): string {
  return nearestAllowed(new Big(amount), steps).toFixed(decimalsOf(steps.currency));
}

/** The least amount that may be asked and is no lower. */
export function allowedFrom(exact: Big, steps: PriceSteps): Big {
  return allowed(exact, steps, UP);
}

/**
 * The next price that may be asked above or below one.
 * @returns null where there is none above zero
 */
export function priceBeside(price: string, steps: PriceSteps, by: 1 | -1): string | null {
  const cent = new Big(10).pow(-decimalsOf(steps.currency));
  const from = new Big(price).plus(cent.times(by));
  if (from.lte(0)) return null;
  const beside = allowed(from, steps, by === 1 ? UP : DOWN);
  return beside.gt(0) && (by === 1 || beside.lt(price)) ? beside.toFixed(decimalsOf(steps.currency)) : null;
}

function allowed(exact: Big, { currency, multipleOf, endings }: PriceSteps, rounding: Rounding): Big {
  const decimals = decimalsOf(currency);
  if (endings?.length) return withEnding(exact, endings, decimals, rounding);
  if (!multipleOf) return exact.round(decimals, rounding);
  const steps = exact.div(multipleOf).round(0, rounding);
  return steps.eq(0) && exact.gt(0) ? new Big(multipleOf) : steps.times(multipleOf);
}

/** The amount above zero with one of these last digits that is nearest (of two as near the higher), or the next above. */
function withEnding(exact: Big, endings: readonly string[], decimals: number, rounding: Rounding): Big {
  const minor = exact.times(new Big(10).pow(decimals));
  const candidates = endings.map((ending) => {
    const step = new Big(10).pow(ending.length);
    const steps = minor.minus(ending).div(step).round(0, rounding);
    const least = Number(ending) === 0 ? 1 : 0;
    return step.times(steps.lt(least) ? least : steps).plus(ending);
  });
  const away = (one: Big) => one.minus(minor).abs();
  const [nearest] = candidates.sort((a, b) => away(a).cmp(away(b)) || b.cmp(a));
  return nearest!.div(new Big(10).pow(decimals));
}
