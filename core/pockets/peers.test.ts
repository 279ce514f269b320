/** The engine beside jsts, which unites the lines and polygonizes them in floating point. */
import { readdirSync, readFileSync } from "node:fs";
import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import Polygonizer from "jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js";
import UnaryUnionOp from "jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js";
import { describe, expect, it } from "vitest";
import { crossingStrokes, spotLike } from "../../bench/line-work.ts";
import { straight } from "../../testing/line-work.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { readSvg } from "../formats/svg-read.ts";
import { flatten } from "../geometry/cubic.ts";
import { distance, mix, type Point } from "../geometry/point.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { linesOf } from "./reading.ts";
import { type Line, latticeFor } from "./segments.ts";

/**
 * Areas of all faces as jsts finds them, largest first. In floating point an end that lies on another line only up
 * to rounding misses it; `helped` gives the peer what our snap does: coordinates are rounded, chords finer, and open
 * ends carried on by a hair. Dangling ends do not count for it.
 */
function peerAreas(lines: readonly Line[], helped: boolean): number[] {
  const factory = new GeometryFactory();
  const { tolerance } = latticeFor(lines);
  const strings = lines.map(({ points, closed }) => {
    const flat = flatten(points, helped ? tolerance / 1000 : tolerance).map((n) =>
      helped ? Math.round(n * 1e7) / 1e7 : n,
    );
    const way: Point[] = [];
    for (let k = 0; k < flat.length; k += 2) way.push([flat[k], flat[k + 1]]);
    const carried =
      helped && !closed ? [beyond(way[1], way[0]), ...way, beyond(way.at(-2)!, way.at(-1)!)] : way;
    return factory.createLineString(carried.map(([x, y]) => new Coordinate(x, y)));
  });
  const polygonizer = new Polygonizer();
  polygonizer.add(UnaryUnionOp.union(factory.createMultiLineString(strings)));
  const areas: number[] = [];
  const faces = polygonizer.getPolygons().iterator();
  while (faces.hasNext()) areas.push(faces.next().getArea());
  return areas.sort((a, b) => b - a);
}

const HAIR = 4e-6;

/** The point a hair past the second of two points. */
function beyond(from: Point, to: Point): Point {
  const length = distance(from, to) || 1;
  return mix(from, to, 1 + HAIR / length);
}

const ownAreas = (lines: readonly Line[]): number[] =>
  pocketsOf(buildMap(lines, { strict: true })).map(({ area }) => area);

const ICONS = "node_modules/lucide-static/icons";
const EXPLAINED = [
  "gem.svg",
  "globe-off.svg",
  "ice-cream-2.svg",
  "midi-port.svg",
  "package-2.svg",
  "scatter-chart.svg",
  "section.svg",
  "tag-plus.svg",
  "user-round-plus.svg",
  "user-x-2.svg",
  "users-round-collaboration.svg",
  "volleyball.svg",
];

/** Chords cut off a little of each face: a thousandth of it, or on the smallest ones a part of the page. */
const CLOSE = 1e-3;
const CHORDS = 2e-5;

const areSame = (own: readonly number[], peer: readonly number[], page: number): boolean =>
  own.length === peer.length &&
  own.every((area, i) => Math.abs(area - peer[i]) <= CLOSE * peer[i] + CHORDS * page);

describe("beside another engine", () => {
  it("finds the same faces in generated line work", () => {
    for (const [count, seed] of [
      [60, 1],
      [150, 2],
      [300, 3],
    ])
      for (const strokes of [crossingStrokes(count, { seed }), spotLike(count, { seed })]) {
        const lines = strokes.map((points) => straight(points));
        expect(areSame(ownAreas(lines), peerAreas(lines, false), 2000 ** 2)).toBe(true);
      }
  });

  it("finds the same faces in published icons, but for those explained in docs/pockets.md", () => {
    const files = readdirSync(ICONS).filter((file, i) => file.endsWith(".svg") && i % 5 === 0);
    expect(files.length).toBeGreaterThan(200);
    const differing = files.filter((file) => {
      const { page, strokes, inkShapes } = readSvg(readFileSync(`${ICONS}/${file}`, "utf8"));
      const lines = linesOf(newDrawing("", page, strokes, inkShapes));
      return !areSame(ownAreas(lines), peerAreas(lines, true), page.box.width * page.box.height);
    });
    expect(differing.sort()).toEqual(EXPLAINED);
  });
});
