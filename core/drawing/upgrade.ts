/** Brings drawings kept by earlier versions up to this one. */
import type { Colour, Drawing, Paint } from "./drawing.ts";
import { startingNibs } from "./new-drawing.ts";

/** Version 1: ink was a value of its own, and lines knew no nibs. */
export type DrawingOfVersion1 = Omit<Drawing, "ink" | "nibs" | "flatShapes"> & { readonly ink: string };

export function upgradedDrawing(drawing: DrawingOfVersion1): Drawing {
  const { tin, ink } = upgradedInk(Object.values(drawing.tin), drawing.ink);
  return {
    ...drawing,
    tin: Object.fromEntries(tin.map((colour) => [colour.id, colour])),
    ink,
    nibs: startingNibs(),
    flatShapes: {},
  };
}

const INK_ID = "lamp-black";

/** The tin with the ink's colour as its last, and the ink as a paint of it. */
export function upgradedInk(tin: readonly Colour[], ink: string): { tin: Colour[]; ink: Paint } {
  const rank = tin.reduce((top, colour) => Math.max(top, colour.rank), 0) + 1;
  return {
    tin: [...tin, { id: INK_ID, rank, name: "Lamp black", value: ink }],
    ink: { colour: INK_ID, step: 0 },
  };
}

/** Up to version 2 the ink was marked as locked in every drawing, though its lines could be changed. */
export const withOpenInk = (sheets: Drawing["sheets"]): Drawing["sheets"] => ({
  ...sheets,
  ink: { ...sheets.ink, locked: false },
});
