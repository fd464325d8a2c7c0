/** What the types promise of the endpoints: what goes in, and what comes out. Broken, the type check fails, not the run. */
import type { Command } from '@loom-kin/core/change';
import { describe, expectTypeOf, it } from 'vitest';
import {
  endpoints as api,
  type BodyOf,
  type ChangeDone,
  type Client,
  type FamilyDetail,
  type IntakeReport,
  type Job,
  type ParamsOf,
  type QueryOf,
  type ResponseOf,
  type ServerEvent,
  type Step,
} from '../src';

/** A client whose answers nobody waits for: only their types are looked at. */
const call = (() => new Promise(() => undefined)) as Client;

describe('an endpoint', () => {
  it('says what goes in', () => {
    expectTypeOf<ParamsOf<typeof api.family>>().toEqualTypeOf<{ id: string }>();
    expectTypeOf<BodyOf<typeof api.change>['key']>().toEqualTypeOf<string>();
    expectTypeOf<QueryOf<typeof api.readSheet>>().toEqualTypeOf<{ apply?: 'yes' | 'no' | undefined }>();
    expectTypeOf<QueryOf<typeof api.sheetReport>['only']>().toEqualTypeOf<
      'all' | 'new' | 'changed' | 'same' | 'refused' | undefined
    >();
    expectTypeOf<BodyOf<typeof api.jobs>>().toEqualTypeOf<undefined>();
  });
  it('says what comes out, and the client gives just that', () => {
    expectTypeOf<ResponseOf<typeof api.change>>().toEqualTypeOf<ChangeDone>();
    expectTypeOf(call(api.family, { params: { id: '' } })).resolves.toEqualTypeOf<FamilyDetail>();
    expectTypeOf(call(api.jobs)).resolves.toEqualTypeOf<Job[]>();
    expectTypeOf(call(api.sheetReport, { params: { id: '' } })).resolves.toEqualTypeOf<IntakeReport>();
    expectTypeOf<ServerEvent['jobs']>().toEqualTypeOf<Job[]>();
  });
  it('takes a step for each thing that can be changed, with the command of a family as the core has it', () => {
    expectTypeOf<Extract<Step, { on: 'family' }>['command']>().toEqualTypeOf<Command>();
    expectTypeOf<Step['on']>().not.toEqualTypeOf<string>();
    expectTypeOf<Extract<Step, { on: 'weather' }>>().toBeNever();
  });
});
