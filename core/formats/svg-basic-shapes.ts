/** Basic shapes written as path data, as SVG 2 chapter 10 defines them. */
import type { SvgElement } from "./svg-tree.ts";
import { anyLength } from "./svg-units.ts";

export const SHAPES = new Set(["path", "line", "polyline", "polygon", "circle", "ellipse", "rect"]);

/** The viewport that percentages are of. */
export interface Viewport {
  readonly width: number;
  readonly height: number;
}

export const diagonalOf = ({ width, height }: Viewport): number => Math.hypot(width, height) / Math.SQRT2;

/** Undefined for a shape that shows nothing. */
export function pathOf({ name, attributes }: SvgElement, port: Viewport): string | undefined {
  const x = (key: string) => anyLength(attributes[key], port.width) ?? 0;
  const y = (key: string) => anyLength(attributes[key], port.height) ?? 0;
  switch (name) {
    case "path":
      return attributes.d;
    case "line":
      return `M${x("x1")} ${y("y1")}L${x("x2")} ${y("y2")}`;
    case "polyline":
      return attributes.points && `M${attributes.points}`;
    case "polygon":
      return attributes.points && `M${attributes.points}Z`;
    case "circle": {
      const r = anyLength(attributes.r, diagonalOf(port)) ?? 0;
      return ellipse(x("cx"), y("cy"), r, r);
    }
    case "ellipse": {
      const [rx, ry] = radii(attributes, port);
      return ellipse(x("cx"), y("cy"), rx, ry);
    }
    default: {
      const [rx, ry] = radii(attributes, port);
      return rectangle(x("x"), y("y"), x("width"), y("height"), rx, ry);
    }
  }
}

/** A radius that is missing or `auto` is the same as the other one. */
function radii({ rx, ry }: SvgElement["attributes"], port: Viewport): [number, number] {
  const x = anyLength(rx, port.width);
  const y = anyLength(ry, port.height);
  return [x ?? y ?? 0, y ?? x ?? 0];
}

function ellipse(cx: number, cy: number, rx: number, ry: number): string | undefined {
  if (!(rx > 0 && ry > 0)) return undefined;
  return `M${cx + rx} ${cy}A${rx} ${ry} 0 0 1 ${cx - rx} ${cy}A${rx} ${ry} 0 0 1 ${cx + rx} ${cy}Z`;
}

function rectangle(
  x: number,
  y: number,
  w: number,
  h: number,
  givenRx: number,
  givenRy: number,
): string | undefined {
  if (!(w > 0 && h > 0)) return undefined;
  const rx = Math.min(w / 2, givenRx);
  const ry = Math.min(h / 2, givenRy);
  if (!(rx > 0 && ry > 0)) return `M${x} ${y}h${w}v${h}h${-w}Z`;
  const corner = `a${rx} ${ry} 0 0 1`;
  return `M${x + rx} ${y}h${w - 2 * rx}${corner} ${rx} ${ry}v${h - 2 * ry}${corner} ${-rx} ${ry}h${2 * rx - w}${corner} ${-rx} ${-ry}v${2 * ry - h}${corner} ${rx} ${-ry}Z`;
}
