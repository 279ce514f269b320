/** Lengths, view boxes and transforms as SVG writes them. */
import svgpath from "svgpath";
import { isPageBox, LARGEST } from "../drawing/bounds.ts";
import { IDENTITY, type Matrix } from "../geometry/matrix.ts";
import type { Box, Point } from "../geometry/point.ts";

const NUMBER = String.raw`[+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?`;
const DECIMAL = new RegExp(`^${NUMBER}$`, "i");

const PIXELS: Record<string, number> = {
  "": 1,
  px: 1,
  pt: 96 / 72,
  pc: 16,
  in: 96,
  mm: 96 / 25.4,
  cm: 96 / 2.54,
  q: 96 / 101.6,
  em: 16,
  rem: 16,
  ex: 8,
};

/** A length in user units; percentages are of `whole`. Undefined when it is none, or beyond all bounds. */
export function lengthOf(text: string | undefined, whole?: number): number | undefined {
  const length = anyLength(text, whole);
  return length !== undefined && Math.abs(length) <= LARGEST ? length : undefined;
}

/** The same without bounds. */
export function anyLength(text: string | undefined, whole?: number): number | undefined {
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*([a-z]*|%)\s*$/i.exec(text ?? "");
  if (!match) return undefined;
  if (match[2] === "%") return whole === undefined ? undefined : (Number(match[1]) * whole) / 100;
  const unit = PIXELS[match[2].toLowerCase()];
  return unit ? Number(match[1]) * unit : undefined;
}

export function viewBoxOf(text: string | undefined): Box | undefined {
  const view = (text ?? "")
    .trim()
    .split(/[\s,]+/)
    .map((number) => (DECIMAL.test(number) ? Number(number) : Number.NaN));
  const [x, y, width, height] = view;
  const box = { x, y, width, height };
  return view.length === 4 && isPageBox(box) ? box : undefined;
}

const SHIFT = { Min: 0, Mid: 0.5, Max: 1 } as const;

/** What brings a view box into a viewport at the origin (SVG 2, section 8.7). */
export function viewBoxMatrix(view: Box, width: number, height: number, aspect = "xMidYMid meet"): Matrix {
  const [sx, sy] = [width / view.width, height / view.height];
  const match = /x(Min|Mid|Max)Y(Min|Mid|Max)/.exec(aspect);
  if (!match) {
    if (aspect.includes("none")) return [sx, 0, 0, sy, -view.x * sx, -view.y * sy];
    return viewBoxMatrix(view, width, height);
  }
  const s = aspect.includes("slice") ? Math.max(sx, sy) : Math.min(sx, sy);
  const [, x, y] = match as unknown as [string, keyof typeof SHIFT, keyof typeof SHIFT];
  return [
    s,
    0,
    0,
    s,
    (width - view.width * s) * SHIFT[x] - view.x * s,
    (height - view.height * s) * SHIFT[y] - view.y * s,
  ];
}

const DEGREES: Record<string, number> = { turn: 360, grad: 0.9, rad: 180 / Math.PI };

const SIDES: Record<string, [horizontal: string, vertical: string]> = {
  left: ["0%", ""],
  right: ["100%", ""],
  top: ["", "0%"],
  bottom: ["", "100%"],
  center: ["50%", "50%"],
};

/** The place a transform turns and scales about: two lengths or sides of the viewport; its corner when left out or senseless. */
export function originOf(text: string | undefined, { width, height }: Pick<Box, "width" | "height">): Point {
  const [first = "0", second = "center"] = (text ?? "0 0")
    .trim()
    .toLowerCase()
    .split(/[\s,]+/);
  const turnedRound = SIDES[first]?.[0] === "" || SIDES[second]?.[1] === "";
  const [across, down] = turnedRound ? [second, first] : [first, second];
  const x = lengthOf(SIDES[across]?.[0] ?? across, width);
  const y = lengthOf(SIDES[down]?.[1] ?? down, height);
  return x === undefined || y === undefined ? [0, 0] : [x, y];
}

const GAP = String.raw`[ \t\r\n\f]*`;
const COMMA = String.raw`[ \t\r\n\f,]`;
const TRANSFORMS = new RegExp(
  `^(?:${COMMA}*(?:matrix|translate|scale|rotate|skew[XY])${GAP}\\(${GAP}${NUMBER}(?:(?:${COMMA}+|(?=[+-]))${NUMBER})*${GAP}\\))+${COMMA}*$`,
  "i",
);

/** A transform list, or one in CSS with its units, as one matrix. One that makes no sense moves nothing, as in browsers. */
export function matrixOf(transform: string | undefined): Matrix {
  if (!transform || transform === "none") return IDENTITY;
  const plain = transform
    .replace(/(translate|scale)3d\(([^),]*),([^),]*),[^)]*\)/gi, "$1($2,$3)")
    .replace(/translateX\(([^)]*)\)/gi, "translate($1,0)")
    .replace(/translateY\(([^)]*)\)/gi, "translate(0,$1)")
    .replace(/scaleX\(([^)]*)\)/gi, "scale($1,1)")
    .replace(/scaleY\(([^)]*)\)/gi, "scale(1,$1)")
    .replace(
      /([+-]?[\d.]+(?:e[+-]?\d+)?)(turn|grad|rad)/gi,
      (_, angle, unit) => `${angle * DEGREES[unit.toLowerCase()]}`,
    )
    .replace(/(\d)(px|deg)/gi, "$1");
  if (!TRANSFORMS.test(plain)) return IDENTITY;
  const at: number[] = [];
  svgpath("M0 0L1 0L0 1")
    .transform(plain)
    .abs()
    .iterate((segment) => {
      at.push(segment[1] as number, segment[2] as number);
    });
  const [e, f, ax, ay, cx, cy] = at;
  return at.every(Number.isFinite) ? [ax - e, ay - f, cx - e, cy - f, e, f] : IDENTITY;
}

/** The element a `url(#…)` names. */
export const urlOf = (value: string | undefined): string | undefined =>
  /url\(\s*["']?#([^"')]+)["']?\s*\)/.exec(value ?? "")?.[1];
