/** What comes in: options and JSON files, each problem with its place. */
import { readFileSync } from 'node:fs';
import { parseArgs, type ParseArgsConfig } from 'node:util';
import { schemaProblemText } from '@loom-kin/core/refusal';
import { type Registry, RegistryDataSchema, emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { type OpenRulebook, type Rulebook, compilePattern, openRulebook, readRulebook } from '@loom-kin/core/rulebook';
import type { z } from 'zod';

/** The input cannot be read: said as it is, with exit code 2. */
export class BadInput extends Error {}

/** Options and words of a command line. */
export function readArgs<O extends NonNullable<ParseArgsConfig['options']>>(args: readonly string[], options: O) {
  try {
    return parseArgs({ args: [...args], options, allowPositionals: true, strict: true });
  } catch (error) {
    throw new BadInput(error instanceof Error ? error.message : 'The options cannot be read.');
  }
}

/** JSON from a file, or from standard input for `-`. */
export function readJson(path: string): unknown {
  let text: string;
  try {
    text = readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch {
    throw new BadInput(`${path} cannot be read: is it there?`);
  }
  try {
    return JSON.parse(text) as unknown;
  } catch (error) {
    throw new BadInput(`${path} is no JSON: ${error instanceof Error ? error.message : ''}`);
  }
}

/** JSON as a schema has it. */
export function readAs<S extends z.ZodType>(path: string, schema: S): z.infer<S> {
  return checkAs(path, readJson(path), schema);
}

/** Data from a file as a schema has it; the first ten problems are told with their places. */
export function checkAs<S extends z.ZodType>(path: string, data: unknown, schema: S): z.infer<S> {
  const read = schema.safeParse(data);
  if (read.success) return read.data;
  const problems = read.error.issues
    .slice(0, 10)
    .map((issue) => `  ${issue.path.join('.') || 'the file'}: ${schemaProblemText(issue, data)}`);
  throw new BadInput(`${path} is not what it should be:\n${problems.join('\n')}`);
}

/** The seller's registry: from a file, else one without any goods. */
export function readRegistry(path: string | undefined): Registry {
  return openRegistry(path === undefined ? emptyRegistry() : readAs(path, RegistryDataSchema));
}

/** A rulebook; every contradiction in it is told. */
export function checkRulebook(path: string, data: unknown, registry: Registry): Rulebook {
  const read = readRulebook(data, registry);
  if (read.ok) return read.rulebook;
  const problems = read.problems.map((one) => `  ${one.place}: ${one.text}`);
  throw new BadInput(`${path} is no rulebook that can be used:\n${problems.join('\n')}`);
}

export const openForChecks = (rulebook: Rulebook, registry: Registry): OpenRulebook =>
  openRulebook(rulebook, registry, compilePattern);

/** A category of a rulebook by its id; the only one where none is named. */
export function categoryOf(rulebook: Rulebook, id: string | undefined): string {
  const ids = rulebook.categories.map((one) => one.id);
  if (id === undefined && ids.length === 1) return ids[0]!;
  if (id !== undefined && ids.includes(id)) return id;
  const what = id === undefined ? 'Name a category' : `There is no category ${id}`;
  throw new BadInput(`${what} (--category): ${rulebook.name} has ${ids.join(', ')}.`);
}

/** An option that has to be there. */
export function needed(value: string | undefined, name: string): string {
  if (value === undefined) throw new BadInput(`--${name} is missing.`);
  return value;
}
