/** JSON Patch and JSON Pointer against the examples of the standards that define them. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { difference } from '../src/difference/difference';
import { type JsonPatch, applyPatch, pathOf, pointerStep } from '../src/difference/patch';
import { Refusal } from '../src/refusal/refusal';

describe('JSON Pointer', () => {
  // RFC 6901, section 5: the document's keys and the pointers that reach them.
  it.each([
    ['/foo', ['foo']],
    ['/foo/0', ['foo', '0']],
    ['/', ['']],
    ['/a~1b', ['a/b']],
    ['/c%d', ['c%d']],
    ['/e^f', ['e^f']],
    ['/g|h', ['g|h']],
    ['/i\\j', ['i\\j']],
    ['/k"l', ['k"l']],
    ['/ ', [' ']],
    ['/m~0n', ['m~n']],
  ])('%s is %j, both ways', (text, path) => {
    expect(pathOf(text)).toEqual(path);
    expect(path.map(pointerStep).join('')).toBe(text);
  });
  // RFC 6901, section 4: "~01" is "~1", not "/".
  it('reads ~01 as ~1', () => expect(pathOf('/~01')).toEqual(['~1']));
});

describe('JSON Patch', () => {
  // RFC 6902, appendix A, as far as it adds, removes and replaces.
  const examples: [section: string, document: unknown, patch: JsonPatch, result: unknown][] = [
    [
      'A.1 adding an object member',
      { foo: 'bar' },
      [{ op: 'add', path: '/baz', value: 'qux' }],
      { baz: 'qux', foo: 'bar' },
    ],
    [
      'A.2 adding an array element',
      { foo: ['bar', 'baz'] },
      [{ op: 'add', path: '/foo/1', value: 'qux' }],
      { foo: ['bar', 'qux', 'baz'] },
    ],
    ['A.3 removing an object member', { baz: 'qux', foo: 'bar' }, [{ op: 'remove', path: '/baz' }], { foo: 'bar' }],
    [
      'A.4 removing an array element',
      { foo: ['bar', 'qux', 'baz'] },
      [{ op: 'remove', path: '/foo/1' }],
      { foo: ['bar', 'baz'] },
    ],
    [
      'A.5 replacing a value',
      { baz: 'qux', foo: 'bar' },
      [{ op: 'replace', path: '/baz', value: 'boo' }],
      { baz: 'boo', foo: 'bar' },
    ],
    [
      'A.10 adding a nested member object',
      { foo: 'bar' },
      [{ op: 'add', path: '/child', value: { grandchild: {} } }],
      { foo: 'bar', child: { grandchild: {} } },
    ],
    [
      'A.16 adding an array value',
      { foo: ['bar'] },
      [{ op: 'add', path: '/foo/-', value: ['abc', 'def'] }],
      { foo: ['bar', ['abc', 'def']] },
    ],
  ];
  it.each(examples)('%s', (_section, document, patch, result) => {
    const before = JSON.stringify(document);
    expect(applyPatch(document, patch)).toEqual(result);
    expect(JSON.stringify(document)).toBe(before);
  });
  it.each([
    ['A.12 adding to a target that is not there', { foo: 'bar' }, { op: 'add', path: '/baz/bat', value: 'qux' }],
    ['removing what is not there', { foo: 'bar' }, { op: 'remove', path: '/baz' }],
    ['replacing what is not there', { foo: 'bar' }, { op: 'replace', path: '/baz', value: 1 }],
    ['adding beyond the end of an array', { foo: ['bar'] }, { op: 'add', path: '/foo/2', value: 'x' }],
    ['reaching for what every object inherits', {}, { op: 'add', path: '/__proto__/polluted', value: true }],
    ['replacing the whole', { foo: 'bar' }, { op: 'replace', path: '', value: {} }],
  ])('%s is refused', (_section, document, step) => {
    expect(() => applyPatch<unknown>(document, [step as JsonPatch[number]])).toThrow(Refusal);
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined();
  });
  it('is all or nothing', () => {
    const document = { foo: 'bar' };
    expect(() =>
      applyPatch(document, [
        { op: 'replace', path: '/foo', value: 'new' },
        { op: 'remove', path: '/gone' },
      ]),
    ).toThrow('changed since (/gone)');
    expect(document).toEqual({ foo: 'bar' });
  });
});

describe('the difference of two states', () => {
  const data = fc.letrec((tie) => ({
    any: fc.oneof({ maxDepth: 4 }, fc.integer(), fc.string(), fc.boolean(), tie('list'), tie('thing')),
    list: fc.array(tie('any'), { maxLength: 4 }),
    thing: fc.dictionary(fc.constantFrom('a', 'b', 'c/d', '~e'), tie('any'), { noNullPrototype: true }),
  })).thing;
  it('leads from each to the other, whatever they are', () => {
    fc.assert(
      fc.property(data, data, (before, after) => {
        const { forward, inverse } = difference(before, after);
        expect(applyPatch(before, forward)).toEqual(after);
        expect(applyPatch(after, inverse)).toEqual(before);
      }),
    );
  });
  it('of the same is nothing', () => {
    fc.assert(
      fc.property(data, (one) => {
        expect(difference(one, structuredClone(one)).forward).toEqual([]);
      }),
    );
  });
  it('tells what was not there before once', () =>
    expect(difference({ doc: undefined }, { doc: 1 }).forward).toEqual([{ op: 'add', path: '/doc', value: 1 }]));
});
