/** What a worker thread answers: a refusal keeps neither its class nor its code on the way between threads. */
import { Refusal, type RefusalAbout, type RefusalCode } from '@loom-kin/core/refusal';

export type Told<T> = { ok: true; value: T } | { ok: false; code: RefusalCode; params: object; about: RefusalAbout };

/** Does the work of a thread; a Refusal is told, everything else is thrown. */
export async function telling<T>(work: () => T | Promise<T>): Promise<Told<T>> {
  try {
    return { ok: true, value: await work() };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    const { code, params, place, detail } = error;
    return { ok: false, code, params, about: { place, detail } };
  }
}

/** What was told, or the Refusal thrown again. */
export function heard<T>(told: Told<T>): T {
  if (told.ok) return told.value;
  throw new Refusal(told.code, told.params as never, told.about);
}
