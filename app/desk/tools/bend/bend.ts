/** Bend: drags points, handles and the line itself; ends that meet it follow, and so do the colours. */
import type { Stroke } from "#core/drawing/drawing.ts";
import { reshapeLines } from "#core/drawing/line-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { nearestPlace } from "#core/geometry/nearest.ts";
import { distance, type Point } from "#core/geometry/point.ts";
import {
  handlesOf,
  isSmooth,
  pointNear,
  pointNumbers,
  pointOf,
  withCornerPoint,
  withHandleMoved,
  withPointAdded,
  withPointRemoved,
  withPointsMoved,
  withSmoothPoint,
} from "#core/lines/bend.ts";
import { followed, meetsOn } from "#core/lines/meets.ts";
import type { Desk, DeskStore } from "../../store/desk-store.ts";
import { strokeNear } from "../../lines/lines-near.ts";
import type { Gesture, OverlayMark, Press, Tool } from "../tool.ts";

const POINT_PIXELS = 9;

/** The line being bent. */
export const bentLine = ({ history, selected }: Desk): Stroke | undefined =>
  selected.length === 1 ? history.drawing.strokes[selected[0]] : undefined;

const near = (a: Point, b: Point, pixel: number): boolean => distance(a, b) <= POINT_PIXELS * pixel;

export const bendTool: Tool = {
  cursor: "default",
  lightsPockets: false,
  press: (press) => {
    const { desk, at, pixel, shift } = press;
    const state = desk.getState();
    const line = bentLine(state);
    const handle = line && handleNear(state, line, at, pixel);
    if (line && handle) return handleGesture(press, line, handle);
    const point = line && pointNear(line.points, line.closed, at, POINT_PIXELS * pixel);
    if (line && point !== undefined) return pointGesture(press, line, point, shift);
    const stroke = strokeNear(state, at, pixel);
    state.set({ selected: stroke ? [stroke.id] : [], heldPoints: [] });
    return undefined;
  },
  hover: ({ desk, at, pixel }) => {
    const { hoveredLine, set } = desk.getState();
    const now = strokeNear(desk.getState(), at, pixel)?.id ?? null;
    if (now !== hoveredLine) set({ hoveredLine: now });
  },
  doublePress: ({ desk, at, pixel }) => {
    const line = bentLine(desk.getState());
    if (!line) return;
    const point = pointNear(line.points, line.closed, at, POINT_PIXELS * pixel);
    if (point !== undefined) turnPoint(desk, point);
    else addPointAt(desk, at);
  },
  marks: bendMarks,
};

interface Handle {
  readonly point: number;
  readonly place: number;
}

/** Handles show at held points only. */
function handleNear(
  { heldPoints }: Desk,
  { points, closed }: Stroke,
  at: Point,
  pixel: number,
): Handle | undefined {
  const handles = heldPoints.flatMap((point) =>
    handlesOf(points, closed, point)
      .filter((place) => place >= 0)
      .map((place) => ({ point, place, tip: [points[place], points[place + 1]] as Point })),
  );
  return handles
    .filter(({ point, tip }) => near(tip, at, pixel) && distance(tip, pointOf(points, point)) > pixel)
    .sort((a, b) => distance(a.tip, at) - distance(b.tip, at))[0];
}

/** Bends a line step by step from where it is now; all steps of one gesture are one. */
function bending(desk: DeskStore, line: Stroke, label: string) {
  const { history, lineSettings, edit } = desk.getState();
  const strokes = Object.values(history.drawing.strokes);
  const meets = lineSettings.follow ? meetsOn(line, strokes) : [];
  const from = new Map(strokes.map(({ id, points }) => [id, points]));
  const merge = `bend-${newId()}`;
  return (points: readonly number[]) =>
    edit(
      reshapeLines(new Map([...followed(meets, from, line.points, points), [line.id, points]]), label, merge),
    );
}

function pointGesture({ desk, at }: Press, line: Stroke, point: number, shift: boolean): Gesture {
  const { heldPoints, set } = desk.getState();
  const held = heldPoints.includes(point) ? heldPoints : shift ? [...heldPoints, point] : [point];
  set({ heldPoints: held });
  const bend = bending(desk, line, held.length === 1 ? "Bend line" : `Move ${held.length} points`);
  return {
    move: (press) =>
      bend(withPointsMoved(line.points, line.closed, held, [press.at[0] - at[0], press.at[1] - at[1]])),
    cancel: () => bend(line.points),
  };
}

