/**
 * The line of changes that are shown already and wait to be stored, one family at a time. It knows the family as the server has it, sends one
 * change after another, tries again while the server is away, and brings in what somebody else changed meanwhile.
 */
import { runCommand } from '@loom-kin/core/change';
import type { Namer } from '@loom-kin/core/descriptions';
import { type Family, freeze } from '@loom-kin/core/family';
import { makeChange, Refused, type ChangeDone, type FamilyDetail } from '@loom-kin/contract';
import { ref, shallowRef } from 'vue';
import { call } from '../api/api';
import { committing, type Committer } from '../api/refusals';
import { replay, stepsOf, type Aside, type Pending } from './pending';
import { keepBase, keepWaiting, takeWaiting } from './waiting';

/** Milliseconds between tries while the server is away. */
const TRY_AGAIN = 1500;
/** Milliseconds after which the family that a waiting change was made on is kept as well. */
const BASE_AFTER = 120;

export interface OutboxCallbacks {
  namer(): Namer;
  load(id: string): Promise<FamilyDetail>;
  /** Shows a family with everything that waits; `detail` where the server was asked. */
  show(family: Family, detail: FamilyDetail | null): void;
  stored(done: ChangeDone): void;
  /** @param entry where what was refused was typed; null after the page was loaded anew */
  refused(error: unknown, entry: Committer | null): void;
}

