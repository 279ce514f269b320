/** The edits of lines: strokes and ink shapes, their nibs and colours. Ids are given by the caller. */
import type { Draft } from "immer";
import { pointAt } from "../geometry/cubic.ts";
import { type Matrix, mapped, mappedPoint } from "../geometry/matrix.ts";
import { nearestOnLines, nearestPlace } from "../geometry/nearest.ts";
import { diagonal, type Point } from "../geometry/point.ts";
import { withEndsMoved } from "../lines/pull.ts";
import { type Carried, endOf, startOf } from "./carried.ts";
import { type Drawing, type InkShape, type Nib, type Paint, type Stroke, topRank } from "./drawing.ts";
import type { TableName } from "./fields.ts";
import type { Edit } from "./history.ts";
import { moved } from "./moved.ts";
import { ENTITY_RECORDS } from "./records.ts";
import { ringNamed } from "./rings.ts";

const countLines = (count: number): string => (count === 1 ? "line" : `${count} lines`);

/** The rank of a line that is to lie on top of all others. */
const nextRank = ({ strokes, inkShapes }: Pick<Drawing, "strokes" | "inkShapes">): number =>
  Math.max(topRank(strokes), topRank(inkShapes)) + 1;

export const addStroke = (stroke: Omit<Stroke, "rank">, label = "Draw line"): Edit => ({
  sheet: "ink",
  label,
  change: (draft) => {
    draft.strokes[stroke.id] = copyOf({ ...stroke, rank: nextRank(draft) });
  },
});

/** Names lines, hides or shows, locks or unlocks them. */
export const changeLines = (
  ids: readonly string[],
  { name, hidden, locked }: { readonly name?: string; readonly hidden?: boolean; readonly locked?: boolean },
): Edit => ({
  label: lineChangeLabel(ids.length, { name, hidden, locked }),
  few: { strokes: ids, inkShapes: ids },
  change: (draft) => {
    for (const id of ids) {
      const line = draft.strokes[id] ?? draft.inkShapes[id];
      if (!line) continue;
      if (name !== undefined) line.name = name;
      setFlag(line, "hidden", hidden);
      setFlag(line, "locked", locked);
    }
  },
});

function lineChangeLabel(count: number, { name, hidden, locked }: Parameters<typeof changeLines>[1]): string {
  const lines = countLines(count);
  if (name !== undefined) return `Name line ${name}`;
  if (hidden !== undefined) return `${hidden ? "Hide" : "Show"} ${lines}`;
  return `${locked ? "Lock" : "Unlock"} ${lines}`;
}

function setFlag<K extends "hidden" | "locked">(
  line: Draft<Pick<Stroke, K>>,
  flag: K,
  on: boolean | undefined,
): void {
  if (on === true) Object.assign(line, { [flag]: true });
  if (on === false) delete (line as Partial<Record<K, true>>)[flag];
}

/** Gives strokes, and rings of ink shapes by their names, other points; bridges that end on them follow. */
export const reshapeLines = (
  shapes: ReadonlyMap<string, readonly number[]>,
  label: string,
  merge?: string,
): Edit => ({
  sheet: "ink",
  label,
  merge,
  few: { strokes: [...shapes.keys()] },
  change: (draft) => {
    followWithBridges(draft, shapes);
    for (const [name, points] of shapes) {
      const ring = ringNamed(draft as Drawing, name);
      if (draft.strokes[name]) draft.strokes[name].points = [...points];
      else if (ring) draft.inkShapes[ring.shape].outline[ring.place] = [...points];
    }
  },
});

/** Bridges end this near a line they lie on, as a part of the page's diagonal. */
const ON_LINE = 2e-4;

function followWithBridges(draft: Draft<Drawing>, shapes: ReadonlyMap<string, readonly number[]>): void {
  const before = (name: string): readonly number[] => {
    const ring = ringNamed(draft as Drawing, name);
    return draft.strokes[name]?.points ?? (ring ? draft.inkShapes[ring.shape].outline[ring.place] : []);
  };
  const changed = [...shapes].map(([name, after]) => ({ points: [...before(name)], after }));
  const within = ON_LINE * diagonal(draft.page.box);
  const followed = (at: Point): Point => {
    const on = nearestOnLines(changed, at, within)?.line;
    if (!on) return at;
    const { points, after } = on;
    const same = points.length === after.length;
    return pointAt(after, nearestPlace(same ? points : after, at));
  };
  for (const bridge of Object.values(draft.bridges)) {
    const [start, end] = [followed(startOf(bridge)), followed(endOf(bridge))];
    const points = withEndsMoved(bridge.points, start, end);
    if (points.some((n, i) => n !== bridge.points[i])) bridge.points = points;
  }
}

export const reshapeLine = (id: string, points: readonly number[], label: string): Edit =>
  reshapeLines(new Map([[id, points]]), label);

/** Changes how lines are drawn: width, nib, profile, colour or the hold of one. A part that is undefined is taken away. */
export const changeStrokes = (
  ids: readonly string[],
  change: Partial<Pick<Stroke, "width" | "nib" | "profile" | "paint" | "hold">>,
): Edit => ({
  sheet: "ink",
  label: `Change ${countLines(ids.length)}`,
  merge: `strokes-${ids.join()}-${Object.keys(change).join()}`,
  few: { strokes: ids, inkShapes: ids },
  change: (draft) => {
    for (const id of ids) {
      const line = draft.strokes[id] ?? draft.inkShapes[id];
      for (const [key, value] of Object.entries(change)) {
        if (!OF_ALL_INK.includes(key) && !draft.strokes[id]) continue;
        if (value === undefined) delete line[key as keyof typeof line];
        else Object.assign(line, { [key]: copyOf(value) });
      }
    }
  },
});

