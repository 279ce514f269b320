/** What ends and bridges can hang on: strokes, and the outlines of ink shapes. */
import type { Stroke } from "#core/drawing/drawing.ts";
import { partOf } from "#core/drawing/parts.ts";
import { type Ring, ringsOf } from "#core/drawing/rings.ts";
import { pickable } from "../parts/pickable.ts";
import type { Desk } from "../store/desk-state.ts";

/** Those a hand can take, of one part where one is named. */
export const lineChains = (desk: Desk, part?: string): (Stroke | Ring)[] =>
  [
    ...pickable(desk, desk.drawing.strokes),
    ...pickable(desk, desk.drawing.inkShapes).flatMap(ringsOf),
  ].filter((line) => part === undefined || partOf(line) === part);
