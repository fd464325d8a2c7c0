/** What is typed into lists, and what plans and keys are called. */
import { describe, expect, it } from 'vitest';
import { planCost, planDifference, planText } from '@loom-kin/core/descriptions';
import { bestPlans, planTask } from '@loom-kin/core/fit';
import { RulesSchema } from '@loom-kin/core/rulebook';
import { splitList } from '../src/weave/draftValues';
import { createFamily, draftValues } from './sample';
import { keyName } from '../src/shell/keys';

describe('a pasted list', () => {
  it.each([
    ['Rust, Spruce,Kelp', ['Rust', 'Spruce', 'Kelp']],
    ['S\tM\tL', ['S', 'M', 'L']],
    ['One\r\nTwo\n\nThree\n', ['One', 'Two', 'Three']],
    ['a; b;;  c  d ,', ['a', 'b', 'c d']],
    ['Rust, rust, RUST', ['Rust']],
    ['  ', []],
  ])('%j is %j', (text, labels) => expect(splitList(text)).toEqual(labels));

  it('becomes values: sizes in their order, colours with a swatch, codes that differ', () => {
    const sizes = draftValues(['XL', 'S', 'M'], 'size');
    expect(sizes.map((value) => value.label)).toEqual(['S', 'M', 'XL']);
    const colours = draftValues(['Rust', 'Nobody knows it'], 'colour');
    expect(colours.map((value) => value.swatch)).toEqual(['#A4502B', undefined]);
    expect(draftValues(['Rust'], 'material')[0]).not.toHaveProperty('swatch');
    const alike = draftValues(['Spruce', 'Sprout', 'Spring'], 'colour');
    expect(new Set(alike.map((value) => value.code)).size).toBe(3);
  });
  it('keeps what was changed by hand when more is typed', () => {
    const typed = draftValues(['Rust', 'Kelp'], 'colour');
    const before = typed.map((value) =>
      value.label === 'Rust' ? { ...value, code: 'ROT', swatch: '#111111' } : value,
    );
    const after = draftValues(['Kelp', 'rust', 'Ochre'], 'colour', before);
    expect(after.map((value) => [value.label, value.code])).toEqual([
      ['Kelp', before[1]!.code],
      ['rust', 'ROT'],
      ['Ochre', expect.not.stringMatching(/^(ROT)$/)],
    ]);
    expect(after[1]!.swatch).toBe('#111111');
  });
});

describe('a plan', () => {
  const axis = (role: 'colour' | 'size' | 'material', label: string, ...values: string[]) => ({
    role,
    label,
    values: values.map((one) => ({ label: one })),
  });
  const family = createFamily({
    id: 'f',
    fields: { name: 'Coat' },
    axes: [
      axis('colour', 'Colour', 'Rust', 'Kelp'),
      axis('size', 'Size', 'S', 'M'),
      axis('material', 'Lining', 'None', 'Fleece'),
    ],
    off: [],
  });
  const rules = (atMost: number, labelAtMost = 50) =>
    RulesSchema.parse({
      axes: { atMost, labelAtMost },
      children: { atMost: 100 },
      identifiers: { gtin: 'optional' },
      pictures: { atMost: 9 },
      price: { currency: 'USD', taxIncluded: true },
      fees: { perListing: '0.25' },
    });
  const best = (atMost: number, wish = {}) =>
    bestPlans(
      planTask(family, rules(atMost), { wish: { apart: [], whole: [], leaveOut: [], offered: true, ...wish } }),
    )[0]!;
  it('is said in the words of the trade', () => {
    expect(planText(family, best(3))).toBe('Colour, Size and Lining as options');
    expect(planText(family, best(2))).toMatch(/^\w+ \+ \w+ as one option, \w+ as an option$/);
    expect(planText(family, best(2, { apart: family.axes.map((one) => one.id) }))).toMatch(
      /^A listing for each \w+, \w+ and \w+ as options$/,
    );
    const pinned = createFamily({
      id: 'p',
      fields: { name: 'Coat' },
      axes: [axis('colour', 'Colour', 'Rust'), axis('size', 'Size', 'S', 'M')],
      off: [],
    });
    expect(planText(pinned, bestPlans(planTask(pinned, rules(1)))[0]!)).toBe(
      'Size as an option, Colour as a plain fact',
    );
  });
  it('says what it costs, and nothing of what it does not', () => {
    expect(planCost(best(3), 'USD')).toBe('1 listing · $0.25 in fees · labels to 6');
    expect(planCost(best(2, { apart: family.axes.map((one) => one.id) }), 'USD')).toMatch(
      /^2 listings · \$0\.50 in fees · labels to \d+$/,
    );
  });
  it('says what it costs more than the best, or less', () => {
    const apart = best(2, { apart: family.axes.map((one) => one.id) });
    expect(planDifference(apart, best(2), 'USD')).toMatch(
      /^1 listing more, \$0\.25 more in fees, 4 joined options fewer(, labels \d+ characters? shorter)?$/,
    );
    expect(planDifference(best(2), best(2), 'USD')).toBe('');
  });
});

describe('a key', () => {
  const pressed = (key: string, more: Partial<KeyboardEvent> = {}) =>
    keyName({ key, ctrlKey: false, metaKey: false, shiftKey: false, ...more } as KeyboardEvent);
  it('has one name, whatever the machine calls it', () => {
    expect([
      pressed('J'),
      pressed('Enter', { shiftKey: true }),
      pressed('Z', { ctrlKey: true, shiftKey: true }),
      pressed('k', { metaKey: true }),
      pressed('?', { shiftKey: true }),
    ]).toEqual(['j', 'Shift+Enter', 'Ctrl+Shift+z', 'Ctrl+k', '?']);
  });
});
