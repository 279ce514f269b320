import { type Box, boundsOf, type Coords } from "./point.ts";

const boxes = new WeakMap<Coords, Box | null>();

/** The box around points [x, y, …] that nobody changes any more, worked out once; null where there are none. */
export function knownBox(points: Coords): Box | null {
  const known = boxes.get(points);
  if (known !== undefined) return known;
  const box = boundsOf([points]) ?? null;
  boxes.set(points, box);
  return box;
}
