/**
 * Plain values (objects, lists, strings, numbers, typed arrays) whose runs of numbers travel as one typed array: cloning a drawing
 * between threads number by number takes longer than a hand should wait.
 */
export interface Packed<T> {
  /** The value with an empty list in place of every run. */
  readonly frame: T;
  /** How long the runs are, in the order they are met. */
  readonly lengths: Uint32Array<ArrayBuffer>;
  readonly numbers: Float64Array<ArrayBuffer>;
}

/** Lists of fewer numbers stay where they are; empty ones count as runs, so that none is mistaken for another. */
const SHORTEST = 8;

const isRun = (list: readonly unknown[]): list is readonly number[] =>
  list.length === 0 || (list.length >= SHORTEST && list.every((value) => typeof value === "number"));

export function pack<T>(value: T): Packed<T> {
  const runs: (readonly number[])[] = [];
  const frame = withRuns(value, (list) => {
    if (!isRun(list)) return undefined;
    runs.push(list);
    return [];
  }) as T;
  const lengths = Uint32Array.from(runs, ({ length }) => length);
  const numbers = new Float64Array(lengths.reduce((sum, length) => sum + length, 0));
  let at = 0;
  for (const run of runs) {
    numbers.set(run, at);
    at += run.length;
  }
  return { frame, lengths, numbers };
}

export function unpack<T>({ frame, lengths, numbers }: Packed<T>): T {
  let run = 0;
  let at = 0;
  return withRuns(frame, (list) => {
    if (list.length > 0) return undefined;
    const from = at;
    at += lengths[run++];
    return Array.from(numbers.subarray(from, at));
  }) as T;
}

/** The memory that can be handed over with it. */
export const memoryOfPacked = ({ lengths, numbers }: Packed<unknown>): ArrayBuffer[] => [
  lengths.buffer,
  numbers.buffer,
];

/** A copy in which lists are what `replaced` makes of them, where it makes anything. */
function withRuns(
  value: unknown,
  replaced: (list: readonly unknown[]) => readonly number[] | undefined,
): unknown {
  if (Array.isArray(value)) return replaced(value) ?? value.map((item) => withRuns(item, replaced));
  if (typeof value !== "object" || value === null || ArrayBuffer.isView(value)) return value;
  const copy: Record<string, unknown> = {};
  for (const key of Object.keys(value))
    copy[key] = withRuns((value as Record<string, unknown>)[key], replaced);
  return copy;
}
