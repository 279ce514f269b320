import fc from "fast-check";
import { incircle, orient2d } from "robust-predicates";
import { describe, expect, it } from "vitest";
import { hostileLines } from "../../testing/hostile-lines.ts";
import { box, circle, straight } from "../../testing/line-work.ts";
import { verticesOf } from "./free-vertices.ts";
import { buildMap } from "./planar-map.ts";
import { unlessTooDense } from "./too-dense.ts";
import { nextInTriangle, previousInTriangle } from "./triangle-mesh.ts";
import { type Triangulation, triangulate } from "./triangulation.ts";

type Pair = readonly [number, number];

const at = (xy: ArrayLike<number>, v: number): [number, number] => [xy[2 * v], xy[2 * v + 1]];
const turn = (xy: ArrayLike<number>, a: number, b: number, c: number): number =>
  -orient2d(...at(xy, a), ...at(xy, b), ...at(xy, c));

/** Every edge as "a b", smaller first; with whether it is fixed. */
function edgesOf({ triangles, fixed }: Triangulation): Map<string, boolean> {
  const edges = new Map<string, boolean>();
  triangles.forEach((a, e) => {
    const b = triangles[nextInTriangle(e)];
    edges.set(a < b ? `${a} ${b}` : `${b} ${a}`, fixed[e] === 1);
  });
  return edges;
}

/** What is wrong with a triangulation as such: triangles that wind the other way or are flat, twins that do not match. */
function flaws(xy: ArrayLike<number>, { triangles, twins }: Triangulation): string[] {
  const found: string[] = [];
  for (let e = 0; e < triangles.length; e += 3)
    if (!(turn(xy, triangles[e], triangles[e + 1], triangles[e + 2]) < 0)) found.push(`triangle ${e / 3}`);
  twins.forEach((twin, e) => {
    if (twin < 0) return;
    const same =
      triangles[twin] === triangles[nextInTriangle(e)] && triangles[e] === triangles[nextInTriangle(twin)];
    if (twins[twin] !== e || !same) found.push(`twin of ${e}`);
  });
  return found;
}

/** Whether each edge that is not fixed is Delaunay, but for those that ever so many points share a circle with. */
function allDelaunay(xy: ArrayLike<number>, { triangles, twins, fixed }: Triangulation): boolean {
  return [...triangles.keys()].every((e) => {
    const twin = twins[e];
    if (twin < 0 || fixed[e]) return true;
    const [a, b, c] = [triangles[e], triangles[nextInTriangle(e)], triangles[previousInTriangle(e)]];
    const d = triangles[previousInTriangle(twin)];
    return incircle(...at(xy, a), ...at(xy, b), ...at(xy, c), ...at(xy, d)) * turn(xy, a, b, c) <= 0;
  });
}

/** Wanted edges that are not there: as one, or as pieces through vertices that lie on them. */
function missing(xy: ArrayLike<number>, wanted: readonly Pair[], mesh: Triangulation): Pair[] {
  const edges = edgesOf(mesh);
  const has = (a: number, b: number) => edges.get(a < b ? `${a} ${b}` : `${b} ${a}`) === true;
  return wanted.filter(([a, b]) => {
    if (has(a, b)) return false;
    const [ax, ay] = at(xy, a);
    const on = Array.from({ length: xy.length / 2 }, (_, v) => v)
      .filter((v) => turn(xy, a, b, v) === 0)
      .map((v) => ({
        v,
        along: (xy[2 * v] - ax) * (xy[2 * b] - ax) + (xy[2 * v + 1] - ay) * (xy[2 * b + 1] - ay),
      }))
      .sort((p, q) => p.along - q.along);
    const whole = on.find(({ v }) => v === b)!.along;
    const chain = on.filter(({ along }) => along >= 0 && along <= whole).map(({ v }) => v);
    return !chain.every((v, i) => i === 0 || has(chain[i - 1], v));
  });
}

const pairsOf = (wanted: ArrayLike<number>): Pair[] =>
  Array.from({ length: wanted.length / 2 }, (_, k): Pair => [wanted[2 * k], wanted[2 * k + 1]]);

function check(xy: Float64Array, wanted: readonly Pair[]): void {
  const mesh = triangulate(xy, Int32Array.from(wanted.flat()));
  expect(flaws(xy, mesh)).toEqual([]);
  expect(missing(xy, wanted, mesh)).toEqual([]);
  expect(allDelaunay(xy, mesh)).toBe(true);
}

/** The vertices and edges of lines as noding leaves them: they never cross. */
const checkLines = (lines: Parameters<typeof buildMap>[0]): void => {
  const { steps, wanted } = verticesOf(buildMap(lines), { ends: [], facing: [] });
  check(steps, pairsOf(wanted));
};

describe("a constrained triangulation", () => {
  it("holds every edge of simple drawings", () => {
    checkLines([
      circle(0, 0, 50),
      box(-70, -70, 140, 140),
      straight([
        [-80, 3],
        [80, -7],
      ]),
    ]);
    checkLines([
      straight([
        [0, 0],
        [1000, 1],
      ]),
      straight([
        [0, 1],
        [1000, 2],
      ]),
      straight([
        [0, 2],
        [1000, 0],
      ]),
    ]);
  });

  it("holds every edge of lines that were made to be hard", () => {
    for (let seed = 1; seed <= 30; seed++)
      unlessTooDense(
        () => checkLines(hostileLines(seed).slice(0, 24)),
        () => undefined,
      );
  });

  it("forces an edge through vertices that lie on it, piece by piece", () => {
    const xy = Float64Array.from([0, 0, 10, 0, 4, 0, 7, 0, 5, 9, 5, -9, 2, 3, 8, -3]);
    const mesh = triangulate(xy, Int32Array.from([0, 1]));
    expect(missing(xy, [[0, 1]], mesh)).toEqual([]);
    expect(
      [...edgesOf(mesh)]
        .filter(([, fixed]) => fixed)
        .map(([edge]) => edge)
        .sort(),
    ).toEqual(["0 2", "1 3", "2 3"]);
  });

  it("leaves out an edge that crosses one wanted before it, and keeps that", () => {
    const xy = Float64Array.from([0, 0, 10, 0, 5, 5, 5, -5, 20, 20, -20, 20, -20, -20, 20, -20]);
    const mesh = triangulate(xy, Int32Array.from([0, 1, 2, 3]));
    expect(flaws(xy, mesh)).toEqual([]);
    expect([...edgesOf(mesh)].filter(([, fixed]) => fixed).map(([edge]) => edge)).toEqual(["0 1"]);
  });

  it("is sound for any points on a small grid and any edges between them, those that cross too", () => {
    const point = fc.tuple(fc.integer({ min: 0, max: 12 }), fc.integer({ min: 0, max: 12 }));
    fc.assert(
      fc.property(
        fc.uniqueArray(point, { minLength: 3, maxLength: 40, selector: String }),
        fc.array(fc.tuple(fc.nat(39), fc.nat(39)), { maxLength: 30 }),
        (points, pairs) => {
          const frame = [-30, -31, 43, -30, 44, 43, -31, 42];
          const xy = Float64Array.from([...points.flat(), ...frame]);
          const wanted = pairs
            .map(([a, b]): Pair => [a % points.length, b % points.length])
            .filter(([a, b]) => a !== b);
          const mesh = triangulate(xy, Int32Array.from(wanted.flat()));
          expect(flaws(xy, mesh)).toEqual([]);
          expect(missing(xy, wanted.slice(0, 1), mesh)).toEqual([]);
        },
      ),
      { numRuns: 400 },
    );
  });
});
