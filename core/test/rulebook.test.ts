/** Rulebooks that contradict themselves, or hold what cannot be run, are refused whole and by place. */
import { describe, expect, it } from 'vitest';
import { openRulebook } from '../src/rulebook/openRulebook';
import { compilePattern } from '../src/rulebook/pattern';
import { readRulebook } from '../src/rulebook/readRulebook';
import type { Rulebook } from '../src/rulebook/shape';
import { registry, rulebook } from './sample';

type Loose = Record<string, unknown> & { rules: Record<string, Record<string, unknown>>; categories: object[] };
const read = (change: (book: Loose) => void) => {
  const book = structuredClone(rulebook('quayside')) as unknown as Loose;
  change(book);
  return readRulebook(book, registry);
};
const problems = (change: (book: Loose) => void) => {
  const answer = read(change);
  return answer.ok ? [] : answer.problems.map((one) => `${one.place}: ${one.text}`);
};
const field = (more: object) => (book: Loose) =>
  void (book.rules.fields as unknown as object[]).push({ key: 'mpn', name: 'Part', ...more });

const withUnit = (key: string, unit: string) => (book: Loose) =>
  void Object.assign(
    (book.rules.fields as unknown as { key: string }[]).find((one) => one.key === key)!,
    { unit },
  );

describe('a rulebook', () => {
  it.each<[string, (book: Loose) => void, RegExp]>([
    ['a pattern that has a fault', field({ pattern: '(' }), /^rules\.fields\.\d+\.pattern: .*cannot be run/],
    ['a pattern that looks behind', field({ pattern: '(?<=a)b' }), /^rules\.fields\.\d+\.pattern: .*cannot be run/],
    ['kilograms on a length', withUnit('packageLength', 'kg'), /Pack length is not measured in kg/],
    ['a field twice', field({ key: 'name' }), /^rules\.fields\.\d+\.key: name stands twice/],
    ['multiples of zero', (book) => void (book.rules.price!.multipleOf = '0'), /multipleOf: .*no multiples of zero/],
    [
      'multiples finer than cents',
      (book) => void (book.rules.price!.multipleOf = '0.005'),
      /multipleOf: EUR has 2 decimals/,
    ],
    [
      'a spread of nothing',
      (book) => void (book.rules.price!.spreadAtMost = '0'),
      /spreadAtMost: .*has to be 1 or more/,
    ],
    ['two fields of one name', field({ name: 'title' }), /^rules\.fields\.\d+\.name: Two fields are called title/],
    [
      'a field called like a column of every sheet',
      field({ name: 'Of family' }),
      /^rules\.fields\.\d+\.name: Upload sheets have a column/,
    ],
    [
      'one choice twice',
      field({ choices: ['Yes', 'No', 'yes'] }),
      /^rules\.fields\.\d+\.choices\.2: yes stands in the list twice/,
    ],
    [
      'one entry of a list twice',
      (book) => void (book.rules.axes!.roles = { size: { list: [{ label: 'S' }, { label: ' s' }] } }),
      /^rules\.axes\.roles\.size\.list\.1: {2}s stands in the list twice/,
    ],
    [
      'a role that is always split and in every set',
      (book) => void Object.assign(book.rules.axes!, { sets: [['size'], ['size', 'colour']], alwaysSplit: ['size'] }),
      /^rules\.axes\.alwaysSplit: size is always split, and stands in every set/,
    ],
    [
      'a rule that is missing',
      (book) => void delete book.rules.children!.atMost,
      /^rules\.children\.atMost: It is missing\.$/,
    ],
    [
      'a word for a number',
      (book) => void (book.rules.children!.atMost = 'many'),
      /^rules\.children\.atMost: It has to be a number\.$/,
    ],
    ['a misspelt rule', (book) => void (book.rules.axes!.atMots = 3), /^rules\.axes\.atMots: .*misspelt/],
    [
      'a set larger than may be shown',
      (book) => void (book.rules.axes!.sets = [['colour', 'size', 'material']]),
      /^rules\.axes\.sets\.0: 3 axes stand here, where 2 are the most/,
    ],
    [
      'a least above the most',
      (book) => void Object.assign(book.rules.pictures!, { atLeast: 12, atMost: 9 }),
      /^rules\.pictures\.atLeast: At least 12, but at most 9/,
    ],
    [
      'a price of which the least is above the most',
      (book) => void Object.assign(book.rules.price!, { least: '10', most: '9.5' }),
      /^rules\.price\.least/,
    ],
    [
      'a currency that is none',
      (book) => void (book.rules.price!.currency = 'xyz'),
      /^rules\.price\.currency: .*ISO 4217/,
    ],
    [
      'a category twice',
      (book) => void book.categories.push(structuredClone(book.categories[0]!)),
      /^categories\.[\w-]+: This category stands twice/,
    ],
    [
      'a category whose own rules break',
      (book) => void Object.assign(book.categories[0]!, { rules: { pictures: { atLeast: 99 } } }),
      /^categories\.[\w-]+\.pictures\.atLeast: At least 99/,
    ],
  ])('with %s is refused at its place', (_what, change, said) => {
    expect(problems(change)).toEqual([expect.stringMatching(said)]);
  });
  it('as the channels have it is taken', () => expect(problems(() => undefined)).toEqual([]));
  it('has patterns whose time grows with the text and never runs away', () => {
    const answer = read(field({ pattern: '([a-z]+)+!' }));
    if (!answer.ok) throw new Error('it was refused');
    const { fieldChecks } = openRulebook(answer.rulebook as Rulebook, registry, compilePattern).category(
      answer.rulebook.categories[0]!.id,
    )!;
    const { hasForm } = fieldChecks.find((check) => check.rule.key === 'mpn')!;
    // An engine that goes back tries 2 to the power of the length here, and never ends.
    expect([hasForm!(`${'a'.repeat(5000)}`), hasForm!(`${'a'.repeat(5000)}!`)]).toEqual([false, true]);
  });
});
