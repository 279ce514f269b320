/**
 * Form shade: where the soft form over an outline (inflate.ts) turns away from the lamp, cut at thresholds of Lambert's
 * cosine into shapes of smooth cubics. Isolines by marching squares (d3-contour), fitted after Schneider (lines/fit.ts).
 */
import { contours } from "d3-contour";
import type { Box, Point } from "../geometry/point.ts";
import { ringArea } from "../geometry/polygon.ts";
import { fitSmoothRing, fitWithCorners } from "../lines/fit.ts";
import { inflate, type NormalField } from "./inflate.ts";
import type { PlacedLamp } from "./lamp.ts";

/** What has a form: a pocket, or anything with an outline. */
export interface Formed {
  /** Flattened rings [x, y, …] in page units, the largest first; holes wind against what they are in. */
  readonly rings: readonly (readonly number[])[];
  readonly box: Box;
  /** Page units squared. */
  readonly area: number;
}

export interface FormOptions {
  /** 1 to 3. */
  readonly tones: number;
  /** 0 for flat to 1 for as round as it is wide. */
  readonly roundness: number;
  /** How far shade reaches towards the light, 0 to 1. */
  readonly reach: number;
  /** Whether the form goes down to holes as it does to its outline; otherwise they lie on it. */
  readonly folds?: boolean;
}

const fields = new WeakMap<readonly unknown[], NormalField | undefined>();

/** The same rings, or the outer one alone, give the same field. */
function fieldOf({ rings, box }: Formed, finest: number, folds: boolean): NormalField | undefined {
  const key = folds ? rings : rings[0];
  const winding = Math.sign(ringArea(rings[0]));
  const outers = () => rings.filter((ring) => Math.sign(ringArea(ring)) === winding);
  if (!fields.has(key)) fields.set(key, inflate(folds ? rings : outers(), box, finest));
  return fields.get(key);
}

/** Closed chains of cubics for each tone, the lightest and largest first; they run on beyond the outline. */
export function formShade(formed: Formed, lamp: PlacedLamp, options: FormOptions): number[][][] {
  const field = fieldOf(formed, lamp.finest, options.folds === true);
  if (!field) return [];
  const light = lightOn(field, lamp, options.roundness);
  return cutsOf(options).map((cut) => regionsBelow(light, cut, field, formed.area));
}

/** Closed chains of cubics around where the form faces the lamp: `size` from 0 for a point to 1 for a third of a ball. */
export function formShine(
  formed: Formed,
  lamp: PlacedLamp,
  { roundness, folds, size }: Pick<FormOptions, "roundness" | "folds"> & { readonly size: number },
): number[][] {
  const field = fieldOf(formed, lamp.finest, folds === true);
  if (!field) return [];
  const away = lightOn(field, lamp, roundness).map((cosine) => -cosine);
  return regionsBelow(away, -(1 - SHINE * size), field, formed.area);
}

/** How far from 1 the cosine is along the largest shine. */
const SHINE = 0.3;

/** Lambert's cosine where each tone begins, falling. */
function cutsOf({ tones, reach }: FormOptions): number[] {
  const first = -0.35 + 1.1 * reach;
  return Array.from({ length: tones }, (_, k) => first - k * TONE_GAP);
}

const TONE_GAP = 0.28;

/** The cosine of the angle between form and light at each cell. */
function lightOn(
  { columns, rows, x, y, cell, normals }: NormalField,
  { at, height, far, middle }: PlacedLamp,
  roundness: number,
): Float64Array {
  const light = new Float64Array(columns * rows);
  let [lx, ly] = [at[0] - middle[0], at[1] - middle[1]];
  for (let k = 0; k < light.length; k++) {
    if (!far) {
      lx = at[0] - (x + (k % columns) * cell);
      ly = at[1] - (y + Math.floor(k / columns) * cell);
    }
    const [nx, ny, nz] = [normals[3 * k] * roundness, normals[3 * k + 1] * roundness, normals[3 * k + 2]];
    const lengths = Math.sqrt((nx * nx + ny * ny + nz * nz) * (lx * lx + ly * ly + height * height));
    light[k] = lengths > 0 ? (nx * lx + ny * ly + nz * height) / lengths : 1;
  }
  return light;
}

