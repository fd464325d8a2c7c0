/** Conditions over families: routes that send them, collections that take them. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { collectionsFor, inItsCollections } from '../src/catalogue/collections';
import {
  type Condition,
  type Conditions,
  type Sorted,
  conditionProblem,
  holds,
  isWritten,
  sortedOf,
} from '../src/catalogue/conditions';
import { type Route, destinationOf, routesFor } from '../src/catalogue/routes';
import { conditionsText } from '../src/descriptions/conditions';
import { NO_WISH, type Wish } from '../src/family/shape';
import { conditionsTest } from '../src/catalogue/conditions';
import { registry } from './sample';
import { run, setFamily, wholeJacket } from './whole';

const { family: jacket, stock } = wholeJacket();
const sorted = sortedOf(jacket, stock);
const all = (...of: Conditions['of']): Conditions => ({ match: 'all', of });
const any = (...of: Condition[]) => ({ match: 'any' as const, of });
const route = (id: string, when: Conditions, more: Partial<Route> = {}): Route => ({
  id,
  name: '',
  when,
  category: null,
  offers: true,
  ...more,
});

describe('conditions', () => {
  it('take no number of somebody for an amount: 007 is not 7', () => {
    const test = conditionsTest(all({ key: 'modelNumber', is: 'is', value: '7' }), registry);
    const of = (figure: string) => sortedOf(run(jacket, setFamily('modelNumber', figure)), stock);
    expect([test(of('007')), test(of('7')), test(of('7.0'))]).toEqual([false, true, true]);
  });
  it.each<[string, Conditions, boolean]>([
    ['a category above its own', all({ key: 'category', is: 'is', value: 'outerwear' }), true],
    ['another category', all({ key: 'category', is: 'is', value: 'pets' }), false],
    ['a brand in another case', all({ key: 'brand', is: 'is', value: 'SKERRY supply' }), true],
    ['not a brand', all({ key: 'brand', is: 'isNot', value: 'Other' }), true],
    ['one of several', all({ key: 'wearer', is: 'oneOf', value: ['women', 'anyone'] }), true],
    ['a part of a name', all({ key: 'name', is: 'contains', value: 'storm' }), true],
    ['an entry of a list', all({ key: 'collections', is: 'is', value: 'foul weather' }), true],
    // The cheapest of its children, and the pieces of all: 44 children with 7 each.
    ['a price above', all({ key: 'price', is: 'above', value: '188.99' }), true],
    ['a price below', all({ key: 'price', is: 'below', value: 189 }), false],
    ['pieces', all({ key: 'stock', is: 'is', value: 308 }), true],
    ['a fact it says nothing of', all({ key: 'modelNumber', is: 'contains', value: 'SJ' }), false],
    ['not what it says nothing of', all({ key: 'modelNumber', is: 'isNot', value: 'SJ' }), true],
    [
      'one of a group',
      all(any({ key: 'stock', is: 'below', value: 1 }, { key: 'price', is: 'above', value: 1 })),
      true,
    ],
    ['none at all', all(), true],
  ])('hold for %s', (_what, when, expected) => {
    expect(holds(when, sorted, registry)).toBe(expected);
  });
  it('keep to the laws of logic: all of some is not any of their opposites', () => {
    const condition = fc.record({
      key: fc.constantFrom('brand', 'wearer', 'madeIn'),
      value: fc.constantFrom('A', 'B', 'C'),
    });
    const fields = fc.record({ brand: fc.constantFrom('A', 'b', 'C'), wearer: fc.constantFrom('B', 'c') });
    fc.assert(
      fc.property(fc.array(condition, { minLength: 1, maxLength: 4 }), fields, (parts, said) => {
        const family: Sorted = { fields: said, price: undefined, stock: 0 };
        const is = all(...parts.map((one) => ({ ...one, is: 'is' as const })));
        const isNot = any(...parts.map((one) => ({ ...one, is: 'isNot' as const })));
        expect(holds(is, family, registry)).toBe(!holds(isNot, family, registry));
      }),
    );
  });
  it('are told in words', () => {
    const when = all(
      { key: 'category', is: 'is', value: 'outerwear/jackets' },
      any({ key: 'price', is: 'above', value: '50' }, { key: 'wearer', is: 'oneOf', value: ['women', 'men'] }),
    );
    expect(conditionsText(when, registry)).toBe(
      'Category is Outerwear › Jackets and (Price is above 50 or For whom is one of Women or Men)',
    );
    expect(conditionsText(all(), registry)).toBe('every family');
  });
  it.each<[string, Conditions, string]>([
    ['a field nobody has', all({ key: 'wingspan', is: 'is', value: 'wide' }), 'field.unknown'],
    ['a word above another', all({ key: 'brand', is: 'above', value: 'A' }), 'condition.no-number'],
    ['a number that is none', all({ key: 'price', is: 'below', value: 'cheap' }), 'figure.no-number'],
    ['one of a single value', all({ key: 'brand', is: 'oneOf', value: 'A' }), 'condition.list'],
  ])('are refused with %s', (_what, when, code) => {
    expect(conditionProblem(when, registry)?.code).toBe(code);
  });
});

describe('routes', () => {
  const where = (routes: Route[], wish?: Partial<Wish>) => {
    const family = wish ? run(jacket, { do: 'setWish', account: 'a', wish: { ...NO_WISH, ...wish } }) : jacket;
    const categories = { outerwear: 'wear' };
    return destinationOf({ family, accountId: 'a', sorted: () => sorted }, { routes, categories, registry });
  };
  const mugs = route('r1', all({ key: 'name', is: 'contains', value: 'mug' }));
  const jackets = route('r2', all({ key: 'name', is: 'contains', value: 'jacket' }), { category: 'coats' });
  const rest = route('r3', all());

  it('take a family by the first that holds, to its category or where the seller’s goes', () => {
    expect(where([mugs, jackets, rest])).toMatchObject({ category: 'coats', route: { id: 'r2' }, notOffered: null });
    expect(where([rest, jackets])).toMatchObject({ category: 'wear', route: { id: 'r3' } });
    expect(routesFor([mugs, jackets, rest], sorted, registry).map((one) => one.id)).toEqual(['r2', 'r3']);
  });
  it('leave a family off that none of them takes, and one that waits until the seller says so', () => {
    expect(where([mugs])).toMatchObject({ category: null, notOffered: 'noRoute' });
    const waits = { ...jackets, offers: false };
    expect(where([waits]).notOffered).toBe('waits');
    expect(where([waits], { offered: true }).notOffered).toBeNull();
    // What is wished of the plan says nothing of being offered.
    expect(where([waits], { apart: [jacket.axes[0]!.id] }).notOffered).toBe('waits');
    expect(where([jackets], { offered: false }).notOffered).toBe('wish');
  });
  it('change nothing for an account that has none', () => {
    expect(where([])).toEqual({ category: 'wear', route: null, notOffered: null });
  });
});

describe('collections', () => {
  const foul = { name: 'Foul weather', when: all({ key: 'tags', is: 'is', value: 'rain' }) };
  const dear = { name: 'Dear things', when: all({ key: 'price', is: 'above', value: 100 }) };
  it('take families by conditions, each once, beside those that were put there', () => {
    const tagged = run(jacket, setFamily('tags', ['rain']));
    const seen = () => sortedOf(tagged, stock);
    expect(collectionsFor([foul, dear], seen(), registry)).toEqual(['Foul weather', 'Dear things']);
    expect(inItsCollections(tagged, [foul, dear], seen, registry).fields.collections).toEqual([
      'Foul weather',
      'Dear things',
    ]);
    expect(inItsCollections(jacket, [foul], () => sorted, registry)).toBe(jacket);
  });
});

describe('conditions half written', () => {
  const named = (value: Condition['value']): Condition => ({ key: 'name', is: 'contains', value });

  it('are told from those that can be tried, in a group as well', () => {
    expect(isWritten(all())).toBe(true);
    expect(isWritten(all(named('storm'), any(named('dog'))))).toBe(true);
    for (const value of ['', '  ', [], ['']]) {
      expect(isWritten(all(named(value)))).toBe(false);
      expect(isWritten(all(named('storm'), any(named(value))))).toBe(false);
    }
    expect(isWritten(all(any()))).toBe(false);
  });
});
