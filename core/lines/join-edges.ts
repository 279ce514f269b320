/**
 * Edges of shapes that nearly meet, brought together: corners of several shapes that lie close are one, an edge that runs
 * past another shape's corner goes through it, and of two edges between the same corners that run close together the lower
 * shape's stands for both. Snap rounding (Hobby, "Practical segment intersection with finite precision output", 1999) in
 * spirit, on curves and with a distance of one's own.
 */
import Flatbush from "flatbush";
import type { FlatShape } from "../drawing/drawing.ts";
import type { Reshaped } from "../drawing/shape-edits.ts";
import { between, closestNear, curveCount, pointAt, reversed } from "../geometry/cubic.ts";
import { boundsOf, distance, type Point } from "../geometry/point.ts";
import { UnionFind } from "../geometry/union-find.ts";

type Ring = Pick<FlatShape, "id" | "outline">;

/** A cubic between two corners, by the numbers these have among all places. */
interface Edge {
  readonly from: number;
  readonly to: number;
  readonly points: readonly number[];
}

/** The shapes that change, from the lowest up; `within` in page units. */
export function joinedEdges(
  shapes: readonly Pick<FlatShape, "id" | "outline" | "evenOdd">[],
  within: number,
): Reshaped[] {
  const places = new Places(shapes, within);
  const known = new Map<string, readonly number[]>();
  return shapes.flatMap(({ id, outline, evenOdd }, shape) => {
    const joined = outline.map((chain, ring) => {
      const edges = edgesOf(chain, places.of(shape, ring), places, { shape, within });
      return chainOf(edges.map((edge) => agreed(edge, known, within)));
    });
    const kept = joined.filter((chain) => curveCount(chain) > 1);
    const same = kept.length === outline.length && kept.every((chain, ring) => isSame(chain, outline[ring]));
    return same ? [] : [{ id, outline: kept, evenOdd }];
  });
}

/** Corners of all shapes; those that are one have the same number. */
class Places {
  private readonly first: number[][] = [];
  private readonly shapeOf: number[] = [];
  private readonly at: Point[] = [];
  private readonly place: number[];
  private readonly index: Flatbush | undefined;

  constructor(shapes: readonly Ring[], within: number) {
    shapes.forEach(({ outline }, shape) => {
      this.first.push(
        outline.map((chain) => {
          const first = this.at.length;
          for (let k = 0; k < curveCount(chain); k++) {
            this.at.push([chain[6 * k], chain[6 * k + 1]]);
            this.shapeOf.push(shape);
          }
          return first;
        }),
      );
    });
    const own = this.at.slice();
    this.index = indexOf(own);
    const sets = new UnionFind(own.length);
    own.forEach((at, i) => {
      for (const j of this.near(at, within))
        if (j < i && this.shapeOf[j] !== this.shapeOf[i] && distance(own[j], at) <= within) sets.unite(j, i);
    });
    this.place = own.map((_, i) => sets.find(i));
    const sums = new Map<number, [number, number, number]>();
    own.forEach(([x, y], i) => {
      const [sx, sy, n] = sums.get(this.place[i]) ?? [0, 0, 0];
      sums.set(this.place[i], [sx + x, sy + y, n + 1]);
    });
    for (const [place, [x, y, n]] of sums) this.at[place] = [x / n, y / n];
  }

  /** For each corner of a ring its place. */
  of(shape: number, ring: number): (k: number) => number {
    const first = this.first[shape][ring];
    return (k) => this.place[first + k];
  }

  position(place: number): Point {
    return this.at[place];
  }

  /** Places of other shapes around a chain. */
  beside(chain: readonly number[], shape: number, within: number): Set<number> {
    const { x, y, width, height } = boundsOf([chain])!;
    const middle: Point = [x + width / 2, y + height / 2];
    const found = this.near(middle, Math.max(width, height) / 2 + within);
    return new Set(found.filter((i) => this.shapeOf[i] !== shape).map((i) => this.place[i]));
  }

  private near([x, y]: Point, far: number): number[] {
    return this.index?.search(x - far, y - far, x + far, y + far) ?? [];
  }
}

