/** The ink shapes whose outlines are among the lines of a map. */
import { InkField, type InkRegion } from "./ink-regions.ts";
import type { PlanarMap } from "./planar-map.ts";

export interface InkedMap {
  readonly map: PlanarMap;
  readonly ink: InkField;
}

/** The ink shapes of the lines that are there. */
export function regionsOf({ lines, ends }: PlanarMap): InkRegion[] {
  const regions = new Set<InkRegion>();
  lines.forEach(({ region }, index) => {
    if (region && ends.last[index] >= 0) regions.add(region);
  });
  return [...regions];
}

export const inkOf = (map: PlanarMap): InkField => new InkField(regionsOf(map), map.lattice.tolerance);
