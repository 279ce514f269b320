/**
 * The free space of a part as dabs see it: gates with what an edge across each costs. A gate is cheaper where ink goes on across
 * it, since there a person sees one line with a gap (good continuation: Wertheimer, 1923).
 */
import type { Drawing } from "../drawing/drawing.ts";
import { type Box, diagonal } from "../geometry/point.ts";
import { rectangle } from "../lines/figures.ts";
import { type FreeSpace, ROOM_AT_FLANK, triangleOf } from "../pockets/free-space.ts";
import { linesOfReach } from "../pockets/line-reader.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { gapsOf, linesOf, longestReach, spaceOf } from "../pockets/reading.ts";
import type { Line } from "../pockets/segments.ts";
import { besidePageEdge } from "./page-edges.ts";

export interface DabSpace {
  readonly space: FreeSpace;
  /** What an edge across each gate costs, in page units, by half-edge. */
  readonly cost: Float64Array;
  /** One half-edge a gate, the costliest first. */
  readonly gates: Int32Array;
  /** 1 for triangles that lines enclose on all sides, without any gap. */
  readonly enclosed: Uint8Array;
}

/** Shares of a gate's width where two ends face one another for sure, perhaps, or where a line runs out towards another. */
const FACING = 0.35;
const AHEAD = 0.5;
/** The same where one of its ends is an open end of ink, which has to lead somewhere. */
const AT_END = 0.8;

function dabSpaceOf(space: FreeSpace, isOutside: (triangle: number) => boolean): DabSpace {
  const cost = Float64Array.from(space.width, (width, e) => width * shareOf(space, e));
  const gates = space.gates.slice().sort((a, b) => cost[b] - cost[a]);
  return { space, cost, gates, enclosed: enclosedIn(space, isOutside) };
}

function enclosedIn({ mesh, room }: FreeSpace, isOutside: (triangle: number) => boolean): Uint8Array {
  const enclosed = new Uint8Array(room.length).fill(1);
  const reached: number[] = [];
  const reach = (t: number) => {
    if (!enclosed[t]) return;
    enclosed[t] = 0;
    reached.push(t);
  };
  for (let t = 0; t < room.length; t++) if (room[t] === Infinity || isOutside(t)) reach(t);
  for (let k = 0; k < reached.length; k++)
    for (let e = 3 * reached[k]; e < 3 * reached[k] + 3; e++)
      if (!mesh.fixed[e] && mesh.twins[e] >= 0) reach(triangleOf(mesh.twins[e]));
  return enclosed;
}

function shareOf({ mesh, smooth, roomNeeded }: FreeSpace, e: number): number {
  const twin = mesh.twins[e];
  if (twin < 0) return 1;
  const room = Math.min(roomNeeded(e), roomNeeded(twin));
  if (smooth.has(e) || smooth.has(twin)) return room === 0 ? FACING : AHEAD;
  return room < ROOM_AT_FLANK ? AT_END : 1;
}

/** Ends of ink this far apart may still face one another, as a part of the page's diagonal. */
const FARTHEST = 0.07;

/**
 * The free space of a drawing of one part, as its reach leaves it. With an open border the page's edge is a line, so that colour
 * can run up to it. Throws TooDense where the lines ask for too much.
 */
export function dabSpaceIn(drawing: Drawing, openBorder: boolean): DabSpace {
  const { page, reach, strict } = drawing;
  const own = linesOf(drawing);
  const reached =
    reach > 0 ? linesOfReach(drawing, gapsOf(buildMap(own, { strict }), longestReach(drawing))) : [];
  const lines = [...own, ...reached, ...(openBorder ? [edgeOf(page.box)] : [])];
  const space = spaceOf(buildMap(lines, { strict }), FARTHEST * diagonal(page.box));
  return dabSpaceOf(space, openBorder ? besidePageEdge(space, page.box) : () => false);
}

/** The edge of the page as a line of the map. */
const edgeOf = ({ x, y, width, height }: Box): Line => ({
  id: "page edge",
  points: rectangle([x, y], [x + width, y + height]),
  closed: true,
  width: 0,
  bridge: false,
  hidden: true,
});
