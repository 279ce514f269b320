/**
 * How well dabs find how far they were meant to go: published drawings whose strokes stop short and break off until a sixth of
 * them is gone get one short dab a face. The score of a drawing is the mean of two shares: of the faces' area that has its colour,
 * and of the outside that stays bare. Beside it stand two other ways from the same dabs (dab-peers.ts).
 */
import { heldBytes } from "../bin/held-bytes.ts";
import { type AskedDab, claimsOf } from "../core/dabs/dab-reading.ts";
import { type DabSpace, dabSpaceIn } from "../core/dabs/dab-space.ts";
import { takenFrom } from "../core/dabs/take-dabs.ts";
import type { Drawing } from "../core/drawing/drawing.ts";
import { MAIN } from "../core/drawing/parts.ts";
import { flatten, polyline } from "../core/geometry/cubic.ts";
import type { Point } from "../core/geometry/point.ts";
import { crossingsAt, regionContains } from "../core/geometry/polygon.ts";
import { LineReader } from "../core/pockets/line-reader.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import type { Pocket } from "../core/pockets/pockets.ts";
import { linesOf } from "../core/pockets/reading.ts";
import { randomFrom } from "../testing/random.ts";
import { fieldOf, type LooseDrawing, SETS } from "./dab-drawings.ts";
import { nearestDab, type Raster, randomWalker } from "./dab-peers.ts";
import { cellAt, type Grid, gridOver, painted, walled } from "./label-grid.ts";
import { median, middle, timed } from "./timing.ts";

const SIDE = 512;
/** A score that a person would keep. */
const KEPT = 0.97;
/** Of the page's width. */
const DAB = { length: 0.03, width: 0.01 } as const;
/** Of the way to the nearest line on either side. */
const WITHIN = 0.7;
const SPREADING = { reach: Infinity, bareBorder: true } as const;

export function dabsBench(): void {
  touchBench();
  const sets = Object.entries(SETS).map(([set, drawings]) => [set, drawings()] as const);
  for (const [set, drawings] of sets) hardBench(set, drawings);
  for (const [set, drawings] of sets) scoreSet(set, drawings);
}

/** Icons beside one another until there are so many strokes. */
const STROKES = [100, 1000, 3000];
const TOUCHES = 12;

/** How long a touch waits for its answer, beside the time that reading the lines takes. */
function touchBench(): void {
  for (const count of STROKES) {
    const { drawing, faces } = fieldOf(count);
    const width = drawing.page.box.width;
    const touches = faces.slice(0, TOUCHES).map((face, i) => dabAt(face, width / 8, 1 + (i % 4)));
    const reading = median(3, () => buildMap(linesOf(drawing)));
    const before = heldBytes();
    let space: DabSpace | undefined;
    const first = timed(() => {
      space = dabSpaceIn(drawing, false);
    });
    const held = heldBytes() - before;
    const times = touches.map((_, i) => timed(() => claimsOf(space!, touches.slice(0, i + 1), SPREADING)));
    const claims = claimsOf(space!, touches, SPREADING);
    const take = timed(() => takenFrom(drawing, MAIN, claims, [...claims.regions.keys()]));
    console.log(
      `dabs on ${Object.keys(drawing.strokes).length} strokes: a touch ${middle(times).toFixed(1)} ms, the slowest ${Math.max(...times).toFixed(1)}; the first after lines changed ${first.toFixed(0)} ms more (reading the lines ${reading.toFixed(0)}); taking ${touches.length} ${take.toFixed(0)} ms; ${(held / 2 ** 20).toFixed(0)} MB held`,
    );
  }
}

/** Dabs as people also make them: a few, many in one face, and over the line. */
function hardBench(set: string, drawings: readonly LooseDrawing[]): void {
  const ways: Record<string, (drawing: LooseDrawing) => number> = {
    "figure and nothing alone": ({ loose, faces }) =>
      alone(loose, faces, [dabAt(faces[0], widthOf(loose), 1)]),
    "ten dabs on one face": ({ loose, faces }) => alone(loose, faces, tenIn(faces[0], widthOf(loose))),
    "scribbled 30 % over the line": (drawing) => manyScore(drawing, drawing.loose, overTheLine),
    "whole drawings": (drawing) => manyScore(drawing, drawing.whole, dabAt),
  };
  for (const [way, score] of Object.entries(ways)) {
    const scores = drawings.map(score);
    const kept = scores.filter((one) => one > KEPT).length;
    console.log(
      `dabs on ${set}, ${way}: mean ${mean(scores).toFixed(4)}, ${percent(kept, scores.length)} over ${KEPT}`,
    );
  }
}

