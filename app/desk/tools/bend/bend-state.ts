/** The line that is bent and the points of it that are held. */
import type { Stroke } from "#core/drawing/drawing.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  /** Whether ends that meet the bent line follow it. */
  readonly follow: boolean;
}

interface Held {
  /** Points by number, true of the line while it has so many numbers. */
  readonly points: readonly number[];
  readonly of: { readonly line: string; readonly count: number } | null;
}

/** `under` is the id of the line beneath the pointer. */
export const bend = toolState<Settings, Held, string>("bend", { follow: true }, { points: [], of: null });

/** The line being bent. */
export const bentLine = ({ drawing, selected }: Desk): Stroke | undefined =>
  selected.length === 1 ? drawing.strokes[selected[0]] : undefined;

const NONE: readonly number[] = [];

/** Held points of the bent line. */
export function heldPoints(desk: Desk): readonly number[] {
  const line = bentLine(desk);
  const { points, of } = bend.held(desk);
  return line && of?.line === line.id && of.count === line.points.length ? points : NONE;
}

export function holdPoints(desk: DeskStore, points: readonly number[]): void {
  const line = bentLine(desk.getState());
  bend.hold(desk, { points, of: line ? { line: line.id, count: line.points.length } : null });
}
