/** What comes in, checked against its schema; a problem is told in words of ours, with its place. */
import type { z } from 'zod';
import { Refusal, schemaProblemText } from '@loom-kin/core/refusal';

/** The data as the schema has it. Throws a Refusal that names the first place which is not so; `what` says what was read. */
export function readInput<S extends z.ZodType>(schema: S, data: unknown, what: string): z.infer<S> {
  const parsed = schema.safeParse(data);
  if (parsed.success) return parsed.data as z.infer<S>;
  const [first] = parsed.error.issues;
  const where = first?.path.join('.') ?? '';
  throw new Refusal(
    'input.wrong',
    { what, where, why: schemaProblemText(first, data) },
    { detail: parsed.error.issues.slice(0, 20) },
  );
}
