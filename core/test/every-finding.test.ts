/** Every code of a finding: it can be found, its sentence is whole, and it names a place and a field that are there. */
import { describe, expect, it } from 'vitest';
import type { FindingCode } from '../src/words/findings';
import { EVERY_FINDING } from './everyFinding';
import { registry } from './sample';

/** Parts of a family or an account that are no fields. */
const PARTS = [
  'plan',
  'pairing',
  'setting',
  'route',
  'categoryMap',
  'rulebook',
  'pictures',
  'label',
  'fact',
  'entries',
  'rate',
  'taxCodes',
  'priceRule',
  'stockRule',
];

describe.each(Object.keys(EVERY_FINDING) as FindingCode[])('%s', (code) => {
  const { findings, texts } = EVERY_FINDING[code]();
  const at = findings.findIndex((finding) => finding.code === code);
  it('is found, said in a whole sentence, and leads to a field or a part that is there', () => {
    expect(findings.map((finding) => finding.code)).toContain(code);
    expect(texts[at]).toMatch(/^(?:["\p{Lu}\p{Sc}\d]|p-\w+\.png ).*[.?]$/u);
    expect(texts[at]).not.toMatch(/undefined|null|NaN|\[object| {2}|\s[.,]/);
    const { key, place } = findings[at]!;
    if (!PARTS.includes(key)) expect(registry.field(key)?.levels).toBeDefined();
    expect(['family', 'value', 'child']).toContain(place.level);
  });
});
