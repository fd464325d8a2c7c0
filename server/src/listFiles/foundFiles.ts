/**
 * What was read of a list, on its way from the thread that read it: a line for each family, row and family made. Another thread takes
 * them line by line, so that nobody waits while a hundred thousand rows go over.
 */
import { closeSync, existsSync, openSync, readFileSync, rmSync, writeSync } from 'node:fs';
import type { AddressedPicture } from '@loom-kin/core/intake';
import { fileLines } from './fileLines';
import { forgetRows } from './keptRows';
import type { ListFamilyMade, ListFound, ListRead } from './listFound';

const KINDS = ['families', 'rows', 'made', 'pictures'] as const;
type FoundKind = (typeof KINDS)[number];

/** Where the lines of one kind lie, beside the list. */
const foundFile = (path: string, kind: FoundKind): string => `${path}.${kind}`;

/** So many lines are written at once. */
const AT_ONCE = 500;

/** Writes what was read beside the list. */
export function writeFound(
  path: string,
  { found, kind, registry, families, rows, made, pictures }: ListRead,
): ListFound {
  write(path, 'families', families, ({ mark, doc }) => `${mark}\t${JSON.stringify(doc)}`);
  write(path, 'rows', rows, (doc) => `${doc.row}\t${doc.verdict}\t${JSON.stringify(doc)}`);
  write(path, 'made', made, (one) => JSON.stringify(one));
  write(path, 'pictures', pictures, (one) => JSON.stringify(one));
  const children = made.reduce((sum, { family }) => sum + Object.keys(family.children).length, 0);
  return { found, kind, registry, rows: rows.length, children };
}

function write<T>(path: string, kind: FoundKind, all: readonly T[], line: (one: T) => string): void {
  const file = openSync(foundFile(path, kind), 'w', 0o600);
  try {
    for (let from = 0; from < all.length; from += AT_ONCE)
      writeSync(
        file,
        all
          .slice(from, from + AT_ONCE)
          .map((one) => `${line(one)}\n`)
          .join(''),
      );
  } finally {
    closeSync(file);
  }
}

/**
 * The lines of one kind, some at a time, each parted where tabs stand before its JSON, which has no line break
 * in it.
 */
export async function* foundLines(path: string, kind: 'families' | 'rows'): AsyncGenerator<string[][]> {
  const parts = kind === 'rows' ? 3 : 2;
  for await (const lines of fileLines(foundFile(path, kind))) yield lines.map((line) => parted(line, parts));
}

function parted(line: string, parts: number): string[] {
  const cells: string[] = [];
  let from = 0;
  while (cells.length < parts - 1) {
    const to = line.indexOf('\t', from);
    cells.push(line.slice(from, to));
    from = to + 1;
  }
  return [...cells, line.slice(from)];
}

/** The families that a list makes, where children that it says are to go may stay, or go. */
export const familiesMade = (path: string, when: 'stay' | 'go'): ListFamilyMade[] =>
  readAll<ListFamilyMade>(path, 'made').filter((one) => one.when === undefined || one.when === when);

/** The pictures that a list names by address. */
export const picturesNamed = (path: string): AddressedPicture[] => readAll<AddressedPicture>(path, 'pictures');

const readAll = <T>(path: string, kind: FoundKind): T[] =>
  readFileSync(foundFile(path, kind), 'utf8')
    .split('\n')
    .filter(Boolean)
    .map((line) => JSON.parse(line) as T);

/** Whether what was read of a list lies beside it. */
export const hasFound = (path: string): boolean => KINDS.every((kind) => existsSync(foundFile(path, kind)));

/** Removes what was read of a list. */
export function forgetFound(path: string): void {
  forgetRows(path);
  for (const kind of KINDS) rmSync(foundFile(path, kind), { force: true });
}
