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

function isRun(list: readonly unknown[]): list is readonly number[] {
  if (list.length > 0 && list.length < SHORTEST) return false;
  for (let k = 0; k < list.length; k++) if (typeof list[k] !== "number") return false;
  return true;
}

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
    return listOf(numbers, from, at);
  }) as T;
}

/** A run of the numbers as a list; many times faster than Array.from. */
export function listOf(numbers: Float64Array, from: number, to: number): number[] {
  const list = new Array<number>(to - from);
  for (let k = from; k < to; k++) list[k - from] = numbers[k];
  return list;
}

/** The memory that can be handed over with it. */
export const memoryOfPacked = ({ lengths, numbers }: Packed<unknown>): ArrayBuffer[] => [
  lengths.buffer,
  numbers.buffer,
];

/** The value with its lists replaced by `replaced`; parts without changed lists are not copied. */
function withRuns(
  value: unknown,
  replaced: (list: readonly unknown[]) => readonly number[] | undefined,
): unknown {
  if (typeof value !== "object" || value === null || ArrayBuffer.isView(value)) return value;
  const list = Array.isArray(value) ? replaced(value) : undefined;
  if (list) return list;
  const from = value as Record<string, unknown>;
  let copy: Record<string, unknown> | undefined;
  for (const key of Object.keys(from)) {
    const now = withRuns(from[key], replaced);
    if (now === from[key]) continue;
    copy ??= (Array.isArray(value) ? [...value] : { ...value }) as Record<string, unknown>;
    copy[key] = now;
  }
  return copy ?? value;
}
