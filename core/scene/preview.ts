/** What the scene will be once a pour under way is let go: for showing before it is done. */
import type { Colour, Paint, Table } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { paletteOf } from "./palette.ts";
import type { FillItem, Scene, SceneSheet } from "./scene.ts";

export function withPreview(
  scene: Scene,
  pockets: readonly Pocket[],
  paint: Paint,
  tin: Table<Colour>,
): Scene {
  const tone = paletteOf({ tin }).toneOf(paint);
  const fills: FillItem[] = pockets.map(({ cover, seed }) => ({
    kind: "fill",
    id: "preview",
    tone,
    seed,
    outline: cover,
    traps: [],
    trapWidth: 0,
  }));
  const below = scene.sheets.filter(({ name }) => name === "ground" || name === "flats");
  const above = scene.sheets.filter((sheet) => !below.includes(sheet));
  const preview: SceneSheet = { name: "flats", opacity: 1, items: fills };
  return { ...scene, sheets: [...below, preview, ...above] };
}
