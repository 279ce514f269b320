/** What two regions have in common, as the faces of the map of both outlines: its curves stay those of the regions. */
import { type InkRegion, isInk } from "./ink-regions.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";

/** Closed chains of cubics in page units, holes among them, for either fill rule. */
export function commonOutline(a: InkRegion, b: InkRegion): number[][] {
  const chains = [...a.outline, ...b.outline].filter(({ length }) => length >= 8);
  const lines = chains.map((points, i) => ({ id: `${i}`, points, closed: true, width: 0, bridge: false }));
  const map = buildMap(lines, { strict: true });
  const { tolerance } = map.lattice;
  return pocketsOf(map, true)
    .filter(({ seed }) => isInk([a], seed, tolerance) && isInk([b], seed, tolerance))
    .flatMap(({ outline }) => outline.map((chain) => [...chain]));
}
