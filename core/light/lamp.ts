import type { Drawing, Lamp } from "../drawing/drawing.ts";
import type { Point } from "../geometry/point.ts";

/** The lamp in page units, and the middle of the page that a far one is seen from. */
export interface PlacedLamp extends Lamp {
  readonly middle: Point;
}

export function lampOn({ lamp, page: { box } }: Pick<Drawing, "lamp" | "page">): PlacedLamp {
  const { at, height, far } = lamp;
  return {
    at: [box.x + at[0] * box.width, box.y + at[1] * box.height],
    height: height * box.width,
    far,
    middle: [box.x + box.width / 2, box.y + box.height / 2],
  };
}
