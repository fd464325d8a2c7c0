/** The words of a picture's file name and folders, however they are separated. */
import { foldLetters } from '../../text/letters';

export interface Atom {
  /** Letters without marks in small ones, or digits. */
  text: string;
  /** As it was written. */
  written: string;
  /** A separator stands before it, or nothing; else it hangs on the one before (camel case, letters after digits). */
  apart: boolean;
  /** Which folder of the path it stands in; the last is the file's name. */
  part: number;
}

export interface FileWords {
  atoms: Atom[];
  /** The number of the part that is the file's name. */
  last: number;
}

/** The atoms of a path or an address; its ending and what follows a question mark are left out. */
export function fileWords(path: string): FileWords {
  const bare = decoded(path)
    .replace(/^[a-z][a-z0-9+.-]*:\/\/[^/]+\//i, '')
    .replace(/[?#].*$/s, '');
  const parts = bare.split(/[/\\]+/).filter(Boolean);
  const last = Math.max(0, parts.length - 1);
  const atoms = parts.flatMap((part, at) => atomsOf(at === last ? part.replace(/\.[A-Za-z0-9]{2,5}$/, '') : part, at));
  return { atoms, last };
}

/**
 * Whether atoms can be a code that is written with separators: those in the name stand where the code has one, and where the code has one
 * the name has at least another kind of letters ("SKJ-MOS-S" is not "SKJ moss"); or the name has none at all.
 */
export function isWrittenAs(atoms: readonly Atom[], code: string): boolean {
  const wanted = cutsIn(fileWords(`${code}.code`).atoms);
  const found = cutsIn(atoms);
  if (![...found.values()].includes(true)) return true;
  return (
    [...found].every(([at, isApart]) => !isApart || wanted.has(at)) &&
    [...wanted].every(([at, isApart]) => !isApart || found.has(at))
  );
}

/** After how many letters atoms are parted, and whether by a separator. */
function cutsIn(atoms: readonly Atom[]): Map<number, boolean> {
  const cuts = new Map<number, boolean>();
  let length = 0;
  for (const { text, apart } of atoms) {
    if (length > 0) cuts.set(length, apart);
    length += text.length;
  }
  return cuts;
}

/** Escaped signs as they are meant; a name that merely holds a percent sign stays. */
function decoded(path: string): string {
  try {
    return decodeURIComponent(path);
  } catch {
    return path;
  }
}

function atomsOf(text: string, part: number): Atom[] {
  return (text.normalize('NFC').match(/[\p{L}\p{N}\p{M}]+/gu) ?? []).flatMap((run) =>
    (run.match(/\p{N}+|\p{Lu}+(?!\p{Ll}|\p{M})|\p{Lu}?[\p{Ll}\p{M}\p{Lo}\p{Lm}]+|\p{L}[\p{L}\p{M}]*?/gu) ?? []).map(
      (written, at) => ({ text: foldLetters(written), written, apart: at === 0, part }),
    ),
  );
}
