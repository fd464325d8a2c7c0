/** A family file taken in: a worker thread reads it, and what it makes is one change. */
import { randomUUID } from 'node:crypto';
import type { IntakeReport } from '@loom-kin/contract';
import type { Writer } from '../changes/writer';
import { withoutOvertaking } from './overtaken';
import type { FamilyFound } from './familyFile';

/** What reads family files beside the server. */
export interface FamilyReader {
  /** A family file read against what is there; throws a Refusal where it cannot be taken. */
  readFamily(body: unknown): Promise<FamilyFound>;
}

/** Takes a family file in: a family that is not there is made, one that is there is brought to what the file says. */
export async function takeFamilyFile(writer: Writer, files: FamilyReader, body: unknown): Promise<IntakeReport> {
  return withoutOvertaking(async () => take(writer, await files.readFamily(body)));
}

async function take(writer: Writer, { revision, family, pieces }: FamilyFound): Promise<IntakeReport> {
  const { id } = family;
  // Each taking in is a change of its own.
  const order = { key: `file:${id}:${randomUUID()}`, title: 'Take a family file in' };
  const done = await writer.write({ do: 'take', order: { ...order, revision, family, pieces } });
  const kind = revision === null ? 'new' : done.id === null ? 'same' : 'changed';
  const woven = Object.values(family.children).filter((child) => child.woven).length;
  const counts = { new: 0, changed: 0, same: 0, refused: 0, [kind]: woven };
  return { familyId: id, fileName: null, applied: kind !== 'same', rows: [], unknownColumns: [], counts };
}
