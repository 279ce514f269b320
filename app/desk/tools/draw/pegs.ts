/**
 * Lines from point to point: each click drives a peg, a drag pulls a handle out of it. A click on the first peg closes
 * the line, a double click or Enter ends it.
 */

import { distance, type Point } from "#core/geometry/point.ts";
import type { DrawnLine } from "#core/lines/drawn-line.ts";
import { chainThrough, type Peg } from "#core/lines/figures.ts";
import { onPage } from "../../../painting/view.ts";
import type { KeyPress } from "../../keys/key-names.ts";
import { arrowOf, isRemoval } from "../../keys/key-names.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import type { Gesture, OverlayMark, Press } from "../tool.ts";
import { draw, nextPeg } from "./draw-state.ts";
import { JOIN_PIXELS, joinPlace } from "./join-near.ts";

/** What becomes of the line, and whether pegs are driven where they join other lines. */
export interface Pegging {
  readonly joins: boolean;
  /** `at` is where its first peg stands. */
  readonly onLine: (desk: DeskStore, line: DrawnLine, at: Point) => void;
}

const placeOf = ({ joins }: Pegging, desk: DeskStore, at: Point, pixel: number): Point =>
  (joins ? joinPlace(desk, at, pixel) : undefined) ?? at;

export function pegGesture({ desk, at, pixel }: Press, pegging: Pegging): Gesture | undefined {
  const before = draw.held(desk.getState());
  const { pegs } = before;
  if (pegs.length > 2 && distance(pegs[0].at, at) <= JOIN_PIXELS * pixel) {
    finishPegs(desk, true, pegging);
    return undefined;
  }
  const place = placeOf(pegging, desk, at, pixel);
  const last = pegs[pegs.length - 1];
  // The second press of a double click drives no peg of its own.
  if (last && distance(last.at, place) < 2 * pixel) return undefined;
  draw.hold(desk, { pegs: [...pegs, { at: place }], keyed: null });
  return {
    move: (press) => {
      if (distance(press.at, place) < 4 * pixel) return;
      draw.hold(desk, { pegs: [...pegs, { at: place, out: press.at }] });
    },
    cancel: () => draw.hold(desk, before),
  };
}

export function hoverPeg({ desk, at, pixel }: Press, pegging: Pegging): void {
  if (draw.held(desk.getState()).keyed) draw.hold(desk, { keyed: null });
  draw.find(desk, placeOf(pegging, desk, at, pixel));
}

export function finishPegs(desk: DeskStore, closed: boolean, { onLine }: Pegging): void {
  const { pegs } = draw.held(desk.getState());
  draw.hold(desk, { pegs: [], keyed: null });
  if (pegs.length > 1) onLine(desk, { points: chainThrough(pegs, closed), closed }, pegs[0].at);
}

/** Screen pixels by which an arrow moves the next peg, without Shift and with it. */
const STEP = 4;
const FAR = 40;

/** Arrows move the next peg, Enter drives it, with Shift it closes the line, Backspace takes the last one back. */
export function pegKey(desk: DeskStore, event: KeyPress, pegging: Pegging): boolean {
  const { pegs } = draw.held(desk.getState());
  const arrow = arrowOf(event);
  if (arrow) nudgePeg(desk, arrow, event.shiftKey ? FAR : STEP);
  else if (event.key === "Enter" && event.shiftKey) finishPegs(desk, true, pegging);
  else if (event.key === "Enter") drivePeg(desk, pegging);
  else if (isRemoval(event) && pegs.length > 0) draw.hold(desk, { pegs: pegs.slice(0, -1) });
  else return false;
  return true;
}

/** Drives a peg where the keys have moved it to; on the spot of the last one it ends the line. */
function drivePeg(desk: DeskStore, pegging: Pegging): void {
  const state = desk.getState();
  const at = nextPeg(state);
  if (!at) return;
  const { pegs } = draw.held(state);
  const pixel = 1 / state.view.scale;
  const place = placeOf(pegging, desk, at, pixel);
  const last = pegs[pegs.length - 1];
  if (last && distance(last.at, place) < 2 * pixel) finishPegs(desk, false, pegging);
  else if (pegs.length > 2 && distance(pegs[0].at, place) <= JOIN_PIXELS * pixel)
    finishPegs(desk, true, pegging);
  else {
    draw.hold(desk, { pegs: [...pegs, { at: place }], keyed: at });
    state.say(`Peg ${pegs.length + 1}. Enter again here ends the line.`);
  }
}

/** Moves the place of the next peg by screen pixels; it begins in the middle of the paper. */
function nudgePeg(desk: DeskStore, arrow: Point, pixels: number): void {
  const state = desk.getState();
  const { x, y, width, height } = state.drawing.page.box;
  const from: Point = nextPeg(state) ?? [x + width / 2, y + height / 2];
  const [dx, dy] = onPage(state.view, [arrow[0] * pixels, arrow[1] * pixels]);
  draw.hold(desk, { keyed: [from[0] + dx, from[1] + dy] });
}

export function pegMarks(desk: Desk): OverlayMark[] {
  const { pegs } = draw.held(desk);
  const pegAt = nextPeg(desk);
  const shown: Peg[] = pegAt && pegs.length > 0 ? [...pegs, { at: pegAt }] : [...pegs];
  const line: OverlayMark[] =
    shown.length > 1
      ? [{ kind: "chain", points: chainThrough(shown, false), closed: false, tint: "fern" }]
      : [];
  const dots = pegs.map(
    ({ at }): OverlayMark => ({ kind: "dot", at, tint: "fern", shape: "square", filled: true }),
  );
  const tip: OverlayMark[] = pegAt
    ? [{ kind: "dot", at: pegAt, tint: "fern", shape: "square", filled: false }]
    : [];
  return [...line, ...dots, ...tip];
}
