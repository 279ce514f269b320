/**
 * Which stretches of a map's lines go with some of its faces: all that bound or lie in one of them. Lines are cut where
 * they leave; cuts lie where the curves themselves meet, so that both pieces still end on what they crossed.
 */
import { between, closestNear, curveCount } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { resolveFaces } from "./faces.ts";
import { originOf, targetOf } from "./half-edges.ts";
import { CurveCutter, paramAt } from "./outlines.ts";
import type { PlanarMap } from "./planar-map.ts";

/** A stretch of a line that goes or stays as a whole. */
export interface CarvedPiece {
  /** Index of the line in the map. */
  readonly line: number;
  /** Parameters of the line; past the end of a closed one where the piece goes on round its start. */
  readonly from: number;
  readonly to: number;
  readonly points: readonly number[];
  readonly goes: boolean;
}

export interface Carving {
  /** For each line its pieces in order; one where it is not cut. */
  readonly pieces: ReadonlyMap<number, readonly CarvedPiece[]>;
  /** Stretches of lines that bound both a face that goes and one that stays, and so have to stand on both sides. */
  readonly shared: readonly CarvedPiece[];
}

/** A stretch between two vertices of the map. */
interface Span {
  readonly from: number;
  readonly to: number;
  /** The half-edge that it is, forwards along the line. */
  readonly edge: number;
  readonly goes: boolean;
  readonly isShared: boolean;
}

/** `isIn` and `isClosed` tell faces by the number of their bounding loop: whether one goes, and whether one stays closed. */
export function carve(
  map: PlanarMap,
  isIn: (face: number) => boolean,
  isClosed: (face: number) => boolean,
): Carving {
  const standing = standingEdges(map);
  const face = resolveFaces(map.faces);
  const sides = (edge: number) => [0, 1].map((side) => face[map.faces.loop[2 * standing(edge) + side]]);
  const cutter = new CurveCutter(map);
  const meeting = (h: number) => cutter.meeting(halfEdgeFrom(map, standing(h >> 1), originOf(map.noding, h)));
  const pieces = new Map<number, CarvedPiece[]>();
  const shared: CarvedPiece[] = [];
  map.lines.forEach((_, line) => {
    const spans = spansOf(map, line, (edge) => {
      const faces = sides(edge);
      const goes = faces.some(isIn);
      return { goes, isShared: goes && faces.some((face) => !isIn(face) && isClosed(face)) };
    });
    if (spans.length === 0) return;
    const toPiece = (run: readonly Span[]) => pieceOf(map, meeting, line, run);
    pieces.set(line, wrapped(map, line, gathered(spans, ({ goes }) => goes).map(toPiece)));
    const both = gathered(spans, ({ isShared }) => isShared).filter(([{ isShared }]) => isShared);
    shared.push(...both.map(toPiece));
  });
  return { pieces, shared };
}

/** For each edge the one that stands for it: itself, or the one it repeats. */
function standingEdges({ noding, halfEdges }: PlanarMap): (edge: number) => number {
  const standing = new Map<string, number>();
  const key = (edge: number) => {
    const [u, v] = [originOf(noding, 2 * edge), targetOf(noding, 2 * edge)];
    return u < v ? `${u} ${v}` : `${v} ${u}`;
  };
  for (let edge = 0; edge < noding.slotCount; edge++)
    if (noding.owner[edge] >= 0 && halfEdges.next[2 * edge] >= 0) standing.set(key(edge), edge);
  return (edge) => standing.get(key(edge)) ?? edge;
}

/** The half-edge of an edge that leaves a vertex. */
const halfEdgeFrom = ({ noding }: PlanarMap, edge: number, vertex: number): number =>
  originOf(noding, 2 * edge) === vertex ? 2 * edge : 2 * edge + 1;

/** Parameters this near one another are one. */
const LEAST = 1e-6;

function spansOf(
  map: PlanarMap,
  line: number,
  judge: (edge: number) => Pick<Span, "goes" | "isShared">,
): Span[] {
  const { noding, ends } = map;
  const spans: Span[] = [];
  if (ends.last[line] < 0) return spans;
  for (let s = ends.first[line]; s < ends.last[line]; s++)
    for (let edge = noding.first[s]; noding.owner[edge] === s; edge++) {
      const h = 2 * edge;
      const before = spans[spans.length - 1];
      const from = before?.to ?? 0;
      const to = paramAt(map, h, targetOf(noding, h));
      // What rounding leaves between two crossings at one place is no stretch of its own.
      const side = before && to - from < LEAST ? before : judge(edge);
      spans.push({ from, to, edge, goes: side.goes, isShared: side.isShared });
    }
  const last = spans.pop();
  return last ? [...spans, { ...last, to: curveCount(map.lines[line].points) }] : spans;
}

/** Neighbouring spans that are alike, together. */
function gathered(spans: readonly Span[], kind: (span: Span) => boolean): Span[][] {
  const runs: Span[][] = [];
  for (const span of spans) {
    const run = runs[runs.length - 1];
    if (run && kind(run[0]) === kind(span)) run.push(span);
    else runs.push([span]);
  }
  return runs;
}

function pieceOf(
  map: PlanarMap,
  meeting: (h: number) => Point,
  line: number,
  run: readonly Span[],
): CarvedPiece {
  const chain = map.lines[line].points;
  const end = curveCount(chain);
  const [first, last] = [run[0], run[run.length - 1]];
  const cutAt = (u: number, h: number): { readonly u: number; readonly at?: Point } => {
    if (u <= 0 || u >= end) return { u };
    const at = meeting(h);
    return { u: closestNear(chain, at, u, 0.25), at };
  };
  const start = cutAt(first.from, 2 * first.edge);
  const stop = cutAt(last.to, 2 * last.edge + 1);
  const points = between(chain, start.u, stop.u);
  if (start.at) [points[0], points[1]] = start.at;
  if (stop.at) [points[points.length - 2], points[points.length - 1]] = stop.at;
  return { line, from: start.u, to: stop.u, points, goes: first.goes };
}

/** The last piece of a closed line that is cut goes on into its first where both go or both stay. */
function wrapped(map: PlanarMap, line: number, pieces: readonly CarvedPiece[]): CarvedPiece[] {
  const first = pieces[0];
  const last = pieces[pieces.length - 1];
  if (!map.lines[line].closed || pieces.length < 3 || first.goes !== last.goes) return [...pieces];
  const end = curveCount(map.lines[line].points);
  const round = {
    ...last,
    to: end + first.to,
    points: [...last.points, ...first.points.slice(2)],
  };
  return [...pieces.slice(1, -1), round];
}