const widthOf = ({ page }: Drawing): number => page.box.width;

/** The largest face is touched and nothing else: it should have its colour, and all the rest be bare. */
function alone(loose: Drawing, faces: readonly Pocket[], dabs: readonly AskedDab[]): number {
  const grid = gridOver(loose.page.box, SIDE);
  const truth = painted(grid, [{ rings: faces[0].rings, label: 1 }]);
  return scoreOf(truth, painted(grid, colouredBy(loose, dabs).colouring), wallsOf(grid, loose));
}

/** One dab a face, each made in some way. */
function manyScore({ faces, colours }: LooseDrawing, drawing: Drawing, made: typeof dabAt): number {
  const grid = gridOver(drawing.page.box, SIDE);
  const truth = painted(grid, labelled(faces, colours));
  const dabs = faces.map((face, i) => made(face, widthOf(drawing), colours[i]));
  return scoreOf(truth, painted(grid, colouredBy(drawing, dabs).colouring), wallsOf(grid, drawing));
}

/** Short dabs on places evenly spread over a face. */
function tenIn(face: Pocket, pageWidth: number): AskedDab[] {
  const random = randomFrom(10);
  const { x, y, width, height } = face.box;
  const dabs: AskedDab[] = [];
  for (let tries = 0; dabs.length < 10 && tries < 1000; tries++) {
    const seed: Point = [x + width * random(), y + height * random()];
    if (regionContains(face.rings, seed)) dabs.push(dabAt({ ...face, seed }, pageWidth, 1));
  }
  return dabs;
}

/** From the middle of a face to its right, so far that three tenths of it lie beyond the line. */
function overTheLine({ seed: [x, y], rings }: Touched, pageWidth: number, colour: number): AskedDab {
  const line = crossingsAt(rings, y).find((at) => at > x) ?? x;
  const length = (line - x) / 0.7;
  return {
    ...dabAt({ seed: [x, y], rings }, pageWidth, colour),
    points: polyline([
      [x, y],
      [x + length, y],
    ]),
  };
}

function scoreSet(set: string, drawings: readonly LooseDrawing[]): void {
  const scores = drawings.map(scored);
  console.log(`dabs on ${drawings.length} loosened ${set}, one a face`);
  for (const way of ["ours", "nearest", "walker"] as const) {
    const all = scores.map((score) => score[way]);
    const kept = all.filter((score) => score > KEPT).length;
    console.log(`  ${WAYS[way]}: mean ${mean(all).toFixed(4)}, ${percent(kept, all.length)} over ${KEPT}`);
  }
  const sum = (of: "bridges" | "length" | "gone") => scores.reduce((total, score) => total + score[of], 0);
  console.log(
    `  ${sum("bridges")} bridges, together ${(sum("length") / sum("gone")).toFixed(2)} times the length that was taken out`,
  );
  const worst = scores
    .map((score, i) => ({ ...score, name: drawings[i].name }))
    .sort((a, b) => a.ours - b.ours);
  console.log(
    `  worst: ${worst
      .slice(0, 3)
      .map(({ name, ours }) => `${name} ${ours.toFixed(3)}`)
      .join(", ")}`,
  );
}

const WAYS = { ours: "dabs", nearest: "nearest dab round the lines", walker: "random walker" } as const;

interface Score {
  readonly ours: number;
  readonly nearest: number;
  readonly walker: number;
  readonly bridges: number;
  /** Of the bridges, and of what was taken out, in page widths. */
  readonly length: number;
  readonly gone: number;
}

function scored({ whole, loose, faces, colours }: LooseDrawing): Score {
  const width = whole.page.box.width;
  const dabs = faces.map((face, i) => dabAt(face, width, colours[i]));
  const { colouring, bridges } = colouredBy(loose, dabs);
  const [fine, coarse] = [SIDE, SIDE / 2].map((side) => rasterOf(loose, dabs, side));
  const truth = painted(
    fine.grid,
    faces.map(({ rings }, i) => ({ rings, label: colours[i] })),
  );
  const score = (labels: Uint8Array) => scoreOf(truth, labels, fine.walls);
  return {
    ours: score(painted(fine.grid, colouring)),
    nearest: score(nearestDab(fine)),
    walker: score(randomWalker(fine, coarse)),
    bridges: bridges.length,
    length: lengthOf(bridges) / width,
    gone: (lengthOf(strokesOf(whole)) - lengthOf(strokesOf(loose))) / width,
  };
}

