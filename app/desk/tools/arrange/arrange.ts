/** Arrange: chooses lines by click or gathering drag; moves, scales and turns them by the frame around them. */

import { carriedBy } from "#core/drawing/carried.ts";
import type { InkShape, Stroke } from "#core/drawing/drawing.ts";
import { transformLines } from "#core/drawing/line-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { polyline } from "#core/geometry/cubic.ts";
import { aboutPoint, type Matrix, translation } from "#core/geometry/matrix.ts";
import { type Box, boundsOf, distance, type Point } from "#core/geometry/point.ts";
import { gathers, isAcross } from "#core/lines/gather.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { chainsOf, lineNear } from "../../lines/lines-near.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";

const HANDLE_PIXELS = 10;
const TURN_PIXELS = 26;

export const chosenLines = ({ history, selected }: Desk): (Stroke | InkShape)[] =>
  selected.flatMap((id) => history.drawing.strokes[id] ?? history.drawing.inkShapes[id] ?? []);

export const frameOf = (desk: Desk): Box | undefined => boundsOf(chosenLines(desk).flatMap(chainsOf));

interface Grip {
  readonly at: Point;
  /** What stays where it is. */
  readonly anchor: Point;
  readonly turns: boolean;
}

function gripsOf({ x, y, width, height }: Box, pixel: number): Grip[] {
  const corners: Point[] = [
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
  ];
  const middle: Point = [x + width / 2, y + height / 2];
  return [
    ...corners.map((at, i): Grip => ({ at, anchor: corners[(i + 2) % 4], turns: false })),
    { at: [middle[0], y - TURN_PIXELS * pixel], anchor: middle, turns: true },
  ];
}

export const arrangeTool: Tool = {
  cursor: "default",
  lightsPockets: false,
  press: (press) => {
    const { desk, at, pixel, shift } = press;
    const state = desk.getState();
    const frame = frameOf(state);
    const grip = frame && gripsOf(frame, pixel).find((one) => distance(one.at, at) <= HANDLE_PIXELS * pixel);
    if (grip) return gripGesture(press, grip);
    const line = lineNear(state, at, pixel);
    if (!line) return gatherGesture(press);
    if (shift) {
      const { selected } = state;
      state.set({
        selected: selected.includes(line.id)
          ? selected.filter((id) => id !== line.id)
          : [...selected, line.id],
      });
      return undefined;
    }
    if (!state.selected.includes(line.id)) state.set({ selected: [line.id] });
    return moveGesture(press);
  },
  hover: ({ desk, at, pixel }) => {
    const { hoveredLine, set } = desk.getState();
    const now = lineNear(desk.getState(), at, pixel)?.id ?? null;
    if (now !== hoveredLine) set({ hoveredLine: now });
  },
  marks: arrangeMarks,
};

/** Transforms the chosen lines from where they are now; all steps of one gesture are one. */
function transforming(desk: DeskStore, label: string) {
  const { history, derived, selected, lineSettings, edit } = desk.getState();
  const carried = carriedBy(history.drawing, selected, derived.pockets);
  const merge = `arrange-${newId()}`;
  const { scaleWidths } = lineSettings;
  return (matrix: Matrix) => edit(transformLines(carried, matrix, { scaleWidths, label, merge }));
}

/** Moves, scales, turns or mirrors the chosen lines in one step. */
export function transformChosen(desk: DeskStore, matrix: Matrix, label: string): void {
  if (desk.getState().selected.length > 0) transforming(desk, label)(matrix);
}

function moveGesture({ desk, at }: Press): Gesture {
  const count = desk.getState().selected.length;
  const move = transforming(desk, count === 1 ? "Move line" : `Move ${count} lines`);
  return {
    move: (press) => move(translation(press.at[0] - at[0], press.at[1] - at[1])),
    cancel: () => move(translation(0, 0)),
  };
}

/** A corner scales about the one across, with Shift freely in both directions; the round grip turns. */
function gripGesture({ desk, at }: Press, { anchor, turns }: Grip): Gesture {
  const change = transforming(desk, turns ? "Turn" : "Scale");
  const angleOf = ([x, y]: Point) => Math.atan2(y - anchor[1], x - anchor[0]);
  const part = (now: number, then: number) => (Math.abs(then) > 1e-9 ? now / then : 1);
  return {
    move: (press) => {
      if (turns) change(aboutPoint(anchor, 1, 1, angleOf(press.at) - angleOf(at)));
      else if (press.shift) {
        const sx = part(press.at[0] - anchor[0], at[0] - anchor[0]);
        const sy = part(press.at[1] - anchor[1], at[1] - anchor[1]);
        change(aboutPoint(anchor, sx || 1e-3, sy || 1e-3, 0));
      } else {
        const scale = Math.max(1e-3, part(distance(anchor, press.at), distance(anchor, at)));
        change(aboutPoint(anchor, scale, scale, 0));
      }
    },
    cancel: () => change(translation(0, 0)),
  };
}

/** A loop gathers the lines within it, a drag across lines those it crosses. */
function gatherGesture({ desk, at, pixel, shift }: Press): Gesture {
  const points: Point[] = [at];
  return {
    move: (press) => {
      if (distance(points[points.length - 1], press.at) > 2 * pixel) points.push(press.at);
    },
    end: () => {
      const { selected, set, history } = desk.getState();
      const { strokes, inkShapes } = history.drawing;
      const found = [...Object.values(strokes), ...Object.values(inkShapes)].filter((line) =>
        gathers(points, chainsOf(line), pixel),
      );
      set({ selected: [...new Set([...(shift ? selected : []), ...found.map(({ id }) => id)])] });
    },
    trail: () => ({ points, closed: !isAcross(points) }),
  };
}

function arrangeMarks(desk: Desk): OverlayMark[] {
  const { history, hoveredLine, selected } = desk;
  const { strokes, inkShapes } = history.drawing;
  const hovered =
    hoveredLine && !selected.includes(hoveredLine)
      ? (strokes[hoveredLine] ?? inkShapes[hoveredLine])
      : undefined;
  const chainMarks = (line: Stroke | InkShape, tone: "fern" | "quiet"): OverlayMark[] =>
    chainsOf(line).map((points) => ({
      kind: "chain",
      points,
      closed: !("points" in line) || line.closed,
      tone,
      width: 1.5,
      bare: true,
    }));
  const frame = frameOf(desk);
  const pixel = 1 / desk.view.scale;
  return [
    ...(hovered ? chainMarks(hovered, "quiet") : []),
    ...chosenLines(desk).flatMap((line) => chainMarks(line, "fern")),
    ...(frame ? frameMarks(frame, pixel) : []),
  ];
}

function frameMarks(frame: Box, pixel: number): OverlayMark[] {
  const { x, y, width, height } = frame;
  const around = polyline([
    [x, y],
    [x + width, y],
    [x + width, y + height],
    [x, y + height],
    [x, y],
  ]);
  return [
    { kind: "chain", points: around, closed: true, tone: "quiet", width: 1, dashed: true, bare: true },
    ...gripsOf(frame, pixel).map(
      ({ at, turns }): OverlayMark => ({
        kind: "dot",
        at,
        tone: "fern",
        shape: turns ? "round" : "square",
        filled: false,
      }),
    ),
  ];
}
