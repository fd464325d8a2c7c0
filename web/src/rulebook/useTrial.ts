/** A rulebook tried on a family as it is written: the fit worked out beside the page. */
import { wrap, type Remote } from 'comlink';
import { onUnmounted, ref, shallowRef, watch, type Ref } from 'vue';
import { usualSettings } from '@loom-kin/core/catalogue';
import type { Family } from '@loom-kin/core/family';
import type { Rulebook } from '@loom-kin/core/rulebook';
import { api, call } from '../api/api';
import { useSetup } from '../stores/setup';
import type { FitsTask, FitsWorker, SentFit } from '../workers/fits.worker';

export interface Trial {
  fit: SentFit;
  family: Family;
}

/**
 * @param rulebook the rules, or null while they cannot be read
 * @param familyId the family they are tried on; empty for none
 * @param category the channel's category it is tried in
 * @param like the channel the rules are a copy of: what is set up and paired there holds for the trial
 */
export function useTrial(
  rulebook: Ref<Rulebook | null>,
  familyId: Ref<string>,
  category: Ref<string>,
  like: Ref<string>,
) {
  const setup = useSetup();
  const trial = shallowRef<Trial | null>(null);
  const problem = ref<string | null>(null);
  let worker: { remote: Remote<FitsWorker>; end: () => void } | null = null;
  let task: { id: string; given: FitsTask } | null = null;
  let turn = 0;

  function start(): Remote<FitsWorker> {
    if (!worker) {
      const thread = new Worker(new URL('../workers/fits.worker.ts', import.meta.url), { type: 'module' });
      worker = { remote: wrap<FitsWorker>(thread), end: () => thread.terminate() };
    }
    return worker.remote;
  }

  async function familyTask(id: string): Promise<FitsTask> {
    if (task?.id === id) return task.given;
    const { family, stock, pictures, known } = await call(api.family, { params: { id } });
    task = { id, given: { family, stock, pictures, known, live: [] } };
    return task.given;
  }

  async function run(): Promise<void> {
    const mine = ++turn;
    const rules = rulebook.value;
    if (!rules || !familyId.value || !setup.setup) return void (trial.value = null);
    try {
      const given = await familyTask(familyId.value);
      const now = setup.setup;
      const settings = usualSettings();
      const there = now.accounts.find((one) => one.channel === (like.value || rules.channel));
      const account = {
        ...(there ?? { id: rules.channel, at: 0, settings, language: setup.registry.firstLanguage }),
        channel: rules.channel,
        name: rules.name,
      };
      const channel = { rulebook: rules, offered: null, versions: [], choices: {}, reachable: false, isOwn: true };
      const map = { [String(given.family.fields.category ?? '')]: category.value || rules.categories[0]!.id };
      await start().setUp({
        ...now,
        accounts: [account],
        channels: [{ ...channel, channel: rules.channel }],
        pairings: { [rules.channel]: now.pairings[like.value || rules.channel] ?? {} },
        categoryMaps: { [rules.channel]: map },
        routes: {},
      });
      const [fit] = await start().compute(given);
      if (mine === turn) trial.value = { fit: fit!, family: given.family };
      problem.value = null;
    } catch (error) {
      if (mine === turn) problem.value = error instanceof Error ? error.message : 'It cannot be tried.';
    }
  }
  watch([rulebook, familyId, category], () => void run(), { immediate: true });
  onUnmounted(() => worker?.end());
  return { trial, problem };
}
