/** The fits of the open family: computed in a worker, after what was typed is on the screen, one after another however fast changes come. */
import { wrap, type Remote } from 'comlink';
import { shallowRef, watch, type ShallowRef } from 'vue';
import type { Family } from '@loom-kin/core/family';
import type { Fit, LeaveOutOffer } from '@loom-kin/core/fit';
import type { KnownNumbers, Listing } from '@loom-kin/core/listing';
import type { PictureFacts } from '@loom-kin/core/pictures';
import type { StockPlaces } from '@loom-kin/core/stock';
import type { LiveListingRow } from '@loom-kin/contract';
import type { FitsTask, FitsWorker, SentFit } from '../workers/fits.worker';
import { api, call, tell } from '../api/api';
import { useSetup } from './setup';

/** account → fit, as last computed. */
export type FitsByAccount = Record<string, Fit>;

export interface FitsContext {
  family: ShallowRef<Family | null>;
  stock: ShallowRef<Record<string, number>>;
  stockAt: ShallowRef<StockPlaces>;
  pictures: ShallowRef<Record<string, PictureFacts>>;
  live: ShallowRef<LiveListingRow[]>;
  known: ShallowRef<Record<string, KnownNumbers>>;
}

export function createFits({ family, stock, stockAt, pictures, live, known }: FitsContext) {
  const setup = useSetup();
  const fits = shallowRef<FitsByAccount>({});
  let started: Remote<FitsWorker> | null = null;

  /** Started with the first family that is opened: lists need none. */
  function worker(): Remote<FitsWorker> {
    if (started) return started;
    started = wrap<FitsWorker>(new Worker(new URL('../workers/fits.worker.ts', import.meta.url), { type: 'module' }));
    if (setup.setup) void started.setUp(setup.setup);
    return started;
  }
  const task = (now: Family): FitsTask => ({
    family: now,
    stock: stock.value,
    stockAt: stockAt.value,
    pictures: pictures.value,
    live: live.value,
    known: known.value,
  });
  const categoryOf = ({ channel, categoryId }: SentFit) => setup.rulebooks.get(channel)?.category(categoryId) ?? null;

  let isRunning = false;
  let isDue = false;
  let lastChange = 0;
  const isLarge = () => Object.keys(family.value?.children ?? {}).length > LARGE;
  async function refit(): Promise<void> {
    isDue = true;
    lastChange = Date.now();
    if (isRunning) return;
    isRunning = true;
    try {
      while (isDue) {
        await painted();
        // Handing a large family over takes longer than a key press: it waits until nobody types.
        while (isLarge() && Date.now() - lastChange < REST) await pause(REST);
        isDue = false;
        await compute();
      }
    } finally {
      isRunning = false;
    }
  }
  async function compute(): Promise<void> {
    const now = family.value;
    if (!now || !setup.setup) return;
    const all = await worker().compute(task(now));
    if (family.value?.id !== now.id) return;
    const withRules = all.map((fit) => [fit.account, { ...fit, category: categoryOf(fit) }] as const);
    fits.value = Object.fromEntries(withRules);
  }

  watch(
    () => setup.setup,
    async (given) => {
      if (given && started) await started.setUp(given);
      void refit();
    },
  );
  watch([family, stock, stockAt, pictures, live, known], () => void refit());

  async function listings(accountId: string, signature?: string): Promise<Listing[]> {
    if (!family.value) return [];
    const given = task(family.value);
    const found = await worker().listings(given, accountId, signature);
    if (!family.value.wishes[accountId]?.combine) return found;
    // Pictures that are put together can be fetched once the server knows what is on them.
    const made = await worker().combined(given, accountId, signature);
    if (made.length > 0) await call(api.noteCombined, { body: { pictures: made } }).catch(tell);
    return found;
  }

  return {
    fits,
    /** What would go out to an account, under a plan of this signature or the one in force. */
    listings,
    /** What could be left out on an account so that fewer listings are enough. */
    leaveOuts: (accountId: string): Promise<LeaveOutOffer[]> =>
      family.value ? worker().leaveOuts(task(family.value), accountId) : Promise.resolve([]),
    forget: () => (fits.value = {}),
  };
}

/** Children from which on a family is large, and milliseconds without a change after which it is handed over. */
const LARGE = 500;
const REST = 150;
const pause = (length: number) => new Promise((resume) => setTimeout(resume, length));

/** Until what was typed is drawn. */
const painted = (): Promise<void> =>
  new Promise((resolve) => {
    if (document.hidden) setTimeout(resolve);
    else requestAnimationFrame(() => setTimeout(resolve));
  });
