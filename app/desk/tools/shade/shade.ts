/** Shade: a freehand shape, closed when let go, trimmed to the pocket it began in. */
import { Circle, Sun } from "lucide-react";
import { addShade, removeShade } from "#core/drawing/edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { fitClosed } from "#core/lines/fit.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { isRemoval } from "../../keys/key-names.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import type { Tool } from "../tool.ts";
import { shadeAt } from "./shade-at.ts";
import { ShadePanel } from "./shade-panel.tsx";
import { shade } from "./shade-state.ts";

const FIT_PIXELS = 1.2;

export const shadeTool: Tool = {
  name: "shade",
  word: "Shade",
  hint: "Draw a shape; it is trimmed to the pocket it begins in",
  icon: Sun,
  sheet: "shade",
  cursor: "crosshair",
  lights: true,
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
        const state = desk.getState();
        const { paint, edit } = state;
        const id = newId();
        const shape = fitClosed(points, FIT_PIXELS * pixel);
        const anchor = anchorOf(pocket);
        edit(addShade({ id, kind: "drawn", points: shape, anchor, paint, ...shade.settings(state) }));
        set({ chosenShade: id });
      },
      trail: () => ({ points, closed: true }),
    };
  },
  key: onRemoval,
  Panel: ShadePanel,
};

export const adjustTool: Tool = {
  name: "adjust",
  word: "Choose",
  hint: "Click a shade to change or remove it",
  icon: Circle,
  sheet: "shade",
  cursor: "pointer",
  press: ({ desk, at }) => {
    desk.getState().set({ chosenShade: shadeAt(desk.getState(), at)?.id ?? null });
    return undefined;
  },
  key: onRemoval,
  Panel: ShadePanel,
};

function onRemoval(desk: DeskStore, event: KeyboardEvent): boolean {
  const { chosenShade, edit } = desk.getState();
  if (!chosenShade || !isRemoval(event)) return false;
  edit(removeShade(chosenShade));
  return true;
}
