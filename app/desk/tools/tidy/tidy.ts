/** Tidy: a click chooses a line, a click on one of its points pins it as a corner. The tray applies. */
import { Feather } from "lucide-react";
import { pointNear, pointNumbers, pointOf } from "#core/lines/bend.ts";
import { strokeNear } from "../../lines/lines-near.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import type { OverlayMark, Tool } from "../tool.ts";
import { applyTidy } from "./apply-tidy.ts";
import { pinsOf, tidy, tidyPreview } from "./tidy-state.ts";
import { tidyTray, useTidyPreview } from "./tidy-tray.tsx";

const POINT_PIXELS = 8;

export const tidyTool: Tool = {
  name: "tidy",
  word: "Tidy",
  hint: "Fewer points, within a tolerance; click corners to pin them",
  icon: Feather,
  sheet: "ink",
  cursor: "pointer",
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
  places: (desk) =>
    desk.selected.flatMap((id) => {
      const stroke = desk.drawing.strokes[id];
      return stroke
        ? pointNumbers(stroke.points, stroke.closed).map((point) => pointOf(stroke.points, point))
        : [];
    }),
  hover: ({ desk, at, pixel }) => tidy.find(desk, strokeNear(desk.getState(), at, pixel)?.id ?? null),
  key: (desk, { key }) => {
    if (key !== "Enter") return false;
    applyTidy(desk);
    return true;
  },
  chooseAll: (desk) => chooseForTidy(desk, Object.keys(desk.getState().drawing.strokes)),
  marks: tidyMarks,
  settings: tidyTray,
  useInHand: useTidyPreview,
};

function chooseForTidy(desk: DeskStore, selected: readonly string[]): void {
  desk.getState().choose(selected);
}

function togglePin(desk: DeskStore, id: string, point: number): void {
  const state = desk.getState();
  const now = pinsOf(state)[id] ?? [];
  const points = now.includes(point) ? now.filter((pin) => pin !== point) : [...now, point];
  const of = state.drawing.strokes[id].points.length;
  tidy.hold(desk, { pins: { ...tidy.held(state).pins, [id]: { of, points } } });
  state.say(now.includes(point) ? "Corner unpinned" : "Corner pinned");
}

/** The line as it is stays beneath; what it would be lies over it, with its points. */
function tidyMarks(desk: Desk): OverlayMark[] {
  const { drawing, selected } = desk;
  const { strokes } = drawing;
  const preview = tidyPreview(desk);
  const pins = pinsOf(desk);
  const hovered = strokes[tidy.under(desk) ?? ""];
  const lit: OverlayMark[] =
    hovered && !selected.includes(hovered.id)
      ? [{ kind: "chain", points: hovered.points, closed: hovered.closed, tint: "quiet" }]
      : [];
  const shown = selected.length > 0 ? selected : preview ? [...preview.shapes.keys()] : [];
  const marks = shown.flatMap((id): OverlayMark[] => {
    const stroke = strokes[id];
    if (!stroke) return [];
    const points = preview?.shapes.get(id) ?? stroke.points;
    return [
      { kind: "chain", points, closed: stroke.closed, tint: "fern", width: 1.5, bare: true },
      ...(selected.length > 0 ? pointDots(stroke.points, stroke.closed, pins[id] ?? []) : []),
    ];
  });
  return [...lit, ...marks];
}

const pointDots = (points: readonly number[], closed: boolean, pinned: readonly number[]): OverlayMark[] =>
  pointNumbers(points, closed).map((index) => ({
    kind: "dot",
    at: pointOf(points, index),
    tint: pinned.includes(index) ? "ember" : "quiet",
    shape: pinned.includes(index) ? "square" : "round",
    filled: pinned.includes(index),
  }));
