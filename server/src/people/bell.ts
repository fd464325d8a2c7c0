/** Who listens to changes: open pages are told what was changed, not what it is now. */
import type { ServerEvent } from '@loom-kin/contract';

export interface Bell {
  ring(event: Partial<ServerEvent>): void;
  /** Calls back at every ring until the returned function is called. */
  listen(hear: (event: ServerEvent) => void): () => void;
}

export function createBell(): Bell {
  const listeners = new Set<(event: ServerEvent) => void>();
  return {
    ring(event) {
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
      for (const hear of listeners) hear(whole);
    },
    listen(hear) {
      listeners.add(hear);
      return () => void listeners.delete(hear);
    },
  };
}
