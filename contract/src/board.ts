/** The fit board: all families against all accounts, what is found over them, and what is done to many at once. */
import { z } from 'zod';
import type { Command } from '@loom-kin/core/change';
import { type Figure, ScopeSchema } from '@loom-kin/core/family';
import { type Mend, SEVERITIES, STATES } from '@loom-kin/core/fit';
import { PlaceSchema } from '@loom-kin/core/place';
import { StepSchema, type StepInput } from './changes';
import { done, define } from './endpoint';
import { FamilyFilterSchema } from './families';

/** Account → state → how many families stand so. */
export const BoardCountsSchema = z.record(z.string(), z.partialRecord(z.enum(STATES), z.number()));
export type BoardCounts = z.infer<typeof BoardCountsSchema>;

/** A kind of finding on an account, over the families that are meant. */
export const BoardFindingSchema = z.object({
  account: z.string(),
  code: z.string(),
  key: z.string(),
  severity: z.enum(SEVERITIES),
  families: z.number(),
  children: z.number(),
});
export type BoardFinding = z.infer<typeof BoardFindingSchema>;

/** What would mend a kind of finding in one family. */
export const FamilyRemedySchema = z.object({
  familyId: z.string(),
  name: z.string(),
  /** What would be done, each thing once. */
  texts: z.array(z.string()),
  /** The steps that do it. */
  steps: z.array(StepSchema),
});

/** A figure that somebody has to say, and where it would stand. */
export const FigureAskedSchema = z.object({
  revision: z.number(),
  key: z.string(),
  places: z.array(PlaceSchema),
  scope: ScopeSchema.optional(),
});
export type FigureAsked = z.infer<typeof FigureAskedSchema>;

export const RemediesSchema = z.object({
  families: z.array(FamilyRemedySchema),
  /** Families with such a finding that somebody has to look at; what is asked where it is one figure. */
  unready: z.array(z.object({ familyId: z.string(), name: z.string(), asks: FigureAskedSchema.nullable() })),
});
export type Remedies = z.infer<typeof RemediesSchema>;

/** So many families are mended at once. */
export const MENDED_AT_ONCE = 500;

export const boardEndpoints = {
  boardIds: define('get', '/api/board/ids', 'The ids of all families that a filter means', {
    query: FamilyFilterSchema,
    response: z.array(z.string()),
  }),
  boardCounts: define('get', '/api/board/counts', 'How many of the families that are meant stand how on each account', {
    query: FamilyFilterSchema,
    response: BoardCountsSchema,
  }),
  boardFindings: define('get', '/api/board/findings', 'What is found over the families that are meant', {
    query: FamilyFilterSchema,
    response: z.array(BoardFindingSchema),
  }),
  boardRemedies: define('post', '/api/board/remedies', 'What would mend one kind of finding, family by family', {
    body: z.object({
      account: z.string().max(80),
      code: z.string().max(60),
      key: z.string().max(60),
      filter: FamilyFilterSchema.partial().default({}),
    }),
    response: RemediesSchema,
  }),
  recheckAll: define('post', '/api/board/recheck', 'Work out how every family stands anew, in the background', {
    response: done,
  }),
};

/** What a mend does to the family itself, as one command. */
export function mendCommand({ commands }: Mend, title: string): Command | undefined {
  return commands.length < 2 ? commands[0] : { do: 'batch', title, commands };
}

/** The step that gives a family the figure it asks for. */
export const answerStep = (
  familyId: string,
  { revision, key, places, scope }: FigureAsked,
  figure: Figure,
): StepInput => ({
  on: 'family',
  familyId,
  revision,
  command: {
    do: 'setFigures',
    changes: places.map((place) => ({ place, key, figure, ...(scope ? { scope } : {}) })),
  },
});

/** The steps that a mend of one family takes. */
export function mendSteps(family: { id: string; revision: number }, mend: Mend, title: string): StepInput[] {
  const { pairings, categories, facts, numbersFor, skusFor } = mend;
  const command = mendCommand(mend, title);
  const { id: familyId, revision } = family;
  return [
    ...(command ? [{ on: 'family' as const, familyId, revision, command }] : []),
    ...(pairings.length > 0 ? [{ on: 'pairings' as const, pairings }] : []),
    ...categories.map(({ channel, category, to }) => ({
      on: 'categoryMap' as const,
      channel,
      map: { [category]: to },
    })),
    ...facts.map((fact) => ({ on: 'registry' as const, command: { do: 'setFact' as const, fact } })),
    ...(skusFor.length > 0 ? [{ on: 'skus' as const, familyId, childIds: skusFor }] : []),
    ...(numbersFor.length > 0 ? [{ on: 'numbers' as const, familyId, childIds: numbersFor }] : []),
  ];
}
