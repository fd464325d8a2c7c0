/** Refusals and failures on the wire. */
import { z } from 'zod';

/** Every refusal and failure: a closed code with parameters, and its sentence. `place` names the child, value or field. */
export const ProblemSchema = z.object({
  code: z.string(),
  message: z.string(),
  params: z.record(z.string(), z.unknown()).optional(),
  place: z.unknown().optional(),
  detail: z.unknown().optional(),
});
export type Problem = z.infer<typeof ProblemSchema>;
