/** Whether an edit moves the outermost lines so far that a fresh build would have another lattice. */
import type { PlanarMap } from "./planar-map.ts";
import { type Extent, extentOf, type Line, latticeOver } from "./segments.ts";

/** Around the lines of a map as they were after its last edit. */
const extents = new WeakMap<PlanarMap, Extent>();

/** Whether a fresh build would round places otherwise than the map does; `leaving` are the numbers of the lines that go. */
export function isOtherwiseRounded(
  map: PlanarMap,
  leaving: ReadonlySet<number>,
  come: readonly Line[],
): boolean {
  const { lattice, lines, ends, joins } = map;
  const going = [...leaving].filter((index) => !joins.has(index)).map((index) => lines[index]);
  const stays = (_: Line, index: number) => ends.last[index] >= 0 && !joins.has(index) && !leaving.has(index);
  const before = extents.get(map);
  const extent =
    before && isWithin(extentOf([...going, ...come]), before)
      ? before
      : extentOf([...lines.filter(stays), ...come]);
  extents.set(map, extent);
  return latticeOver(extent).step !== lattice.step;
}

/** Whether an extent lies wholly inside another, so that with or without it that is the same. */
const isWithin = (inner: Extent, outer: Extent): boolean =>
  inner.left > outer.left &&
  inner.top > outer.top &&
  inner.right < outer.right &&
  inner.bottom < outer.bottom;
