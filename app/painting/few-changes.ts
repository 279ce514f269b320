/** What has changed between two lists that differ in few places, for which no set of all of them has to be made. */

export interface ListChange {
  /** Places in the list before, rising. */
  readonly removed: readonly number[];
  /** Places in the list after, rising; what has only moved is removed and added. */
  readonly added: readonly number[];
}

const MOST = 64;

/** Undefined where they differ in more than a few places. Looks one place ahead, so it may find more than the least. */
export function fewChanges(before: readonly unknown[], after: readonly unknown[]): ListChange | undefined {
  const removed: number[] = [];
  const added: number[] = [];
  let i = 0;
  let j = 0;
  while (i < before.length || j < after.length) {
    if (i < before.length && j < after.length && before[i] === after[j]) {
      i++;
      j++;
      continue;
    }
    const gone = i < before.length && (j >= after.length || before[i + 1] === after[j]);
    const come = j < after.length && (i >= before.length || before[i] === after[j + 1]);
    if (gone || !come) removed.push(i++);
    if (!gone) added.push(j++);
    if (removed.length + added.length > MOST) return undefined;
  }
  return { removed, added };
}

/** The list after, from the one before and what is new at the added places. */
export function withChanges<T>(
  before: readonly T[],
  { removed, added }: ListChange,
  fresh: readonly T[],
): T[] {
  const after = [...before];
  for (let k = removed.length - 1; k >= 0; k--) after.splice(removed[k], 1);
  added.forEach((place, k) => {
    after.splice(place, 0, fresh[k]);
  });
  return after;
}
