/** Gather: picks pockets by click, by a drag across them or by a loop around them; Shift adds, Alt takes away. */
import { Lasso } from "lucide-react";
import { distance, mix, type Point } from "#core/geometry/point.ts";
import { regionContains } from "#core/geometry/polygon.ts";
import { isAcross } from "#core/lines/gather.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { isRemoval } from "../../keys/key-names.ts";
import { walkedPocket } from "../../pockets/walk.ts";
import type { Desk } from "../../store/desk-state.ts";
import type { Tool } from "../tool.ts";
import {
  gatherBare,
  gatheredPockets,
  gatherPockets,
  takenWith,
  turnRound,
  walkGathered,
} from "./gather-state.ts";
import { gatherTray } from "./gather-tray.tsx";

export const gatherTool: Tool = {
  name: "gather",
  word: "Gather",
  hint: "Click pockets, or drag across or around them; Shift adds, Alt takes away",
  icon: Lasso,
  cursor: "crosshair",
  lights: true,
  press: ({ desk, at, pixel, shift, alt }) => {
    const points: Point[] = [at];
    return {
      move: (press) => {
        if (distance(points[points.length - 1], press.at) > 2 * pixel) points.push(press.at);
      },
      end: () => {
        const state = desk.getState();
        const found = gatheredBy(state, points, pixel);
        const clicked = points.length === 1 && found.length === 1;
        gatherPockets(
          desk,
          clicked ? takenWith(state, found[0]) : found,
          alt ? "take" : shift ? "add" : "alone",
        );
      },
      trail: () => ({ points, closed: points.length > 1 && !isAcross(points) }),
    };
  },
  key: (desk, event) => {
    const walked = walkedPocket(desk.getState());
    const key = event.key.toLowerCase();
    if (key === "enter" && walked)
      gatherPockets(desk, takenWith(desk.getState(), walked), event.altKey ? "take" : "add");
    else if (key === "b") gatherBare(desk);
    else if (key === "i") turnRound(desk);
    else if (key === "[" || key === "]") walkGathered(desk, key === "]" ? 1 : -1);
    else if (isRemoval(event)) gatherPockets(desk, [], "alone");
    else return false;
    return true;
  },
  chooseAll: (desk) => gatherPockets(desk, desk.getState().derived.pockets, "alone"),
  marks: (desk) => gatheredPockets(desk).map((pocket) => ({ kind: "pocket", pocket })),
  settings: gatherTray,
};

/** The pockets that a drag crosses, or whose inner points a loop holds. */
function gatheredBy({ derived }: Desk, points: readonly Point[], pixel: number): Pocket[] {
  const { pockets } = derived;
  if (points.length > 2 && !isAcross(points)) {
    const loop = points.flat();
    return pockets.filter(({ seed }) => regionContains([loop], seed));
  }
  const found = new Set<Pocket>();
  points.forEach((to, i) => {
    const from = points[Math.max(0, i - 1)];
    const steps = Math.max(1, Math.ceil(distance(from, to) / (2 * pixel)));
    for (let k = 1; k <= steps; k++) {
      const pocket = pocketAt(pockets, mix(from, to, k / steps));
      if (pocket) found.add(pocket);
    }
  });
  return [...found];
}
