/** The line, or the outline of a shape, that is bent and the points of it that are held. */
import type { Stroke } from "#core/drawing/drawing.ts";
import { type Ring, ringsOf } from "#core/drawing/rings.ts";
import { shapeNamed } from "#core/drawing/shape-edits.ts";
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
  /** Of a shape, which of its rings is bent. */
  readonly ring: number;
}

/** `under` is the id of the line beneath the pointer. */
export const bend = toolState<Settings, Held, string>(
  "bend",
  { follow: true },
  { points: [], of: null, ring: 0 },
);

/** The line being bent: a stroke, or a ring of a shape. */
export function bentLine(desk: Desk): Stroke | Ring | undefined {
  const { drawing, selected } = desk;
  if (selected.length !== 1) return undefined;
  const shape = drawing.inkShapes[selected[0]] ?? shapeNamed(drawing, selected[0]);
  return shape ? ringsOf(shape)[bend.held(desk).ring] : drawing.strokes[selected[0]];
}

/** Takes up a line to bend, or none. */
export function chooseBent(desk: DeskStore, line: Stroke | Ring | undefined): void {
  const ring = line && "shape" in line ? line : undefined;
  desk.getState().choose(line ? [ring?.shape ?? line.id] : []);
  bend.hold(desk, { points: [], of: null, ring: ring?.place ?? 0 });
}

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
