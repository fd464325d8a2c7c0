/** What the types promise of commands, findings and refusals. Broken, the type check fails, not the run. */
import { describe, expectTypeOf, it } from 'vitest';
import type { Command, SingleCommand } from '../src/change/commands';
import type { Finding } from '../src/fit/finding';
import type { Place } from '../src/place/place';
import type { Unreadable } from '../src/refusal/refusal';
import type { RefusalCode, RefusalParams } from '../src/refusal/refusalText';
import type { FindingCode, FindingParams } from '../src/words/findings';
import { type Changed, runCommand } from '../src/change/run';
import { unreadable } from '../src/refusal/refusal';
import { refusalText } from '../src/refusal/refusalText';

type CommandOf<Do extends Command['do']> = Extract<Command, { do: Do }>;

describe('a command', () => {
  it('is named by what it does, and each has its own parts', () => {
    expectTypeOf<CommandOf<'removeAxis'>['axisId']>().toEqualTypeOf<string>();
    expectTypeOf<CommandOf<'setFigures'>['changes'][number]['place']>().toEqualTypeOf<Place>();
    expectTypeOf<CommandOf<'setPictures'>['scope']>().toEqualTypeOf<string | undefined>();
    expectTypeOf<CommandOf<'batch'>['commands']>().toEqualTypeOf<SingleCommand[]>();
    expectTypeOf<Command['do']>().not.toEqualTypeOf<string>();
    expectTypeOf(runCommand).returns.toEqualTypeOf<Changed>();
  });
});

describe('a finding', () => {
  it('has a closed code and the parameters of that code', () => {
    expectTypeOf<FindingCode>().not.toEqualTypeOf<string>();
    expectTypeOf<'sku.missing'>().toExtend<FindingCode>();
    expectTypeOf<'sku.misspelt'>().not.toExtend<FindingCode>();
    expectTypeOf<FindingParams<'sku.too-long'>>().toEqualTypeOf<{ account: string } & { most: number }>();
    expectTypeOf<Finding<'stock.too-low'>['params']>().toHaveProperty('least').toEqualTypeOf<number>();
    expectTypeOf<Finding['place']>().toEqualTypeOf<Place>();
  });
});

describe('a refusal', () => {
  it('has a closed code, and its sentence takes the parameters of that code alone', () => {
    expectTypeOf<RefusalParams<'gtin.check-digit'>>().toEqualTypeOf<{ digits: string; wanted: number }>();
    expectTypeOf(unreadable('gtin.zeros', {})).toEqualTypeOf<Unreadable<'gtin.zeros'>>();
    expectTypeOf(refusalText<'sku.pattern'>).parameters.toEqualTypeOf<['sku.pattern', { mark: string }]>();
    expectTypeOf<RefusalCode>().not.toEqualTypeOf<string>();
    // @ts-expect-error a parameter of another code
    refusalText('sku.pattern', { digits: '' });
  });
});
