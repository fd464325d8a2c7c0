/**
 * The open family. A change is made here at once by the same functions the server runs, shown in the next frame, and
 * sent after;
 * changes wait in line while the server is away. What the server refuses is taken back and told; what somebody else's
 * change
 * overtook is set aside and asked about. Nothing typed is dropped without a word.
 */
import { wrap } from 'comlink';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { createEmptyFits, type FitsByChannel } from './fits';
import {
  familyIndex,
  freeze,
  mendAll,
  Refusal,
  runCommand,
  type Command,
  type Family,
  type Finding,
  type PictureFacts,
  type Place,
} from '@loom-kin/core';
import { Refused, type FamilyDetail, type LiveListingRow } from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../api';
import type { FitsWorker } from '../workers/fits.worker';
import { useSetup } from './setup';
import { keepWaiting, takeWaiting, type Change } from './waiting';

/** Milliseconds between tries while the server is away. */
const TRY_AGAIN = 1500;

export const useFamily = defineStore('family', () => {
  const setup = useSetup();
  const family = shallowRef<Family | null>(null);
  const stock = shallowRef<Record<string, number>>({});
  const pictures = shallowRef<Record<string, PictureFacts>>({});
  const live = shallowRef<LiveListingRow[]>([]);
  const undoTitle = ref<string | null>(null);
  const redoTitle = ref<string | null>(null);
  const problem = ref<string | null>(null);
  /** What is selected: the inspector shows it, the weave and the grid mark it. */
  const selected = shallowRef<Place>({ level: 'family' });
  /** Children lit up by a hovered thread, label or finding. */
  const lit = shallowRef<ReadonlySet<string>>(new Set());
  const fits = shallowRef<FitsByChannel>(createEmptyFits());

  const waiting = ref(0);
  const serverSilent = ref(false);
  /** Changes that somebody else's change overtook: made again or dropped by the seller. */
  const aside = shallowRef<Change[]>([]);
  let queue: Change[] = [];
  let sending: Promise<void> | null = null;
  let seenRevision = 0;
  /** The family asked for last: an older answer that comes late is not shown. */
  let wanted = '';

  const worker = wrap<FitsWorker>(
    new Worker(new URL('../workers/fits.worker.ts', import.meta.url), { type: 'module' }),
  );
  let asked = 0;
  async function refit(): Promise<void> {
    const now = family.value;
    if (!now || !setup.setup) return;
    const number = ++asked;
    const all = await worker.compute({ family: now, stock: stock.value, pictures: pictures.value, live: live.value });
    if (number === asked) fits.value = Object.fromEntries(all.map((fit) => [fit.channel, fit]));
  }
  watch(
    () => setup.setup,
    (given) => given && void worker.setUp(given).then(refit),
    { immediate: true },
  );
  watch([family, stock, pictures, live], () => void refit());

  function take(detail: FamilyDetail): void {
    family.value = freeze(detail.family, true);
    stock.value = detail.stock;
    pictures.value = { ...pictures.value, ...detail.pictures };
    live.value = detail.live;
    undoTitle.value = detail.undo;
    redoTitle.value = detail.redo;
    seenRevision = detail.family.revision;
    problem.value = null;
    keepSelection();
  }

  /** A place that is gone is no longer selected. */
  function keepSelection(): void {
    const place = selected.value;
    const now = family.value;
    if (!now || place.level === 'family') return;
    const there =
      place.level === 'child' ? now.children[place.childId]?.woven : familyIndex(now).valueById.has(place.valueId);
    if (!there) selected.value = { level: 'family' };
  }

  /**
   * Opens a family, once however many ask. What waits for another one is stored first; what waited for this one when
   * its page was left goes on.
   */
  function open(id: string): Promise<void> {
    if (opening?.id === id) return opening.done;
    const done = openNow(id).finally(() => (opening = opening?.done === done ? null : opening));
    opening = { id, done };
    return done;
  }
  let opening: { id: string; done: Promise<void> } | null = null;

  async function openNow(id: string): Promise<void> {
    // While changes wait, what is shown is newer than what the server has.
    if (family.value?.id === id && queue.length > 0) return;
    wanted = id;
    if (family.value?.id !== id) {
      await settled();
      if (wanted !== id) return;
      family.value = null;
      aside.value = [];
      fits.value = createEmptyFits();
      selected.value = { level: 'family' };
    }
    const first = family.value === null;
    const detail = await load(id);
    if (first && detail) goOn(detail);
  }

  async function load(id: string): Promise<FamilyDetail | null> {
    try {
      await setup.ensure();
      const detail = await call(api.family, { params: { id } });
      if (wanted !== id) return null;
      take(detail);
      return detail;
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The family cannot be loaded.';
      return null;
    }
  }

  function goOn(detail: FamilyDetail): void {
    const left = takeWaiting(detail.family, detail.lastKey);
    aside.value = left.aside;
    const done = makeAll(left.changes);
    if (done > 0)
      say(`${done} ${done === 1 ? 'change' : 'changes'} that waited ${done === 1 ? 'is' : 'are'} stored now.`);
    noteQueue();
  }

  /** Runs a command here and sends it. False where it was refused; the reason was told. */
  function run(command: Command, key = requestKey()): boolean {
    const now = family.value;
    if (!now) return false;
    try {
      const changed = runCommand(now, command);
      if (changed.forward.length === 0) return true;
      family.value = changed.family;
      keepSelection();
    } catch (error) {
      tell(error);
      return false;
    }
    enqueue({ key, command });
    return true;
  }

  /** Sets counted pieces, here at once and in the ledger after. */
  function count(counts: { childId: string; pieces: number }[], key = requestKey()): boolean {
    stock.value = { ...stock.value, ...piecesOf(counts) };
    enqueue({ key, counts });
    return true;
  }
  const piecesOf = (counts: { childId: string; pieces: number }[]) =>
    Object.fromEntries(counts.map((one) => [one.childId, one.pieces]));

  /** Makes changes one after another and says how many went in. */
  const makeAll = (changes: readonly Change[]) =>
    changes.filter((change) =>
      'command' in change ? run(change.command, change.key) : count(change.counts, change.key),
    ).length;

  function enqueue(change: Change): void {
    redoTitle.value = null;
    queue.push(change);
    noteQueue();
    sending ??= send().finally(() => (sending = null));
  }

  async function send(): Promise<void> {
    const id = family.value!.id;
    while (queue.length > 0) {
      try {
        await store(id, queue[0]!);
        queue.shift();
        serverSilent.value = false;
        noteQueue();
      } catch (error) {
        if (error instanceof Refused && error.status === 0) {
          serverSilent.value = true;
          await new Promise((resume) => setTimeout(resume, TRY_AGAIN));
        } else await giveWay(id, error);
      }
    }
  }

  async function store(id: string, change: Change): Promise<void> {
    if ('command' in change) {
      const done = await call(api.run, { params: { id }, body: { revision: seenRevision, ...change } });
      seenRevision = done.revision;
      undoTitle.value = done.undo;
    } else {
      const detail = await call(api.countStock, { params: { id }, body: change });
      seenRevision = detail.family.revision;
      undoTitle.value = detail.undo;
      const later = queue.slice(1).flatMap((one) => ('counts' in one ? one.counts : []));
      stock.value = { ...detail.stock, ...piecesOf(later) };
    }
  }

  /**
   * The first change was refused. The family is loaded anew; what was made after it is made again, or set aside where
   * the family had moved on.
   */
  async function giveWay(id: string, error: unknown): Promise<void> {
    const left = queue;
    queue = [];
    const overtaken = error instanceof Refused && error.problem.code === 'family.stale';
    if (overtaken) aside.value = [...aside.value, ...left];
    else tell(error);
    noteQueue();
    await load(id);
    const typedMeanwhile = queue;
    queue = [];
    makeAll([...(overtaken ? [] : left.slice(1)), ...typedMeanwhile]);
  }

  function makeAsideAgain(): void {
    const again = aside.value;
    aside.value = [];
    makeAll(again.map((change) => ({ ...change, key: requestKey() })));
    noteQueue();
  }
  function dropAside(): void {
    aside.value = [];
    noteQueue();
  }

  function noteQueue(): void {
    waiting.value = queue.length;
    if (family.value) keepWaiting(family.value.id, { revision: seenRevision, changes: queue, aside: aside.value });
  }

  /** Waits until everything typed has been stored. */
  const settled = async () => {
    while (sending) await sending;
  };

  /** A request that answers with the whole family anew. False where it could not be done; the reason was told. */
  async function ask(request: (id: string) => Promise<FamilyDetail>): Promise<boolean> {
    if (serverSilent.value) {
      tell(
        new Refusal(
          'server.silent',
          'The server does not answer just now. What you typed waits; do this again when it is back.',
        ),
      );
      return false;
    }
    await settled();
    const id = family.value?.id;
    if (!id) return false;
    try {
      take(await request(id));
      return true;
    } catch (error) {
      tell(error);
      return false;
    }
  }

  const undo = () =>
    ask((id) => call(api.undo, { params: { id } })).then((done) => (done ? setup.reload() : undefined));
  const redo = () =>
    ask((id) => call(api.redo, { params: { id } })).then((done) => (done ? setup.reload() : undefined));
  const takeNumbers = (childIds: string[], blockId?: string) =>
    ask((id) => call(api.takeNumbers, { params: { id }, body: { childIds, ...(blockId ? { blockId } : {}) } }));
  const addFacts = (facts: PictureFacts[]) =>
    (pictures.value = { ...pictures.value, ...Object.fromEntries(facts.map((one) => [one.id, one])) });

  /** Applies the remedies of findings together: one change, whatever their number. */
  async function mend(findings: readonly Finding[]): Promise<void> {
    const { commands, pairings, numbersFor } = mendAll(findings);
    if (pairings.length > 0 && (await ask((id) => call(api.setPairings, { params: { id }, body: { pairings } }))))
      await setup.reload();
    if (numbersFor.length > 0) await takeNumbers(numbersFor);
    if (commands.length === 1) run(commands[0]!);
    else if (commands.length > 1) run({ do: 'batch', title: `Mend ${findings.length} findings`, commands });
  }

  const index = computed(() => (family.value ? familyIndex(family.value) : null));

  return {
    family,
    stock,
    pictures,
    live,
    fits,
    index,
    undoTitle,
    redoTitle,
    problem,
    selected,
    lit,
    waiting,
    serverSilent,
    aside,
    open,
    run,
    undo,
    redo,
    count,
    takeNumbers,
    mend,
    settled,
    addFacts,
    ask,
    makeAsideAgain,
    dropAside,
  };
});