function indexOf(points: readonly Point[]): Flatbush | undefined {
  if (points.length === 0) return undefined;
  const index = new Flatbush(points.length);
  for (const [x, y] of points) index.add(x, y, x, y);
  index.finish();
  return index;
}

/** A chain's cubics between places, cut where others' corners lie on them; those that shrink to nothing are left out. */
function edgesOf(
  chain: readonly number[],
  placeOf: (k: number) => number,
  places: Places,
  { shape, within }: { readonly shape: number; readonly within: number },
): Edge[] {
  const count = curveCount(chain);
  const own = new Set(Array.from({ length: count }, (_, k) => placeOf(k)));
  return Array.from({ length: count }, (_, k): Edge[] => {
    const cubic = between(chain, k, k + 1);
    const stops = [
      { at: 0, place: placeOf(k) },
      ...[...places.beside(cubic, shape, within)]
        .filter((place) => !own.has(place))
        .flatMap((place) => {
          const target = places.position(place);
          const at = closestOn(cubic, target);
          return at > LEAST && at < 1 - LEAST && distance(pointAt(cubic, at), target) <= within
            ? [{ at, place }]
            : [];
        })
        .sort((a, b) => a.at - b.at)
        .filter(({ at }, i, all) => i === 0 || at > all[i - 1].at + LEAST),
      { at: 1, place: placeOf((k + 1) % count) },
    ];
    return stops.slice(1).flatMap((stop, i): Edge[] => {
      const start = stops[i];
      if (start.place === stop.place && lengthOf(cubic) < 4 * within) return [];
      const piece = between(cubic, start.at, stop.at);
      return [
        {
          from: start.place,
          to: stop.place,
          points: moved(piece, places.position(start.place), places.position(stop.place)),
        },
      ];
    });
  }).flat();
}

const PROBES = 8;
/** Cuts lie no closer together than this, in the cubic's parameter. */
const LEAST = 1e-3;

function closestOn(cubic: readonly number[], at: Point): number {
  let best = 0;
  for (let k = 1; k <= PROBES; k++)
    if (distance(pointAt(cubic, k / PROBES), at) < distance(pointAt(cubic, best), at)) best = k / PROBES;
  return closestNear(cubic, at, best, 1 / PROBES);
}

const lengthOf = (c: readonly number[]): number =>
  Math.hypot(c[2] - c[0], c[3] - c[1]) +
  Math.hypot(c[4] - c[2], c[5] - c[3]) +
  Math.hypot(c[6] - c[4], c[7] - c[5]);

/** Handles go along with their ends. */
function moved(c: readonly number[], [ax, ay]: Point, [bx, by]: Point): number[] {
  const [dx, dy, ex, ey] = [ax - c[0], ay - c[1], bx - c[6], by - c[7]];
  return [ax, ay, c[2] + dx, c[3] + dy, c[4] + ex, c[5] + ey, bx, by];
}

/** The edge that an earlier shape has between the same places, where the two run close together. */
function agreed(
  { from, to, points }: Edge,
  known: Map<string, readonly number[]>,
  within: number,
): readonly number[] {
  const key = from < to ? `${from} ${to}` : `${to} ${from}`;
  const before = known.get(key);
  if (!before) {
    known.set(key, from < to ? points : reversed(points));
    return points;
  }
  const other = from < to ? before : reversed(before);
  const close = [0.25, 0.5, 0.75].every((u) => {
    const at = pointAt(points, u);
    return distance(pointAt(other, closestOn(other, at)), at) <= 2 * within;
  });
  return close ? other : points;
}

function chainOf(edges: readonly (readonly number[])[]): number[] {
  if (edges.length === 0) return [];
  const chain = [edges[0][0], edges[0][1]];
  for (const edge of edges) for (let k = 2; k < 8; k++) chain.push(edge[k]);
  // It ends where it starts, also where what was left out was its last.
  chain[chain.length - 2] = chain[0];
  chain[chain.length - 1] = chain[1];
  return chain;
}

const isSame = (a: readonly number[], b: readonly number[]): boolean =>
  a.length === b.length && a.every((n, i) => Math.abs(n - b[i]) < 1e-9);
