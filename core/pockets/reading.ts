/** Reading a drawing's lines: pockets, loose ends and openings, as the desk and the command line ask for them. */
import type { Bridge, Drawing, FlatShape, InkShape, Nib, Stroke } from "../drawing/drawing.ts";
import { entitiesOf } from "../drawing/entities.ts";
import { ringName } from "../drawing/rings.ts";
import { curveCount, pointAt } from "../geometry/cubic.ts";
import { diagonal, type Point } from "../geometry/point.ts";
import { profileOf, widthsAlong } from "../lines/profile.ts";
import { curvatureAt, type EndPoint, facingPairs, onwardFrom, smoothBridge } from "./facing-ends.ts";
import { type FreeSpace, freeSpaceOf, type Opening, openingGates, openingOf } from "./free-space.ts";
import { ENDS } from "./free-vertices.ts";
import { degreeAt, lastHalfEdge, originOf, targetOf } from "./half-edges.ts";
import { buildMap, type MapOptions, type PlanarMap } from "./planar-map.ts";
import type { Line } from "./segments.ts";
import { isUnderInk } from "./under-ink.ts";

/** Openings wider than this part of the page's diagonal are not looked for. */
const LONGEST_REACH = 0.05;

export const longestReach = (drawing: Drawing): number => LONGEST_REACH * diagonal(drawing.page.box);

const linesOfStrokes = new WeakMap<Stroke, { readonly nib: Nib | undefined; readonly line: Line }>();

/** A stroke as a line of the map; the same stroke drawn with the same nib gives the same line again. */
function lineOfStroke(stroke: Stroke, nib: Nib | undefined): Line {
  const known = linesOfStrokes.get(stroke);
  if (known && known.nib === nib) return known.line;
  const { id, points, closed, width, hidden } = stroke;
  const profile = profileOf(stroke, nib);
  const widths = profile && widthsAlong(points, width, profile, width);
  const line: Line = { id, points, closed, width, widths, bridge: false, hidden };
  linesOfStrokes.set(stroke, { nib, line });
  return line;
}

const lineOfBridge = remembered(({ id, points, meets, left }: Bridge): Line => {
  const beyond = meets ? "behind" : left ? "front" : undefined;
  return { id, points, closed: false, width: 0, bridge: true, left, meets: beyond };
});

const linesOfShape = remembered((shape: InkShape): Line[] =>
  shape.outline.map((points, i) => ({
    id: ringName(shape.id, i),
    points,
    closed: true,
    width: 0,
    bridge: false,
    hidden: shape.hidden,
    region: shape.hidden ? undefined : shape,
  })),
);

/** The drawing's line work; a stroke or bridge that is the same object gives the same line again. */
export function linesOf(drawing: Drawing): Line[] {
  const { strokes, nibs, inkShapes, bridges, flatShapes, hiddenWalls, shapeWalls } = drawing;
  const parts = ({ echo, hidden }: Pick<Stroke, "echo" | "hidden">) => !echo && (hiddenWalls || !hidden);
  return [
    ...entitiesOf(strokes)
      .filter(parts)
      .map((stroke) => lineOfStroke(stroke, stroke.nib ? nibs[stroke.nib] : undefined)),
    ...entitiesOf(inkShapes).filter(parts).flatMap(linesOfShape),
    ...Object.values(bridges).map(lineOfBridge),
    ...(shapeWalls ? entitiesOf(flatShapes).flatMap(linesOfColour) : []),
  ].filter(({ points }) => points.length >= 8);
}

/** Its edges part colours as a hidden line does. */
const linesOfColour = remembered(({ id, outline, sheet, echo }: FlatShape): Line[] =>
  sheet || echo
    ? []
    : outline.map((points, i) => ({
        id: ringName(id, i),
        points,
        closed: true,
        width: 0,
        bridge: false,
        hidden: true as const,
      })),
);

/** A function of immutable values that gives the same answer for the same object. */
function remembered<T extends object, R>(work: (value: T) => R): (value: T) => R {
  const known = new WeakMap<T, R>();
  return (value) => {
    const before = known.get(value);
    if (before !== undefined) return before;
    const result = work(value);
    known.set(value, result);
    return result;
  };
}

export interface LooseEnd {
  readonly at: Point;
  readonly line: string;
  /** Whether it is the line's start. */
  readonly start: boolean;
}

interface LineEnd extends LooseEnd {
  readonly vertex: number;
  /** For pairing ends that face one another. */
  readonly end: EndPoint;
}

