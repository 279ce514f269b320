/** Lines that are not drawn freehand: through clicked points, and round or square figures. */
import { polyline, QUARTER_HANDLE } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";

/** A clicked point; `out` is the handle pulled out of it, away from the point, for a line that bends there. */
export interface Peg {
  readonly at: Point;
  readonly out?: Point;
}

const mirrored = ({ at, out }: Peg): Point => (out ? [2 * at[0] - out[0], 2 * at[1] - out[1]] : at);

/** A chain through pegs: straight between those without handles. */
export function chainThrough(pegs: readonly Peg[], closed: boolean): number[] {
  const all = closed ? [...pegs, pegs[0]] : pegs;
  const chain: number[] = [...all[0].at];
  for (let k = 0; k + 1 < all.length; k++) {
    const [a, b] = [all[k], all[k + 1]];
    if (!a.out && !b.out) chain.push(...polyline([a.at, b.at]).slice(2));
    else chain.push(...(a.out ?? a.at), ...mirrored(b), ...b.at);
  }
  return chain;
}

/** A closed chain of four cubics, from its right end clockwise on the page. */
export function ellipse([cx, cy]: Point, rx: number, ry: number): number[] {
  const chain = [cx + rx, cy];
  for (let k = 0; k < 4; k++) {
    const a = (k * Math.PI) / 2;
    const [c, s] = [Math.round(Math.cos(a)), Math.round(Math.sin(a))];
    const on = (u: number, v: number) => [cx + rx * u, cy + ry * v];
    chain.push(
      ...on(c - QUARTER_HANDLE * s, s + QUARTER_HANDLE * c),
      ...on(QUARTER_HANDLE * c - s, QUARTER_HANDLE * s + c),
      ...on(-s, c),
    );
  }
  return chain;
}

export function rectangle([ax, ay]: Point, [bx, by]: Point): number[] {
  return polyline([
    [ax, ay],
    [bx, ay],
    [bx, by],
    [ax, by],
    [ax, ay],
  ]);
}
