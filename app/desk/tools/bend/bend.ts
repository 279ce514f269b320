/** Bend: drags points, handles and the line itself; ends that meet it follow, and so do the colours. */

import { Spline } from "lucide-react";
import type { Stroke } from "#core/drawing/drawing.ts";
import { type Ring, ringsOf } from "#core/drawing/rings.ts";
import { curveCount, pointAt } from "#core/geometry/cubic.ts";
import { nearestOnLines } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import {
  handlesOf,
  isSmooth,
  pointNear,
  pointNumbers,
  pointOf,
  withHandleMoved,
  withPointsMoved,
} from "#core/lines/bend.ts";
import { plural } from "#core/words.ts";
import type { KeyPress } from "../../keys/key-names.ts";
import { isRemoval, nudgeOf } from "../../keys/key-names.ts";
import { strokeNear } from "../../lines/lines-near.ts";
import { pickable } from "../../parts/pickable.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";
import { addPointAfter, addPointAt, bending, nudgePoints, removePoints, turnPoint } from "./bend-points.ts";
import { bend, bentLine, chooseBent, heldPoints, holdPoints } from "./bend-state.ts";
import { bendTray } from "./bend-tray.tsx";

const POINT_PIXELS = 9;

const near = (a: Point, b: Point, pixel: number): boolean => distance(a, b) <= POINT_PIXELS * pixel;

/** What is bent: lines and ink, or colour shapes. */
interface Targets {
  readonly near: (desk: Desk, at: Point, pixel: number) => Bent | undefined;
  /** All that a hand can take. */
  readonly all: (desk: Desk) => readonly Bent[];
}

type Bent = Stroke | Ring;

const LINES: Targets = {
  near: (desk, at, pixel) => strokeNear(desk, at, pixel) ?? ringNear(inkRings(desk), at, pixel),
  all: (desk) => [...pickable(desk, desk.drawing.strokes), ...inkRings(desk)],
};

export const bendTool: Tool = {
  name: "bend",
  word: "Bend",
  hint: "Drag the points and handles of a line",
  icon: Spline,
  sheet: "ink",
  ...bendingOf(LINES),
  settings: bendTray,
};

/** What a tool that bends does with pointer and keys. */
export function bendingOf(
  targets: Targets,
): Pick<Tool, "cursor" | "press" | "places" | "hover" | "doublePress" | "key" | "chooseAll" | "marks"> {
  return {
    cursor: "default",
    press: (press) => {
      const { desk, at, pixel, shift } = press;
      const state = desk.getState();
      const line = bentLine(state);
      const handle = line && handleNear(state, line, at, pixel);
      if (line && handle) return handleGesture(press, line, handle);
      const point = line && pointNear(line.points, line.closed, at, POINT_PIXELS * pixel);
      if (line && point !== undefined) return pointGesture(press, line, point, shift);
      chooseBent(desk, targets.near(state, at, pixel));
      return undefined;
    },
    places: (desk) => {
      const line = bentLine(desk);
      if (!line) return targets.all(desk).map(({ points }) => pointAt(points, curveCount(points) / 2));
      const { points, closed } = line;
      const tips = heldPoints(desk).flatMap((point) =>
        handlesOf(points, closed, point).filter((place) => place >= 0),
      );
      return [
        ...pointNumbers(points, closed).map((point) => pointOf(points, point)),
        ...tips.map((place): Point => [points[place], points[place + 1]]),
      ];
    },
    hover: ({ desk, at, pixel }) => bend.find(desk, targets.near(desk.getState(), at, pixel)?.id ?? null),
    doublePress: ({ desk, at, pixel }) => {
      const line = bentLine(desk.getState());
      if (!line) return;
      const point = pointNear(line.points, line.closed, at, POINT_PIXELS * pixel);
      if (point !== undefined) turnPoint(desk, point);
      else addPointAt(desk, at);
    },
    key: onKey,
    chooseAll: (desk) => {
      const line = bentLine(desk.getState());
      if (!line) return;
      const points = pointNumbers(line.points, line.closed);
      holdPoints(desk, points);
      desk.getState().say(`${points.length} points held`);
    },
    marks: (desk) => bendMarks(desk, targets),
  };
}

const inkRings = (desk: Desk): readonly Ring[] => pickable(desk, desk.drawing.inkShapes).flatMap(ringsOf);

const RING_PIXELS = 10;

export const ringNear = (rings: readonly Ring[], at: Point, pixel: number): Ring | undefined =>
  nearestOnLines(rings, at, RING_PIXELS * pixel)?.line;

