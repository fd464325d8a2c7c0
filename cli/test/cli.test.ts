/** The command line as somebody types it: every example of its page, what comes out by its schema, and input that is none. */
import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { Ajv2020 } from 'ajv/dist/2020.js';
import { describe, expect, it } from 'vitest';

const root = fileURLToPath(new URL('../..', import.meta.url));
const read = (path: string) => readFileSync(join(root, path), 'utf8');

function loomkin(args: readonly string[], input = '') {
  const options = { cwd: root, input, encoding: 'utf8' as const };
  return spawnSync(process.execPath, ['cli/loomkin.mjs', ...args], options);
}

/** Each block of the page: the command, lines of what it gives, and its exit code. */
const EXAMPLES = [
  ...read('docs/cli.md').matchAll(/```console\n\$ npx loomkin (.*)\n([\s\S]*?)# exit code (\d)\n```/g),
].map(([, command, lines, code]) => ({
  command: command!,
  lines: lines!.split('\n').filter(Boolean),
  code: Number(code),
}));

describe('the examples of the page', () => {
  it.each(EXAMPLES)('$command', ({ command, lines, code }) => {
    const { stdout, status } = loomkin(command.split(' '));
    let from = 0;
    for (const line of lines) {
      const at = stdout.indexOf(line, from);
      expect([line, at >= 0]).toEqual([line, true]);
      from = at + line.length;
    }
    expect(status).toBe(code);
  });
  it('are all there', () => expect(EXAMPLES).toHaveLength(8));
});

describe('the guide to rulebooks', () => {
  it('makes the example, block by block (JSON Merge Patch, RFC 7396)', () => {
    type Json = Record<string, unknown>;
    const isObject = (part: unknown): part is Json => typeof part === 'object' && part !== null && !Array.isArray(part);
    const merged = (target: unknown, patch: unknown): unknown => {
      if (!isObject(patch)) return patch;
      const made: Json = isObject(target) ? { ...target } : {};
      for (const [key, part] of Object.entries(patch)) {
        if (part === null) delete made[key];
        else made[key] = merged(made[key], part);
      }
      return made;
    };
    const blocks = [...read('docs/rulebook.md').matchAll(/```json\n([\s\S]*?)```/g)].map(
      ([, json]) => JSON.parse(json!) as Json,
    );
    expect(blocks).toHaveLength(6);
    expect(blocks.reduce<unknown>(merged, {})).toEqual(JSON.parse(read('docs/examples/rulebook.json')));
  });
});

const FIT = ['fit', '--family', 'docs/examples/storm-jacket.json', '--rulebook', 'docs/examples/rulebook.json'];

describe('what comes out', () => {
  it('is JSON as the published schema has it, and nothing else stands on standard output', () => {
    const validate = new Ajv2020({ strict: false }).compile(JSON.parse(read('docs/formats/fit.schema.json')) as object);
    const { stdout, stderr } = loomkin([...FIT, '--category', 'wear']);
    const report = JSON.parse(stdout) as { listings: { offers: unknown[] }[] };
    expect(validate(report), JSON.stringify(validate.errors)).toBe(true);
    expect(report.listings.flatMap((listing) => listing.offers)).toHaveLength(44);
    expect(stderr).toContain('Skerry storm jacket on Quarter Lane: stopped');
  });
  it('is the same for a family from standard input', () => {
    const args = ['fit', '--family', '-', ...FIT.slice(3), '--category', 'wear'];
    expect(loomkin(args, read('docs/examples/storm-jacket.json')).stdout).toBe(
      loomkin([...FIT, '--category', 'wear']).stdout,
    );
  });
});

describe('input that is none', () => {
  const folder = mkdtempSync(join(tmpdir(), 'loom-kin-cli-'));
  const file = (name: string, data: unknown) => {
    const path = join(folder, name);
    writeFileSync(path, typeof data === 'string' ? data : JSON.stringify(data));
    return path;
  };
  const rulebook = JSON.parse(read('docs/examples/rulebook.json')) as { rules: { axes: object; pictures: object } };
  const family = JSON.parse(read('docs/examples/storm-jacket.json')) as { family: { next: number } };
  it.each([
    ['no such command', ['weave'], 'There is no command weave'],
    ['no such option', [...FIT, '--loud'], "Unknown option '--loud'"],
    ['a file that is not there', ['rules', 'nowhere.json'], 'nowhere.json cannot be read'],
    ['a file that is no JSON', ['rules', file('torn.json', '{"format":')], 'is no JSON'],
    [
      'a rulebook that contradicts itself',
      [
        'rules',
        file('contrary.json', { ...rulebook, rules: { ...rulebook.rules, pictures: { atLeast: 9, atMost: 3 } } }),
      ],
      'rules.pictures',
    ],
    [
      'a family that no command could have made',
      [
        'fit',
        '--family',
        file('low.json', { ...family, family: { ...family.family, next: 1 } }),
        ...FIT.slice(3),
        '--category',
        'wear',
      ],
      'is no family that can be taken',
    ],
    [
      'a category that is none',
      [...FIT, '--category', 'boats'],
      'There is no category boats (--category): Quarter Lane has wear, home.',
    ],
    ['a folder without families', ['check', mkdtempSync(join(tmpdir(), 'loom-kin-none-'))], 'There is no family file'],
  ])('%s is said, with exit code 2', (_, args, text) => {
    const { status, stdout, stderr } = loomkin(args);
    expect([status, stdout]).toEqual([2, '']);
    expect(stderr).toContain(text);
  });
});
