/**
 * The open family. A change is made here at once by the same functions the server runs, shown in the next frame, and sent after; changes
 * wait in line while the server is away. What somebody else changed meanwhile is brought in; what stands against it is asked about.
 */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { type Changed, type Command, isStructural, runCommand } from '@loom-kin/core/change';
import { type Family, familyIndex, freeze } from '@loom-kin/core/family';
import { api, call, requestKey, say, tell } from '../api/api';
import { createBeside } from './besideFamily';
import { createSelection } from './familySelection';
import { createFits } from './fits';
import type { Made } from './madeHere';
import { createMending } from './mending';
import { createOutbox } from './outbox';
import { countsOf, type Count, type Pending } from './pending';
import { sayMoved } from './sayMoved';
import { useServerEvents } from './serverEvents';
import { createServerGestures } from './serverGestures';
import { useSetup } from './setup';

/** A command that was looked at before it is done: what it makes of which family. */
export interface Ahead {
  before: Family;
  changed: Changed;
}

export const useFamily = defineStore('family', () => {
  const setup = useSetup();
  const family = shallowRef<Family | null>(null);
  const problem = ref<string | null>(null);
  /** Why cells of rows that began the family were not taken, a line each: the grid shows them. */
  const notTaken = shallowRef<string[]>([]);
  /** The family asked for last: an older answer that comes late is not shown. */
  let wanted = '';

  const { keepSelection, clearSelection, ...selection } = createSelection(family);
  const { takeBeside, showCounts, refreshChannels, ...beside } = createBeside();
  const { fits, listings, leaveOuts, forget } = createFits({ family, ...beside });

  const outbox = createOutbox({
    namer: () => setup.namer,
    load: (id) => call(api.family, { params: { id } }),
    /** The family as it is to be shown, with everything that waits. */
    show(now, detail) {
      family.value = now;
      if (detail) {
        takeBeside(detail, countsOf(outbox.waitingChanges()));
        gestures.takeSteps(detail);
        problem.value = null;
      }
      keepSelection();
    },
    stored(done) {
      if (done.id !== null) gestures.undoStep.value = { id: done.id, title: done.title, others: 0 };
      done.notices.forEach(say);
    },
    refused: tell,
  });

  const gestures = createServerGestures({
    family: () => family.value,
    isServerSilent: () => outbox.serverSilent.value,
    settled: outbox.settled,
    reload: (id) => Promise.all([load(id), setup.reload()]),
  });
  const { undoStep, redoStep, ask, undo, redo, takeNumbers } = gestures;

  /** Opens a family, once however many ask. What waits for another one is stored first; what waited for this one when its page was left goes on. */
  function open(id: string): Promise<void> {
    if (opening?.id === id) return opening.done;
    const done = openNow(id).finally(() => (opening = opening?.done === done ? null : opening));
    opening = { id, done };
    return done;
  }
  let opening: { id: string; done: Promise<void> } | null = null;

  async function openNow(id: string): Promise<void> {
    // While changes wait, what is shown is newer than what the server has.
    if (family.value?.id === id && outbox.waiting.value > 0) return;
    wanted = id;
    if (family.value?.id !== id) {
      await outbox.settled();
      if (wanted !== id) return;
      family.value = null;
      forget();
      clearSelection();
    }
    await load(id);
  }

  async function load(id: string): Promise<void> {
    if (family.value?.id === id) return outbox.anew();
    try {
      await setup.ensure();
      const detail = await call(api.family, { params: { id } });
      if (wanted !== id) return;
      const resumed = await outbox.open(detail);
      if (resumed > 0)
        say(
          `${resumed} ${resumed === 1 ? 'change' : 'changes'} that waited ${resumed === 1 ? 'is' : 'are'} stored now.`,
        );
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The family cannot be loaded.';
    }
  }

  const serverEvents = useServerEvents();
  serverEvents.subscribe((event) => {
    if (event.setup) void setup.reload();
    const id = family.value?.id;
    if (!id || problem.value) return;
    const revision = event.families[id];
    // Pieces have no revision: what is told of them is always looked at.
    if (event.stock.includes(id)) outbox.heard(null);
    else if (revision !== undefined) outbox.heard(revision);
    else if (event.dispatches || event.entries.includes(id)) void refreshChannels(id, () => family.value?.id === id);
  });
  watch(
    () => serverEvents.gaps,
    () => {
      if (family.value) outbox.heard(null);
      void setup.reload();
    },
  );
  /**
   * Runs a command here and sends it, with counted pieces if the gesture had both. False where it was refused; the reason was told.
   * @param ahead what it makes of a family, where that was worked out before
   */
  function run(command: Command, counts: Count[] = [], key = requestKey(), ahead?: Ahead): boolean {
    const now = family.value;
    if (!now) return false;
    try {
      const changed = ahead?.before === now ? ahead.changed : runCommand(setup.registry, now, command);
      const moved = counts.length > 0;
      if (changed.forward.length === 0 && !moved) return true;
      family.value = changed.family;
      keepSelection();
      // Who looked ahead was told before.
      if (!ahead && isStructural(command)) sayMoved(setup.namer, now, changed.family);
      if (moved) showCounts(counts);
      const change = { key, ...(changed.forward.length > 0 ? { command } : {}), ...(moved ? { counts } : {}) };
      enqueue(change, { before: now, after: changed.family });
      return true;
    } catch (error) {
      tell(error);
      return false;
    }
  }

  /** Sets counted pieces, here at once and in the ledger after. */
  function count(counts: Count[]): void {
    showCounts(counts);
    enqueue({ key: requestKey(), counts });
  }

  function enqueue(change: Pending, made?: Made): void {
    redoStep.value = null;
    outbox.add(change, made);
  }

  const { mend, apply, askEntries } = createMending({ family: () => family.value, ask, run });

  /** Makes the changes again that somebody else's stood against. */
  function makeAsideAgain(): void {
    for (const { change } of outbox.takeAside()) if (change.command) run(change.command, change.counts ?? []);
  }

  const { waiting, serverSilent, aside, unkept, settled } = outbox;
  return {
    ...selection,
    ...beside,
    family,
    fits,
    index: computed(() => (family.value ? familyIndex(freeze(family.value, true)) : null)),
    problem,
    notTaken,
    undoStep,
    redoStep,
    undoTitle: computed(() => undoStep.value?.title ?? null),
    redoTitle: computed(() => redoStep.value?.title ?? null),
    waiting,
    serverSilent,
    aside,
    unkept,
    open,
    run,
    count,
    ask,
    takeNumbers,
    mend,
    apply,
    askEntries,
    listings,
    leaveOuts,
    undo,
    redo,
    settled,
    makeAsideAgain,
    dropAside: () => void outbox.takeAside(),
  };
});
