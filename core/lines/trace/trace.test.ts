import { describe, expect, it } from "vitest";
import { curveCount, flatten, pointAt } from "../../geometry/cubic.ts";
import { distance, type Point } from "../../geometry/point.ts";
import { windingNumber } from "../../geometry/polygon.ts";
import { nibOutline } from "../nib-outline.ts";
import { agreedLevels, contoursOf } from "./contours.ts";
import { squaredDistances } from "./distance.ts";
import { cleaned, graphOf } from "./graph.ts";
import { type Grey, placed } from "./grey.ts";
import { type Mask, maskOf, removeSpecks } from "./mask.ts";
import { onEvenPaper } from "./paper.ts";
import { skeletonOf } from "./thin.ts";
import { automaticThreshold } from "./threshold.ts";
import { findInk, TRACE_SETTINGS, tracedLines, tracedShapes } from "./trace.ts";
import { readInk, tracedDrawing } from "./traced-drawing.ts";

const SIZE = 160;

/** Paints a picture by how far each place lies from ink, soft over one pixel as a lens makes it. */
function painted(edge: (at: Point) => number, { paper = 235, ink = 40, size = SIZE } = {}): Grey {
  const data = new Uint8Array(size * size);
  for (let y = 0, i = 0; y < size; y++)
    for (let x = 0; x < size; x++, i++) {
      const share = Math.max(0, Math.min(1, 0.5 + edge([x + 0.5, y + 0.5])));
      data[i] = ink + (paper - ink) * share;
    }
  return { width: size, height: size, data };
}

/** Distance outside a round-ended straight line. */
const segment =
  (a: Point, b: Point, width: number) =>
  ([x, y]: Point) => {
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const t = Math.max(0, Math.min(1, ((x - a[0]) * dx + (y - a[1]) * dy) / (dx * dx + dy * dy)));
    return Math.hypot(x - a[0] - t * dx, y - a[1] - t * dy) - width / 2;
  };
const ring = (c: Point, radius: number, width: number) => (at: Point) =>
  Math.abs(distance(at, c) - radius) - width / 2;
const any =
  (...edges: ((at: Point) => number)[]) =>
  (at: Point) =>
    Math.min(...edges.map((edge) => edge(at)));

const cross = any(segment([20, 30], [140, 120], 6), segment([25, 125], [135, 35], 6));
const linesIn = (grey: Grey, settings = TRACE_SETTINGS) => tracedLines(findInk(grey, settings));

describe("paper and ink", () => {
  it("evens out a light that fades, and leaves pencil to the paper", () => {
    const grey = painted(cross);
    const data = grey.data.map((level, i) => level * (1 - (0.5 * (i % SIZE)) / SIZE));
    for (let y = 0; y < SIZE; y++) data[y * SIZE + 80] = Math.min(data[y * SIZE + 80], 120);
    const even = onEvenPaper({ ...grey, data });
    const threshold = automaticThreshold(even);
    const truth = maskOf(grey, 137);
    const mask = maskOf(even, threshold);
    let wrong = 0;
    for (let i = 0; i < mask.data.length; i++) if (mask.data[i] !== truth.data[i]) wrong++;
    expect(wrong).toBeLessThan(60);
  });

  it("takes out specks and pinholes by their size, and nothing larger", () => {
    const data = new Uint8Array(400);
    const put = (x: number, y: number, value: number) => {
      data[y * 20 + x] = value;
    };
    for (let y = 4; y < 14; y++) for (let x = 4; x < 14; x++) put(x, y, 1);
    put(8, 8, 0);
    put(1, 1, 1);
    put(2, 2, 1);
    for (let x = 3; x < 16; x++) put(x, 17, 1);
    const mask: Mask = { width: 20, height: 20, data };
    removeSpecks(mask, 6);
    expect([
      data[8 * 20 + 8],
      data[1 * 20 + 1],
      data[2 * 20 + 2],
      data[17 * 20 + 9],
      data[5 * 20 + 5],
    ]).toEqual([1, 0, 0, 1, 1]);
  });

  it("knows the exact distance to paper everywhere", () => {
    const mask = maskOf(painted(any(cross, ring([80, 80], 50, 11))), 137);
    const squared = squaredDistances(mask);
    for (let i = 0; i < mask.data.length; i += 37) {
      let nearest = mask.data[i] ? Infinity : 0;
      if (mask.data[i])
        for (let j = 0; j < mask.data.length; j++)
          if (!mask.data[j])
            nearest = Math.min(
              nearest,
              ((i % SIZE) - (j % SIZE)) ** 2 + (Math.floor(i / SIZE) - Math.floor(j / SIZE)) ** 2,
            );
      expect(squared[i]).toBe(nearest);
    }
  });

  it("turns and crops as the paper was laid", () => {
    const grey = painted(segment([20, 20], [60, 20], 4));
    const turned = placed(grey, { turns: 1, angle: 0 });
    expect(turned.data[40 * SIZE + (SIZE - 20)]).toBeLessThan(60);
    const cropped = placed(grey, { turns: 0, angle: 0, crop: { x: 10, y: 10, width: 40, height: 30 } });
    expect([cropped.width, cropped.height]).toEqual([40, 30]);
    expect(cropped.data[10 * 40 + 20]).toBeLessThan(60);
    const straightened = placed(grey, { turns: 0, angle: Math.PI / 2 });
    expect(straightened.data[40 * SIZE + (SIZE - 20)]).toBeLessThan(60);
  });
});

