/** Making changes through a client: the steps in, one request under a key of its own. */
import { endpoints } from './endpoints';
import type { ChangeDone, ChangeRequest, StepInput } from './changes';
import type { Client } from './client';

/** Makes a change of these steps. Without a key it gets one of its own. */
export function makeChange(
  call: Client,
  steps: StepInput[],
  more: Partial<Omit<ChangeRequest, 'steps'>> = {},
): Promise<ChangeDone> {
  return call(endpoints.change, { body: { key: crypto.randomUUID(), ...more, steps } });
}
