/** What is wrong with data that came in, in words of ours where the checking library speaks of types. */
import type { z } from 'zod';

/**
 * The sentence of what a schema finds wrong at a place; `undefined` where nothing more is known.
 * @param data what was read: an issue does not say whether something is missing or of another kind
 */
export function schemaProblemText(issue: z.core.$ZodIssue | undefined, data: unknown): string {
  if (!issue) return 'it cannot be read.';
  switch (issue.code) {
    case 'invalid_type':
      return figureAt(data, issue.path) === undefined
        ? 'it is missing.'
        : `it has to be ${KINDS[issue.expected] ?? 'something else'}.`;
    case 'too_big':
      return `it is too large: ${String(issue.maximum)} at most.`;
    case 'too_small':
      return `it is too small: ${String(issue.minimum)} at least.`;
    case 'invalid_value':
      return `it has to be one of: ${issue.values.map(String).join(', ')}.`;
    case 'unrecognized_keys':
      return `there is no ${issue.keys.join(', ')}.`;
    case 'invalid_union':
      return 'it is none of the kinds that are known.';
    default:
      return /[.!]$/.test(issue.message) ? issue.message : 'it has not the form it should have.';
  }
}

const KINDS: Record<string, string> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'yes or no (true or false)',
  array: 'a list',
  object: 'an object',
  record: 'an object',
};

function figureAt(data: unknown, path: readonly PropertyKey[]): unknown {
  return path.reduce<unknown>((at, key) => (at as Record<PropertyKey, unknown> | null | undefined)?.[key], data);
}
