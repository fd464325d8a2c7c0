/** What is refused is told to whoever typed it, so that the text stays where it is until it is put right or given up. */

type Hear = (message: string) => void;
const listeners = new Set<Hear>();

/** Tells that something was refused, and why. */
export function tellRefusal(message: string): void {
  for (const hear of [...listeners]) hear(message);
}

/** Hears of refusals until the returned function is called. */
export function hearRefusals(hear: Hear): () => void {
  listeners.add(hear);
  return () => void listeners.delete(hear);
}
