/** What open pages are told of: what was changed, not what it is now. */
import type { ServerEvent } from '@loom-kin/contract';

export interface ServerEvents {
  /** Tells every subscriber; what the event leaves out did not happen. */
  emit(event: Partial<ServerEvent>): void;
  /** Calls back at every event until the returned function is called. */
  subscribe(listener: (event: ServerEvent) => void): () => void;
}

export function createServerEvents(): ServerEvents {
  const listeners = new Set<(event: ServerEvent) => void>();
  return {
    emit(event) {
      const whole: ServerEvent = {
        families: {},
        stock: [],
        setup: false,
        standings: [],
        jobs: [],
        entries: [],
        dispatches: false,
        ...event,
      };
      for (const listener of listeners) listener(whole);
    },
    subscribe(listener) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}
