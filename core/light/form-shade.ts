/**
 * Form shade: where the soft form over an outline (inflate.ts) turns away from the lamp, cut at thresholds of Lambert's
 * cosine into shapes of smooth cubics: isolines (isolines.ts), fitted after Schneider (lines/fit.ts).
 */
import type { Box, Point } from "../geometry/point.ts";
import { regionContains, ringArea } from "../geometry/polygon.ts";
import { fitSmoothRing, fitWithCorners } from "../lines/fit.ts";
import { inflate, type NormalField } from "./inflate.ts";
import { isolines } from "./isolines.ts";
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
  for (let r = 0, k = 0; r < rows; r++)
    for (let c = 0; c < columns; c++, k++) {
      if (!far) {
        lx = at[0] - (x + c * cell);
        ly = at[1] - (y + r * cell);
      }
      const nx = normals[3 * k] * roundness;
      const ny = normals[3 * k + 1] * roundness;
      const nz = normals[3 * k + 2];
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
  const speck = (SPECK * area) / (cell * cell);
  return withHoles(isolines(light, columns, rows, cut), speck)
    .filter(([outer]) => holdsDark(outer, light, cut, field, speck))
    .flat()
    .map((ring) => {
      const { points, corners } = thinned(ring, columns, rows);
      const placed = points.map(([c, r]): Point => [x + (c - 0.5) * cell, y + (r - 0.5) * cell]);
      return corners.length > 0
        ? fitWithCorners(placed, corners, true, FIT * cell)
        : fitSmoothRing(placed, FIT * cell);
    });
}

/** Each outer ring with the holes in it, those smaller than a speck left out; rings are [column, row, …]. */
function withHoles(rings: readonly number[][], speck: number): number[][][] {
  const regions: number[][][] = [];
  const holes: number[][] = [];
  for (const ring of rings) {
    const area = ringArea(ring);
    if (area <= -speck) regions.push([ring]);
    else if (area >= speck) holes.push(ring);
  }
  for (const hole of holes)
    regions.find(([outer]) => regionContains([outer], [hole[0], hole[1]]))?.push(hole);
  return regions;
}

/**
 * An isoline has about two points a cell and turns more slowly than that: every third one of a long one will do. Where it
 * runs along the border of the grid, far from the outline, it may turn sharply.
 */
function thinned(
  ring: readonly number[],
  columns: number,
  rows: number,
): { readonly points: readonly Point[]; readonly corners: readonly number[] } {
  const count = ring.length / 2;
  const stride = count >= 90 ? 3 : count >= 30 ? 2 : 1;
  const isOut = (k: number) => {
    const c = ring[2 * k];
    const r = ring[2 * k + 1];
    return c <= 0.5 || r <= 0.5 || c >= columns - 0.5 || r >= rows - 0.5;
  };
  const turns = (k: number) => {
    const a = k === 0 ? count - 1 : k - 1;
    const b = k === count - 1 ? 0 : k + 1;
    if (!isOut(a) || !isOut(b)) return true;
    const c = ring[2 * k];
    const r = ring[2 * k + 1];
    return (c - ring[2 * a]) * (ring[2 * b + 1] - r) !== (r - ring[2 * a + 1]) * (ring[2 * b] - c);
  };
  const points: Point[] = [];
  const corners: number[] = [];
  for (let k = 0; k < count; k++) {
    const isBorder = isOut(k);
    const isCorner = isBorder && turns(k);
    if (isCorner) corners.push(points.length);
    if (isCorner || (!isBorder && k % stride === 0)) points.push([ring[2 * k], ring[2 * k + 1]]);
  }
  return { points, corners };
}

/** Whether more than `speck` cells within a ring's box lie inside the outline and are darker than a cut. */
function holdsDark(
  ring: readonly number[],
  light: Float64Array,
  cut: number,
  { inside, columns, rows }: Pick<NormalField, "inside" | "columns" | "rows">,
  speck: number,
): boolean {
  let [left, top, right, low] = [columns, rows, 0, 0];
  for (let k = 0; k < ring.length; k += 2) {
    left = Math.min(left, ring[k]);
    right = Math.max(right, ring[k]);
    top = Math.min(top, ring[k + 1]);
    low = Math.max(low, ring[k + 1]);
  }
  let count = 0;
  for (let r = Math.max(0, Math.floor(top)); r < Math.min(rows, Math.ceil(low)); r++)
    for (let c = Math.max(0, Math.floor(left)); c < Math.min(columns, Math.ceil(right)); c++)
      if (inside[r * columns + c] && light[r * columns + c] < cut && ++count >= speck) return true;
  return false;
}
