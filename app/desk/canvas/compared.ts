/** The picture without what lies over the flats, or without what lies over the shade, to compare it with the whole. */
import { weakMapMemoize } from "reselect";
import type { SheetName } from "#core/drawing/drawing.ts";
import type { Scene } from "#core/scene/scene.ts";

export type Compared = "flats" | "shade";

const LEFT_OUT: Readonly<Record<Compared, readonly SheetName[]>> = {
  flats: ["shade", "light", "gloss"],
  shade: ["light", "gloss"],
};

/** The same scene gives the same one again. */
export const comparedScene = weakMapMemoize(
  (scene: Scene, upTo: Compared): Scene => ({
    ...scene,
    parts: scene.parts.map((part) => ({
      ...part,
      sheets: part.sheets.filter(({ name }) => !LEFT_OUT[upTo].includes(name)),
    })),
  }),
);
