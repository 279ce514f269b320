/** Edits of colour shapes. */
import type { Draft } from "immer";
import { type Matrix, mapped } from "../geometry/matrix.ts";
import { type Drawing, type FlatShape, ranked, type SheetName, topRank } from "./drawing.ts";
import type { Edit } from "./history.ts";

export const sheetOf = ({ sheet = "flats" }: Pick<FlatShape, "sheet">): SheetName => sheet;

/** Lies above all colour there is. */
export const addShape = (shape: Omit<FlatShape, "rank">): Edit => ({
  sheet: sheetOf(shape),
  label: "Draw colour",
  change: (draft) => {
    const rank = Math.max(topRank(draft.flatShapes), topRank(draft.pours)) + 1;
    draft.flatShapes[shape.id] = { ...shape, rank } as Draft<FlatShape>;
  },
});

export interface Reshaped {
  readonly id: string;
  readonly outline: FlatShape["outline"];
  readonly evenOdd: boolean;
}

/** Gives shapes other outlines; one with nothing left goes. */
export const reshape = (shapes: readonly Reshaped[], sheet: SheetName, label: string): Edit => ({
  sheet,
  label,
  change: (draft) => {
    for (const { id, outline, evenOdd } of shapes) {
      if (outline.length === 0) delete draft.flatShapes[id];
      else Object.assign(draft.flatShapes[id], { outline, evenOdd });
    }
  },
});

/** From where the shape was when it was taken up. */
export const moveShape = (shape: FlatShape, matrix: Matrix, label: string): Edit => ({
  sheet: sheetOf(shape),
  label,
  merge: `move-${shape.id}`,
  change: (draft) => {
    draft.flatShapes[shape.id].outline = shape.outline.map((chain) => mapped(chain, matrix));
  },
});

export const changeShape = (
  shape: FlatShape,
  change: Partial<Pick<FlatShape, "paint" | "opacity" | "trim" | "sheet">>,
): Edit => ({
  sheet: sheetOf(shape),
  label: "Change shape",
  merge: `shape-${shape.id}-${Object.keys(change).join()}`,
  change: (draft) => {
    const own = draft.flatShapes[shape.id];
    Object.assign(own, change);
    for (const key of ["trim", "sheet"] as const) if (own[key] === undefined) delete own[key];
  },
});

/** Before or behind all other colour of its sheet. */
export const orderShape = (drawing: Drawing, shape: FlatShape, to: "front" | "back"): Edit => ({
  sheet: sheetOf(shape),
  label: to === "front" ? "Bring shape forward" : "Send shape back",
  change: (draft) => {
    const all = [...ranked(drawing.flatShapes), ...ranked(drawing.pours)].map(({ rank }) => rank);
    draft.flatShapes[shape.id].rank = to === "front" ? Math.max(...all) + 1 : Math.min(...all) - 1;
  },
});