function handleGesture({ desk }: Press, line: Stroke, { point, place }: Handle): Gesture {
  const bend = bending(desk, line, "Bend line");
  return {
    move: (press) => bend(withHandleMoved(line.points, line.closed, point, place, press.at)),
    cancel: () => bend(line.points),
  };
}

/** Moves the held points by a way in page units, as keys do. */
export function nudgePoints(desk: DeskStore, by: Point): void {
  const { heldPoints } = desk.getState();
  const line = bentLine(desk.getState());
  if (line && heldPoints.length > 0)
    bending(desk, line, "Bend line")(withPointsMoved(line.points, line.closed, heldPoints, by));
}

/** Makes a smooth point a corner and a corner smooth. */
export function turnPoint(desk: DeskStore, point: number): void {
  const line = bentLine(desk.getState());
  if (!line) return;
  const { points, closed } = line;
  const smooth = isSmooth(points, closed, point);
  const turned = smooth ? withCornerPoint(points, closed, point) : withSmoothPoint(points, closed, point);
  bending(desk, line, smooth ? "Make a corner" : "Make smooth")(turned);
}

export function addPointAt(desk: DeskStore, at: Point): void {
  const line = bentLine(desk.getState());
  if (!line) return;
  const u = nearestPlace(line.points, at);
  bending(desk, line, "Add point")(withPointAdded(line.points, u));
  desk.getState().set({ heldPoints: [Math.floor(u) + 1] });
}

/** Adds a point halfway between a held point and the next. */
export function addPointAfter(desk: DeskStore, point: number): void {
  const line = bentLine(desk.getState());
  if (!line) return;
  const u = Math.min(point, (line.points.length - 2) / 6 - 1) + 0.5;
  bending(desk, line, "Add point")(withPointAdded(line.points, u));
  desk.getState().set({ heldPoints: [Math.floor(u) + 1] });
}

export function removePoints(desk: DeskStore): void {
  const { heldPoints, set } = desk.getState();
  const line = bentLine(desk.getState());
  if (!line) return;
  let points: readonly number[] = line.points;
  for (const point of [...heldPoints].sort((a, b) => b - a))
    points = withPointRemoved(points, line.closed, point) ?? points;
  set({ heldPoints: [] });
  if (points !== line.points)
    bending(
      desk,
      line,
      heldPoints.length === 1 ? "Remove point" : `Remove ${heldPoints.length} points`,
    )(points);
}

/** Holds the next point of the line, or the one before. */
export function stepPoint(desk: DeskStore, by: number): void {
  const { heldPoints, set } = desk.getState();
  const line = bentLine(desk.getState());
  if (!line) return;
  const count = pointNumbers(line.points, line.closed).length;
  const next = heldPoints.length === 0 ? 0 : (heldPoints[heldPoints.length - 1] + by + count) % count;
  const kind = isSmooth(line.points, line.closed, next) ? "smooth" : "corner";
  set({ heldPoints: [next], said: `Point ${next + 1} of ${count}, ${kind}` });
}

function bendMarks(desk: Desk): OverlayMark[] {
  const { history, hoveredLine, heldPoints } = desk;
  const line = bentLine(desk);
  const hovered = hoveredLine && hoveredLine !== line?.id ? history.drawing.strokes[hoveredLine] : undefined;
  const lit: OverlayMark[] = hovered
    ? [{ kind: "chain", points: hovered.points, closed: hovered.closed, tone: "quiet" }]
    : [];
  if (!line) return lit;
  const { points, closed } = line;
  return [
    ...lit,
    { kind: "chain", points, closed, tone: "fern", width: 1.5, bare: true },
    ...heldPoints.flatMap((point) => handleMarks(points, closed, point)),
    ...pointNumbers(points, closed).map(
      (index): OverlayMark => ({
        kind: "dot",
        at: pointOf(points, index),
        tone: "fern",
        shape: isSmooth(points, closed, index) ? "round" : "square",
        filled: heldPoints.includes(index),
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
      { kind: "chain", points: stem, closed: false, tone: "quiet", width: 1, bare: true },
      { kind: "dot", at: tip, tone: "quiet", shape: "round", filled: false },
    ];
  });
}
