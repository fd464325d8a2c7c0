/** What comes in, checked against its schema; a problem is told in words of ours, with its place. */
import { z } from 'zod';
import { Refusal } from '@loom-kin/core';

/** The data as the schema has it. Throws a Refusal that names the first place which is not so; `what` says what was read. */
export function readInput<S extends z.ZodType>(schema: S, data: unknown, what: string): z.infer<S> {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data as z.infer<S>;
  const [first] = parsed.error.issues;
  const where = first?.path.join('.') ?? '';
  throw new Refusal('input.wrong', { what, where, why: whyText(first) }, { detail: parsed.error.issues.slice(0, 20) });
}

/** What is wrong, in words of ours where the checking library speaks of types. */
function whyText(issue: z.core.$ZodIssue | undefined): string {
  if (!issue) return 'it cannot be read.';
  switch (issue.code) {
    case 'invalid_type':
      return issue.input === undefined
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
