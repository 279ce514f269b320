/** What a hand's drag gathers: a loop the lines mostly within it, a stroke across lines those it crosses. */
import { arcLengthOf, parameterAt } from "../geometry/arc-length.ts";
import { flatten, pointAt } from "../geometry/cubic.ts";
import { distance, type Point } from "../geometry/point.ts";
import { regionContains, ringArea } from "../geometry/polygon.ts";
import { segmentsCross } from "../geometry/segment.ts";

/** A loop comes back: its ends lie less than this part of its length apart. */
const BACK = 0.35;
/** It goes round something: what it encloses is more than this part of its length squared (for a circle 0.08); a scribble's is less. */
const ROUND = 0.01;
const PLACES = 24;

/** Whether a drag through these points, in page units, gathers a line given by its chains of cubics. */
export function gathers(
  drag: readonly Point[],
  chains: readonly (readonly number[])[],
  tolerance: number,
): boolean {
  if (drag.length < 2) return false;
  return isAcross(drag) ? crosses(drag, chains, tolerance) : holds(drag, chains, tolerance);
}

/** Whether a drag goes across rather than round, however it bends. */
export function isAcross(drag: readonly Point[]): boolean {
  let length = 0;
  for (let i = 1; i < drag.length; i++) length += distance(drag[i - 1], drag[i]);
  const isBack = distance(drag[0], drag[drag.length - 1]) < BACK * length;
  return !isBack || Math.abs(ringArea(drag.flat())) < ROUND * length * length;
}

/** More than half of the line's length lies within the loop. */
function holds(loop: readonly Point[], chains: readonly (readonly number[])[], tolerance: number): boolean {
  const ring = loop.flat();
  let inside = 0;
  for (const chain of chains) {
    const length = arcLengthOf(chain, tolerance);
    for (let k = 0; k < PLACES; k++) {
      const at = pointAt(chain, parameterAt(length, ((k + 0.5) / PLACES) * length.total));
      if (regionContains([ring], at)) inside++;
    }
  }
  return inside * 2 > PLACES * chains.length;
}

function crosses(drag: readonly Point[], chains: readonly (readonly number[])[], tolerance: number): boolean {
  return chains.some((chain) => {
    const flat = flatten(chain, tolerance);
    for (let k = 0; k + 3 < flat.length; k += 2)
      for (let i = 1; i < drag.length; i++)
        if (segmentsCross(drag[i - 1], drag[i], [flat[k], flat[k + 1]], [flat[k + 2], flat[k + 3]]))
          return true;
    return false;
  });
}
