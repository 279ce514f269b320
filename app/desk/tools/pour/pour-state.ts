/** What pouring lays: the colour in hand, a step from what is there, or ink. */
import { type PourRequest, paintRequest } from "../../pockets/pour-request.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

export const LAYS = ["colour", "lighter", "darker", "ink"] as const;

interface Settings {
  readonly lays: (typeof LAYS)[number];
  /** Colour shapes are cut out where colour is poured between their edges. */
  readonly cuts: boolean;
}

export const pourSettings = toolState<Settings, object>("pour", { lays: "colour", cuts: false }, {});

export function requestOf(desk: Desk): PourRequest {
  const { lays, cuts } = pourSettings.settings(desk);
  if (lays === "colour") return paintRequest(desk.paint, cuts && desk.drawing.shapeWalls);
  return lays === "ink" ? { kind: "ink" } : { kind: "step", by: lays === "lighter" ? 1 : -1 };
}