/** What ink shapes have too. */
const OF_ALL_INK = ["paint", "hold"];

/** Colours all ink that has no colour of its own. */
export const setInk = (paint: Paint, name: string): Edit => ({
  sheet: "ink",
  label: `Ink in ${name}`,
  merge: "ink",
  change: (draft) => {
    draft.ink = { ...paint };
  },
});

/** All ink in one colour: lines lose the colours of their own. */
export const setAllInk = (paint: Paint, name: string): Edit => ({
  sheet: "ink",
  label: `All ink in ${name}`,
  change: (draft) => {
    draft.ink = { ...paint };
    for (const line of [...Object.values(draft.strokes), ...Object.values(draft.inkShapes)]) {
      delete line.paint;
      delete line.hold;
    }
  },
});

export interface TransformOptions {
  /** Whether the ink grows as its lines do. */
  readonly scaleWidths: boolean;
  readonly label: string;
  /** Steps with the same key become one. */
  readonly merge?: string;
}

/** Moves, scales, turns or mirrors lines, with all that lies on them, from where they were when they were taken up. */
export function transformLines(
  { from, lines, pours, shades, flatShapes, creases, bridges, declined }: Carried,
  matrix: Matrix,
  { scaleWidths, label, merge }: TransformOptions,
): Edit {
  const chain = (points: readonly number[]) => mapped(points, matrix);
  const place = (at: Point): [number, number] => [...mappedPoint(at, matrix)];
  /** Lies where the matrix takes it. */
  const move = <K extends TableName>(draft: Draft<Drawing>, table: K, entity: Drawing[K][string]) =>
    Object.assign(draft[table][entity.id], moved(ENTITY_RECORDS[table], entity, matrix));
  return {
    sheet: "ink",
    label,
    merge,
    few: { strokes: lines, inkShapes: lines, pours: pours.map(({ id }) => id) },
    change: (draft) => {
      for (const id of lines) {
        const stroke = from.strokes[id];
        const shape = from.inkShapes[id];
        if (stroke && scaleWidths) move(draft, "strokes", stroke);
        else if (stroke) draft.strokes[id].points = chain(stroke.points);
        else if (shape) draft.inkShapes[id].outline = shape.outline.map(chain);
      }
      for (const pour of pours) move(draft, "pours", pour);
      for (const shade of shades) move(draft, "shades", shade);
      for (const shape of flatShapes) move(draft, "flatShapes", shape);
      for (const crease of creases) move(draft, "creases", crease);
      for (const { bridge, start, end } of bridges)
        draft.bridges[bridge.id].points =
          start && end
            ? chain(bridge.points)
            : withEndsMoved(
                bridge.points,
                start ? place(startOf(bridge)) : startOf(bridge),
                end ? place(endOf(bridge)) : endOf(bridge),
              );
      for (const opening of declined) move(draft, "declined", opening);
    },
  };
}

export const removeLines = (ids: readonly string[]): Edit => ({
  sheet: "ink",
  label: `Remove ${countLines(ids.length)}`,
  change: (draft) => {
    for (const id of ids) {
      delete draft.strokes[id];
      delete draft.inkShapes[id];
    }
  },
});

/** Puts lines above or below all others, keeping their own order. */
export const orderLines = (ids: readonly string[], way: "front" | "back"): Edit => ({
  sheet: "ink",
  label: way === "front" ? "Bring to the front" : "Send to the back",
  change: (draft) => {
    const all: Draft<Stroke | InkShape>[] = [
      ...Object.values(draft.strokes),
      ...Object.values(draft.inkShapes),
    ];
    const chosen = new Set(ids);
    const moved = all.filter(({ id }) => chosen.has(id)).sort((a, b) => a.rank - b.rank);
    const ranks = all.map(({ rank }) => rank);
    const start = way === "front" ? Math.max(...ranks) + 1 : Math.min(...ranks) - moved.length;
    moved.forEach((line, i) => {
      line.rank = start + i;
    });
  },
});

export const addNib = (nib: Omit<Nib, "rank">): Edit => ({
  label: `Add nib ${nib.name}`,
  change: (draft) => {
    draft.nibs[nib.id] = copyOf({ ...nib, rank: topRank(draft.nibs) + 1 });
  },
});

/** Changes a nib; every stroke drawn with it follows. */
export const changeNib = (id: string, change: Partial<Omit<Nib, "id" | "rank">>, name: string): Edit => ({
  sheet: "ink",
  label: `Change nib ${name}`,
  merge: `nib-${id}-${Object.keys(change).join()}`,
  change: (draft) => {
    Object.assign(draft.nibs[id], copyOf(change));
  },
});

/** Takes a nib away; strokes drawn with it become even. */
export const removeNib = (id: string, name: string): Edit => ({
  sheet: "ink",
  label: `Remove nib ${name}`,
  change: (draft) => {
    for (const stroke of Object.values(draft.strokes)) if (stroke.nib === id) delete stroke.nib;
    delete draft.nibs[id];
  },
});

/** Immutable values as drafts take them. */
function copyOf<T>(value: T): Draft<T> {
  if (Array.isArray(value)) return value.map(copyOf) as Draft<T>;
  if (typeof value !== "object" || value === null) return value as Draft<T>;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, copyOf(part)])) as Draft<T>;
}
