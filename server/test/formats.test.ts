import { readdirSync, readFileSync } from 'node:fs';
import Ajv from 'ajv/dist/2020';
import { describe, expect, it } from 'vitest';
import { createFamily } from '@loom-kin/core/change';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { publishedSchemas } from '../src/files/formats/schemas';

const file = (path: string) => JSON.parse(readFileSync(new URL(`../../${path}`, import.meta.url), 'utf8')) as object;

describe('published formats', () => {
  it('are what the code reads: run `npm run formats` after a change', () => {
    for (const [name, schema] of Object.entries(publishedSchemas()))
      expect(file(`docs/formats/${name}.schema.json`)).toEqual(JSON.parse(JSON.stringify(schema)));
  });
  it('hold for the rulebooks and for a family, by another reader of JSON Schema', () => {
    const ajv = new Ajv({ strict: false });
    const rulebook = ajv.compile(file('docs/formats/rulebook.schema.json'));
    for (const name of readdirSync(new URL('../../channels/rulebooks', import.meta.url)))
      expect([name, rulebook(file(`channels/rulebooks/${name}`)), rulebook.errors]).toEqual([name, true, null]);
    expect(rulebook({ format: 'loom-kin/rulebook' })).toBe(false);
    const family = ajv.compile(file('docs/formats/family.schema.json'));
    const { revision: _revision, ...made } = createFamily(openRegistry(emptyRegistry()), {
      id: 'k',
      fields: { name: 'Mug' },
      axes: [],
      off: [],
    });
    expect([family({ format: 'loom-kin/family', version: 1, family: made, stock: {} }), family.errors]).toEqual([
      true,
      null,
    ]);
    expect(family({ format: 'loom-kin/family', version: 1, family: { ...made, axes: 'none' }, stock: {} })).toBe(false);
  });
});
