/** How much of what is long by nature a test tries: a sample in `npm test`, all of it in `npm run soak`. */

export const SOAK = Boolean(process.env.SOAK);

/** So many of a list, evenly from its whole length; all of it in a soak. */
export const sampleOf = <T>(all: readonly T[], count: number): readonly T[] =>
  SOAK || all.length <= count
    ? all
    : Array.from({ length: count }, (_, i) => all[Math.floor((i * all.length) / count)]);

/** How long a stretch of plain work takes just now, as a part of what it takes on a quiet machine of today. */
export function slowness(): number {
  const begun = performance.now();
  let sum = 0;
  for (let k = 0; k < 3e7; k++) sum = (sum * 31 + k) % 1_000_003;
  const took = performance.now() - begun;
  // The sum is used, so that the loop is not left out.
  return Math.max(1, took / QUIET_MS, Number(sum < 0));
}

/** What the loop above takes on a quiet core. */
const QUIET_MS = 170;
