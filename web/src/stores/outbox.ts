/**
 * Sends the changes of one family that are shown already, one after another. It tries again while the server is away, and brings in what
 * somebody else changed meanwhile.
 */
import type { Family } from '@loom-kin/core/family';
import { makeChange, Refused, type ChangeDone, type FamilyDetail } from '@loom-kin/contract';
import { ref } from 'vue';
import { call } from '../api/api';
import { committing, type Committer } from '../api/refusals';
import type { Made } from './madeHere';
import { stepsOf, type Pending } from './pending';
import { createWaitingDocument, type DocumentCallbacks } from './waitingDocument';

/** Milliseconds between tries while the server is away. */
const TRY_AGAIN = 1500;

export interface OutboxCallbacks extends DocumentCallbacks {
  load(id: string): Promise<FamilyDetail>;
  stored(done: ChangeDone): void;
  /** @param entry where what was refused was typed; null after the page was loaded anew */
  refused(error: unknown, entry: Committer | null): void;
}

export function createOutbox(callbacks: OutboxCallbacks) {
  const document = createWaitingDocument(callbacks);
  const serverSilent = ref(false);
  const news = createNews();
  /** Key of a change → the entry it was typed in. */
  const entries = new Map<string, Committer>();
  let working: Promise<void> | null = null;

  /** Begins with a family as it was loaded. What waited when its page was left goes on; the number of such changes comes back. */
  async function open(detail: FamilyDetail): Promise<number> {
    entries.clear();
    await document.open(detail);
    news.clear();
    go();
    return document.changes().length;
  }

  /** @param made the family the page showed before and after it */
  function add(change: Pending, made?: Made): void {
    const entry = committing();
    if (entry) entries.set(change.key, entry);
    document.add(change, made);
    go();
  }

  function go(): void {
    working ??= work().finally(() => {
      working = null;
      if (document.changes().length > 0 && document.base()) go();
    });
  }

  /** One thing at a time: what waits is sent, then what somebody else changed is asked for, until there is neither. */
  async function work(): Promise<void> {
    for (let base = document.base(); base; base = document.base()) {
      const [first] = document.changes();
      if (first) await send(first, base);
      else if (!news.isNewerThan(base)) return;
      else if (!(await refresh())) return;
    }
  }

  async function send(change: Pending, from: Family): Promise<void> {
    try {
      const done = await makeChange(call, stepsOf(change, from), { key: change.key, from: from.id });
      entries.delete(change.key);
      serverSilent.value = false;
      document.stored(done.revisions[from.id]);
      callbacks.stored(done);
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
    if (!hasMovedOn) document.dropFirst();
    await refresh();
    if (hasMovedOn) return;
    // What was shown already is taken back by now: the entry it was typed in shows it again, marked.
    callbacks.refused(error, entries.get(change.key) ?? null);
    entries.delete(change.key);
  }

  /** Asks for the family anew; false where no answer came, so that it is asked for when something is heard again. Of a family that was left nothing is shown. */
  async function refresh(): Promise<boolean> {
    const from = document.base();
    if (!from) return false;
    // What is told from here on may be newer than the answer.
    news.clear();
    const detail = await callbacks.load(from.id).catch((error: unknown) => {
      serverSilent.value = error instanceof Refused && error.status === 0;
      return null;
    });
    if (document.base()?.id !== from.id) return true;
    if (detail) document.bringIn(detail, from);
    else news.hear(null);
    return detail !== null;
  }

  /** Somebody changed the family, or what has no revision beside it: it is shown anew once everything that waits is stored. */
  function heard(revision: number | null): void {
    news.hear(revision);
    if (document.base()) go();
  }

  /** Waits until everything typed has been stored. */
  async function settled(): Promise<void> {
    while (working) await working;
  }

  const { waiting, unkept, aside, takeAside } = document;
  return {
    waiting,
    serverSilent,
    unkept,
    aside,
    open,
    add,
    heard,
    settled,
    takeAside,
    waitingChanges: document.changes,
    /** Shows the family as the server has it by now. */
    anew(): Promise<void> {
      heard(null);
      return settled();
    },
  };
}

/** What was told of a family since it was asked for: the newest revision, or that something without a revision changed. */
function createNews() {
  let told = 0;
  let isStale = false;
  return {
    clear() {
      told = 0;
      isStale = false;
    },
    hear(revision: number | null) {
      if (revision === null) isStale = true;
      else told = Math.max(told, revision);
    },
    isNewerThan: ({ revision }: Family): boolean => isStale || told > revision,
  };
}
