import { distance } from "#core/geometry/point.ts";
import type { Gesture, Press } from "./tool.ts";

/** A press that goes no farther is a click. */
export const CLICK_PIXELS = 4;

/** The gesture, or a click where the hand stays on the spot. */
export function clickOr(gesture: Gesture, { at, pixel }: Press, onClick: () => void): Gesture {
  let farthest = 0;
  return {
    ...gesture,
    move: (next) => {
      farthest = Math.max(farthest, distance(at, next.at));
      gesture.move?.(next);
    },
    end: (next) => {
      if (farthest > CLICK_PIXELS * pixel) gesture.end?.(next);
      else onClick();
    },
  };
}
