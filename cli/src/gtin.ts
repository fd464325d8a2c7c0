/** `loomkin gtin`: numbers checked, or completed with their check digit. */
import { gtinCheckDigit, readGtin } from '@loom-kin/core/identifiers';
import { unreadableText } from '@loom-kin/core/refusal';
import { BadInput, readArgs } from './input';
import { give } from './output';

/** 0: all are numbers; 1: some are not, and it is said why. */
export function gtinCommand(args: readonly string[]): number {
  const { values, positionals } = readArgs(args, { complete: { type: 'boolean' } } as const);
  if (positionals.length === 0) throw new BadInput('Name one number or more: loomkin gtin 9501017400018');
  const told = positionals.map((given) => {
    const read = readGtin(values.complete ? completed(given) : given);
    return read.ok ? { given, gtin: read.gtin } : { given, gtin: null, problem: unreadableText(read) };
  });
  give(told);
  return told.every((one) => one.gtin !== null) ? 0 : 1;
}

function completed(given: string): string {
  const body = given.replace(/[\s-]/g, '');
  if (!/^(\d{7}|\d{11,13})$/.test(body)) throw new BadInput(`${given} has not 7, 11, 12 or 13 digits to be completed.`);
  return body + gtinCheckDigit(body);
}
