/** Pour: a click fills a pocket, a drag fills every pocket it crosses, as one step. */

import type { Paint } from "#core/drawing/drawing.ts";
import { pour } from "#core/drawing/edits.ts";
import { mix, type Point } from "#core/geometry/point.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { newId } from "../../keep/shelf.ts";
import type { Desk, DeskStore } from "../desk-store.ts";
import type { Gesture, Press, Tool } from "./tool.ts";

/** The edit that pours into pockets of the desk; undefined when all of them hold that paint already. */
export function pourInto(desk: Desk, pockets: readonly Pocket[], paint: Paint | null) {
  const { pourOf, pockets: all } = desk.derived;
  const { pours } = desk.history.drawing;
  const targets = pockets.flatMap((pocket) => {
    const pourId = pourOf[all.indexOf(pocket)];
    const now = pourId === undefined ? null : pours[pourId].paint;
    if (now?.colour === paint?.colour && now?.step === paint?.step) return [];
    return [
      { pocket, pourId, shared: pourId !== undefined && pourOf.filter((id) => id === pourId).length > 1 },
    ];
  });
  return targets.length > 0 ? pour(targets, paint, targets.map(newId)) : undefined;
}

function pouring({ desk, at, pixel }: Press, paint: Paint | null): Gesture {
  const crossed: Pocket[] = [];
  const before = desk.getState().history;
  let last = at;
  const cross = (to: Point) => {
    const { pockets } = desk.getState().derived;
    const steps = Math.max(1, Math.ceil(Math.hypot(to[0] - last[0], to[1] - last[1]) / pixel));
    let found = false;
    for (let k = 1; k <= steps; k++) {
      const pocket = pocketAt(pockets, mix(last, to, k / steps));
      if (pocket && !crossed.includes(pocket)) {
        crossed.push(pocket);
        found = true;
      }
    }
    last = to;
    if (found) showPoured(desk, crossed, paint);
  };
  cross(at);
  if (crossed.length === 0) {
    void desk.getState().explainLeak(at);
    return {};
  }
  desk.getState().set({ leak: null });
  return {
    move: (press) => cross(press.at),
    end: () => {
      desk.getState().set({ preview: null });
      if (desk.getState().history !== before) return;
      const edit = pourInto(desk.getState(), crossed, paint);
      if (edit) desk.getState().edit(edit);
    },
    cancel: () => desk.getState().set({ preview: null }),
  };
}

/** Shows what letting go will pour, without touching the drawing. */
function showPoured(desk: DeskStore, pockets: readonly Pocket[], paint: Paint | null): void {
  desk.getState().set({ preview: { pockets: [...pockets], paint } });
}

export const pourTool: Tool = {
  cursor: "crosshair",
  lightsPockets: true,
  press: (press) => pouring(press, press.desk.getState().paint),
};

export const emptyTool: Tool = {
  cursor: "crosshair",
  lightsPockets: true,
  press: (press) => pouring(press, null),
};
