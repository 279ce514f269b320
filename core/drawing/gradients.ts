/** Edits of gradients: over the colour of pockets, and in place of the colour of shapes. */
import type { Draft } from "immer";
import type { Drawing, Gradient } from "./drawing.ts";
import type { Edit } from "./history.ts";
import { shapeNamed, sheetsHolding } from "./shape-edits.ts";

type Holding = Pick<Drawing, "pours" | "flatShapes" | "shades">;

const TABLES = ["pours", "flatShapes", "shades"] as const;

/** Ids of the pours and shapes that a gradient lies on. */
export const holdersOf = (drawing: Holding, cloth: string): string[] =>
  TABLES.flatMap((table) =>
    Object.values<{ readonly id: string; readonly gradient?: Gradient }>(drawing[table]).flatMap(
      ({ id, gradient }) => (gradient?.cloth === cloth ? [id] : []),
    ),
  );

export const gradientOf = (drawing: Holding, id: string): Gradient | undefined =>
  (drawing.pours[id] ?? shapeNamed(drawing, id))?.gradient;

/** Lays a gradient on pours or shapes, or takes theirs away. */
export const setGradient = (drawing: Holding, ids: readonly string[], gradient: Gradient | null): Edit => ({
  sheet: sheetsHolding(drawing, ids),
  label: gradient ? "Lay gradient" : "Take gradient away",
  change: (draft) => {
    for (const id of ids) {
      const holder = draft.pours[id] ?? draft.flatShapes[id] ?? draft.shades[id];
      if (gradient) holder.gradient = gradient as Draft<Gradient>;
      else delete holder.gradient;
    }
  },
});

/** Changes a gradient wherever it lies. */
export const changeGradient = (
  drawing: Holding,
  cloth: string,
  change: Partial<Omit<Gradient, "cloth">>,
): Edit => {
  const ids = holdersOf(drawing, cloth);
  return {
    sheet: sheetsHolding(drawing, ids),
    label: "Change gradient",
    merge: `gradient-${cloth}-${Object.keys(change).join()}`,
    change: (draft) => {
      for (const id of ids) {
        const { gradient } = draft.pours[id] ?? draft.flatShapes[id] ?? draft.shades[id];
        for (const [key, value] of Object.entries(change)) {
          if (value === undefined) delete gradient![key as keyof Gradient];
          else Object.assign(gradient!, { [key]: value });
        }
      }
    },
  };
};

/** How strongly all gradients show, 0 to 1. */
export const setGradientStrength = (gradientStrength: number): Edit => ({
  label: "Fade all gradients",
  merge: "gradient-strength",
  change: (draft) => {
    draft.gradientStrength = gradientStrength;
  },
});

/** The gradient with every stop this many steps lighter, or darker below 0. */
export const steppedGradient = (gradient: Gradient, by: number): Gradient => ({
  ...gradient,
  stops: gradient.stops.map((stop) => ({ ...stop, paint: { ...stop.paint, step: stop.paint.step + by } })),
});
