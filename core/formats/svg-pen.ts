/** The pen a mark is stroked with, in page units. */
import { weakMapMemoize } from "reselect";
import type { Stroke } from "../drawing/drawing.ts";
import { CAPS, JOINS } from "../drawing/drawing.ts";
import { arcLengthOf, parameterAt } from "../geometry/arc-length.ts";
import { derivativeAt } from "../geometry/cubic.ts";
import { keepsCircles, type Matrix, meanScale } from "../geometry/matrix.ts";
import { simplerProfile } from "../lines/profile.ts";
import { diagonalOf, type Viewport } from "./svg-basic-shapes.ts";
import type { Mark } from "./svg-mark.ts";
import { strokeWidthOf } from "./svg-marks.ts";
import type { Style } from "./svg-style.ts";
import { lengthOf } from "./svg-units.ts";

type Pen = Pick<Stroke, "width" | "profile" | "cap" | "join" | "miterLimit" | "dash" | "dashOffset">;

/**
 * Undefined for a stroke that shows nothing. `points` is the line in page units; pens that do not scale are measured
 * in pixels at the file's own size.
 */
export function penOf(
  { style, matrix, viewport }: Mark,
  points: readonly number[],
  pixelsPerUnit: number,
): Pen | undefined {
  const { width, fixed, ends, dash, dashOffset } = writtenPen(style, viewport);
  const scale = fixed ? 1 / pixelsPerUnit : meanScale(matrix);
  if (!(width * scale > 0)) return undefined;
  return {
    ...(fixed || keepsCircles(matrix) ? { width: width * scale } : squeezed(points, width, matrix)),
    ...ends,
    ...(dash.length > 0 ? { dash: dash.map((length) => length * scale) } : {}),
    ...(dash.length > 0 && dashOffset !== 0 ? { dashOffset: dashOffset * scale } : {}),
  };
}

/** What a style says of its pen, in units of its own. Most lines of a file share a style. */
const writtenPen = weakMapMemoize((style: Style, viewport: Viewport) => {
  const cap = CAPS.find((kind) => kind === style["stroke-linecap"]) ?? "butt";
  const join = JOINS.find((kind) => kind === style["stroke-linejoin"]) ?? "miter";
  const miterLimit = lengthOf(style["stroke-miterlimit"]) ?? 4;
  const whole = diagonalOf(viewport);
  return {
    width: strokeWidthOf({ style, viewport }),
    fixed: style["vector-effect"] === "non-scaling-stroke",
    ends: {
      ...(cap === "round" ? {} : { cap }),
      ...(join === "round" ? {} : { join }),
      ...(join === "miter" && miterLimit >= 1 && miterLimit !== 4 ? { miterLimit } : {}),
    },
    dash: dashOf(style["stroke-dasharray"], whole),
    dashOffset: lengthOf(style["stroke-dashoffset"], whole) ?? 0,
  };
});

function dashOf(text: string | undefined, whole: number): number[] {
  if (!text || text === "none") return [];
  const lengths = text
    .split(/[\s,]+/)
    .filter(Boolean)
    .map((part) => lengthOf(part, whole) ?? Number.NaN);
  const usable = lengths.every((length) => length >= 0) && lengths.some((length) => length > 0);
  return usable ? lengths : [];
}

const PLACES = 96;

/** A round pen squeezed by its transform is as wide as its shadow across the line: a profile of the line's directions. */
function squeezed(
  points: readonly number[],
  width: number,
  [a, b, c, d]: Matrix,
): Pick<Pen, "width" | "profile"> {
  const arc = arcLengthOf(points, width);
  const widths = Array.from({ length: PLACES + 1 }, (_, k) => {
    const inner = Math.max(1e-4, Math.min(1 - 1e-4, k / PLACES));
    const [dx, dy] = derivativeAt(points, parameterAt(arc, inner * arc.total));
    const length = Math.hypot(dx, dy) || 1;
    const [nx, ny] = [-dy / length, dx / length];
    return width * Math.hypot(a * nx + b * ny, c * nx + d * ny);
  });
  const widest = Math.max(...widths);
  if (!(widest > 0)) return { width: 0 };
  return {
    width: widest,
    profile: simplerProfile(
      widths.flatMap((w, k) => [k / PLACES, w / widest]),
      0.01,
    ),
  };
}
