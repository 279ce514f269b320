/** What the scene will be once a pour under way is let go: for showing before it is done. */
import type { Colour, Paint, Table } from "../drawing/drawing.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { Item, SceneSheet } from "./items.ts";
import { paletteOf } from "./palette.ts";
import type { Scene } from "./scene.ts";

export function withPreview(
  scene: Scene,
  pockets: readonly Pocket[],
  paint: Paint,
  tin: Table<Colour>,
): Scene {
  const tone = paletteOf({ tin }).toneOf(paint);
  const fills = pockets.map(
    ({ cover, seed }): Item => ({
      id: "preview",
      says: { is: "pour", at: seed },
      area: { kind: "region", chains: cover, evenOdd: false },
      paint: { kind: "tone", tone },
      effects: {},
    }),
  );
  const below = scene.sheets.filter(({ name }) => name === "ground" || name === "flats");
  const above = scene.sheets.filter((sheet) => !below.includes(sheet));
  const preview: SceneSheet = { name: "flats", opacity: 1, items: fills };
  return { ...scene, sheets: [...below, preview, ...above] };
}
