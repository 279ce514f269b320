/** Edits of what lies over a pour's colour: patterns and bands. */
import type { Draft } from "immer";
import { type Matrix, mappedPoint, meanScale } from "../geometry/matrix.ts";
import { type Bands, type Drawing, type Pattern, type Pour, type Tile, topRank } from "./drawing.ts";
import type { Edit } from "./history.ts";

/** A pattern that goes along with its pocket. */
export function movedPattern(pattern: Pattern, matrix: Matrix): Pattern {
  const [a, b, c, d] = matrix;
  const turned = (Math.atan2(b, a) * 180) / Math.PI;
  // A mirror image turns the other way.
  const turn = a * d - b * c < 0 ? turned - pattern.turn : turned + pattern.turn;
  return {
    ...pattern,
    at: mappedPoint(pattern.at, matrix),
    size: pattern.size * meanScale(matrix),
    turn: ((turn + 540) % 360) - 180,
  };
}

/** The pours of one cloth. */
export const clothOf = ({ pours }: Pick<Drawing, "pours">, cloth: string): Pour[] =>
  Object.values(pours).filter(({ pattern }) => pattern?.cloth === cloth);

export const addTile = (tile: Omit<Tile, "rank">): Edit => ({
  label: "Bring in a picture to repeat",
  change: (draft) => {
    draft.tiles[tile.id] = { ...tile, rank: topRank(draft.tiles) + 1 } as Draft<Tile>;
  },
});

/** Lays a pattern over some pours, or takes theirs away. */
export const setPattern = (ids: readonly string[], pattern: Pattern | null): Edit => ({
  sheet: "flats",
  label: pattern ? "Lay pattern" : "Take pattern away",
  change: (draft) => {
    for (const id of ids) {
      if (pattern) draft.pours[id].pattern = pattern as Draft<Pattern>;
      else delete draft.pours[id].pattern;
    }
  },
});

/** Changes a cloth wherever it lies. */
export const changePattern = (
  drawing: Pick<Drawing, "pours">,
  cloth: string,
  change: Partial<Omit<Pattern, "cloth">>,
): Edit => ({
  sheet: "flats",
  label: "Change pattern",
  merge: `pattern-${cloth}-${Object.keys(change).join()}`,
  change: (draft) => {
    for (const { id } of clothOf(drawing, cloth)) Object.assign(draft.pours[id].pattern!, change);
  },
});

export const setBands = (id: string, bands: Bands | null): Edit => ({
  sheet: "flats",
  label: bands ? "Lay bands" : "Take bands away",
  merge: bands ? `bands-${id}` : undefined,
  change: (draft) => {
    if (bands) draft.pours[id].bands = bands as Draft<Bands>;
    else delete draft.pours[id].bands;
  },
});
