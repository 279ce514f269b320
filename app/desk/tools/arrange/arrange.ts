/** Arrange: chooses lines or shapes by click or gathering drag; moves, scales and turns them by the frame around them. */
import { Shapes } from "lucide-react";
import type { Edit } from "#core/drawing/history.ts";
import { removeLines } from "#core/drawing/line-edits.ts";
import { pointAt, polyline } from "#core/geometry/cubic.ts";
import { aboutPoint, type Matrix, translation } from "#core/geometry/matrix.ts";
import { type Box, distance, type Point } from "#core/geometry/point.ts";
import { gathers, isAcross } from "#core/lines/gather.ts";
import { isRemoval, nudgeOf } from "../../keys/key-names.ts";
import { chainsOf, lineNear } from "../../lines/lines-near.ts";
import { pickable } from "../../parts/pickable.ts";
import type { Desk } from "../../store/desk-state.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";
import {
  type Arranged,
  arrange,
  chosenThings,
  countThings,
  frameOf,
  nudgeChosen,
  transforming,
} from "./arrange-state.ts";
import { arrangeTray } from "./arrange-tray.tsx";

const HANDLE_PIXELS = 10;
const TURN_PIXELS = 26;

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

/** What is arranged: lines or colour shapes. */
interface Targets {
  readonly near: (desk: Desk, at: Point, pixel: number) => Arranged | undefined;
  /** All that a hand can take. */
  readonly all: (desk: Desk) => readonly Arranged[];
}

const LINES: Targets = {
  near: lineNear,
  all: (desk) => [...pickable(desk, desk.drawing.strokes), ...pickable(desk, desk.drawing.inkShapes)],
};

export const arrangeTool: Tool = {
  name: "arrange",
  word: "Arrange",
  hint: "Choose lines to move, scale, turn or recolour",
  icon: Shapes,
  sheet: "ink",
  ...arranging(LINES, (chosen) => removeLines(chosen.map(({ id }) => id))),
  settings: arrangeTray,
};

/** What a tool that arranges does with pointer and keys. */
export function arranging(
  targets: Targets,
  removing: (chosen: readonly Arranged[]) => Edit,
): Pick<Tool, "cursor" | "press" | "places" | "hover" | "key" | "chooseAll" | "marks"> {
  return {
    cursor: "default",
    press: (press) => {
      const { desk, at, pixel, shift } = press;
      const state = desk.getState();
      const frame = frameOf(state);
      const grip =
        frame && gripsOf(frame, pixel).find((one) => distance(one.at, at) <= HANDLE_PIXELS * pixel);
      if (grip) return gripGesture(press, grip);
      const line = targets.near(state, at, pixel);
      if (!line) return gatherGesture(press, targets);
      if (shift) {
        const { selected } = state;
        state.choose(
          selected.includes(line.id) ? selected.filter((id) => id !== line.id) : [...selected, line.id],
        );
        return undefined;
      }
      if (!state.selected.includes(line.id)) state.choose([line.id]);
      return moveGesture(press);
    },
    places: (desk) => {
      const frame = frameOf(desk);
      const grips = frame ? gripsOf(frame, 1 / desk.view.scale).map(({ at }) => at) : [];
      return [...grips, ...targets.all(desk).map((line) => pointAt(chainsOf(line)[0], 0.5))];
    },
    hover: ({ desk, at, pixel }) => arrange.find(desk, targets.near(desk.getState(), at, pixel)?.id ?? null),
    key: (desk, event) => {
      const state = desk.getState();
      const nudge = nudgeOf(event, state.view);
      const chosen = chosenThings(state);
      if (chosen.length === 0) return false;
      if (nudge) nudgeChosen(desk, nudge, `Move ${countThings(chosen)}`);
      else if (isRemoval(event)) state.edit(removing(chosen));
      else return false;
      return true;
    },
    chooseAll: (desk) => {
      const state = desk.getState();
      const all = targets.all(state);
      state.choose(all.map(({ id }) => id));
      state.say(`${countThings(all)} chosen`);
    },
    marks: (desk) => arrangeMarks(desk, targets),
  };
}

function moveGesture({ desk, at }: Press): Gesture {
  const { show } = desk.getState();
  const moved = transforming(desk, `Move ${countThings(chosenThings(desk.getState()))}`);
  return { move: (press) => show(moved(translation(press.at[0] - at[0], press.at[1] - at[1]))) };
}

/** A corner scales about the one across, with Shift freely in both directions; the round grip turns. */
function gripGesture({ desk, at }: Press, { anchor, turns }: Grip): Gesture {
  const { show } = desk.getState();
  const changed = transforming(desk, turns ? "Turn" : "Scale");
  const angleOf = ([x, y]: Point) => Math.atan2(y - anchor[1], x - anchor[0]);
  const part = (now: number, then: number) => (Math.abs(then) > 1e-9 ? now / then : 1) || 1e-3;
  const matrixTo = ({ at: to, shift }: Press): Matrix => {
    if (turns) return aboutPoint(anchor, 1, 1, angleOf(to) - angleOf(at));
    const scale = Math.max(1e-3, part(distance(anchor, to), distance(anchor, at)));
    return shift
      ? aboutPoint(
          anchor,
          part(to[0] - anchor[0], at[0] - anchor[0]),
          part(to[1] - anchor[1], at[1] - anchor[1]),
          0,
        )
      : aboutPoint(anchor, scale, scale, 0);
  };
  return { move: (press) => show(changed(matrixTo(press))) };
}

/** A loop gathers the lines within it, a drag across lines those it crosses. */
function gatherGesture({ desk, at, pixel, shift }: Press, targets: Targets): Gesture {
  const points: Point[] = [at];
  return {
    move: (press) => {
      if (distance(points[points.length - 1], press.at) > 2 * pixel) points.push(press.at);
    },
    end: () => {
      const state = desk.getState();
      const { selected } = state;
      const found = targets.all(state).filter((line) => gathers(points, chainsOf(line), pixel));
      state.choose([...new Set([...(shift ? selected : []), ...found.map(({ id }) => id)])]);
    },
    trail: () => ({ points, closed: !isAcross(points) }),
  };
}

function arrangeMarks(desk: Desk, targets: Targets): OverlayMark[] {
  const under = arrange.under(desk);
  const hovered =
    under === null || desk.selected.includes(under)
      ? undefined
      : targets.all(desk).find(({ id }) => id === under);
  const chainMarks = (line: Arranged, tint: "fern" | "quiet"): OverlayMark[] =>
    chainsOf(line).map((points) => ({
      kind: "chain",
      points,
      closed: !("points" in line) || line.closed,
      tint,
      width: 1.5,
      bare: true,
    }));
  const frame = frameOf(desk);
  const pixel = 1 / desk.view.scale;
  return [
    ...(hovered ? chainMarks(hovered, "quiet") : []),
    ...chosenThings(desk).flatMap((line) => chainMarks(line, "fern")),
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
    { kind: "chain", points: around, closed: true, tint: "quiet", width: 1, dashed: true, bare: true },
    ...gripsOf(frame, pixel).map(
      ({ at, turns }): OverlayMark => ({
        kind: "dot",
        at,
        tint: "fern",
        shape: turns ? "round" : "square",
        filled: false,
      }),
    ),
  ];
}