describe("the skeleton", () => {
  it("keeps every run of ink and every hole, one pixel wide", () => {
    const mask = maskOf(
      painted(any(ring([50, 60], 30, 9), ring([105, 100], 34, 7), segment([120, 20], [150, 24], 8))),
      137,
    );
    const skeleton = skeletonOf(mask, squaredDistances(mask));
    expect(partsOf(skeleton, 1)).toBe(partsOf(mask, 1));
    expect(partsOf(skeleton, 0)).toBe(partsOf(mask, 0));
    const left = skeleton.data.reduce((sum, ink) => sum + ink, 0);
    expect(left).toBeLessThan(mask.data.reduce((sum, ink) => sum + ink, 0) / 5);
  });

  it("is a graph whose crossings stay whole and whose bulges leave no spurs", () => {
    const bumpy = any(segment([20, 80], [140, 80], 10), segment([80, 74], [80, 73], 9));
    const mask = maskOf(painted(bumpy), 137);
    const squared = squaredDistances(mask);
    const { branches } = cleaned(graphOf(skeletonOf(mask, squared), squared));
    expect(branches).toHaveLength(1);
  });
});

/** How many connected parts of a value there are: ink by eight neighbours, paper by four. */
function partsOf({ width, height, data }: Mask, value: number): number {
  const seen = new Uint8Array(data.length);
  let parts = 0;
  for (let start = 0; start < data.length; start++) {
    if (seen[start] || data[start] !== value) continue;
    parts++;
    const stack = [start];
    seen[start] = 1;
    while (stack.length > 0) {
      const i = stack.pop()!;
      for (let dy = -1; dy <= 1; dy++)
        for (let dx = -1; dx <= 1; dx++) {
          const [x, y] = [(i % width) + dx, Math.floor(i / width) + dy];
          const j = y * width + x;
          if (x < 0 || y < 0 || x >= width || y >= height || seen[j] || data[j] !== value) continue;
          if (!value && dx !== 0 && dy !== 0) continue;
          seen[j] = 1;
          stack.push(j);
        }
    }
  }
  return parts;
}

describe("a picture that is all grain", () => {
  it("is refused by a sentence, before most of the work", () => {
    const [width, height] = [1200, 1040];
    const data = Uint8Array.from({ length: width * height }, (_, i) =>
      i % 4 < 3 && Math.floor(i / width) % 2 === 0 ? 1 : 0,
    );
    const skeleton = { width, height, data };
    expect(() => graphOf(skeleton, squaredDistances(skeleton))).toThrow(
      /^There are more than 150,000 lines in this picture/,
    );
  });
});

