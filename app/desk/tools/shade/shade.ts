/** Shade: a freehand shape, closed when let go, trimmed to the pocket it began in. */
import { addShade } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { fitClosed } from "#core/lines/fit.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { shadeAt } from "./shade-at.ts";
import type { Tool } from "../tool.ts";

const FIT_PIXELS = 1.2;

export const shadeTool: Tool = {
  cursor: "crosshair",
  lightsPockets: true,
  press: ({ desk, at, pixel }) => {
    const { derived, set, tell } = desk.getState();
    const pocket = pocketAt(derived.pockets, at);
    if (!pocket) {
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
        const shape = fitClosed(points, FIT_PIXELS * pixel);
        const anchor = anchorOf(pocket);
        edit(addShade({ id, kind: "drawn", points: shape, anchor, paint, ...shadeSettings }));
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
