/**
 * The figures of a pattern that meet a box, as one region: there is no tile, so nothing can show between tiles, and what
 * is painted is vector everywhere.
 */
import type { Pattern, Tile } from "../drawing/drawing.ts";
import { polyline, QUARTER_HANDLE } from "../geometry/cubic.ts";
import { type Matrix, mapped, mappedPoint } from "../geometry/matrix.ts";
import type { Box, Point } from "../geometry/point.ts";
import type { Chain } from "./items.ts";

/** Of figures along a side; a finer pattern is painted as coarse as this. */
const MOST_ALONG = 160;

type Drawn = Exclude<Pattern["kind"], "picture">;

/** The figures of each tone, to be painted over the ones before: one of all patterns but pictures, of which the share is how many show. */
export function figuresIn(pattern: Pattern, box: Box, tile: Tile | undefined): Chain[][] {
  const { kind, share } = pattern;
  if (kind !== "picture") return [repeated(pattern, box, MOST_ALONG, (cells) => FIGURES[kind](cells, share))];
  if (!tile) return [];
  const { tones, ratio } = tile;
  const shown = Math.max(1, Math.ceil(share * tones.length));
  return tones
    .slice(tones.length - shown)
    .map((chains) => repeated(pattern, box, mostAlong(chains), (cells) => tiles(chains, ratio, cells)));
}

/** Numbers that one pattern's region may have. */
const MOST_NUMBERS = 2e6;

/** A tile of many curves is repeated less often. */
const mostAlong = (chains: readonly Chain[]): number => {
  const numbers = chains.reduce((sum, { length }) => sum + length, 1);
  return Math.max(4, Math.min(MOST_ALONG, Math.sqrt(MOST_NUMBERS / numbers)));
};

/** Cell columns are one tile wide, and there are as many rows as tiles fit in their height. */
const tiles = (chains: readonly Chain[], ratio: number, { left, right, top, bottom }: Cells): Chain[] =>
  range(Math.floor(top / ratio) - 1, Math.ceil(bottom / ratio)).flatMap((row) =>
    range(left, right).flatMap((column) =>
      chains.map((chain) => mapped(chain, [1, 0, 0, 1, column, row * ratio])),
    ),
  );

function repeated(
  { at, turn, size: wanted }: Pattern,
  box: Box,
  most: number,
  figures: (cells: Cells) => Chain[],
): Chain[] {
  const size = Math.max(wanted, Math.max(box.width, box.height) / most);
  const angle = (turn * Math.PI) / 180;
  const [cos, sin] = [Math.cos(angle) * size, Math.sin(angle) * size];
  const place: Matrix = [cos, sin, -sin, cos, at[0], at[1]];
  const back: Matrix = [cos / size ** 2, -sin / size ** 2, sin / size ** 2, cos / size ** 2, 0, 0];
  const { x, y, width, height } = box;
  const corners = [
    [x, y],
    [x + width, y],
    [x, y + height],
    [x + width, y + height],
  ].map(([cx, cy]) => mappedPoint([cx - at[0], cy - at[1]], back));
  const [xs, ys] = [corners.map(([u]) => u), corners.map(([, v]) => v)];
  const cells = {
    left: Math.floor(Math.min(...xs)) - 1,
    right: Math.ceil(Math.max(...xs)) + 1,
    top: Math.floor(Math.min(...ys)) - 1,
    bottom: Math.ceil(Math.max(...ys)) + 1,
  };
  return figures(cells).map((chain) => mapped(chain, place));
}

/** The cells of a grid, one unit each, that meet the box. */
interface Cells {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

const FIGURES: { readonly [K in Drawn]: (cells: Cells, share: number) => Chain[] } = {
  stripes: ({ left, right, top, bottom }, share) =>
    range(top, bottom).map((row) => rectangle(left, row - share / 2, right, row + share / 2)),
  checks: (cells) =>
    each(cells, (column, row) =>
      (column + row) % 2 === 0 ? rectangle(column - 0.5, row - 0.5, column + 0.5, row + 0.5) : undefined,
    ),
  dots: (cells, share) =>
    each(cells, (column, row) => circle([column + (row % 2 === 0 ? 0 : 0.5), row], share / 2)),
  hatching: ({ left, right, top, bottom }, share) =>
    range(top, bottom).flatMap((row) => strokesAlong(row, left, right, share)),
  scales: (cells, share) =>
    each(cells, (column, row) => crescent([column + (row % 2 === 0 ? 0 : 0.5), row * 0.5], share), 2),
};

const range = (from: number, to: number): number[] =>
  Array.from({ length: Math.max(0, to - from + 1) }, (_, k) => from + k);

/** A figure for each cell, in as many rows a unit as are asked for. */
const each = (
  { left, right, top, bottom }: Cells,
  figure: (column: number, row: number) => Chain | undefined,
  rows = 1,
): Chain[] =>
  range(rows * top, rows * bottom).flatMap((row) =>
    range(left, right).flatMap((column) => {
      const made = figure(column, row);
      return made ? [made] : [];
    }),
  );

const rectangle = (left: number, top: number, right: number, bottom: number): Chain =>
  polyline([
    [left, top],
    [right, top],
    [right, bottom],
    [left, bottom],
    [left, top],
  ]);

function circle([x, y]: Point, r: number): Chain {
  const h = r * QUARTER_HANDLE;
  return [
    ...[x + r, y, x + r, y + h, x + h, y + r, x, y + r],
    ...[x - h, y + r, x - r, y + h, x - r, y],
    ...[x - r, y - h, x - h, y - r, x, y - r],
    ...[x + h, y - r, x + r, y - h, x + r, y],
  ];
}

/** The lower rim of a scale: thick in the middle, tapering to its ends. */
function crescent([x, y]: Point, share: number): Chain {
  const deep = 0.5 - 0.45 * share;
  return [
    ...[x - 0.5, y, x - 0.5, y + 0.667, x + 0.5, y + 0.667, x + 0.5, y],
    ...[x + 0.5, y + 1.333 * deep, x - 0.5, y + 1.333 * deep, x - 0.5, y],
  ];
}

/** Pen strokes in a row, of lengths and gaps that never repeat to the eye, each tapering. */
function strokesAlong(row: number, left: number, right: number, share: number): Chain[] {
  const strokes: Chain[] = [];
  for (let cell = left; cell <= right; cell++) {
    const [a, b, c] = [chance(cell, row, 1), chance(cell, row, 2), chance(cell, row, 3)];
    const [from, to] = [cell + 0.08 + 0.25 * a, cell + 1.05 - 0.3 * b];
    const y = row + 0.18 * (c - 0.5);
    const half = Math.min(0.48, (share / 2) * (0.7 + 0.6 * chance(cell, row, 4)));
    const reach = (to - from) / 3;
    strokes.push([
      ...[from, y, from + reach, y - half, to - reach, y - half, to, y + 0.05 * (a - 0.5)],
      ...[to - reach, y + half, from + reach, y + half, from, y],
    ]);
  }
  return strokes;
}

/** A number from 0 to 1 that is the same for the same cell (integer hash after Wang, 1997). */
function chance(column: number, row: number, of: number): number {
  let h = (column * 374761393 + row * 668265263 + of * 974634599) | 0;
  h = Math.imul(h ^ (h >>> 13), 1274126177);
  return ((h ^ (h >>> 16)) >>> 0) / 2 ** 32;
}
