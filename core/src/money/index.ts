/** Amounts, currencies, taxes, fees, and the prices that rules allow. */
export { priceBeside, priceNear } from './allowedPrice';
export { compareAmounts, readAmount, showAmount, toCurrency } from './amount';
export { isCurrency } from './currency';
export type { Target } from './priceFor';
export { type PriceRule, PriceRuleSchema } from './priceRule';
export { readRates, showRates } from './ratesText';
export { readSurcharge, showSurcharge, surchargeKey } from './surcharge';
export { CountrySchema, type TaxCode, TaxCodeSchema, grossOf, slabRate, withoutTax } from './tax';
export { WATERFALL_STEPS, type Waterfall, waterfall } from './waterfall';
