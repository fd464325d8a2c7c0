/**
 * The open family. A change is made here at once by the same functions the server runs, shown in the next frame, and sent after; changes
 * wait in line while the server is away. What somebody else changed meanwhile is brought in; what stands against it is asked about.
 */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { type Changed, type Command, isStructural, runCommand } from '@loom-kin/core/change';
import { EVERYWHERE, type Family, type Scope, familyIndex, freeze, hasPlace } from '@loom-kin/core/family';
import type { KnownNumbers } from '@loom-kin/core/listing';
import type { PictureFacts } from '@loom-kin/core/pictures';
import type { Place } from '@loom-kin/core/place';
import { Refusal } from '@loom-kin/core/refusal';
import {
  makeChange,
  type FamilyDetail,
  type LiveListingRow,
  type StepBack,
  type StepInput,
  type Unconfirmed,
} from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../api/api';
import { latest } from '../api/latest';
import { committing, type Committer } from '../api/refusals';
import { useServerEvents } from './serverEvents';
import { createFits } from './fits';
import { createMending } from './mending';
import { createOutbox } from './outbox';
import { countsOf, type Count, type Pending } from './pending';
import { afterCounts, type Pieces } from './pieces';
import { sayMoved } from './sayMoved';
import { useSetup } from './setup';

/** A command that was looked at before it is done: what it makes of which family. */
export interface Ahead {
  before: Family;
  changed: Changed;
}

