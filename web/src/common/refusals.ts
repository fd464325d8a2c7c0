/** What is refused is told to whoever typed it last, so that the text stays where it is until it is put right or given up. */

type Hear = (message: string) => void;
/** One alone listens: a refusal is the answer to what was committed last, not to what another entry stored before it. */
let listener: Hear | null = null;

/** Tells that something was refused, and why. */
export function tellRefusal(message: string): void {
  listener?.(message);
}

/** Hears of refusals instead of whoever did before, until the returned function is called. */
export function hearRefusals(hear: Hear): () => void {
  listener = hear;
  return () => {
    if (listener === hear) listener = null;
  };
}
