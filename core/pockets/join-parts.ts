/** Joins a part to another: their lines make pockets together again, and lines that were cut for the part grow whole. */
import type { Bridge, Drawing, Echo, Pour, Stroke, Table } from "../drawing/drawing.ts";
import { drawingOfPart, inPart, partOf } from "../drawing/parts.ts";
import { samePaint } from "../drawing/same-paint.ts";
import { arcLengthOf, lengthAt } from "../geometry/arc-length.ts";
import { curveCount, pointAt } from "../geometry/cubic.ts";
import { range } from "../geometry/lists.ts";
import { nearestOnLines } from "../geometry/nearest.ts";
import { diagonal, distance, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { LineReader } from "./line-reader.ts";

/** The drawing with all of a part in another; the part itself is no more. */
export function withPartJoined(drawing: Drawing, part: string, into: string): Drawing {
  const { [part]: _, ...parts } = drawing.parts;
  const moved = <T extends { readonly part?: string }>(entity: T): T =>
    partOf(entity) === part ? ({ ...without(entity), ...inPart(into) } as T) : entity;
  const anchored = <T extends { readonly anchor: Pour["anchor"] }>(one: T): T => {
    const anchor = moved(one.anchor);
    return anchor === one.anchor ? one : { ...one, anchor };
  };
  const isEcho = (one: { readonly part?: string; readonly echo?: Echo }) => partOf(one) === part && one.echo;
  const own = new LineReader(part).read(drawingOfPart(drawing, part));
  const isFilled = (at: Point) => own.some(({ rings }) => regionContains(rings, at));
  const isWindow = ({ anchor, through }: Pour) =>
    through && (partOf(anchor) === part || (partOf(anchor) === into && isFilled(anchor.seed)));
  const keep = <T>(table: Table<T>, leaves: (one: T) => unknown, change: (one: T) => T): Table<T> =>
    Object.fromEntries(
      Object.entries(table).flatMap(([id, one]) => (leaves(one) ? [] : [[id, change(one)]])),
    );
  const never = () => false;
  const joined: Drawing = {
    ...drawing,
    parts,
    strokes: keep(drawing.strokes, isEcho, moved),
    inkShapes: keep(drawing.inkShapes, isEcho, moved),
    flatShapes: keep(drawing.flatShapes, isEcho, moved),
    creases: keep(drawing.creases, never, moved),
    dabs: keep(drawing.dabs, never, moved),
    bridges: keep(drawing.bridges, never, moved),
    declined: keep(drawing.declined, never, moved),
    pours: keep(drawing.pours, isWindow, anchored),
    shades: keep(drawing.shades, never, anchored),
  };
  const spliced = { ...joined, strokes: splicedStrokes(joined, into) };
  return { ...spliced, bridges: withoutNeedless(spliced, into) };
}

function without<T extends { readonly part?: string }>({ part: _, ...rest }: T): Omit<T, "part"> {
  return rest;
}

/** Ends nearer than this part of the page's diagonal are where the line was cut. */
const SAME = 1e-6;

/** Pieces of one line that follow one another, as one piece; all of them as the line. */
function splicedStrokes({ strokes, page }: Drawing, part: string): Table<Stroke> {
  const near = SAME * diagonal(page.box);
  const families = new Map<string, Stroke[]>();
  for (const stroke of Object.values(strokes))
    if (stroke.cut && !stroke.echo && partOf(stroke) === part)
      families.set(stroke.cut.of, [...(families.get(stroke.cut.of) ?? []), stroke]);
  const result: Record<string, Stroke> = { ...strokes };
  for (const pieces of families.values()) {
    for (const { id } of pieces) delete result[id];
    for (const whole of spliced(pieces, near)) result[whole.id] = whole;
  }
  return result;
}

function spliced(pieces: readonly Stroke[], near: number): Stroke[] {
  const open = [...pieces].sort((a, b) => a.cut!.from - b.cut!.from);
  for (let k = 0; k < open.length; ) {
    const next = open.findIndex((piece, i) => i !== k && follows(open[k], piece, near));
    if (next < 0) k++;
    else {
      open[k] = together(open[k], open[next]);
      open.splice(next, 1);
      if (next < k) k--;
    }
  }
  return open.map((stroke) => grownWhole(stroke, near));
}

/** Whether one piece goes on where another ends, drawn alike. */
function follows(a: Stroke, b: Stroke, near: number): boolean {
  const gap = Math.abs(b.cut!.from - a.cut!.to) % 1;
  const alike =
    a.width === b.width && a.nib === b.nib && a.profile === b.profile && samePaint(a.paint, b.paint);
  return alike && Math.min(gap, 1 - gap) < 1e-6 && distance(endOf(a), startOf(b)) <= near;
}

const startOf = ({ points }: Stroke): Point => [points[0], points[1]];
const endOf = ({ points }: Stroke): Point => [points[points.length - 2], points[points.length - 1]];

const together = (a: Stroke, b: Stroke): Stroke => ({
  ...a,
  points: [...a.points, ...b.points.slice(2)],
  cut: { ...a.cut!, to: a.cut!.to + (b.cut!.to - b.cut!.from) },
});

/** A line all of which is there again, under its own name. */
function grownWhole(stroke: Stroke, near: number): Stroke {
  const { cut, ...rest } = stroke;
  if (!cut || cut.to - cut.from < 1 - 1e-6) return stroke;
  const closes = distance(startOf(stroke), endOf(stroke)) <= near;
  const points = closes ? [...stroke.points.slice(0, -2), ...startOf(stroke)] : stroke.points;
  return { ...rest, id: cut.of, points: closes ? begunAt(points, 1 - cut.from) : points, closed: closes };
}

/** A closed chain begun at the knot that lies at a place from 0 to 1 of its length. */
function begunAt(points: readonly number[], place: number): readonly number[] {
  const arc = arcLengthOf(points, Number.POSITIVE_INFINITY);
  const knots = range(0, curveCount(points));
  const off = (knot: number) => Math.abs(lengthAt(arc, knot) / arc.total - (place % 1));
  const start = knots.reduce((best, knot) => (off(knot) < off(best) ? knot : best), 0);
  return [...points.slice(6 * start), ...points.slice(2, 6 * start + 2)];
}

/** Bridges that were left behind when the part was made go once the lines they stood for are back. */
function withoutNeedless({ bridges, strokes, inkShapes, page }: Drawing, part: string): Table<Bridge> {
  const near = SAME * diagonal(page.box) * 10;
  const drawn = Object.values(strokes).filter((stroke) => partOf(stroke) === part && !stroke.echo);
  const outlines = Object.values(inkShapes).flatMap((shape) =>
    partOf(shape) === part ? shape.outline.map((points) => ({ points, width: 0 })) : [],
  );
  const own = Object.values(bridges).filter((bridge) => partOf(bridge) === part);
  const lines = [...drawn, ...outlines, ...own.flatMap((one) => (one.left ? [] : [{ ...one, width: 0 }]))];
  const isOn = (at: Point) => nearestOnLines(lines, at, near) !== undefined;
  const isInInk = (at: Point) =>
    lines.some((line) => nearestOnLines([line], at, line.width / 2 + near) !== undefined);
  const isNeedless = (bridge: Bridge) =>
    bridge.left === "cut"
      ? placesOn(bridge).every(isOn)
      : bridge.left === "join" && endsOf(bridge).every(isInInk);
  const gone = new Set(own.filter(isNeedless));
  return Object.fromEntries(Object.entries(bridges).filter(([, bridge]) => !gone.has(bridge)));
}

const placesOn = ({ points }: Bridge): Point[] =>
  Array.from({ length: 4 * curveCount(points) + 1 }, (_, k) => pointAt(points, k / 4));

const endsOf = ({ points }: Bridge): Point[] => [pointAt(points, 0), pointAt(points, curveCount(points))];
