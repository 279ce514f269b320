/**
 * What a reach would close, for every reach from one structure: regions of free space are joined across gates from
 * the widest down, so that a moving control needs no new map (see free-space.ts).
 */
import { type FreeSpace, regionsAt, triangleArea } from "./free-space.ts";

export interface ReachReading {
  /** Pockets that would come into being. */
  readonly fresh: number;
  /** Triangles that fill them: x, y of three corners each, page units. */
  readonly triangles: Float32Array;
}

/** Regions smaller than this part of the largest are specks that nobody means. */
const SPECK = 1e-5;

export function readReach(space: FreeSpace, reach: number): ReachReading {
  const closed = enclosedRegions(space, reach);
  const open = asItIs(space);
  const total = open.total;
  const fresh = new Set<number>();
  const corners: number[] = [];
  for (let t = 0; t < space.room.length; t++) {
    const region = closed.region[t];
    if (space.solid[t] || region < 0 || closed.area[region] < total * SPECK) continue;
    const before = open.region[t];
    if (before >= 0 && open.area[before] <= closed.area[region] * 1.0001) continue;
    fresh.add(region);
    for (let k = 0; k < 3; k++) {
      const v = space.mesh.triangles[3 * t + k];
      corners.push(space.xy[2 * v], space.xy[2 * v + 1]);
    }
  }
  return { fresh: fresh.size, triangles: Float32Array.from(corners) };
}

type Regions = ReturnType<typeof enclosedRegions>;
const known = new WeakMap<FreeSpace, Regions>();

/** The regions with nothing closed, worked out once for a space. */
function asItIs(space: FreeSpace): Regions {
  const regions = known.get(space) ?? enclosedRegions(space, 0);
  known.set(space, regions);
  return regions;
}

/** For each triangle its region, -1 where that reaches the frame; areas by region, page units squared. */
function enclosedRegions(space: FreeSpace, reach: number) {
  const sets = regionsAt(space, reach);
  const count = space.room.length;
  const region = new Int32Array(count);
  const area = new Float64Array(count);
  const leaks = new Uint8Array(count);
  let total = 0;
  for (let t = 0; t < count; t++) {
    region[t] = sets.find(t);
    const size = triangleArea(space, t);
    area[region[t]] += size;
    total += size;
    if (space.room[t] === Infinity) leaks[region[t]] = 1;
  }
  for (let t = 0; t < count; t++) if (leaks[region[t]]) region[t] = -1;
  return { region, area, total };
}
