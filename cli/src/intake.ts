/** `loomkin intake`: what would become of a list. */
import { readFileSync } from 'node:fs';
import { ListMappingSchema, NO_MAPPING, listReport, readList } from '@loom-kin/core/intake';
import { Refusal } from '@loom-kin/core/refusal';
import { bytesSource, fileSource, readTable } from '@loom-kin/sheets';
import { BadInput, readArgs, readAs, readRegistry } from './input';
import { give, say } from './output';

const OPTIONS = {
  mapping: { type: 'string' },
  registry: { type: 'string' },
  sheet: { type: 'string' },
} as const;

/** 0: every row goes in; 1: some have problems, and it is said which. */
export async function intakeCommand(args: readonly string[]): Promise<number> {
  const { values, positionals } = readArgs(args, OPTIONS);
  const [path] = positionals;
  if (path === undefined) throw new BadInput('Name a list: loomkin intake LIST.csv');
  const mapping = values.mapping === undefined ? NO_MAPPING : readAs(values.mapping, ListMappingSchema);
  const table = await tableOf(path, values.sheet);
  const reading = readList(readRegistry(values.registry), table, mapping);
  const report = listReport(reading);
  give(report);
  const { families, singles, problems } = report;
  const children = families.reduce((sum, family) => sum + family.children.length, 0);
  say(
    `${table.length} rows: ${families.length} families of ${children} children, ${singles.length} sold singly, ${problems.length} problems`,
  );
  return problems.length > 0 ? 1 : 0;
}

async function tableOf(path: string, sheet: string | undefined): Promise<string[][]> {
  try {
    return await readTable(path === '-' ? bytesSource(readFileSync(0), path) : fileSource(path, path), sheet);
  } catch (error) {
    if (error instanceof Refusal) throw new BadInput(error.message);
    if (isOfFiles(error)) throw new BadInput(`${path} cannot be read: is it there?`);
    throw error;
  }
}

/** What the disk says: nothing there, a folder, nothing that may be read. */
const isOfFiles = (error: unknown) => error instanceof Error && 'syscall' in error;
