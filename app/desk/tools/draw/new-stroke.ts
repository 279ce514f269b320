/** Adds a drawn line to the drawing, with the nib and width in hand. */
import type { Stroke } from "#core/drawing/drawing.ts";
import { addStroke } from "#core/drawing/line-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { inPart } from "#core/drawing/parts.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { draw, drawWidth } from "./draw-state.ts";

export const EVEN_NIB = "even";

export function addDrawn(
  desk: DeskStore,
  line: Pick<Stroke, "points" | "closed" | "profile">,
  label?: string,
): void {
  const state = desk.getState();
  const { nib } = draw.settings(state);
  const nibbed = nib !== EVEN_NIB && state.drawing.nibs[nib] ? { nib } : {};
  const profile = line.profile ? { profile: line.profile } : {};
  const { points, closed } = line;
  state.edit(
    addStroke(
      { id: newId(), points, closed, width: drawWidth(state), ...profile, ...nibbed, ...inPart(state.part) },
      label,
    ),
  );
}
