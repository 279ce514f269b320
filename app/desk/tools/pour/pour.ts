/** Pour: a click fills a pocket, a drag fills every pocket it crosses, as one step. Flat shapes on top are painted as pockets are. */
import type { FlatShape, Paint } from "#core/drawing/drawing.ts";
import { changeFlat, removeFlat } from "#core/drawing/edits.ts";
import { distance, mix, type Point } from "#core/geometry/point.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { flatAt } from "../../pockets/flats-near.ts";
import { pourInto } from "../../pockets/pour-into.ts";
import type { Gesture, Press, Tool } from "../tool.ts";

function pouring({ desk, at, pixel }: Press, paint: Paint | null): Gesture {
  const crossed: Pocket[] = [];
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
  const flat = flatAt(desk.getState(), at);
  if (!flat) cross(at);
  desk.getState().set({ leak: null, chosenFlat: flat?.id ?? null });
  return {
    move: (press) => {
      if (flat && distance(at, press.at) < DRAG_PIXELS * pixel) return;
      cross(press.at);
    },
    end: () => {
      const state = desk.getState();
      state.set({ preview: null });
      if (crossed.length === 0 && flat) paintFlat(state, flat, paint);
      else if (crossed.length === 0) void state.explainLeak(at, { at, paint });
      else {
        const edit = pourInto(state, crossed, paint);
        if (edit) state.edit(edit);
      }
    },
    cancel: () => desk.getState().set({ preview: null }),
  };
}

/** A press on a flat shape is meant for the pockets beneath once it goes this far. */
const DRAG_PIXELS = 6;

function paintFlat(desk: Desk, flat: FlatShape, paint: Paint | null): void {
  desk.edit(paint ? changeFlat(flat.id, paint) : removeFlat(flat.id));
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
