/** Ends that come near another line join it; how far it still is shows beside the pointer. */
import { showLength } from "#core/drawing/length.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import { chainsAround } from "../../lines/line-chains.ts";
import type { DeskStore } from "../../store/desk-state.ts";
import type { OverlayMark } from "../tool.ts";

export const JOIN_PIXELS = 9;
const SHOWN_PIXELS = 40;

/** The nearest place on a line within joining distance. */
export function joinPlace(desk: DeskStore, at: Point, pixel: number): Point | undefined {
  const within = JOIN_PIXELS * pixel;
  return nearestOnLines(chainsAround(desk.getState(), at, within), at, within)?.at;
}

/** Marks for a tip: where it would join or close, and how far that is. */
export function nearnessMarks(
  desk: DeskStore,
  tip: Point,
  home: Point | undefined,
  pixel: number,
): OverlayMark[] {
  const state = desk.getState();
  const { page } = state.drawing;
  const within = SHOWN_PIXELS * pixel;
  const other = nearestOnLines(chainsAround(state, tip, within), tip, within);
  const homeward = home ? distance(home, tip) : Infinity;
  const closes = homeward < Math.min(other?.gap ?? Infinity, within);
  const place = closes ? home : other?.at;
  if (!place) return [];
  const gap = closes ? homeward : other!.gap;
  const near = gap <= JOIN_PIXELS * pixel;
  const text = near
    ? closes
      ? "closes"
      : "joins"
    : `${showLength(page, gap)} to ${closes ? "close" : "join"}`;
  return [
    { kind: "dot", at: place, tint: near ? "fern" : "quiet", shape: "round", filled: near },
    { kind: "label", at: tip, text },
  ];
}