function onKey(desk: DeskStore, event: KeyPress): boolean {
  const state = desk.getState();
  const held = heldPoints(state);
  const nudge = nudgeOf(event, state.view);
  if (event.key === "{" || event.key === "}") stepPoint(desk, event.key === "}" ? 1 : -1);
  else if (held.length === 0) return false;
  else if (nudge) nudgePoints(desk, nudge);
  else if (isRemoval(event)) removePoints(desk);
  else if (event.key.toLowerCase() === "a") addPointAfter(desk, held[0]);
  else if (event.key === "Enter") turnPoint(desk, held[0]);
  else return false;
  return true;
}

interface Handle {
  readonly point: number;
  readonly place: number;
}

/** Handles show at held points only. */
function handleNear(
  desk: Desk,
  { points, closed }: Stroke | Ring,
  at: Point,
  pixel: number,
): Handle | undefined {
  const handles = heldPoints(desk).flatMap((point) =>
    handlesOf(points, closed, point)
      .filter((place) => place >= 0)
      .map((place) => ({ point, place, tip: [points[place], points[place + 1]] as Point })),
  );
  return handles
    .filter(({ point, tip }) => near(tip, at, pixel) && distance(tip, pointOf(points, point)) > pixel)
    .sort((a, b) => distance(a.tip, at) - distance(b.tip, at))[0];
}

function pointGesture({ desk, at }: Press, line: Stroke | Ring, point: number, shift: boolean): Gesture {
  const before = heldPoints(desk.getState());
  const held = before.includes(point) ? before : shift ? [...before, point] : [point];
  holdPoints(desk, held);
  const bent = bending(desk, line, plural(held.length, "Bend line", `Move ${held.length} points`));
  return {
    move: ({ at: to }) =>
      desk
        .getState()
        .show(bent(withPointsMoved(line.points, line.closed, held, [to[0] - at[0], to[1] - at[1]]))),
  };
}

function handleGesture({ desk }: Press, line: Stroke | Ring, { point, place }: Handle): Gesture {
  const bent = bending(desk, line, "Bend line");
  return {
    move: ({ at }) => desk.getState().show(bent(withHandleMoved(line.points, line.closed, point, place, at))),
  };
}

/** Holds the next point of the line, or the one before. */
function stepPoint(desk: DeskStore, by: number): void {
  const state = desk.getState();
  const line = bentLine(state);
  if (!line) return;
  const held = heldPoints(state);
  const count = pointNumbers(line.points, line.closed).length;
  const next = held.length === 0 ? 0 : (held[held.length - 1] + by + count) % count;
  const kind = isSmooth(line.points, line.closed, next) ? "smooth" : "corner";
  holdPoints(desk, [next]);
  state.say(`Point ${next + 1} of ${count}, ${kind}`);
}

function bendMarks(desk: Desk, targets: Targets): OverlayMark[] {
  const line = bentLine(desk);
  const held = heldPoints(desk);
  const name = bend.under(desk);
  const under = name === null ? undefined : targets.all(desk).find(({ id }) => id === name);
  const hovered = under?.id === line?.id ? undefined : under;
  const lit: OverlayMark[] = hovered
    ? [{ kind: "chain", points: hovered.points, closed: hovered.closed, tint: "quiet" }]
    : [];
  if (!line) return lit;
  const { points, closed } = line;
  return [
    ...lit,
    { kind: "chain", points, closed, tint: "fern", width: 1.5, bare: true },
    ...held.flatMap((point) => handleMarks(points, closed, point)),
    ...pointNumbers(points, closed).map(
      (index): OverlayMark => ({
        kind: "dot",
        at: pointOf(points, index),
        tint: "fern",
        shape: isSmooth(points, closed, index) ? "round" : "square",
        filled: held.includes(index),
      }),
    ),
  ];
}

function handleMarks(points: readonly number[], closed: boolean, point: number): OverlayMark[] {
  const at = pointOf(points, point);
  return handlesOf(points, closed, point).flatMap((place): OverlayMark[] => {
    if (place < 0) return [];
    const tip: Point = [points[place], points[place + 1]];
    const stem = [...at, ...at, ...tip, ...tip];
    return [
      { kind: "chain", points: stem, closed: false, tint: "quiet", width: 1, bare: true },
      { kind: "dot", at: tip, tint: "quiet", shape: "round", filled: false },
    ];
  });
}
