/**
 * The scene: one ordered display list, made from the drawing and its pockets, that every painter reads. Nothing
 * is drawn that is not in it. Items an edit did not touch are the very same objects as before.
 */
import { type Drawing, SHEETS, type SheetName } from "../drawing/drawing.ts";
import { type Box, boxHolds, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { type Matches, matchAnchors } from "../pockets/anchors.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { flatItems } from "./flat-items.ts";
import { inkItems } from "./ink-items.ts";
import type { Item, SceneSheet } from "./items.ts";
import { paletteOf, type Tone } from "./palette.ts";
import { shadeItems } from "./shade-items.ts";

export interface Scene {
  readonly title: string;
  readonly box: Box;
  /** Sheets with something on them, from the bottom up; hidden ones only where they were asked for. */
  readonly sheets: readonly SceneSheet[];
  /** Every tone used, each once. */
  readonly tones: readonly Tone[];
}

/** What is derived from a drawing and read beside it. */
export interface Derived extends Matches {
  readonly pockets: readonly Pocket[];
}

/** `before` only makes it faster: what was derived from a drawing that differs little. */
export const derive = (drawing: Drawing, pockets: readonly Pocket[], before?: Derived): Derived => ({
  pockets,
  ...matchAnchors(pockets, drawing.pours, drawing.shades, before),
});

export function sceneOf(drawing: Drawing, derived: Derived, { hidden = false } = {}): Scene {
  const palette = paletteOf(drawing);
  const { pockets } = derived;
  const items: Record<SheetName, Item[]> = {
    ground: [],
    flats: flatItems(drawing, pockets, derived, palette),
    shade: shadeItems(drawing, pockets, derived, palette),
    light: [],
    ink: inkItems(drawing, palette),
    gloss: [],
  };
  const sheets = SHEETS.flatMap((name): SceneSheet[] => {
    const { visible, opacity } = drawing.sheets[name];
    if (items[name].length === 0 || !(visible || hidden)) return [];
    return [{ name, opacity, items: items[name], ...(visible ? {} : { hidden: true }) }];
  });
  const tones = new Set<Tone>();
  for (const sheet of sheets) for (const { paint } of sheet.items) tones.add(paint.tone);
  return { title: drawing.name, box: drawing.page.box, sheets, tones: [...tones] };
}

/** The pocket that holds a point. */
export const pocketAt = (pockets: readonly Pocket[], at: Point): Pocket | undefined =>
  pockets.find(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));
