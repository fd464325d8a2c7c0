/** What pages are told of while they are open (server-sent events, `/api/events`). */
import { z } from 'zod';
import { JobSchema } from './jobs';

export const ServerEventSchema = z.object({
  /** Families that were changed, with their revision now. */
  families: z.record(z.string(), z.number()).default({}),
  /** Families whose stock moved. */
  stock: z.array(z.string()).default([]),
  /** Something that holds for all families was changed. */
  setup: z.boolean().default(false),
  /** Families whose standing was worked out anew. */
  standings: z.array(z.string()).default([]),
  /** Long work that began, went on or ended. */
  jobs: z.array(JobSchema).default([]),
  /** Families of whose numbers a channel said whether it knows them. */
  entries: z.array(z.string()).default([]),
  /** A dispatch went on. */
  dispatches: z.boolean().default(false),
});
export type ServerEvent = z.infer<typeof ServerEventSchema>;
