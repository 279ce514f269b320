/** Ovals and boxes by a drag from corner to corner; with Shift round or square. */
import type { Point } from "#core/geometry/point.ts";
import { ellipse, rectangle } from "#core/lines/figures.ts";
import type { Gesture, Press } from "../tool.ts";

export function figureGesture(
  { at, pixel }: Press,
  way: "oval" | "box",
  onFigure: (points: number[]) => void,
): Gesture {
  let to = at;
  const chain = () =>
    way === "box"
      ? rectangle(at, to)
      : ellipse(
          [(at[0] + to[0]) / 2, (at[1] + to[1]) / 2],
          Math.abs(to[0] - at[0]) / 2,
          Math.abs(to[1] - at[1]) / 2,
        );
  const isLarge = () => Math.abs(to[0] - at[0]) > 3 * pixel && Math.abs(to[1] - at[1]) > 3 * pixel;
  return {
    move: (press) => {
      to = press.shift ? evened(at, press.at) : press.at;
    },
    end: () => {
      if (isLarge()) onFigure(chain());
    },
    marks: () => (isLarge() ? [{ kind: "chain", points: chain(), closed: true, tint: "fern" }] : []),
  };
}

function evened([x, y]: Point, [tx, ty]: Point): Point {
  const side = Math.max(Math.abs(tx - x), Math.abs(ty - y));
  return [x + side * Math.sign(tx - x || 1), y + side * Math.sign(ty - y || 1)];
}
