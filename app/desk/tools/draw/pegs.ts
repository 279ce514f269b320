/**
 * Lines from point to point: each click drives a peg, a drag pulls a handle out of it. A click on the first peg closes
 * the line, a double click or Enter ends it.
 */
import { distance, type Point } from "#core/geometry/point.ts";
import { chainThrough, type Peg } from "#core/lines/figures.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { JOIN_PIXELS, joinPlace } from "./join-near.ts";
import { addDrawn } from "./new-stroke.ts";
import type { Gesture, OverlayMark, Press } from "../tool.ts";

export function pegGesture({ desk, at, pixel }: Press): Gesture | undefined {
  const { pegs, set } = desk.getState();
  if (pegs.length > 2 && distance(pegs[0].at, at) <= JOIN_PIXELS * pixel) {
    finishPegs(desk, true);
    return undefined;
  }
  const place = joinPlace(desk, at, pixel) ?? at;
  const last = pegs[pegs.length - 1];
  // The second press of a double click drives no peg of its own.
  if (last && distance(last.at, place) < 2 * pixel) return undefined;
  set({ pegs: [...pegs, { at: place }], pegAt: place });
  return {
    move: (press) => {
      if (distance(press.at, place) < 4 * pixel) return;
      set({ pegs: [...pegs, { at: place, out: press.at }] });
    },
  };
}

export function hoverPeg({ desk, at, pixel }: Press): void {
  desk.getState().set({ pegAt: joinPlace(desk, at, pixel) ?? at });
}

export function finishPegs(desk: DeskStore, closed: boolean): void {
  const { pegs, set } = desk.getState();
  set({ pegs: [], pegAt: null });
  if (pegs.length > 1)
    addDrawn(desk, { points: chainThrough(pegs, closed), closed }, "Draw from point to point");
}

/** Drives a peg where the keys have moved it to; on the spot of the last one it ends the line. */
export function drivePeg(desk: DeskStore): void {
  const { pegs, pegAt, view, set } = desk.getState();
  if (!pegAt) return;
  const pixel = 1 / view.scale;
  const place = joinPlace(desk, pegAt, pixel) ?? pegAt;
  const last = pegs[pegs.length - 1];
  if (last && distance(last.at, place) < 2 * pixel) finishPegs(desk, false);
  else if (pegs.length > 2 && distance(pegs[0].at, place) <= JOIN_PIXELS * pixel) finishPegs(desk, true);
  else
    set({ pegs: [...pegs, { at: place }], said: `Peg ${pegs.length + 1}. Enter again here ends the line.` });
}

/** Moves the place of the next peg by screen pixels; it begins in the middle of the paper. */
export function nudgePeg(desk: DeskStore, [dx, dy]: Point): void {
  const { pegAt, view, history, set } = desk.getState();
  const { x, y, width, height } = history.drawing.page.box;
  const from: Point = pegAt ?? [x + width / 2, y + height / 2];
  set({ pegAt: [from[0] + dx / view.scale, from[1] + dy / view.scale] });
}

export function pegMarks(desk: Desk): OverlayMark[] {
  const { pegs, pegAt } = desk;
  const shown: Peg[] = pegAt && pegs.length > 0 ? [...pegs, { at: pegAt }] : [...pegs];
  const line: OverlayMark[] =
    shown.length > 1
      ? [{ kind: "chain", points: chainThrough(shown, false), closed: false, tone: "fern" }]
      : [];
  const dots = pegs.map(
    ({ at }): OverlayMark => ({ kind: "dot", at, tone: "fern", shape: "square", filled: true }),
  );
  const tip: OverlayMark[] = pegAt
    ? [{ kind: "dot", at: pegAt, tone: "fern", shape: "square", filled: false }]
    : [];
  return [...line, ...dots, ...tip];
}
