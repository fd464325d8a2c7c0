/** Whether the program that works fits out is another than the one that worked out what is stored. */
import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { FIT_WORKER } from '../folders/folders';
import type { Database } from '../store/database';

/**
 * Compares the built program with the one whose mark the database carries, and leaves the mark of this one there: in `user_version`, a
 * number that SQLite keeps for the program that owns the file. From source nothing tells one program from another.
 */
export function isOtherProgram({ $client }: Database, program = FIT_WORKER.filename): boolean {
  if (!program.endsWith('.mjs')) return true;
  const mark = createHash('sha256').update(readFileSync(program)).digest().readUInt32BE() >>> 1;
  if ($client.pragma('user_version', { simple: true }) === mark) return false;
  $client.pragma(`user_version = ${mark}`);
  return true;
}
