/** Gestures on the open family that only the server can do, one after another: giving numbers, taking a change back. */
import { shallowRef } from 'vue';
import type { Family } from '@loom-kin/core/family';
import { Refusal } from '@loom-kin/core/refusal';
import { makeChange, type FamilyDetail, type StepBack, type StepInput } from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../api/api';
import { committing, type Committer } from '../api/refusals';

export interface GestureCallbacks {
  family(): Family | null;
  isServerSilent(): boolean;
  /** Waits until everything typed has been stored. */
  settled(): Promise<void>;
  /** Shows the family and what holds for all as they are by now. */
  reload(id: string): Promise<unknown>;
}

export function createServerGestures({ family, isServerSilent, settled, reload }: GestureCallbacks) {
  const undoStep = shallowRef<StepBack | null>(null);
  const redoStep = shallowRef<StepBack | null>(null);
  /** A second Ctrl Z takes back what was before the first. */
  let turn: Promise<unknown> = Promise.resolve();

  /** False where it could not be done; the reason was told. */
  function inTurn(work: (now: Family) => Promise<void>): Promise<boolean> {
    const entry = committing();
    const done = turn.then(() => doNow(work, entry));
    turn = done;
    return done;
  }

  async function doNow(work: (now: Family) => Promise<void>, entry: Committer | null): Promise<boolean> {
    if (isServerSilent()) {
      tell(new Refusal('server.silent', {}), entry);
      return false;
    }
    await settled();
    const now = family();
    if (!now) return false;
    try {
      await work(now);
      await reload(now.id);
      return true;
    } catch (error) {
      tell(error, entry);
      return false;
    }
  }

  /** A gesture that only the server can do; commands in it are part of the same change. False where it could not be done; the reason was told. */
  const ask = (steps: (now: Family) => StepInput[], title?: string): Promise<boolean> =>
    inTurn(async (now) => {
      const done = await makeChange(call, steps(now), { from: now.id, ...(title ? { title } : {}) });
      done.notices.forEach(say);
    });

  const stepBack = (kind: 'undo' | 'redo'): Promise<boolean> =>
    inTurn(async () => {
      const step = kind === 'undo' ? undoStep.value : redoStep.value;
      if (!step) return;
      await call(api[kind], { params: { id: step.id }, body: { key: requestKey() } });
      const families = step.others === 1 ? 'family' : 'families';
      if (step.others > 0)
        say(`${kind === 'undo' ? 'Taken back' : 'Made again'} in ${step.others} more ${families}, too.`);
    });

  return {
    undoStep,
    redoStep,
    ask,
    undo: () => stepBack('undo'),
    redo: () => stepBack('redo'),
    takeNumbers: (childIds: string[], from: { blockId?: string; reservedId?: string } = {}) =>
      ask((now) => [{ on: 'numbers', familyId: now.id, childIds, ...from }]),
    /** What can be taken back and made again, as the server told it. */
    takeSteps({ undo, redo }: Pick<FamilyDetail, 'undo' | 'redo'>): void {
      undoStep.value = undo;
      redoStep.value = redo;
    },
  };
}
