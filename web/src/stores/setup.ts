/** What holds for all families: registry, seller, accounts, channels, pairings. Read once, read again when somebody changed it. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Account } from '@loom-kin/core/catalogue';
import { emptyRegistry, openRegistry } from '@loom-kin/core/registry';
import { openRulebook } from '@loom-kin/core/rulebook';
import { makeChange, type Setup, type StepInput } from '@loom-kin/contract';
import { api, call, tell } from '../api/api';
import { latest } from '../api/latest';
import { committing } from '../api/refusals';

export const useSetup = defineStore('setup', () => {
  const setup = shallowRef<Setup | null>(null);
  const problem = ref<string | null>(null);
  let loading: Promise<void> | null = null;

  const ask = latest();
  async function load(): Promise<void> {
    try {
      await ask(
        () => call(api.setup),
        (answer) => {
          setup.value = Object.freeze(answer);
          problem.value = null;
        },
      );
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The server does not answer.';
    }
  }

  /** Loads once, however many ask; who asked before somebody had it read anew waits for that. */
  async function ensure(): Promise<void> {
    let waited: Promise<void> | null = null;
    while (waited !== (loading ??= load())) await (waited = loading);
  }
  function reload(): Promise<void> {
    loading = load();
    return ensure();
  }

  const registry = computed(() => openRegistry(setup.value?.registry ?? emptyRegistry()));
  const accounts = computed(() => setup.value?.accounts ?? []);
  const channels = computed(() => setup.value?.channels ?? []);
  const currency = computed(() => setup.value?.seller.currency ?? 'EUR');
  const rulebooks = computed(
    () =>
      new Map(channels.value.map(({ channel, rulebook }) => [channel, openRulebook(rulebook, registry.value, null)])),
  );
  const account = (id: string): Account | undefined => accounts.value.find((one) => one.id === id);
  const accountName = (id: string) => account(id)?.name ?? id;
  const channelOf = (one: Account) => channels.value.find((channel) => channel.channel === one.channel);
  const namer = computed(() => ({ registry: registry.value, account: accountName }));

  let last: Promise<unknown> = Promise.resolve();
  /**
   * Changes something that holds for all families, one change after another: steps given as a function are made of what
   * the change before left. False where it could not be done; the reason was told.
   */
  function change(steps: StepInput[] | (() => StepInput[]), title?: string): Promise<boolean> {
    const entry = committing();
    const made = last.then(async () => {
      try {
        await makeChange(call, typeof steps === 'function' ? steps() : steps, title ? { title } : {});
        await reload();
        return true;
      } catch (error) {
        tell(error, entry);
        return false;
      }
    });
    last = made;
    return made;
  }

  return {
    setup,
    problem,
    registry,
    accounts,
    channels,
    currency,
    rulebooks,
    namer,
    account,
    accountName,
    channelOf,
    ensure,
    reload,
    change,
  };
});
