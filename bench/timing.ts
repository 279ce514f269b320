/** Milliseconds one call takes. */
export function timed(work: () => unknown): number {
  const begun = performance.now();
  work();
  return performance.now() - begun;
}

/** Median milliseconds over a number of rounds, after three to warm up. */
export function median(rounds: number, work: () => unknown): number {
  for (let i = 0; i < 3; i++) work();
  const times = Array.from({ length: rounds }, () => timed(work)).sort((a, b) => a - b);
  return times[rounds >> 1];
}