export const useFamily = defineStore('family', () => {
  const setup = useSetup();
  const family = shallowRef<Family | null>(null);
  const stock = shallowRef<Pieces['stock']>({});
  const stockAt = shallowRef<Pieces['stockAt']>({});
  const putPieces = (pieces: Pieces) => {
    stock.value = pieces.stock;
    stockAt.value = pieces.stockAt;
  };
  const counted = (counts: readonly Count[]) =>
    putPieces(afterCounts({ stock: stock.value, stockAt: stockAt.value }, counts));
  const pictures = shallowRef<Record<string, PictureFacts>>({});
  const live = shallowRef<LiveListingRow[]>([]);
  const unconfirmed = shallowRef<Unconfirmed[]>([]);
  /** Account → what its channel knows of the family's numbers. */
  const known = shallowRef<Record<string, KnownNumbers>>({});
  const undoStep = shallowRef<StepBack | null>(null);
  const redoStep = shallowRef<StepBack | null>(null);
  const problem = ref<string | null>(null);
  /** What is selected: the inspector shows it, the weave and the grid mark it. */
  const selected = shallowRef<Place>({ level: 'family' });
  /** For whom what is shown and typed holds, in the inspector and among the words. */
  const scope = ref<Scope>(EVERYWHERE);
  /** Children lit up by a hovered thread, label or finding. */
  const lit = shallowRef<ReadonlySet<string>>(new Set());
  /** Children the grid shows alone; null shows all. */
  const only = shallowRef<ReadonlySet<string> | null>(null);
  /** Why cells of rows that began the family were not taken, a line each: the grid shows them. */
  const notTaken = shallowRef<string[]>([]);
  /** The cell of the grid that is gone to. */
  const aim = shallowRef<{ childId: string; columnId: string } | null>(null);
  /** Children chosen in the weave or the grid, and in which of them. */
  const chosen = shallowRef<ReadonlySet<string>>(new Set());
  const chosenIn = ref<'weave' | 'grid'>('weave');
  /** The family asked for last: an older answer that comes late is not shown. */
  let wanted = '';

  const { fits, listings, leaveOuts, forget } = createFits({ family, stock, stockAt, pictures, live, known });

  const outbox = createOutbox({
    namer: () => setup.namer,
    load: (id) => call(api.family, { params: { id } }),
    /** The family as it is to be shown, with everything that waits. */
    show(now, detail) {
      family.value = now;
      if (detail) takeBeside(detail);
      keepSelection();
    },
    stored(done) {
      if (done.id !== null) undoStep.value = { id: done.id, title: done.title, others: 0 };
      done.notices.forEach(say);
    },
    refused: tell,
  });

  /** What stands beside the family. */
  function takeBeside(detail: FamilyDetail): void {
    putPieces(afterCounts(detail, countsOf(outbox.waitingChanges())));
    pictures.value = { ...pictures.value, ...detail.pictures };
    live.value = detail.live;
    unconfirmed.value = detail.unconfirmed;
    known.value = detail.known;
    undoStep.value = detail.undo;
    redoStep.value = detail.redo;
    problem.value = null;
  }

  /** A place that is gone is no longer selected. */
  function keepSelection(): void {
    const place = selected.value;
    const now = family.value;
    if (now && !hasPlace(now, place)) selected.value = { level: 'family' };
  }

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
      chosen.value = new Set();
      only.value = null;
      scope.value = EVERYWHERE;
      selected.value = { level: 'family' };
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
    else if (event.dispatches || event.entries.includes(id)) void refreshBeside(id);
  });
  watch(
    () => serverEvents.gaps,
    () => {
      if (family.value) outbox.heard(null);
      void setup.reload();
    },
  );
  const askBeside = latest();
  /** What is live, or known on channels, may have changed: the family has not. */
  async function refreshBeside(id: string): Promise<void> {
    await askBeside(
      () => call(api.family, { params: { id } }).catch(() => null),
      (detail) => {
        if (!detail || family.value?.id !== id) return;
        live.value = detail.live;
        unconfirmed.value = detail.unconfirmed;
        known.value = detail.known;
      },
    );
  }

  function choose(childIds: Iterable<string>, where: 'weave' | 'grid'): void {
    chosenIn.value = where;
    chosen.value = new Set(childIds);
    // A child that is not among those chosen is not what anybody looks at any more.
    const place = selected.value;
    if (chosen.value.size > 1 && place.level === 'child' && !chosen.value.has(place.childId)) {
      selected.value = { level: 'family' };
    }
  }

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
      if (moved) counted(counts);
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
    counted(counts);
    enqueue({ key: requestKey(), counts });
  }

  function enqueue(change: Pending, made?: { before: Family; after: Family }): void {
    redoStep.value = null;
    outbox.add(change, made);
  }

  /**
   * A gesture that only the server can do, such as giving numbers; commands in it are part of the same change. False where it could not be
   * done; the reason was told.
   */
  async function ask(steps: (now: Family) => StepInput[], title?: string): Promise<boolean> {
    return askFor(async (now) => {
      const done = await makeChange(call, steps(now), { from: now.id, ...(title ? { title } : {}) });
      done.notices.forEach(say);
    });
  }

  /** Gestures that wait for the server are done one after another: a second Ctrl Z takes back what was before the first. */
  let turn: Promise<unknown> = Promise.resolve();
  function askFor(work: (now: Family) => Promise<void>): Promise<boolean> {
    const entry = committing();
    const done = turn.then(() => askNow(work, entry));
    turn = done;
    return done;
  }

  async function askNow(work: (now: Family) => Promise<void>, entry: Committer | null): Promise<boolean> {
    if (outbox.serverSilent.value) {
      tell(new Refusal('server.silent', {}), entry);
      return false;
    }
    await outbox.settled();
    const now = family.value;
    if (!now) return false;
    try {
      await work(now);
      await Promise.all([load(now.id), setup.reload()]);
      return true;
    } catch (error) {
      tell(error, entry);
      return false;
    }
  }

  const stepBack = (kind: 'undo' | 'redo'): Promise<boolean> =>
    askFor(async () => {
      const step = kind === 'undo' ? undoStep.value : redoStep.value;
      if (!step) return;
      await call(api[kind], { params: { id: step.id }, body: { key: requestKey() } });
      const families = step.others === 1 ? 'family' : 'families';
      if (step.others > 0)
        say(`${kind === 'undo' ? 'Taken back' : 'Made again'} in ${step.others} more ${families}, too.`);
    });

  const takeNumbers = (childIds: string[], from: { blockId?: string; reservedId?: string } = {}) =>
    ask((now) => [{ on: 'numbers', familyId: now.id, childIds, ...from }]);
  const addFacts = (facts: PictureFacts[]) =>
    (pictures.value = { ...pictures.value, ...Object.fromEntries(facts.map((one) => [one.id, one])) });

  const { mend, apply, askEntries } = createMending({ family: () => family.value, ask, run });

  const index = computed(() => (family.value ? familyIndex(freeze(family.value, true)) : null));
  const undoTitle = computed(() => undoStep.value?.title ?? null);
  const redoTitle = computed(() => redoStep.value?.title ?? null);

  return {
    ...{
      family,
      stock,
      stockAt,
      pictures,
      live,
      unconfirmed,
      fits,
      index,
      undoStep,
      redoStep,
      undoTitle,
      redoTitle,
      problem,
      selected,
      scope,
      lit,
      only,
      aim,
      notTaken,
      chosen,
      chosenIn,
    },
    waiting: outbox.waiting,
    serverSilent: outbox.serverSilent,
    aside: outbox.aside,
    unkept: outbox.unkept,
    choose,
    open,
    run,
    count,
    ask,
    takeNumbers,
    mend,
    apply,
    askEntries,
    addFacts,
    listings,
    leaveOuts,
    undo: () => stepBack('undo'),
    redo: () => stepBack('redo'),
    settled: outbox.settled,
    makeAsideAgain: () =>
      outbox.makeAsideAgain((change) => void (change.command && run(change.command, change.counts ?? []))),
    dropAside: outbox.dropAside,
  };
});
