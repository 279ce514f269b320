/** Reading a drawing's lines: pockets, loose ends and openings, as the desk and the command line ask for them. */
import type { Drawing } from "../drawing/drawing.ts";
import { curveCount, pointAt, polyline } from "../geometry/cubic.ts";
import { diagonal, type Point } from "../geometry/point.ts";
import { ENDS, type FreeSpace, freeSpaceOf, type Opening, openingGates, openingOf } from "./free-space.ts";
import { buildMap, type MapOptions, type PlanarMap } from "./planar-map.ts";
import type { Line } from "./segments.ts";

/** Openings wider than this part of the page's diagonal are not looked for. */
const LONGEST_REACH = 0.05;

export const longestReach = (drawing: Drawing): number => LONGEST_REACH * diagonal(drawing.page.box);

export function linesOf(drawing: Drawing): Line[] {
  return [
    ...Object.values(drawing.strokes).map(({ id, points, closed, width }) => ({
      id,
      points,
      closed,
      width,
      bridge: false,
    })),
    ...Object.values(drawing.bridges).map(({ id, points }) => ({
      id,
      points,
      closed: false,
      width: 0,
      bridge: true,
    })),
  ].filter(({ points }) => points.length >= 8);
}

export interface LooseEnd {
  readonly at: Point;
  readonly line: string;
}

interface LineEnd extends LooseEnd {
  readonly vertex: number;
  /** True where the line crosses or meets nothing at all. */
  readonly floating: boolean;
}

/** Ends of ink that meet nothing, with their vertices in the map. */
function looseEndsOf(map: PlanarMap): LineEnd[] {
  const { lines, givenLines, segs, noding, halfEdges, met } = map;
  const first = new Int32Array(givenLines).fill(-1);
  const last = new Int32Array(givenLines).fill(-1);
  for (let s = 0; s < segs.count; s++) {
    const line = segs.line[s];
    if (line >= givenLines) continue;
    if (first[line] < 0) first[line] = s;
    last[line] = s;
  }
  const found: LineEnd[] = [];
  for (let line = 0; line < givenLines; line++) {
    const { id, points, closed, bridge } = lines[line];
    if (closed || bridge || first[line] < 0) continue;
    const from = noding.segEdge[first[line]];
    const to = noding.segEdge[last[line] + 1];
    const floating = touchesNothing(map, from, to);
    const tips: [vertex: number, flag: number, at: Point][] = [
      [noding.eu[from], 2 * line, pointAt(points, 0)],
      [noding.ev[to - 1], 2 * line + 1, pointAt(points, curveCount(points))],
    ];
    for (const [vertex, flag, at] of tips) {
      if (halfEdges.degree[vertex] === 1 && !met[flag]) found.push({ at, line: id, vertex, floating });
    }
  }
  return found;
}

function touchesNothing({ noding, halfEdges }: PlanarMap, from: number, to: number): boolean {
  for (let e = from; e < to; e++) if (halfEdges.degree[noding.ev[e]] > 2) return false;
  return halfEdges.degree[noding.eu[from]] <= 1;
}

export interface Gaps {
  readonly looseEnds: readonly LooseEnd[];
  /** Narrowest first. */
  readonly openings: readonly Opening[];
  readonly space: FreeSpace;
}

export function gapsOf(map: PlanarMap, reach: number): Gaps {
  const ends = looseEndsOf(map);
  const kinds = ends.map(
    ({ vertex, floating }) => [vertex, floating ? ENDS.floating : ENDS.anchored] as const,
  );
  const space = freeSpaceOf(map, new Map(kinds));
  const openings = openingGates(space, reach).map((e) => openingOf(space, e));
  return { looseEnds: ends.map(({ at, line }) => ({ at, line })), openings, space };
}

export const bridgeAcross = (opening: Opening): number[] => polyline([opening.from, opening.to]);

/** The map with every opening up to `reach` bridged. */
export function buildWithReach(lines: readonly Line[], reach: number, options: MapOptions): PlanarMap {
  const map = buildMap(lines, options);
  if (!(reach > 0)) return map;
  const bridges = gapsOf(map, reach).openings.map((opening, i) => ({
    id: `reach-${i}`,
    points: bridgeAcross(opening),
    closed: false,
    width: 0,
    bridge: true,
  }));
  return bridges.length ? buildMap([...lines, ...bridges], options) : map;
}
