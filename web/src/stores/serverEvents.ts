/** Hears what is changed elsewhere while the page is open. */
import { defineStore } from 'pinia';
import { ref } from 'vue';
import { ServerEventSchema, type ServerEvent } from '@loom-kin/contract';

type Listener = (event: ServerEvent) => void;

export const useServerEvents = defineStore('serverEvents', () => {
  const listeners = new Set<Listener>();
  /** Grows with every change of a list: families, standings, dispatches. */
  const listTurn = ref(0);
  const dispatchTurn = ref(0);
  /** Grows when hearing began again after a silence: something may have been missed. */
  const gaps = ref(0);
  let source: EventSource | null = null;

  function open(): void {
    if (source) return;
    source = new EventSource('/api/events');
    let silent = false;
    source.onerror = () => (silent = true);
    source.onopen = () => {
      if (!silent) return;
      silent = false;
      gaps.value += 1;
      listTurn.value += 1;
      dispatchTurn.value += 1;
    };
    source.onmessage = (message) => {
      const read = ServerEventSchema.safeParse(JSON.parse(String(message.data)));
      if (!read.success) return;
      const event = read.data;
      if (Object.keys(event.families).length + event.stock.length + event.standings.length > 0) listTurn.value += 1;
      if (event.dispatches) dispatchTurn.value += 1;
      for (const listener of listeners) listener(event);
    };
  }

  /** Calls back at every event until the returned function is called. */
  function subscribe(listener: Listener): () => void {
    listeners.add(listener);
    return () => void listeners.delete(listener);
  }

  return { open, subscribe, listTurn, dispatchTurn, gaps };
});
