/** `loomkin`: which command is meant, and what is said where it fails. */
import { ownOf } from '@loom-kin/core/text';
import { checkCommand } from './check';
import { fitCommand } from './fit';
import { gtinCommand } from './gtin';
import { intakeCommand } from './intake';
import { BadInput } from './input';
import { pairCommand } from './pair';
import { rulesCommand } from './rules';
import { say } from './output';

const COMMANDS: Record<string, (args: string[]) => number | Promise<number>> = {
  fit: fitCommand,
  rules: rulesCommand,
  check: checkCommand,
  gtin: gtinCommand,
  pair: pairCommand,
  intake: intakeCommand,
};

const USAGE = `loomkin fit --family F.json --rulebook R.json [--category C] [--wishes W.json] [--pairings P.json]
loomkin rules R.json [--category C] [--json]
loomkin check FOLDER
loomkin gtin NUMBER... [--complete]
loomkin pair --rulebook R.json --role ROLE VALUE[=#RRGGBB]... [--category C]
loomkin intake LIST [--mapping M.json] [--sheet NAME] [--registry R.json]

Results are JSON on standard output, progress and problems on standard error.
Exit code 0: all is well; 1: something is stopped or wrong; 2: the input cannot be read.
Examples: docs/cli.md`;

/** Runs a command line; its exit code. */
export async function main([name = '', ...args]: readonly string[]): Promise<number> {
  if (name === '' || name === 'help' || name === '--help') {
    say(USAGE);
    return name === '' ? 2 : 0;
  }
  try {
    const command = Object.hasOwn(COMMANDS, name) ? ownOf(COMMANDS, name) : undefined;
    if (!command) throw new BadInput(`There is no command ${name}.\n\n${USAGE}`);
    return await command(args);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    say(error.message);
    return 2;
  }
}
