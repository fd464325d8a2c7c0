/**
 * The open family. A command is run here at once by the same function the server runs, shown in the next frame, and sent after;
 * commands wait in line while the server is away. What the server refuses is taken back and told.
 */
import { wrap } from 'comlink';
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import { createEmptyFits, type FitsByChannel } from './fits';
import { familyIndex, freeze, mendAll, Refusal, runCommand, type Command, type Family, type Finding, type PictureFacts, type Place } from '@loom-kin/core';
import { Refused, type FamilyDetail, type LiveListingRow } from '@loom-kin/contract';
import { api, call, requestKey, say, tell } from '../api';
import type { FitsWorker } from '../workers/fits.worker';
import { useSetup } from './setup';
import { keepWaiting, takeWaiting } from './waiting';

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
  let queue: Command[] = [];
  let sending: Promise<void> | null = null;
  let seenRevision = 0;

  const worker = wrap<FitsWorker>(new Worker(new URL('../workers/fits.worker.ts', import.meta.url), { type: 'module' }));
  let asked = 0;
  async function refit(): Promise<void> {
    const now = family.value;
    if (!now || !setup.setup) return;
    const number = ++asked;
    const all = await worker.compute({ family: now, stock: stock.value, pictures: pictures.value, live: live.value });
    if (number === asked) fits.value = Object.fromEntries(all.map((fit) => [fit.channel, fit]));
  }
  watch(() => setup.setup, (given) => given && void worker.setUp(given).then(refit), { immediate: true });
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
    const there = place.level === 'child' ? now.children[place.childId]?.woven : familyIndex(now).valueById.has(place.valueId);
    if (!there) selected.value = { level: 'family' };
  }

  async function open(id: string): Promise<void> {
    if (family.value?.id !== id) {
      family.value = null;
      fits.value = createEmptyFits();
      selected.value = { level: 'family' };
    }
    try {
      await setup.ensure();
      take(await call(api.family, { params: { id } }));
      if (queue.length === 0) replay();
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The family cannot be loaded.';
    }
  }

  /** What waited when the page was left goes on now. */
  function replay(): void {
    const { commands, lost } = takeWaiting(family.value!, undoTitle.value);
    if (lost > 0) tell(new Refusal('waiting.lost', `${lost} changes typed here before were not stored: the family was changed meanwhile.`));
    const done = commands.filter((command) => run(command)).length;
    if (done > 0) say(`${done} changes that waited are stored now.`);
  }

  /** Runs a command here and sends it. False where it was refused; the reason was told. */
  function run(command: Command): boolean {
    const now = family.value;
    if (!now) return false;
    try {
      const changed = runCommand(now, command);
      if (changed.forward.length === 0) return true;
      family.value = changed.family;
      redoTitle.value = null;
      keepSelection();
    } catch (error) {
      tell(error);
      return false;
    }
    queue.push(command);
    noteQueue();
    sending ??= send().finally(() => (sending = null));
    return true;
  }

  async function send(): Promise<void> {
    const id = family.value?.id;
    while (id && queue.length > 0) {
      try {
        const done = await call(api.run, { params: { id }, body: { revision: seenRevision, command: queue[0]! } });
        seenRevision = done.revision;
        undoTitle.value = done.undo;
        queue.shift();
        serverSilent.value = false;
      } catch (error) {
        if (error instanceof Refused && error.status === 0) {
          serverSilent.value = true;
          await new Promise((resume) => setTimeout(resume, 1500));
          continue;
        }
        tell(error);
        queue = [];
        noteQueue();
        await open(id);
        return;
      }
      noteQueue();
    }
  }

  function noteQueue(): void {
    waiting.value = queue.length;
    if (family.value) keepWaiting(family.value.id, seenRevision, queue);
  }

  /** Waits until everything typed has been stored. */
  const settled = async () => {
    while (sending) await sending;
  };

  /** A request that answers with the whole family anew. */
  async function ask(request: (id: string) => Promise<FamilyDetail>): Promise<boolean> {
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

  const undo = () => ask((id) => call(api.undo, { params: { id } })).then((done) => (done ? setup.reload() : undefined));
  const redo = () => ask((id) => call(api.redo, { params: { id } })).then((done) => (done ? setup.reload() : undefined));
  const count = (counts: { childId: string; pieces: number }[]) => ask((id) => call(api.countStock, { params: { id }, body: { key: requestKey(), counts } }));
  const takeNumbers = (childIds: string[], blockId?: string) => ask((id) => call(api.takeNumbers, { params: { id }, body: { childIds, ...(blockId ? { blockId } : {}) } }));
  const addFacts = (facts: PictureFacts[]) => (pictures.value = { ...pictures.value, ...Object.fromEntries(facts.map((one) => [one.id, one])) });

  /** Applies the remedies of findings together: one change, whatever their number. */
  async function mend(findings: readonly Finding[]): Promise<void> {
    const { commands, pairings, numbersFor } = mendAll(findings);
    if (pairings.length > 0 && (await ask((id) => call(api.setPairings, { params: { id }, body: { pairings } })))) await setup.reload();
    if (numbersFor.length > 0) await takeNumbers(numbersFor);
    if (commands.length === 1) run(commands[0]!);
    else if (commands.length > 1) run({ do: 'batch', title: `Mend ${findings.length} findings`, commands });
  }

  const index = computed(() => (family.value ? familyIndex(family.value) : null));
  const childLit = (childId: string) => lit.value.has(childId);

  return {
    family, stock, pictures, live, fits, index, undoTitle, redoTitle, problem, selected, lit, waiting, serverSilent,
    open, run, undo, redo, count, takeNumbers, mend, settled, addFacts, ask, childLit,
  };
});
