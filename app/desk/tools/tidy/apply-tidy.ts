import { reshapeLines } from "#core/drawing/line-edits.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import { previewTidy, tidy, tidyPreview } from "./tidy-state.ts";

/** Tidies as it is shown. */
export function applyTidy(desk: DeskStore): void {
  const { selected, edit } = desk.getState();
  const preview = tidyPreview(desk.getState());
  if (!preview || preview.shapes.size === 0) return;
  edit(
    reshapeLines(preview.shapes, selected.length === 1 ? "Tidy line" : `Tidy ${preview.shapes.size} lines`),
  );
  tidy.hold(desk, { pins: {} });
  void previewTidy(desk);
}