describe("centre lines", () => {
  it("go on through a crossing along the straightest pair, finer than pixels", () => {
    const lines = linesIn(painted(cross));
    expect(lines).toHaveLength(2);
    for (const { points, width } of lines) {
      expect(width).toBeCloseTo(6, 0);
      for (let u = 0.1; u < curveCount(points); u += 0.1) {
        const at = pointAt(points, u);
        const off = Math.min(segment([20, 30], [140, 120], 0)(at), segment([25, 125], [135, 35], 0)(at));
        expect(off).toBeLessThan(0.7);
      }
    }
  });

  it("keep the width along the line as its profile", () => {
    const taper = ([x, y]: Point) =>
      x < 20 || x > 140 ? 9 : Math.abs(y - 80) - (1.5 + (6 * (x - 20)) / 120);
    const [line] = linesIn(painted(taper));
    expect(line.width).toBeGreaterThan(12);
    const outline = nibOutline({ ...line, cap: "round", strands: 1, profile: line.profile! });
    const inked = (at: Point) =>
      outline.some((chain) => windingNumber(flatten(chain, 0.05).slice(0, -2), at) !== 0);
    for (const x of [40, 80, 120]) {
      const half = 1.5 + (6 * (x - 20)) / 120;
      expect(inked([x, 80 + half - 0.7])).toBe(true);
      expect(inked([x, 80 + half + 0.7])).toBe(false);
    }
  });

  it("close where the ink does, and keep corners sharp", () => {
    const [round] = linesIn(painted(ring([80, 80], 45, 6)));
    expect(round.closed).toBe(true);
    for (let u = 0; u < curveCount(round.points); u += 0.2)
      expect(Math.abs(distance(pointAt(round.points, u), [80, 80]) - 45)).toBeLessThan(0.6);
    const corner = any(segment([30, 120], [80, 40], 8), segment([80, 40], [130, 120], 8));
    const [bent] = linesIn(painted(corner));
    const nearest = Math.min(
      ...Array.from({ length: curveCount(bent.points) + 1 }, (_, i) =>
        distance([bent.points[6 * i], bent.points[6 * i + 1]], [80, 40]),
      ),
    );
    expect(nearest).toBeLessThan(1);
  });

  it("end on the line they meet", () => {
    const lines = linesIn(painted(any(segment([20, 80], [140, 80], 6), segment([80, 80], [80, 140], 6))));
    expect(lines).toHaveLength(2);
    const post = lines.find(({ points }) => Math.abs(points[0] - points[points.length - 2]) < 10)!;
    const ends: Point[] = [
      [post.points[0], post.points[1]],
      [post.points[post.points.length - 2], post.points[post.points.length - 1]],
    ];
    expect(Math.min(...ends.map((end) => Math.abs(end[1] - 80)))).toBeLessThan(0.7);
  });

  it("bridge small breaks, and only those", () => {
    const broken = any(segment([20, 80], [70, 80], 6), segment([79, 80], [140, 80], 6));
    expect(linesIn(painted(broken), { specks: 0, breaks: 4 })).toHaveLength(1);
    expect(linesIn(painted(broken), { specks: 0, breaks: 2 })).toHaveLength(2);
  });
});

describe("ink shapes", () => {
  it("lie on the ink's edge at sub-pixel precision, with their holes", () => {
    const shapes = tracedShapes(
      findInk(painted(any(ring([60, 60], 30, 12), ring([130, 130], 0, 24))), TRACE_SETTINGS),
    );
    expect(shapes.map((outline) => outline.length).sort()).toEqual([1, 2]);
    for (const outline of shapes)
      for (const chain of outline)
        for (let u = 0; u < curveCount(chain); u += 0.25) {
          const at = pointAt(chain, u);
          const off = Math.min(
            Math.abs(distance(at, [60, 60]) - 36),
            Math.abs(distance(at, [60, 60]) - 24),
            Math.abs(distance(at, [130, 130]) - 12),
          );
          expect(off).toBeLessThan(0.45);
        }
  });

  it("go round ink one way and round holes the other", () => {
    const grey = painted(ring([80, 80], 40, 10));
    const areas = contoursOf(grey, 137).map((flat) => {
      let sum = 0;
      for (let k = 0; k < flat.length; k += 2) {
        const j = (k + 2) % flat.length;
        sum += flat[k] * flat[j + 1] - flat[j] * flat[k + 1];
      }
      return sum / 2;
    });
    expect(areas.map((area) => Math.round(area / Math.PI / 100)).sort((a, b) => a - b)).toEqual([-12, 20]);
    const nothing = agreedLevels(grey, { ...grey, data: new Uint8Array(SIZE * SIZE) }, 137);
    expect(contoursOf(nothing, 137)).toEqual([]);
  });
});

describe("a reading", () => {
  it("takes regions the other way, each mark once", () => {
    const grey = painted(any(segment([20, 40], [140, 40], 6), ring([80, 115], 0, 40)));
    const ink = findInk(grey, TRACE_SETTINGS);
    const region = { box: { x: 40, y: 80, width: 80, height: 75 }, reading: "shapes" as const };
    const traced = readInk(ink, "lines", [region]);
    expect([traced.lines.length, traced.shapes.length]).toEqual([1, 1]);
    const { strokes, inkShapes, page } = tracedDrawing("x", traced, grey, 100);
    expect([Object.keys(strokes).length, Object.keys(inkShapes).length]).toEqual([1, 1]);
    expect(page).toMatchObject({ box: { width: SIZE, height: SIZE }, width: 40.6, unit: "mm", ppi: 100 });
  });

  it("finds nothing on blank paper", () => {
    const ink = findInk(
      { width: 50, height: 40, data: new Uint8Array(2000).fill(240) },
      { ...TRACE_SETTINGS, threshold: 120 },
    );
    expect(readInk(ink, "lines")).toEqual({ lines: [], shapes: [] });
    expect(readInk(ink, "shapes")).toEqual({ lines: [], shapes: [] });
  });
});
