/** The order in which worker threads are given work: what somebody waits for goes first, however much else waits. */

/** What was just typed or is to be sent; a question about many families; a re-check that nobody waits for. */
export type Urgency = 'typed' | 'asked' | 'behind';
const ORDER: readonly Urgency[] = ['typed', 'asked', 'behind'];

export interface Lanes<T> {
  /** Does the work when its turn comes. */
  run(urgency: Urgency, work: () => Promise<T>): Promise<T>;
}

/** @param width how much is worked on at the same time */
export function createLanes<T>(width: number): Lanes<T> {
  const waiting = new Map<Urgency, (() => void)[]>(ORDER.map((urgency) => [urgency, []]));
  let working = 0;

  function next(): void {
    if (working >= width) return;
    const begin = ORDER.map((urgency) => waiting.get(urgency)!)
      .find((lane) => lane.length > 0)
      ?.shift();
    begin?.();
  }
  return {
    run: (urgency, work) =>
      new Promise((resolve, reject) => {
        waiting.get(urgency)!.push(() => {
          working += 1;
          work()
            .then(resolve, reject)
            .finally(() => {
              working -= 1;
              next();
            });
        });
        next();
      }),
  };
}
