import { describe, expect, it } from 'vitest';
import { type Child, EVERYWHERE } from '@loom-kin/core/family';
import { figuresOfTheirOwn } from '../src/inspector/figuresOfTheirOwn';

const child = (id: string, fields: Child['fields'], scoped: Child['scoped'] = {}): Child => ({
  id,
  at: {},
  woven: true,
  pictures: [],
  fields,
  scoped,
});

describe('figures of their own', () => {
  it('are told by field for all children in one pass, in one scope', () => {
    const children = [
      child('c1', { price: '9.00', sku: 'A' }),
      child('c2', { sku: 'B' }, { fr: { price: '8.00' } }),
      child('c3', { price: '7.00' }),
    ];
    const found = figuresOfTheirOwn(children, EVERYWHERE);
    expect([found.get('price'), found.get('sku'), found.has('weight')]).toEqual([['c1', 'c3'], ['c1', 'c2'], false]);
    expect([...figuresOfTheirOwn(children, 'fr')]).toEqual([['price', ['c2']]]);
  });
});
