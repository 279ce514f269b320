import type { Drawing, Lamp } from "../drawing/drawing.ts";
import { diagonal, type Point } from "../geometry/point.ts";

/** The lamp in page units, and the middle of the page that a far one is seen from. */
export interface PlacedLamp extends Lamp {
  readonly middle: Point;
  /** The smallest cell worth solving for on this page, in page units. */
  readonly finest: number;
}

/** As a share of the page's diagonal: a form's edge is fitted closer than that. */
const FINEST = 1 / 500;

export function lampOn({ lamp, page: { box } }: Pick<Drawing, "lamp" | "page">): PlacedLamp {
  const { at, height, far } = lamp;
  return {
    at: [box.x + at[0] * box.width, box.y + at[1] * box.height],
    height: height * box.width,
    far,
    middle: [box.x + box.width / 2, box.y + box.height / 2],
    finest: diagonal(box) * FINEST,
  };
}

/** The way to the lamp from a place on the paper, seen from above; of length 1, or 0 right beneath it. */
export function directionFrom({ at, far, middle }: PlacedLamp, place: Point): Point {
  const from = far ? middle : place;
  const [dx, dy] = [at[0] - from[0], at[1] - from[1]];
  const length = Math.sqrt(dx * dx + dy * dy);
  return length > 0 ? [dx / length, dy / length] : [0, 0];
}