/** Smaller ones are specks: a share of the whole. */
const SPECK = 0.001;
/** Cells by which a fitted shape may leave the isoline. */
const FIT = 0.33;

function regionsBelow(light: Float64Array, cut: number, field: NormalField, area: number): number[][] {
  const { columns, rows, x, y, cell } = field;
  const values = Array.from(light, (value) => -value);
  const { coordinates } = contours().size([columns, rows]).contour(values, -cut);
  return coordinates.flatMap((polygon) => {
    const [outer] = polygon;
    if (darkIn(outer, light, cut, field) * cell * cell < SPECK * area) return [];
    return polygon
      .filter((ring) => Math.abs(areaOf(ring)) * cell * cell >= SPECK * area)
      .map((ring) => {
        const { points, corners } = thinned(ring, columns, rows);
        const placed = points.map(([c, r]): Point => [x + (c - 0.5) * cell, y + (r - 0.5) * cell]);
        return corners.length > 0
          ? fitWithCorners(placed, corners, true, FIT * cell)
          : fitSmoothRing(placed, FIT * cell);
      });
  });
}

type GridPoint = readonly number[];

/**
 * An isoline has about two points a cell and turns more slowly than that: every third one of a long one will do. Where it
 * runs along the border of the grid, far from the outline, it may turn sharply.
 */
function thinned(
  ring: readonly GridPoint[],
  columns: number,
  rows: number,
): { readonly points: readonly GridPoint[]; readonly corners: readonly number[] } {
  const stride = ring.length > 90 ? 3 : ring.length > 30 ? 2 : 1;
  const isOut = ([c, r]: GridPoint) => c <= 0.5 || r <= 0.5 || c >= columns - 0.5 || r >= rows - 0.5;
  const open = ring.slice(0, -1);
  const turns = (k: number) => {
    const [a, b, c] = [open[(k + open.length - 1) % open.length], open[k], open[(k + 1) % open.length]];
    if (!isOut(b)) return false;
    return !isOut(a) || !isOut(c) || (b[0] - a[0]) * (c[1] - b[1]) !== (b[1] - a[1]) * (c[0] - b[0]);
  };
  const points: GridPoint[] = [];
  const corners: number[] = [];
  open.forEach((point, k) => {
    const corner = turns(k);
    if (corner) corners.push(points.length);
    if (corner || (!isOut(point) && k % stride === 0)) points.push(point);
  });
  return { points, corners };
}

function areaOf(ring: readonly (readonly number[])[]): number {
  let sum = 0;
  for (let k = 1; k < ring.length; k++) sum += ring[k - 1][0] * ring[k][1] - ring[k][0] * ring[k - 1][1];
  return sum / 2;
}

/** How many inside cells within a ring's box are darker than a cut; cells beyond the outline do not count. */
function darkIn(
  ring: readonly GridPoint[],
  light: Float64Array,
  cut: number,
  { inside, columns, rows }: Pick<NormalField, "inside" | "columns" | "rows">,
): number {
  let [left, top, right, low] = [columns, rows, 0, 0];
  for (const [c, r] of ring) {
    left = Math.min(left, c);
    right = Math.max(right, c);
    top = Math.min(top, r);
    low = Math.max(low, r);
  }
  let count = 0;
  for (let r = Math.max(0, Math.floor(top)); r < Math.min(rows, Math.ceil(low)); r++)
    for (let c = Math.max(0, Math.floor(left)); c < Math.min(columns, Math.ceil(right)); c++)
      if (inside[r * columns + c] && light[r * columns + c] < cut) count++;
  return count;
}
