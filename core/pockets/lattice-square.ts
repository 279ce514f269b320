/**
 * The squares of the lattice's points, which tile the plane: each owns of its corners only the lower left one, and
 * what lies in a square is rounded to its centre.
 */
import { cross } from "./exact.ts";

/** Does a segment from (x0, y0) along (dx, dy) pass through the square of the lattice point px, py away from there? */
export function passesSquare(dx: number, dy: number, px: number, py: number, errorBound: number): boolean {
  const side = dx * py - dy * px;
  const reach = 0.5 * ((dx < 0 ? -dx : dx) + (dy < 0 ? -dy : dy));
  if (side > reach + errorBound || side < -reach - errorBound) return false;
  if (side < reach - errorBound && side > errorBound - reach) return true;
  return touchesSquare(dx, dy, px, py, errorBound);
}

/**
 * The exact answer near a square's rim: a line that merely touches a corner passes through only if it is the lower left
 * one, a falling line with the square's centre on its upper side.
 */
function touchesSquare(dx: number, dy: number, px: number, py: number, errorBound: number): boolean {
  const sx = Math.sign(dx);
  const sy = Math.sign(dy);
  const high = cross(dx, dy, 2 * px - sy, 2 * py + sx, 2 * errorBound);
  const low = cross(dx, dy, 2 * px + sy, 2 * py - sx, 2 * errorBound);
  if (high < 0 || low > 0) return false;
  if (high > 0 && low < 0) return true;
  const centreAbove = low === 0 ? 1 : -1;
  return dx * dy < 0 && dx * centreAbove > 0;
}
