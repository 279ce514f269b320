/** The pieces of all lines as walls of the free space: which of them stands first on a straight way. */
import Flatbush from "flatbush";
import type { Point } from "../geometry/point.ts";

export class Walls {
  private readonly index: Flatbush | undefined;

  /** `xy` holds x, y of every vertex in page units, `ends` two vertices a wall. */
  constructor(
    private readonly xy: Float64Array,
    private readonly ends: Int32Array,
  ) {
    if (ends.length === 0) return;
    this.index = new Flatbush(ends.length / 2);
    for (let k = 0; k < ends.length; k += 2) {
      const [a, b] = [2 * ends[k], 2 * ends[k + 1]];
      this.index.add(
        Math.min(xy[a], xy[b]),
        Math.min(xy[a + 1], xy[b + 1]),
        Math.max(xy[a], xy[b]),
        Math.max(xy[a + 1], xy[b + 1]),
      );
    }
    this.index.finish();
  }

  /**
   * How far along the way from p to q the first wall stands, from 0 to 1; Infinity where there is none. The
   * walls at one vertex can be ignored.
   */
  first(p: Point, q: Point, except = -1): number {
    let first = Infinity;
    const walls = this.index?.search(
      Math.min(p[0], q[0]),
      Math.min(p[1], q[1]),
      Math.max(p[0], q[0]),
      Math.max(p[1], q[1]),
    );
    for (const wall of walls ?? []) {
      const a = this.ends[2 * wall];
      const b = this.ends[2 * wall + 1];
      if (a !== except && b !== except) first = Math.min(first, this.meets(a, b, p, q));
    }
    return first;
  }

  private meets(a: number, b: number, [px, py]: Point, [qx, qy]: Point): number {
    const { xy } = this;
    const [ex, ey] = [qx - px, qy - py];
    const [ax, ay] = [xy[2 * a] - px, xy[2 * a + 1] - py];
    const [bx, by] = [xy[2 * b] - px, xy[2 * b + 1] - py];
    const sideA = ex * ay - ey * ax;
    const sideB = ex * by - ey * bx;
    if (sideA > 0 === sideB > 0) return Infinity;
    const t = sideA / (sideA - sideB);
    const hit = ((ax + t * (bx - ax)) * ex + (ay + t * (by - ay)) * ey) / (ex * ex + ey * ey);
    return hit >= 0 && hit <= 1 ? hit : Infinity;
  }
}
