/**
 * A family as the server has it, the changes that wait to be stored on top of it, and those that somebody else's stand against. What waits
 * is kept in the browser with every step.
 */
import type { Namer } from '@loom-kin/core/descriptions';
import { type Family, freeze } from '@loom-kin/core/family';
import type { FamilyDetail } from '@loom-kin/contract';
import { ref, shallowRef, type Ref } from 'vue';
import { createKeeping } from './keeping';
import { afterAll, createMadeHere, type Made } from './madeHere';
import { replay, type Aside, type Pending } from './pending';
import { takeWaiting } from './waiting';

export interface DocumentCallbacks {
  namer(): Namer;
  /** Shows a family with everything that waits; `detail` where the server was asked. */
  show(family: Family, detail: FamilyDetail | null): void;
}

export interface WaitingDocument {
  /** How many changes wait. */
  waiting: Ref<number>;
  unkept: Ref<boolean>;
  /** Changes that somebody else's stands against: made again or dropped by the seller. */
  aside: Ref<Aside[]>;
  /** The family as the server has it; null before one was opened. */
  base(): Family | null;
  changes(): readonly Pending[];
  /** Begins with a family as it was loaded. What waited when its page was left is made again on top. */
  open(detail: FamilyDetail): Promise<void>;
  /** Brings in the family as the server has it now, with everything that waits made again on top. */
  bringIn(detail: FamilyDetail, from: Family): void;
  /** @param made the family the page showed before and after it */
  add(change: Pending, made?: Made): void;
  /** The first change was stored, and the family has this revision now. */
  stored(revision: number | undefined): void;
  /** The first change was refused. */
  dropFirst(): void;
  /** Gives what was set aside, and leaves nothing of it. */
  takeAside(): Aside[];
}

export function createWaitingDocument({ namer, show }: DocumentCallbacks): WaitingDocument {
  const waiting = ref(0);
  const aside = shallowRef<Aside[]>([]);
  const { unkept, keep } = createKeeping();
  const madeHere = createMadeHere(namer);
  let base: Family | null = null;
  let queue: Pending[] = [];

  function note(): void {
    waiting.value = queue.length;
    if (!base) return;
    const left = aside.value.map((one) => one.change);
    keep(base, queue, left);
  }

  function replayOn(detail: FamilyDetail, from: Family, changes: readonly Pending[]): void {
    const now = freeze(detail.family, true);
    const replayed = replay(namer(), from, now, changes);
    base = now;
    queue = replayed.kept;
    if (replayed.aside.length > 0) aside.value = [...aside.value, ...replayed.aside];
    show(freeze(replayed.family, true), detail);
    note();
  }

  async function open(detail: FamilyDetail): Promise<void> {
    const left = await takeWaiting(detail.family.id);
    aside.value = [];
    queue = [];
    const isStored = isStoredIn(detail);
    const done = left?.changes.filter(isStored) ?? [];
    // Without the family they were made on, changes are made again on what the server has now.
    const from = left?.base ? afterAll(namer(), freeze(left.base, true), done) : freeze(detail.family, true);
    replayOn(detail, from, left?.changes.filter((change) => !isStored(change)) ?? []);
    if (!left) return;
    const again = replay(
      namer(),
      from,
      from,
      left.aside.filter((change) => !isStored(change)),
    );
    aside.value = [...again.kept.map((change) => ({ change, lines: [] })), ...again.aside, ...aside.value];
    note();
  }

  return {
    waiting,
    unkept,
    aside,
    base: () => base,
    changes: () => queue,
    open,
    bringIn: (detail, from) => replayOn(detail, from, queue),
    add(change, made) {
      if (made && queue.length === 0 && base?.revision === made.before.revision)
        madeHere.remember(change, { before: base, after: made.after });
      queue.push(change);
      note();
    },
    stored(revision) {
      const change = queue.shift()!;
      const made = change.command ? madeHere.after(base!, change) : base!;
      base = freeze({ ...made, revision: revision ?? base!.revision }, true);
      note();
    },
    dropFirst: () => void queue.shift(),
    takeAside() {
      const was = aside.value;
      aside.value = [];
      note();
      return was;
    },
  };
}

function isStoredIn({ keys }: FamilyDetail): (change: Pending) => boolean {
  const stored = new Set(keys);
  return ({ key }) => stored.has(key);
}