export function createOutbox(hands: OutboxCallbacks) {
  const waiting = ref(0);
  const serverSilent = ref(false);
  /** The browser gives no room: what waits is in this page alone. */
  const unkept = ref(false);
  /** Changes that somebody else's stands against: made again or dropped by the seller. */
  const aside = shallowRef<Aside[]>([]);
  let queue: Pending[] = [];
  /** The family as the server has it, of which revision somebody told since it was asked for, and whether what has no revision changed. */
  let base: Family | null = null;
  let told = 0;
  let isStale = false;
  let working: Promise<void> | null = null;
  let keeping: ReturnType<typeof setTimeout> | undefined;

  function note(): void {
    waiting.value = queue.length;
    if (!base) return;
    const left = aside.value.map((one) => one.change);
    const waits = queue.length + left.length > 0;
    keepWaiting(base, queue, left).then(
      () => (unkept.value = false),
      () => (unkept.value = waits),
    );
    clearTimeout(keeping);
    if (waits) keeping = setTimeout(() => base && keepBase(base).catch(() => (unkept.value = true)), BASE_AFTER);
  }

  /** Brings in the family as the server has it now, with everything that waits made again on top. */
  function bringIn(detail: FamilyDetail, from: Family, changes: readonly Pending[]): void {
    const now = freeze(detail.family, true);
    const replayed = replay(hands.namer(), from, now, changes);
    base = now;
    queue = replayed.kept;
    if (replayed.aside.length > 0) aside.value = [...aside.value, ...replayed.aside];
    hands.show(freeze(replayed.family, true), detail);
    note();
  }

  /** Begins with a family as it was loaded. What waited when its page was left goes on; the number of such changes comes back. */
  async function open(detail: FamilyDetail): Promise<number> {
    const left = await takeWaiting(detail.family.id);
    aside.value = [];
    queue = [];
    entries.clear();
    told = 0;
    isStale = false;
    const stored = new Set(detail.keys);
    const done = left?.changes.filter((change) => stored.has(change.key)) ?? [];
    const kept = left?.changes.filter((change) => !stored.has(change.key)) ?? [];
    // Without the family they were made on, changes are made again on what the server has now.
    const from = left?.base ? afterAll(freeze(left.base, true), done) : freeze(detail.family, true);
    bringIn(detail, from, kept);
    const again = left
      ? replay(
          hands.namer(),
          from,
          from,
          left.aside.filter((change) => !stored.has(change.key)),
        )
      : null;
    if (again) aside.value = [...again.kept.map((change) => ({ change, lines: [] })), ...again.aside, ...aside.value];
    note();
    go();
    return queue.length;
  }

  const afterAll = (family: Family, changes: readonly Pending[]): Family =>
    changes.reduce(
      (now, { command }) => (command ? runCommand(hands.namer().registry, now, command).family : now),
      family,
    );

  /** The family after a change: as the page made it, where it was made on this very family. */
  function madeFrom(before: Family, change: Pending): Family {
    const made = results.get(change.key);
    results.delete(change.key);
    if (made?.before === before) return made.after;
    return change.command ? runCommand(hands.namer().registry, before, change.command).family : before;
  }
  const results = new Map<string, { before: Family; after: Family }>();
  /** Key of a change → the entry it was typed in. */
  const entries = new Map<string, Committer>();

  /** @param made the family the page showed before and after it */
  function add(change: Pending, made?: { before: Family; after: Family }): void {
    if (made && queue.length === 0 && base?.revision === made.before.revision) {
      results.clear();
      results.set(change.key, { ...made, before: base });
    }
    const entry = committing();
    if (entry) entries.set(change.key, entry);
    queue.push(change);
    note();
    go();
  }

  function go(): void {
    working ??= work().finally(() => {
      working = null;
      if (queue.length > 0 && base) go();
    });
  }

  /** One thing at a time: what waits is sent, then what somebody else changed is asked for, until there is neither. */
  async function work(): Promise<void> {
    while (base) {
      if (queue.length > 0) await send(queue[0]!, base);
      else if (!isStale && told <= base.revision) return;
      else if (!(await refresh())) return;
    }
  }

  async function send(change: Pending, from: Family): Promise<void> {
    try {
      const done = await makeChange(call, stepsOf(change, from), { key: change.key, from: from.id });
      queue.shift();
      entries.delete(change.key);
      serverSilent.value = false;
      const made = change.command ? madeFrom(from, change) : from;
      base = freeze({ ...made, revision: done.revisions[from.id] ?? from.revision }, true);
      hands.stored(done);
      note();
    } catch (error) {
      if (error instanceof Refused && error.status === 0) {
        serverSilent.value = true;
        await new Promise((resume) => setTimeout(resume, TRY_AGAIN));
      } else await giveWay(error, change);
    }
  }

  /** The first change was refused: because the family had moved on, or for itself. Those after it are made again. */
  async function giveWay(error: unknown, change: Pending): Promise<void> {
    const hasMovedOn = error instanceof Refused && error.problem.code === 'family.stale';
    if (!hasMovedOn) queue.shift();
    await refresh();
    if (hasMovedOn) return;
    // What was shown already is taken back by now: the entry it was typed in shows it again, marked.
    hands.refused(error, entries.get(change.key) ?? null);
    entries.delete(change.key);
  }

  /** Asks for the family anew; false where no answer came, so that it is asked for when something is heard again. Of a family that was left nothing is shown. */
  async function refresh(): Promise<boolean> {
    const from = base;
    if (!from) return false;
    // What is told from here on may be newer than the answer.
    told = 0;
    isStale = false;
    const detail = await hands.load(from.id).catch((error: unknown) => {
      serverSilent.value = error instanceof Refused && error.status === 0;
      return null;
    });
    if (base?.id !== from.id) return true;
    if (!detail) isStale = true;
    else bringIn(detail, from, queue);
    return detail !== null;
  }

  /** Somebody changed the family, or what has no revision beside it: it is shown anew once everything that waits is stored. */
  function heard(revision: number | null): void {
    if (revision === null) isStale = true;
    else told = Math.max(told, revision);
    if (base) go();
  }

  /** Shows the family as the server has it by now. */
  function anew(): Promise<void> {
    heard(null);
    return settled();
  }

  /** Waits until everything typed has been stored. */
  async function settled(): Promise<void> {
    while (working) await working;
  }

  function makeAsideAgain(make: (change: Pending) => void): void {
    const again = aside.value;
    aside.value = [];
    again.forEach((one) => make(one.change));
    note();
  }

  function dropAside(): void {
    aside.value = [];
    note();
  }

  return {
    waiting,
    serverSilent,
    unkept,
    aside,
    open,
    add,
    heard,
    anew,
    settled,
    makeAsideAgain,
    dropAside,
    waitingChanges: () => queue,
  };
}
