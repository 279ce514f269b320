/**
 * Which stretches of a map's lines go with some of its faces: all that bound or lie in one of them. Lines are cut where
 * they leave; cuts lie where the curves themselves meet, so that both pieces still end on what they crossed.
 */
import { between, closestNear, curveCount } from "../geometry/cubic.ts";
import { range } from "../geometry/lists.ts";
import type { Point } from "../geometry/point.ts";
import { UnionFind } from "../geometry/union-find.ts";
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
  /** Its half-edge, forwards along the line. */
  readonly edge: number;
  readonly goes: boolean;
  readonly isShared: boolean;
  /** Whether it is a stretch of a spare line that keeps no pockets apart. */
  readonly isNeedless: boolean;
}

/** What a carving is about. */
export interface Carved {
  /** Whether a face goes, by the number of its bounding loop. */
  readonly isIn: (face: number) => boolean;
  /** Whether a face is a pocket that is seen, and so stays closed where it does not go. */
  readonly isClosed: (face: number) => boolean;
  /** Whether a line leaves no more of its stretches than keep pockets apart; the others are in no piece. */
  readonly isSpare: (line: number) => boolean;
}

export function carve(map: PlanarMap, carved: Carved): Carving {
  const { isIn, isClosed } = carved;
  const standing = standingEdges(map);
  const { sides, isNeedless } = thinned(map, standing, carved);
  const cutter = new CurveCutter(map);
  const meeting = (h: number) => cutter.meeting(halfEdgeFrom(map, standing(h >> 1), originOf(map.noding, h)));
  const pieces = new Map<number, CarvedPiece[]>();
  const shared: CarvedPiece[] = [];
  map.lines.forEach((_, line) => {
    const spans = spansOf(map, line, (edge) => {
      const beside = sides(edge);
      const goes = beside.some(isIn);
      const isShared = goes && beside.some((face) => !isIn(face) && isClosed(face));
      return { goes, isShared, isNeedless: isNeedless(edge) };
    });
    if (spans.length === 0) return;
    const toPiece = (run: readonly Span[]) => pieceOf(map, meeting, line, run);
    const own = gathered(spans, ({ goes, isNeedless }) => (isNeedless ? undefined : goes));
    pieces.set(line, wrapped(map, line, own.map(toPiece)));
    const both = gathered(spans, ({ isShared, isNeedless }) => (isShared && !isNeedless) || undefined);
    shared.push(...both.map(toPiece));
  });
  return { pieces, shared };
}

/** Faces with stretches of spare lines taken out. */
interface Thinned {
  /** The faces on both sides of an edge, the outermost as -1. */
  readonly sides: (edge: number) => readonly [number, number];
  readonly isNeedless: (edge: number) => boolean;
}

/**
 * Takes out stretches of spare lines that keep no two pockets apart, as Kruskal's algorithm would among the faces: between faces that
 * are one already, and where one of both is no pocket that is seen; they are one then. (J. B. Kruskal, "On the shortest spanning
 * subtree of a graph", 1956.) Without it, joins about one place would leave joins of their own each time a part is made.
 */
function thinned(
  { noding, segs, faces }: PlanarMap,
  standing: (edge: number) => number,
  { isClosed, isSpare }: Carved,
): Thinned {
  const face = resolveFaces(faces);
  // One place more than there are loops, for the outermost face.
  const sets = new UnionFind(faces.loopCount + 1);
  const faceOf = (h: number) => sets.find(face[faces.loop[h]] + 1) - 1;
  const sides = (edge: number) => [faceOf(2 * standing(edge)), faceOf(2 * standing(edge) + 1)] as const;
  const stands = (found: number) => found < 0 || isClosed(found);
  const edges = range(0, noding.slotCount).filter((edge) => noding.owner[edge] >= 0);
  const spare = edges.filter((edge) => isSpare(segs.line[noding.owner[edge]]));
  const needless = new Set(spare);
  const firm = new Set(edges.filter((edge) => !needless.has(edge)).map(standing));
  for (const edge of spare) {
    const [left, right] = sides(edge);
    if (left === right || firm.has(standing(edge))) continue;
    if (stands(left) && stands(right)) {
      firm.add(standing(edge));
      needless.delete(edge);
    } else if (stands(left)) sets.join(left + 1, right + 1);
    else sets.join(right + 1, left + 1);
  }
  return { sides, isNeedless: (edge) => needless.has(edge) };
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
  judge: (edge: number) => Omit<Span, "from" | "to" | "edge">,
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
      const judged = before && to - from < LEAST ? before : judge(edge);
      spans.push({ ...judged, from, to, edge });
    }
  const last = spans.pop();
  return last ? [...spans, { ...last, to: curveCount(map.lines[line].points) }] : spans;
}

/** Neighbouring spans of a kind, together; those of no kind are left out. */
function gathered(spans: readonly Span[], kind: (span: Span) => boolean | undefined): Span[][] {
  const runs: Span[][] = [];
  let before: boolean | undefined;
  for (const span of spans) {
    const own = kind(span);
    if (own !== undefined && own === before) runs[runs.length - 1].push(span);
    else if (own !== undefined) runs.push([span]);
    before = own;
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
