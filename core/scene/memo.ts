/** Makes values anew only where what they are made of has changed, so that an edit leaves all else as it was. */

/** `of` is compared one by one, lists and plain values alike; each key holds the value made for it last. */
export function memo<K extends object, T>(): (key: K, of: readonly unknown[], make: () => T) => T {
  const known = new WeakMap<K, { readonly of: readonly unknown[]; readonly made: T }>();
  return (key, of, make) => {
    const before = known.get(key);
    if (before && sameList(before.of, of)) return before.made;
    const made = make();
    known.set(key, { of, made });
    return made;
  };
}

/** Whether two lists hold the very same values in the same order. */
export const sameList = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((value, i) => value === b[i]);
