/** From cost to price and back: tax, fees and what is left, against a spreadsheet's formulas and sums done by hand. */
import Big from 'big.js';
import FormulaParser from 'fast-formula-parser';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { AccountSettings } from '../src/catalogue/account';
import { accountMoney } from '../src/catalogue/accountMoney';
import { accountPrices } from '../src/fit/accountPrices';
import { earningGroups, priceChanges, proposePrices, sellersPrice } from '../src/fit/earnings';
import { allowedFrom, nearestAllowed, priceBeside } from '../src/money/allowedPrice';
import { type Target, priceFor } from '../src/money/priceFor';
import { PriceRuleSchema, ruledPrice } from '../src/money/priceRule';
import { readRates, showRates } from '../src/money/ratesText';
import { TaxRatesSchema, betterEdge, slabRate } from '../src/money/tax';
import { type Charges, WATERFALL_STEPS, waterfall } from '../src/money/waterfall';
import { openRegistry } from '../src/registry/openRegistry';
import { emptyRegistry } from '../src/registry/shape';
import { fitInput, fitWithListings, registry, rulebook, runCommand, stormJacket } from './sample';

const FREE: Charges = {
  currency: 'EUR',
  slabs: [],
  commissionPercent: '0',
  paymentPercent: '0',
  paymentFixed: '0',
  listingFee: '0',
  shipping: '0',
  cost: '0',
};
const USUAL: Charges = {
  ...FREE,
  slabs: [{ percent: '20' }],
  commissionPercent: '14',
  paymentPercent: '2',
  paymentFixed: '0.30',
  listingFee: '0.04',
  shipping: '4.90',
  cost: '36.20',
};
const cents = { currency: 'EUR' };

describe('what is left of a price', () => {
  it('is taken off step by step, each rounded to the cent', () => {
    // 94.00 with 20 %: 94 / 1.2 = 78.333…, tax 15.67; 14 % are 13.16; 2 % and 0.30 are 2.18; 0.04; 4.90; 36.20.
    // 94.00 − 15.67 − 13.16 − 2.18 − 0.04 − 4.90 − 36.20 = 21.85; 21.85 / 78.33 = 27.89 %, 21.85 / 36.20 = 60.36 %.
    const { net, left, margin, markup, ...steps } = waterfall('94.00', USUAL);
    expect(WATERFALL_STEPS.map((step) => steps[step].toFixed(2))).toEqual([
      '15.67',
      '13.16',
      '2.18',
      '0.04',
      '4.90',
      '36.20',
    ]);
    expect([net, left, margin!, markup!].map((one) => one.toFixed(2))).toEqual(['78.33', '21.85', '27.89', '60.36']);
  });

  it('is what the formulas of a spreadsheet say (fast-formula-parser), for any charges', () => {
    const parser = new FormulaParser();
    const evaluate = (formula: string): number => Number(parser.parse(formula, { sheet: 'S', row: 1, col: 1 }));
    const money = (most: number) => fc.integer({ min: 1, max: most }).map((whole) => (whole / 100).toFixed(2));
    const percent = fc.integer({ min: 0, max: 300 }).map((tenths) => (tenths / 10).toFixed(1));
    const charges = fc.tuple(money(50_000), percent, percent, percent, money(100), money(900), money(20_000));
    fc.assert(
      fc.property(charges, ([price, tax, commission, payment, fixed, shipping, cost]) => {
        const made = waterfall(price, {
          currency: 'EUR',
          slabs: [{ percent: tax }],
          commissionPercent: commission,
          paymentPercent: payment,
          paymentFixed: fixed,
          listingFee: '0',
          shipping,
          cost,
        });
        const bare = [
          `${price}/(1+${tax}/100)`,
          `${price}*${commission}/100`,
          `${price}*${payment}/100+${fixed}`,
        ] as const;
        // A spreadsheet counts in floats: where half a cent decides it may go either way.
        fc.pre(bare.every((one) => Math.abs(((evaluate(one) * 100) % 1) - 0.5) > 1e-6));
        const [net, ofCommission, ofPayment] = bare.map((one) => `ROUND(${one},2)`);
        const left = evaluate(`${net}-${ofCommission}-${ofPayment}-${shipping}-${cost}`);
        expect(made.left.toNumber()).toBeCloseTo(left, 6);
        expect(made.margin!.toNumber()).toBeCloseTo(evaluate(`(${left})/${net}*100`), 6);
      }),
    );
  });

  it('adds up to the price to the cent, in currencies without decimals and with three as well', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e7 }), fc.constantFrom('EUR', 'KRW', 'KWD'), (minor, currency) => {
        const decimals = { EUR: 2, KRW: 0, KWD: 3 }[currency]!;
        const price = new Big(minor).div(10 ** decimals);
        const made = waterfall(price, { ...USUAL, currency });
        const sum = WATERFALL_STEPS.reduce((total, step) => total.plus(made[step]), made.left);
        expect(sum.toFixed()).toBe(price.toFixed());
        expect(made.left.round(decimals).eq(made.left)).toBe(true);
      }),
    );
  });
});

