/** What pouring lays: the colour in hand, a step from what is there, or ink. */
import type { Edit } from "#core/drawing/history.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { cuttingOut } from "../../pockets/cut-out.ts";
import { pourInto } from "../../pockets/pour-into.ts";
import { type PourWish, paintWish } from "../../pockets/pour-wish.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

export const LAYS = ["colour", "lighter", "darker", "ink"] as const;

interface Settings {
  readonly lays: (typeof LAYS)[number];
  /** Where edges of colour part colours: whether what is poured is cut out of the shapes it lies on. */
  readonly cuts: boolean;
}

export const pourSettings = toolState<Settings, object>("pour", { lays: "colour", cuts: false }, {});

/** The edit that pours into pockets as the tool is set; undefined when it would change nothing. */
export function poured(desk: Desk, pockets: readonly Pocket[], wish: PourWish): Edit | undefined {
  const edit = pourInto(desk, pockets, wish);
  const cuts = desk.drawing.shapeWalls && pourSettings.settings(desk).cuts;
  return edit && cuts ? cuttingOut(desk, pockets, edit) : edit;
}

export function wishOf(desk: Desk): PourWish {
  const { lays } = pourSettings.settings(desk);
  if (lays === "colour") return paintWish(desk.paint);
  return lays === "ink" ? { kind: "ink" } : { kind: "step", by: lays === "lighter" ? 1 : -1 };
}
