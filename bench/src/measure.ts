/**
 * Measuring: medians and tails of repeated runs, and a baseline of plain work that tells how fast this machine is
 * just now.
 */

export interface Figure {
  what: string;
  /** Milliseconds. */
  median: number;
  p95: number;
  /** Against which work of the same run the ratio is. */
  baseline: string;
  ratio: number;
  budget: string;
}

/** Runs the work `times` times after a warm-up and gives median and 95th percentile in milliseconds. */
export function timed(times: number, work: (at: number) => unknown): { median: number; p95: number } {
  for (let at = 0; at < Math.min(5, times); at++) work(at);
  const taken = Array.from({ length: times }, (_, at) => {
    const began = performance.now();
    work(at);
    return performance.now() - began;
  });
  return spread(taken);
}

/** How long some work takes that is done once, in milliseconds. */
export async function took(work: () => unknown): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}

export function spread(taken: number[]): { median: number; p95: number } {
  const sorted = taken.toSorted((a, b) => a - b);
  return {
    median: sorted[Math.floor(sorted.length / 2)]!,
    p95: sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * 0.95))]!,
  };
}

export function table(title: string, figures: readonly Figure[]): void {
  console.log(`\n${title}`);
  for (const { what, median, p95, baseline, ratio, budget } of figures) {
    console.log(
      `  ${what.padEnd(58)} median ${median.toFixed(2).padStart(8)} ms   p95 ${p95.toFixed(2).padStart(8)} ms   ${ratio.toFixed(2).padStart(7)} × ${baseline.padEnd(34)} budget ${budget}`,
    );
  }
}
