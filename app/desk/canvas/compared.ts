/** The picture without what lies over the flats, or without what lies over the shade, to compare it with the whole. */
import type { SheetName } from "#core/drawing/drawing.ts";
import type { Scene } from "#core/scene/scene.ts";

export type Compared = "flats" | "shade";

const LEFT_OUT: Readonly<Record<Compared, readonly SheetName[]>> = {
  flats: ["shade", "light", "gloss"],
  shade: ["light", "gloss"],
};

const known = new WeakMap<Scene, Map<Compared, Scene>>();

/** The same scene gives the same one again. */
export function comparedScene(scene: Scene, upTo: Compared): Scene {
  const made = known.get(scene) ?? new Map<Compared, Scene>();
  known.set(scene, made);
  const before = made.get(upTo);
  if (before) return before;
  const parts = scene.parts.map((part) => ({
    ...part,
    sheets: part.sheets.filter(({ name }) => !LEFT_OUT[upTo].includes(name)),
  }));
  const compared = { ...scene, parts };
  made.set(upTo, compared);
  return compared;
}