/** Open ends of ink with their vertices in the map, those that meet other lines too. */
function endsOfInk(map: PlanarMap): LineEnd[] {
  const { lines, joins, ends, noding } = map;
  const found: LineEnd[] = [];
  lines.forEach(({ id, points, closed, bridge }, line) => {
    if (closed || bridge || joins.has(line) || ends.first[line] >= ends.last[line]) return;
    const first = 2 * noding.first[ends.first[line]];
    const last = lastHalfEdge(map.noding, ends.last[line] - 1);
    const floating = isBare(map, first) && touchesNothing(map, line);
    for (const start of [true, false]) {
      const h = start ? first : last;
      const met = ends.met[2 * line + (start ? 0 : 1)] || !isBare(map, h);
      const at = pointAt(points, start ? 0 : curveCount(points));
      const tail = met ? 0 : tailLength(map, line, start);
      const end = { met, at, onward: onwardFrom(lines[line], start), floating, line, tail };
      found.push({ at, line: id, start, vertex: originOf(noding, h), end });
    }
  });
  return found;
}

/** How far a line runs back from an end before it meets another, in page units. */
function tailLength(map: PlanarMap, line: number, start: boolean): number {
  const { noding, halfEdges, ends, lattice } = map;
  let length = 0;
  let h = start ? 2 * noding.first[ends.first[line]] : lastHalfEdge(map.noding, ends.last[line] - 1);
  do {
    const [u, v] = [originOf(noding, h), targetOf(noding, h)];
    length += Math.hypot(noding.vx[v] - noding.vx[u], noding.vy[v] - noding.vy[u]);
    h = halfEdges.next[h];
  } while (degreeAt(halfEdges, h) === 2);
  return length * lattice.step;
}

/** Whether a half-edge is the only one where it begins. */
const isBare = ({ halfEdges }: PlanarMap, h: number): boolean =>
  halfEdges.next[h] >= 0 && degreeAt(halfEdges, h) === 1;

function touchesNothing({ noding, halfEdges, ends }: PlanarMap, line: number): boolean {
  for (let s = ends.first[line]; s < ends.last[line]; s++)
    for (let e = noding.first[s]; noding.owner[e] === s; e++)
      if (halfEdges.next[2 * e + 1] < 0 || degreeAt(halfEdges, 2 * e + 1) > 2) return false;
  return true;
}

export interface Gaps {
  readonly looseEnds: readonly LooseEnd[];
  /** Narrowest first. */
  readonly openings: readonly Opening[];
  readonly space: FreeSpace;
}

export function gapsOf(map: PlanarMap, reach: number): Gaps {
  const ends = endsOfInk(map);
  const space = spaceAround(map, ends, reach);
  const openings = openingGates(space, reach)
    .map((e) => openingOf(space, e))
    .filter((opening) => !isUnderInk(map, opening));
  const looseEnds = ends.filter(isLoose).map(({ at, line, start }) => ({ at, line, start }));
  return { looseEnds, openings, space };
}

/** The free space of a map; ends of ink up to `reach` page units apart may face one another. */
export const spaceOf = (map: PlanarMap, reach: number): FreeSpace => spaceAround(map, endsOfInk(map), reach);

const isLoose = ({ end }: LineEnd): boolean => !end.met;

function spaceAround(map: PlanarMap, ends: readonly LineEnd[], reach: number): FreeSpace {
  const kinds = ends.filter(isLoose).map(({ vertex, start, end }) => ({
    vertex,
    kind: end.floating ? ENDS.floating : ENDS.anchored,
    onward: end.onward,
    tail: end.tail,
    curvature: curvatureAt(map.lines[end.line], start, Math.min(end.tail, reach)),
  }));
  const pairs = facingPairs(
    ends.map(({ end }) => end),
    reach,
  );
  const facing = pairs.map(({ a, b, sure }) => ({
    from: ends[a].vertex,
    to: ends[b].vertex,
    sure,
    bridge: smoothBridge(ends[a].end, ends[b].end),
  }));
  return freeSpaceOf(map, { ends: kinds, facing });
}

/** An opening's bridge as a line of the map. */
export const bridgeLine =
  (name: string) =>
  ({ bridge }: Opening, i: number): Line => ({
    id: `${name}-${i}`,
    points: bridge,
    closed: false,
    width: 0,
    bridge: true,
  });

/** The map with every opening up to `reach` bridged. */
export function buildWithReach(lines: readonly Line[], reach: number, options: MapOptions): PlanarMap {
  const map = buildMap(lines, options);
  if (!(reach > 0)) return map;
  const bridges = gapsOf(map, reach).openings.map(bridgeLine("reach"));
  return bridges.length ? buildMap([...lines, ...bridges], options) : map;
}
