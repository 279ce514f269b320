/** How lines are drawn, and the points of one being made. */
import { weakMapMemoize } from "reselect";
import type { Stroke, Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import type { Point } from "#core/geometry/point.ts";
import { diagonal } from "#core/geometry/point.ts";
import type { Peg } from "#core/lines/figures.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

/** Freehand, from point to point, as an oval or a box. */
type Way = "hand" | "pegs" | "oval" | "box";

interface Settings {
  readonly way: Way;
  /** Page units; the usual width of the drawing's lines when null. */
  readonly width: number | null;
  readonly nib: string;
  /** Whether the pen's pressure makes the width. */
  readonly pressed: boolean;
  /** 0 to 1. */
  readonly steadying: number;
}

interface Held {
  readonly pegs: readonly Peg[];
  /** Where the keys have moved the next peg to. */
  readonly keyed: Point | null;
}

export const draw = toolState<Settings, Held, Point>(
  "draw",
  { way: "hand", width: null, nib: "taper-at-both", pressed: true, steadying: 0.25 },
  { pegs: [], keyed: null },
);

/** Where the next peg would go, by pointer or keys. */
export const nextPeg = (desk: Desk): Point | null => draw.held(desk).keyed ?? draw.under(desk);

/** A part of the page's diagonal. */
const WIDTH = 0.003;

/** Width of lines to be drawn, in page units: the middle one of those that are there. */
export function drawWidth(desk: Desk): number {
  const { strokes, page } = desk.drawing;
  return draw.settings(desk).width ?? middleWidth(strokes) ?? WIDTH * diagonal(page.box);
}

/** Asked for at every change of the desk. */
const middleWidth = weakMapMemoize((strokes: Table<Stroke>): number | undefined => {
  const widths = Float64Array.from(entitiesOf(strokes), ({ width }) => width).sort();
  return widths[widths.length >> 1];
});
