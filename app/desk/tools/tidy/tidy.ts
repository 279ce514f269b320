/** Tidy: a click chooses a line, a click on one of its points pins it as a corner. The tray applies. */
import { reshapeLines } from "#core/drawing/line-edits.ts";
import { pointNear, pointNumbers, pointOf } from "#core/lines/bend.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { strokeNear } from "../../lines/lines-near.ts";
import type { OverlayMark, Tool } from "../tool.ts";

const POINT_PIXELS = 8;

export const tidyTool: Tool = {
  cursor: "pointer",
  lightsPockets: false,
  press: ({ desk, at, pixel, shift }) => {
    const state = desk.getState();
    const stroke = strokeNear(state, at, pixel);
    if (!stroke) {
      if (!shift) chooseForTidy(desk, []);
      return undefined;
    }
    const point = pointNear(stroke.points, stroke.closed, at, POINT_PIXELS * pixel);
    if (point !== undefined && state.selected.includes(stroke.id)) togglePin(desk, stroke.id, point);
    else chooseForTidy(desk, shift ? [...new Set([...state.selected, stroke.id])] : [stroke.id]);
    return undefined;
  },
  hover: ({ desk, at, pixel }) => {
    const { hoveredLine, set } = desk.getState();
    const now = strokeNear(desk.getState(), at, pixel)?.id ?? null;
    if (now !== hoveredLine) set({ hoveredLine: now });
  },
  marks: tidyMarks,
};

export function chooseForTidy(desk: DeskStore, selected: readonly string[]): void {
  desk.getState().set({ selected });
  void desk.getState().previewTidy();
}

function togglePin(desk: DeskStore, id: string, point: number): void {
  const { pins, set, previewTidy } = desk.getState();
  const now = pins[id] ?? [];
  const kept = now.includes(point) ? now.filter((pin) => pin !== point) : [...now, point];
  set({ pins: { ...pins, [id]: kept }, said: now.includes(point) ? "Corner unpinned" : "Corner pinned" });
  void previewTidy();
}

/** Applies what is shown. */
export function applyTidy(desk: DeskStore): void {
  const { tidyPreview, selected, edit, set } = desk.getState();
  if (!tidyPreview || tidyPreview.shapes.size === 0) return;
  const count = tidyPreview.shapes.size;
  edit(reshapeLines(tidyPreview.shapes, selected.length === 1 ? "Tidy line" : `Tidy ${count} lines`));
  set({ pins: {}, tidyPreview: null });
  void desk.getState().previewTidy();
}

/** The line as it is stays beneath; what it would be lies over it, with its points. */
function tidyMarks({ history, selected, hoveredLine, tidyPreview, pins }: Desk): OverlayMark[] {
  const { strokes } = history.drawing;
  const hovered = hoveredLine ? strokes[hoveredLine] : undefined;
  const lit: OverlayMark[] =
    hovered && !selected.includes(hovered.id)
      ? [{ kind: "chain", points: hovered.points, closed: hovered.closed, tone: "quiet" }]
      : [];
  const shown = selected.length > 0 ? selected : tidyPreview ? [...tidyPreview.shapes.keys()] : [];
  const marks = shown.flatMap((id): OverlayMark[] => {
    const stroke = strokes[id];
    if (!stroke) return [];
    const points = tidyPreview?.shapes.get(id) ?? stroke.points;
    return [
      { kind: "chain", points, closed: stroke.closed, tone: "fern", width: 1.5, bare: true },
      ...(selected.length > 0 ? pointDots(stroke.points, stroke.closed, pins[id] ?? []) : []),
    ];
  });
  return [...lit, ...marks];
}

const pointDots = (points: readonly number[], closed: boolean, pinned: readonly number[]): OverlayMark[] =>
  pointNumbers(points, closed).map((index) => ({
    kind: "dot",
    at: pointOf(points, index),
    tone: pinned.includes(index) ? "ember" : "quiet",
    shape: pinned.includes(index) ? "square" : "round",
    filled: pinned.includes(index),
  }));