const labelled = (faces: readonly Pocket[], colours: readonly number[]) =>
  faces.map(({ rings }, i) => ({ rings, label: colours[i] }));

/** A short dab across the middle of a face, well within it. Colours go by their numbers. */
function dabAt({ seed: [x, y], rings }: Touched, pageWidth: number, colour: number): AskedDab {
  const nearest = Math.min(...crossingsAt(rings, y).map((at) => Math.abs(at - x)));
  const half = Math.min((DAB.length * pageWidth) / 2, WITHIN * nearest);
  return {
    id: `${x} ${y}`,
    paint: { colour: String(colour), step: 0 },
    points: polyline([
      [x - half, y],
      [x + half, y],
    ]),
    width: Math.min(DAB.width * pageWidth, half),
  };
}

type Touched = Pick<Pocket, "seed" | "rings">;

/** What taking all dabs gives: pockets with their colours. */
function colouredBy(drawing: Drawing, dabs: readonly AskedDab[]) {
  const claims = claimsOf(dabSpaceIn(drawing, false), dabs, SPREADING);
  const { bridges, pours } = takenFrom(drawing, MAIN, claims, [...claims.regions.keys()]);
  const pockets = new LineReader().read({
    ...drawing,
    bridges: Object.fromEntries(bridges.map((bridge) => [bridge.id, bridge])),
  });
  const byPlace = new Map(pockets.map((pocket) => [String(pocket.seed), pocket]));
  const colouring = pours.map(({ target, paint }) => ({
    rings: byPlace.get(String(target.anchor.seed))!.rings,
    label: Number(paint!.colour),
  }));
  return { colouring, bridges: bridges.map(({ points }) => points) };
}

function rasterOf(drawing: Drawing, dabs: readonly AskedDab[], side: number): Raster {
  const grid = gridOver(drawing.page.box, side);
  const walls = wallsOf(grid, drawing);
  const seeds = new Uint8Array(walls.length);
  const seed = (at: Point, label: number) => {
    const cell = cellAt(grid, at);
    if (cell >= 0 && !walls[cell]) seeds[cell] = label + 1;
  };
  for (const { points, paint } of dabs)
    for (let k = 0; k <= 16; k++) {
      const [x0, y0, x1] = [points[0], points[1], points[points.length - 2]];
      seed([x0 + (k / 16) * (x1 - x0), y0], Number(paint!.colour));
    }
  borderOf(grid, (cell) => {
    if (!walls[cell]) seeds[cell] = 1;
  });
  return { grid, walls, seeds };
}

const wallsOf = (grid: Grid, drawing: Drawing): Uint8Array =>
  walled(
    grid,
    linesOf(drawing).map(({ points }) => flatten(points, grid.cell / 4)),
  );

function borderOf({ columns, rows }: Grid, visit: (cell: number) => void): void {
  for (let x = 0; x < columns; x++) for (const y of [0, rows - 1]) visit(y * columns + x);
  for (let y = 0; y < rows; y++) for (const x of [0, columns - 1]) visit(y * columns + x);
}

/** The mean of what of the faces has its colour and what of the outside is bare, lines left out. */
function scoreOf(truth: Uint8Array, labels: Uint8Array, walls: Uint8Array): number {
  const [all, right] = [
    [0, 0],
    [0, 0],
  ];
  for (let i = 0; i < truth.length; i++) {
    if (walls[i]) continue;
    const side = truth[i] > 0 ? 1 : 0;
    all[side]++;
    if (labels[i] === truth[i]) right[side]++;
  }
  return mean(all.flatMap((count, side) => (count > 0 ? [right[side] / count] : [])));
}

const strokesOf = ({ strokes }: Drawing) => Object.values(strokes).map(({ points }) => points);

function lengthOf(chains: readonly (readonly number[])[]): number {
  let length = 0;
  for (const points of chains) {
    const flat = flatten(points, 1e-3);
    for (let k = 2; k < flat.length; k += 2)
      length += Math.hypot(flat[k] - flat[k - 2], flat[k + 1] - flat[k - 1]);
  }
  return length;
}

const mean = (values: readonly number[]): number =>
  values.reduce((sum, value) => sum + value, 0) / values.length;
const percent = (part: number, of: number): string => `${((100 * part) / of).toFixed(1)} %`;
