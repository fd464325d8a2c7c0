/** Seller, channels, pairings and number blocks: read once, read again when changed. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Setup } from '@loom-kin/contract';
import { api, call } from '../api';

export const useSetup = defineStore('setup', () => {
  const setup = shallowRef<Setup | null>(null);
  const problem = ref<string | null>(null);
  let loading: Promise<void> | null = null;

  async function load(): Promise<void> {
    try {
      setup.value = Object.freeze(await call(api.setup));
      problem.value = null;
    } catch (error) {
      problem.value = error instanceof Error ? error.message : 'The server does not answer.';
    }
  }

  /** Loads once, however many ask. */
  const ensure = () => (loading ??= load());
  const reload = () => (loading = load());

  const channels = computed(() => setup.value?.channels ?? []);
  const currency = computed(() => setup.value?.seller.currency ?? 'EUR');
  const channelName = (id: string) => channels.value.find((one) => one.channel === id)?.rulebook.name ?? id;

  return { setup, problem, channels, currency, channelName, ensure, reload };
});
