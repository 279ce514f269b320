/**
 * Which sections of the press stand open: those that were asked for, the last one first, and then from the top down, each as long as
 * there is room for it; the first of them in any case. Those folded by hand stay folded.
 */

export interface Foldable {
  readonly name: string;
  /** CSS pixels of what is beneath its heading; of a list, the least that is of use. */
  readonly height: number;
}

export function whichOpen(
  sections: readonly Foldable[],
  /** CSS pixels beneath all headings. */
  room: number,
  wishes: readonly { readonly name: string; readonly open: boolean }[],
): ReadonlySet<string> {
  const wished = new Map(wishes.map(({ name, open }) => [name, open]));
  const asked = wishes.flatMap(({ name, open }) =>
    open ? sections.filter((section) => section.name === name) : [],
  );
  const others = sections.filter(({ name }) => !wished.has(name));
  const open = new Set<string>();
  let left = room;
  for (const { name, height } of [...asked, ...others]) {
    // What is wanted most is seen in any case, and scrolls where it must.
    if (height > left && open.size > 0) continue;
    open.add(name);
    left -= height;
  }
  return open;
}