describe('the price that leaves what is wanted', () => {
  const cost36: Charges = { ...USUAL, listingFee: '0', shipping: '0', paymentPercent: '0', paymentFixed: '0' };
  it('is 330 for 300 and 10 % of tax, and back', () => {
    const charges = { ...FREE, slabs: [{ percent: '10' }], cost: '300' };
    const found = priceFor({ kind: 'left', amount: '0' }, charges, cents);
    expect(found.ok && found.price.toFixed(2)).toBe('330.00');
    expect(waterfall('330', charges).net.toFixed(2)).toBe('300.00');
  });
  it('leaves 30 % of the price without tax', () => {
    // left = P/1.2 − 0.14 P − 36.20 ≥ 0.3 · P/1.2 ⇔ P · (0.7 − 0.168) ≥ 43.44 ⇔ P ≥ 81.654…; at 81.65 the cents fall well: 20.41 of 68.04.
    const found = priceFor({ kind: 'margin', percent: '30' }, cost36, cents);
    expect(found.ok && found.price.toFixed(2)).toBe('81.66');
    expect(found.ok && found.waterfall.margin!.gte(30)).toBe(true);
  });
  it('is the least of all prices that leave it, whatever the charges, slabs and steps', () => {
    const small = (most: number) => fc.integer({ min: 0, max: most });
    const anyCharges = fc
      .record({
        commission: small(30),
        payment: small(5),
        fixed: small(60),
        shipping: small(300),
        cost: small(900),
        edge: fc.integer({ min: 200, max: 2500 }),
        low: small(25),
        high: small(40),
      })
      .map((one): Charges => ({
        currency: 'EUR',
        slabs: [{ upTo: (one.edge / 100).toFixed(2), percent: String(one.low) }, { percent: String(one.high) }],
        commissionPercent: String(one.commission),
        paymentPercent: String(one.payment),
        paymentFixed: (one.fixed / 100).toFixed(2),
        listingFee: '0',
        shipping: (one.shipping / 100).toFixed(2),
        cost: (one.cost / 100).toFixed(2),
      }));
    const anyTarget = fc.oneof(
      fc.record({ kind: fc.constantFrom('margin' as const, 'markup' as const), percent: small(60).map(String) }),
      fc.record({ kind: fc.constant('left' as const), amount: small(500).map((minor) => (minor / 100).toFixed(2)) }),
    );
    const anySteps = fc.constantFrom(
      cents,
      { ...cents, multipleOf: '0.50' },
      { ...cents, endings: ['95', '45'] },
      { ...cents, endings: ['9'] },
    );
    const HIGHEST = 6000;
    const leastByTrying = (target: Target, charges: Charges, steps: typeof cents) => {
      for (let minor = 1; minor <= HIGHEST; minor++) {
        const price = new Big(minor).div(100);
        if (!nearestAllowed(price, steps).eq(price)) continue;
        const { left, net, cost } = waterfall(price, charges);
        const of = target.kind === 'margin' ? net : cost;
        if (target.kind === 'left' ? left.gte(target.amount) : left.times(100).gte(of.times(target.percent)))
          return price.toFixed(2);
      }
      return null;
    };
    fc.assert(
      fc.property(anyTarget, anyCharges, anySteps, (target, charges, steps) => {
        const found = priceFor(target, charges, steps);
        const tried = leastByTrying(target, charges, steps);
        if (tried !== null) expect(found.ok && found.price.toFixed(2)).toBe(tried);
        else expect(!found.ok || found.price.gt(HIGHEST / 100)).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
  it('crosses into the next slab where the first cannot leave it', () => {
    // Up to 1000 a rate of 5 %, above 12 %: 950 cost and 40 wanted are 990 before tax; at 5 % that is 1039.50, out of the slab; at 12 % 1108.80.
    const charges = { ...FREE, slabs: [{ upTo: '1000', percent: '5' }, { percent: '12' }], cost: '950' };
    const found = priceFor({ kind: 'left', amount: '40' }, charges, cents);
    expect(found.ok && [found.price.toFixed(2), found.waterfall.taxPercent]).toEqual(['1108.80', '12']);
    expect([slabRate(charges.slabs, '1000'), slabRate(charges.slabs, '1000.01')]).toEqual(['5', '12']);
    // Just above the edge less is left than at it: 1000/1.05 = 952.38…, 1010/1.12 = 901.78….
    expect(betterEdge(charges.slabs, '1010')).toMatchObject({ edge: '1000', lower: '5', higher: '12' });
    expect(betterEdge(charges.slabs, '1100')).toBeNull();
  });
  it('is never, where charges that grow with the price take it all; and unknown without a cost', () => {
    const greedy = { ...USUAL, commissionPercent: '55' };
    expect(priceFor({ kind: 'margin', percent: '40' }, greedy, cents)).toEqual({ ok: false, why: 'never' });
    expect(priceFor({ kind: 'markup', percent: '40' }, { ...USUAL, cost: null }, cents)).toEqual({
      ok: false,
      why: 'no-cost',
    });
  });
});

describe('prices a channel takes', () => {
  it('are the nearest, or the least above', () => {
    const steps = { currency: 'EUR', endings: ['90', '50'] };
    expect([nearestAllowed(new Big('12.71'), steps), allowedFrom(new Big('12.91'), steps)].map(String)).toEqual([
      '12.9',
      '13.5',
    ]);
    const won = { currency: 'KRW', multipleOf: '10' };
    expect([nearestAllowed(new Big('14804'), won), allowedFrom(new Big('14801'), won)].map(String)).toEqual([
      '14800',
      '14810',
    ]);
  });
  it('have others beside them, above and below', () => {
    const steps = { currency: 'EUR', endings: ['90', '50'] };
    expect([1 as const, -1 as const].map((by) => priceBeside('12.90', steps, by))).toEqual(['13.50', '12.50']);
    expect([priceBeside('0.50', steps, -1), priceBeside('0.01', cents, -1)]).toEqual([null, null]);
    expect([priceBeside('189.00', cents, -1), priceBeside('14800', { currency: 'KRW', multipleOf: '10' }, -1)]).toEqual(
      ['188.99', '14790'],
    );
  });
  it('are at or above what they are made from, and no other such price is between', () => {
    const amount = fc.integer({ min: 1, max: 99_999 }).map((minor) => new Big(minor).div(100));
    const ending = fc.constantFrom(['9'], ['90', '50'], ['00'], ['95']);
    fc.assert(
      fc.property(amount, ending, (exact, endings) => {
        const steps = { ...cents, endings };
        const found = allowedFrom(exact, steps);
        expect(found.gte(exact)).toBe(true);
        for (let one = exact; one.lt(found); one = one.plus('0.01'))
          expect(nearestAllowed(one, steps).eq(one)).toBe(false);
      }),
    );
  });
});

describe('a price rule', () => {
  const rule = (more: object) => PriceRuleSchema.parse({ from: 'price', ...more });
  const ground = (charges: Charges) => ({
    rate: '1',
    charges,
    steps: cents,
    plain: (price: string) => new Big(price),
  });
  const price = (more: object, charges = USUAL, of = '94.00') => {
    const made = ruledPrice(rule(more), of, ground(charges));
    return made.ok ? made.price.toFixed(2) : made.why;
  };
  it('adds, rounds to an ending, and never goes below the least', () => {
    expect(price({ change: '5%' })).toBe('98.70');
    expect(price({ change: '5%', ending: '90' })).toBe('98.90');
    expect(price({ change: '-10', multipleOf: '5' })).toBe('85.00');
    expect(price({ change: '-50%', least: '60' })).toBe('60.00');
    expect(price({ change: '-50%', least: '60', ending: '90' })).toBe('60.90');
  });
  it('puts fees and shipping on top, so that as much is left as without them', () => {
    const covered = price({ covers: ['fees', 'shipping'] });
    const left = (of: string, charges: Charges) => waterfall(of, charges).left;
    const wanted = left('94.00', {
      ...USUAL,
      commissionPercent: '0',
      paymentPercent: '0',
      paymentFixed: '0',
      listingFee: '0',
      shipping: '0',
    });
    expect(left(covered, USUAL).gte(wanted)).toBe(true);
    expect(left(new Big(covered).minus('0.01').toFixed(2), USUAL).lt(wanted)).toBe(true);
  });
  it('says why it cannot be carried out', () => {
    const cost = { from: 'cost', target: { kind: 'margin', percent: '40' } };
    expect(price(cost, { ...USUAL, cost: null })).toBe('no-cost');
    expect(price(cost, { ...USUAL, commissionPercent: '60' })).toBe('never');
    expect(PriceRuleSchema.safeParse({ from: 'cost' }).success).toBe(false);
    expect(PriceRuleSchema.safeParse({ from: 'price', multipleOf: '10', ending: '90' }).success).toBe(false);
  });
});

describe('tax codes', () => {
  const IN = [{ upTo: '1000', percent: '5' }, { percent: '12' }];
  const taxCodes = {
    '62014010': { code: '62014010', label: 'Coats', rates: { IN, DE: [{ percent: '19' }] }, retired: false },
  };
  const seller = { name: 'S', currency: 'EUR', taxPercent: '20', country: 'DE' };
  const { rules } = rulebook('own-shop');
  const account = fitInput(stormJacket(), 'own-shop').account;
  const moneyOf = (settings: Partial<AccountSettings>, taxCode?: string) =>
    accountMoney({
      account: { ...account, settings: { ...account.settings, ...settings } },
      seller,
      rules,
      taxCodes,
      taxCode,
    });
  it('give the rate of the country, else the seller’s, and say what is missing', () => {
    expect(moneyOf({}, '62014010')).toMatchObject({ country: 'DE', slabs: [{ percent: '19' }], taxProblem: null });
    expect(moneyOf({ country: 'IN' }, '62014010')).toMatchObject({ slabs: IN, taxProblem: null });
    expect(moneyOf({ country: 'FR' }, '62014010')).toMatchObject({ slabs: [{ percent: '19' }], taxProblem: 'no-rate' });
    expect(moneyOf({}, '99')).toMatchObject({ slabs: [{ percent: '20' }], taxProblem: 'unknown-code' });
    expect(moneyOf({})).toMatchObject({ taxProblem: 'no-code' });
  });
  it('are typed in a line and read back alike', () => {
    const read = (text: string) => {
      const reading = readRates(text);
      return reading.ok ? showRates(reading.slabs) : reading.code;
    };
    expect(read('19')).toBe('19 %');
    expect(read('5 up to 1000, 12')).toBe('5 % up to 1000, 12 %');
    expect(read('5% to 1000; 12.5 %')).toBe('5 % up to 1000, 12.5 %');
    expect(read('12, 5 up to 1000')).toBe('tax.rates-order');
    expect([read('lots'), read(''), read('-3')]).toEqual(['tax.rates', 'tax.rates', 'tax.rates']);
    const bound = fc.uniqueArray(fc.integer({ min: 1, max: 90_000 }), { maxLength: 4 });
    fc.assert(
      fc.property(bound, fc.infiniteStream(fc.integer({ min: 0, max: 300 })), (bounds, percents) => {
        const next = () => String(percents.next().value! / 10);
        const slabs = bounds
          .sort((a, b) => a - b)
          .map((upTo): { upTo?: string; percent: string } => ({ upTo: String(upTo), percent: next() }));
        expect(readRates(showRates([...slabs, { percent: next() }]))).toMatchObject({ ok: true });
      }),
    );
  });
  it('have rates that rise, the last for all above', () => {
    const read = (slabs: object[]) => TaxRatesSchema.safeParse(slabs).error?.issues.map((one) => one.path.join('.'));
    expect(read([{ upTo: '10', percent: '5' }, { percent: '9' }])).toBeUndefined();
    expect(read([{ upTo: '10', percent: '5' }])).toEqual(['0.upTo']);
    expect(read([{ upTo: '10', percent: '5' }, { upTo: '10', percent: '6' }, { percent: '9' }])).toEqual(['1.upTo']);
    expect(read([{ percent: '5' }, { percent: '9' }])).toEqual(['0.upTo']);
  });
});

describe('prices on an account', () => {
  const costs = (cost: string, xl: string) => {
    const before = stormJacket();
    const size = before.axes[1]!;
    const value = size.values.find((one) => one.label === 'XL')!;
    return runCommand(before, {
      do: 'setFigures',
      changes: [
        { place: { level: 'family' }, key: 'cost', figure: cost },
        { place: { level: 'value', axisId: size.id, valueId: value.id }, key: 'cost', figure: xl },
      ],
    }).family;
  };
  const priceRule = PriceRuleSchema.parse({ from: 'cost', target: { kind: 'margin', percent: '50' }, ending: '90' });
  it('are made of the cost, child by child, and of the seller’s price where the account has one of its own', () => {
    let family = costs('70.00', '80.00');
    const [child] = family.axes[0]!.values;
    family = runCommand(family, {
      do: 'setFigures',
      changes: [
        {
          place: { level: 'value', axisId: family.axes[0]!.id, valueId: child!.id },
          key: 'price',
          figure: '199.00',
          scope: 'account:own-shop',
        },
      ],
    }).family;
    const input = fitInput(family, 'own-shop', { settings: { priceRule } });
    const { prices } = core(input);
    // Without commission: P/1.2 − 70 ≥ 0.5 P/1.2 ⇔ P ≥ 168; ending in 90: 168.90. With 80: 192, so 192.90.
    expect(new Set(prices)).toEqual(new Set(['199.00', '168.90', '192.90']));
  });
  it('by a rule of the price move list prices, too; one set for the account alone stays as it was set', () => {
    const ruled = PriceRuleSchema.parse({ from: 'price', change: '10%' });
    const set = (key: string, figure: string, scope?: string) => ({
      place: { level: 'family' as const },
      key,
      figure,
      ...(scope ? { scope } : {}),
    });
    const lists = (...changes: ReturnType<typeof set>[]) => {
      const family = runCommand(stormJacket(), { do: 'setFigures', changes }).family;
      const input = withSkus(fitInput(family, 'own-shop', { settings: { priceRule: ruled } }));
      return new Set(fitWithListings(input).listings.flatMap((one) => one.offers.map((offer) => offer.listPrice)));
    };
    expect(lists(set('listPrice', '300.00'))).toEqual(new Set(['330.00']));
    expect(lists(set('listPrice', '300.00'), set('listPrice', '280.00', 'account:own-shop'))).toEqual(
      new Set(['280.00']),
    );
  });
  it('are told where the rule has no cost to begin with', () => {
    const { findings, texts } = fitWithListings(fitInput(stormJacket(), 'own-shop', { settings: { priceRule } }));
    const at = findings.findIndex((one) => one.code === 'rule.no-cost');
    expect(findings[at]).toMatchObject({ key: 'cost', place: { level: 'family' }, severity: 'warns' });
    expect(texts[at]).toBe(
      '44 children have no cost, which the price rule of Own shop begins with: your own price goes out instead.',
    );
  });
  const core = (input: ReturnType<typeof fitInput>) => {
    const { fit, listings } = (({ listings, ...fit }) => ({ fit, listings }))(fitWithListings(withSkus(input)));
    return { fit, prices: listings.flatMap((one) => one.offers.map((offer) => offer.price)) };
  };
  const withSkus = (input: ReturnType<typeof fitInput>) => {
    const changes = Object.keys(input.family.children).map((childId, at) => ({
      ...{ place: { level: 'child' as const, childId }, key: 'sku', figure: `SKU-${at}` },
    }));
    return { ...input, family: runCommand(input.family, { do: 'setFigures', changes }).family };
  };
});

describe('what children leave', () => {
  const family = runCommand(stormJacket(), {
    do: 'setFigures',
    changes: [{ place: { level: 'family' }, key: 'cost', figure: '70' }],
  }).family;
  const lining = family.axes[2]!;
  const dearer = runCommand(family, {
    do: 'setFigures',
    changes: [
      { place: { level: 'value', axisId: lining.id, valueId: lining.values[1]!.id }, key: 'price+', figure: '30' },
    ],
  }).family;
  const on = (of: typeof family, channel = 'quayside', rate = '1') => {
    const input = fitInput(of, channel, { settings: { rate } });
    const rules = input.rulebook.category(input.rulebook.rulebook.categories[0]!.id)!;
    const prices = accountPrices(input, rules);
    return { prices, groups: earningGroups(of, prices, Object.keys(of.children)) };
  };
  it('is told in groups alike in price and cost, the cheapest first', () => {
    const { groups } = on(dearer);
    expect(groups.map((one) => [one.price.price, one.childIds.length, one.waterfall!.left.toFixed(2)])).toEqual([
      // 189 − 31.50 tax − 26.46 commission − 70; 219 − 36.50 − 30.66 − 70.
      ['189.00', 24, '61.04'],
      ['219.00', 20, '81.84'],
    ]);
  });
  it('is told of a sale as well, once all of it is there', () => {
    const at = (key: string, figure: string) => ({ place: { level: 'family' as const }, key, figure });
    const price = runCommand(dearer, { do: 'setFigures', changes: [at('salePrice', '149.00')] }).family;
    expect(on(price).groups.map((one) => one.sale)).toEqual([null, null]);
    const days = [at('saleFrom', '2026-12-01'), at('saleUntil', '2026-12-24')];
    const sold = runCommand(price, { do: 'setFigures', changes: days }).family;
    const [first] = on(sold).groups;
    // 149 − 24.83 tax − 20.86 commission − 70.
    expect([first!.sale!.price, first!.sale!.waterfall.left.toFixed(2)]).toEqual(['149.00', '33.31']);
    expect(first!.waterfall!.left.toFixed(2)).toBe('61.04');
  });
  it('can be asked for: prices go to the widest level that changes nobody else, surcharges and all', () => {
    const { groups, prices } = on(dearer);
    const proposed = proposePrices(groups, { kind: 'margin', percent: '40' }, prices.money);
    const wanted = proposed.map(({ childIds, proposed: one }) => ({ childIds, price: one!.price }));
    // P/1.2 − 0.14 P − 70 ≥ 0.4 P/1.2 ⇔ 0.36 P ≥ 70 ⇔ P ≥ 194.444…
    expect(wanted.map((one) => one.price)).toEqual(['194.45', '194.45']);
    const changes = priceChanges(registry, dearer, wanted);
    const after = runCommand(dearer, { do: 'setFigures', changes }).family;
    expect(on(after).groups.map((one) => [one.price.price, one.childIds.length])).toEqual([[wanted[0]!.price, 44]]);
    expect(changes.length).toBeLessThanOrEqual(24);
  });
  it.each([
    ['fernpost', '1.09'],
    ['fernpost', '0.0123'],
    ['norang-hall', '1480.5'],
    ['own-shop', '1'],
  ])('goes back from the price on %s at %s to the seller’s own', (channel, rate) => {
    const { money } = on(family, channel, rate).prices;
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 500_000 }), (minor) => {
        const price = nearestAllowed(new Big(minor).div(10), money.steps).toFixed();
        const back = sellersPrice(price, money, 'EUR');
        expect(nearestAllowed(money.plain(back), money.steps).toFixed()).toBe(price);
      }),
    );
  });
});

describe('the registry', () => {
  it('finds fields and tax codes of a registry that was stored before there were any', () => {
    const { taxCodes: _none, ...before } = emptyRegistry();
    expect(openRegistry({ ...registry.data, ...before, taxCodes: {} }).data.taxCodes).toEqual({});
  });
});
