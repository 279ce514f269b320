/** The edits of lines: strokes and ink shapes, their nibs and colours. Ids are given by the caller. */

import type { Draft } from "immer";
import { type Matrix, mapped, mappedPoint, meanScale } from "../geometry/matrix.ts";
import { type Drawing, type InkShape, type Nib, type Paint, type Stroke, topRank } from "./drawing.ts";
import type { Edit } from "./history.ts";

const countLines = (count: number): string => (count === 1 ? "line" : `${count} lines`);

/** The rank of a line that is to lie on top of all others. */
const nextRank = ({ strokes, inkShapes }: Pick<Drawing, "strokes" | "inkShapes">): number =>
  Math.max(topRank(strokes), topRank(inkShapes)) + 1;

export const addStroke = (stroke: Omit<Stroke, "rank">, label = "Draw line"): Edit => ({
  label,
  change: (draft) => {
    draft.strokes[stroke.id] = copyOf({ ...stroke, rank: nextRank(draft) });
  },
});

/** Gives lines other points. */
export const reshapeLines = (
  shapes: ReadonlyMap<string, readonly number[]>,
  label: string,
  merge?: string,
): Edit => ({
  label,
  merge,
  change: (draft) => {
    for (const [id, points] of shapes) draft.strokes[id].points = [...points];
  },
});

export const reshapeLine = (id: string, points: readonly number[], label: string): Edit =>
  reshapeLines(new Map([[id, points]]), label);

/** Changes how lines are drawn: width, nib, profile, colour. A part that is undefined is taken away. */
export const changeStrokes = (
  ids: readonly string[],
  change: Partial<Pick<Stroke, "width" | "nib" | "profile" | "paint">>,
): Edit => ({
  label: `Change ${countLines(ids.length)}`,
  merge: `strokes-${ids.join()}-${Object.keys(change).join()}`,
  change: (draft) => {
    for (const id of ids) {
      const line = draft.strokes[id] ?? draft.inkShapes[id];
      for (const [key, value] of Object.entries(change)) {
        if (key !== "paint" && !draft.strokes[id]) continue;
        if (value === undefined) delete line[key as keyof typeof line];
        else Object.assign(line, { [key]: copyOf(value) });
      }
    }
  },
});

/** Colours all ink that has no colour of its own. */
export const setInk = (paint: Paint, name: string): Edit => ({
  label: `Ink in ${name}`,
  merge: "ink",
  change: (draft) => {
    draft.ink = { ...paint };
  },
});

/** All ink in one colour: lines lose the colours of their own. */
export const setAllInk = (paint: Paint, name: string): Edit => ({
  label: `All ink in ${name}`,
  change: (draft) => {
    draft.ink = { ...paint };
    for (const line of [...Object.values(draft.strokes), ...Object.values(draft.inkShapes)])
      delete line.paint;
  },
});

export interface TransformOptions {
  /** Whether the ink grows as its lines do. */
  readonly scaleWidths: boolean;
  readonly label: string;
  /** Steps with the same key become one. */
  readonly merge?: string;
}

/**
 * Moves, scales, turns or mirrors lines from where they are in `from`. Colours of pockets that these lines alone bound
 * travel with them.
 */
export function transformLines(
  from: Drawing,
  ids: readonly string[],
  matrix: Matrix,
  { scaleWidths, label, merge }: TransformOptions,
): Edit {
  const moved = new Set(ids);
  const owner = (line: string) => (moved.has(line) ? line : line.replace(/\/\d+$/, ""));
  const carried = Object.values(from.pours).filter(
    ({ lines }) => lines.length > 0 && lines.every((line) => moved.has(owner(line))),
  );
  const grown = scaleWidths ? meanScale(matrix) : 1;
  return {
    label,
    merge,
    change: (draft) => {
      for (const id of ids) {
        const stroke = from.strokes[id];
        const shape = from.inkShapes[id];
        if (stroke) {
          draft.strokes[id].points = mapped(stroke.points, matrix);
          if (grown !== 1) draft.strokes[id].width = stroke.width * grown;
        } else if (shape) draft.inkShapes[id].outline = shape.outline.map((chain) => mapped(chain, matrix));
      }
      for (const { id, seed, region, area } of carried) {
        const [x, y] = mappedPoint(seed, matrix);
        draft.pours[id].seed = [x, y];
        draft.pours[id].area = area * meanScale(matrix) ** 2;
        draft.pours[id].region = region.map((ring) => mapped(ring, matrix));
      }
    },
  };
}

/** Copies of lines, on top of all others, through a matrix; `newIds` name them in the same order. */
export function duplicateLines(
  from: Drawing,
  ids: readonly string[],
  newIds: readonly string[],
  matrix: Matrix,
): Edit {
  return {
    label: `Duplicate ${countLines(ids.length)}`,
    change: (draft) => {
      ids.forEach((id, i) => {
        const stroke = from.strokes[id];
        const shape = from.inkShapes[id];
        const rank = nextRank(draft);
        if (stroke)
          draft.strokes[newIds[i]] = copyOf({
            ...stroke,
            id: newIds[i],
            rank,
            points: mapped(stroke.points, matrix),
          });
        else if (shape)
          draft.inkShapes[newIds[i]] = copyOf({
            ...shape,
            id: newIds[i],
            rank,
            outline: shape.outline.map((chain) => mapped(chain, matrix)),
          });
      });
    },
  };
}

export const removeLines = (ids: readonly string[]): Edit => ({
  label: `Remove ${countLines(ids.length)}`,
  change: (draft) => {
    for (const id of ids) {
      delete draft.strokes[id];
      delete draft.inkShapes[id];
    }
  },
});

/** Puts lines above or below all others, in the order they have among themselves. */
export const orderLines = (ids: readonly string[], way: "front" | "back"): Edit => ({
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
  label: `Change nib ${name}`,
  merge: `nib-${id}-${Object.keys(change).join()}`,
  change: (draft) => {
    Object.assign(draft.nibs[id], copyOf(change));
  },
});

/** Immutable values as drafts take them. */
function copyOf<T>(value: T): Draft<T> {
  if (Array.isArray(value)) return value.map(copyOf) as Draft<T>;
  if (typeof value !== "object" || value === null) return value as Draft<T>;
  return Object.fromEntries(Object.entries(value).map(([key, part]) => [key, copyOf(part)])) as Draft<T>;
}
