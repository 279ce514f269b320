import { reshapeLines } from "#core/drawing/line-edits.ts";
import { plural } from "#core/words.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { tidy, tidyPreview } from "./tidy-state.ts";

/** Tidies as it is shown. */
export function applyTidy(desk: DeskStore): void {
  const { edit } = desk.getState();
  const preview = tidyPreview(desk.getState());
  if (!preview || preview.shapes.size === 0) return;
  const { size } = preview.shapes;
  edit(reshapeLines(preview.shapes, `Tidy ${plural(size, "line", `${size} lines`)}`));
  tidy.hold(desk, { pins: {} });
}
