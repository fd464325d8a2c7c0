/** Families gathered into one, children that leave, families copied: what goes over goes with its pieces. */
import { group } from 'd3-array';
import { runCommand } from '@loom-kin/core/change';
import { copyFamily } from '@loom-kin/core/copies';
import type { Family } from '@loom-kin/core/family';
import { gather, leave } from '@loom-kin/core/gather';
import { Refusal } from '@loom-kin/core/refusal';
import { children } from '@loom-kin/core/text';
import type { Step } from '@loom-kin/contract';
import { newFamilyId } from '../families/newFamilyId';
import { loadPlaces } from '../stock/ledger';
import { countPieces } from './countPieces';
import { familyIn, putFamily, registryIn, type Work } from './work';

type StepOn<On extends Step['on']> = Extract<Step, { on: On }>;

/** A child that goes over to another family. */
interface Move {
  familyId: string;
  childId: string;
  toFamily: string;
  to: string;
}

const nameOf = (family: Family): string => String(family.fields.name ?? '');

export const GATHER_STEPS = {
  gather(work: Work, { familyId, revisions, axes, members }: StepOn<'gather'>): void {
    const ids = [...new Set(members.map((member) => member.familyId))].filter((id) => id !== familyId);
    if (ids.length === 0) throw new Refusal('gather.nobody', {});
    const others = ids.map((id) => requireRevision(work, id, revisions[id]));
    const into = requireRevision(work, familyId, revisions[familyId]);
    const done = gather(registryIn(work), into, others, { axes, members });
    const moves = done.moves.map((move) => ({ ...move, toFamily: familyId }));
    movePieces(work, moves, nameOf(into), () => {
      for (const other of done.others) putFamily(work, other.family);
      putFamily(work, done.into.family);
    });
    work.titles.push(`Gather ${children(moves.length)} into ${nameOf(into)}`);
  },
  leave(work: Work, { familyId, revision, childIds }: StepOn<'leave'>): void {
    const family = requireRevision(work, familyId, revision);
    const { from, families, moves } = leave(registryIn(work), family, childIds, newFamilyId);
    const gone = moves.map((move) => ({ familyId, childId: move.childId, toFamily: move.familyId, to: move.to }));
    movePieces(work, gone, nameOf(family), () => {
      putFamily(work, from.family);
      for (const one of families) {
        putFamily(work, one);
        work.started.push(one.id);
      }
    });
    work.titles.push(`Let ${children(moves.length)} leave ${nameOf(family)}`);
  },
  copy(work: Work, { familyId, fields, pictures }: StepOn<'copy'>): void {
    const from = familyIn(work, familyId);
    const { family } = copyFamily(from, { id: newFamilyId(), fields: {}, pictures });
    // Its own figures are checked as any that are typed.
    const changes = Object.entries(fields).map(([key, figure]) => ({
      place: { level: 'family' as const },
      key,
      figure,
    }));
    putFamily(work, { ...runCommand(registryIn(work), family, { do: 'setFigures', changes }).family, revision: 1 });
    work.started.push(family.id);
    work.titles.push(`Copy ${nameOf(from)}`);
  },
};

function requireRevision(work: Work, id: string, revision: number | undefined): Family {
  const isFirst = !work.families.has(id);
  const family = familyIn(work, id);
  if (isFirst && family.revision !== revision) {
    throw new Refusal(
      'gather.stale',
      { family: nameOf(family) },
      { detail: { familyId: id, revision: family.revision } },
    );
  }
  return family;
}

/** Pieces leave a child before it goes and come to it where it stands then. `go` lets the children go over. */
function movePieces(work: Work, moves: readonly Move[], name: string, go: () => void): void {
  const places = new Map(
    [...new Set(moves.map(({ familyId }) => familyId))].map((id) => [id, loadPlaces(work.store.database, id)]),
  );
  const held = moves.flatMap((move) =>
    Object.entries(places.get(move.familyId)![move.childId] ?? {}).map(([location, pieces]) => ({
      ...move,
      location,
      pieces,
    })),
  );
  const reason = `gathered: ${name}`.slice(0, 120);
  for (const [familyId, all] of group(held, (one) => one.familyId)) {
    const counts = all.map(({ childId, location, pieces }) => ({ childId, location, pieces: -pieces }));
    countPieces(work, familyId, { kind: 'corrected', reason, counts });
  }
  go();
  for (const [familyId, all] of group(held, (one) => one.toFamily)) {
    const counts = all.map(({ to, location, pieces }) => ({ childId: to, location, pieces }));
    countPieces(work, familyId, { kind: 'corrected', reason, counts });
  }
}
