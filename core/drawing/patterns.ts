/** Edits of what lies over colour: patterns, and bands in pockets. */
import type { Draft } from "immer";
import {
  type Bands,
  type Drawing,
  type FlatShape,
  type Pattern,
  type Pour,
  type Tile,
  topRank,
} from "./drawing.ts";
import type { Edit } from "./history.ts";
import { sheetsHolding } from "./shape-edits.ts";

type Holding = Pick<Drawing, "pours" | "flatShapes" | "shades">;

/** The pours and shapes that a pattern lies on. */
export const patternedWith = (
  { pours, flatShapes }: Pick<Holding, "pours" | "flatShapes">,
  cloth: string,
): (Pour | FlatShape)[] =>
  [...Object.values(pours), ...Object.values(flatShapes)].filter(({ pattern }) => pattern?.cloth === cloth);

export const addTile = (tile: Omit<Tile, "rank">): Edit => ({
  label: "Bring in a picture to repeat",
  change: (draft) => {
    draft.tiles[tile.id] = { ...tile, rank: topRank(draft.tiles) + 1 } as Draft<Tile>;
  },
});

/** Lays a pattern over some pours or shapes, or takes theirs away. */
export const setPattern = (drawing: Holding, ids: readonly string[], pattern: Pattern | null): Edit => ({
  sheet: sheetsHolding(drawing, ids),
  label: pattern ? "Lay pattern" : "Take pattern away",
  change: (draft) => {
    for (const id of ids) {
      const holder = draft.pours[id] ?? draft.flatShapes[id];
      if (pattern) holder.pattern = pattern as Draft<Pattern>;
      else delete holder.pattern;
    }
  },
});

/** Changes a cloth wherever it lies. */
export const changePattern = (
  drawing: Holding,
  cloth: string,
  change: Partial<Omit<Pattern, "cloth">>,
): Edit => {
  const ids = patternedWith(drawing, cloth).map(({ id }) => id);
  return {
    sheet: sheetsHolding(drawing, ids),
    label: "Change pattern",
    merge: `pattern-${cloth}-${Object.keys(change).join()}`,
    change: (draft) => {
      for (const id of ids) Object.assign((draft.pours[id] ?? draft.flatShapes[id]).pattern!, change);
    },
  };
};

export const setBands = (id: string, bands: Bands | null): Edit => ({
  sheet: "flats",
  label: bands ? "Lay bands" : "Take bands away",
  merge: bands ? `bands-${id}` : undefined,
  change: (draft) => {
    if (bands) draft.pours[id].bands = bands as Draft<Bands>;
    else delete draft.pours[id].bands;
  },
});
