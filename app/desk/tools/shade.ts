/** Shade: a freehand shape, closed when let go, trimmed to the pocket it began in. */
import { addShade } from "#core/drawing/edits.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { fitClosed } from "#core/lines/fit.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { newId } from "../../keep/shelf.ts";
import { shadeAt } from "./shade-at.ts";
import type { Tool } from "./tool.ts";

const FIT_PIXELS = 1.2;

export const shadeTool: Tool = {
  cursor: "crosshair",
  lightsPockets: true,
  press: ({ desk, at, pixel }) => {
    const { derived, set, tell } = desk.getState();
    if (!pocketAt(derived.pockets, at)) {
      tell("Begin inside a pocket: a shade is trimmed to the pocket it begins in.");
      return undefined;
    }
    const points: Point[] = [at];
    return {
      move: (press) => {
        if (distance(points[points.length - 1], press.at) > 1.5 * pixel) points.push(press.at);
      },
      end: () => {
        if (points.length < 4) {
          set({ chosenShade: shadeAt(desk.getState(), at)?.id ?? null });
          return;
        }
        const { paint, shadeSettings, edit } = desk.getState();
        const id = newId();
        edit(
          addShade({ id, points: fitClosed(points, FIT_PIXELS * pixel), seed: at, paint, ...shadeSettings }),
        );
        set({ chosenShade: id });
      },
      trail: () => ({ points, closed: true }),
    };
  },
};

export const adjustTool: Tool = {
  cursor: "pointer",
  lightsPockets: false,
  press: ({ desk, at }) => {
    desk.getState().set({ chosenShade: shadeAt(desk.getState(), at)?.id ?? null });
    return undefined;
  },
};
