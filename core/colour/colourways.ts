/** Colourways: the same named colours with other values. */
import { weakMapMemoize } from "reselect";
import type { Colour, Colourway, Drawing, Table } from "../drawing/drawing.ts";
import { hexOf, oklchOf } from "./oklch.ts";

type Coloured = Pick<Drawing, "tin" | "colourways" | "shown">;
/** The tin with the values it has in a colourway, or in the one that is seen; the same facts give the same table. */
export function tinOf({ tin, colourways, shown }: Coloured, way = shown): Table<Colour> {
  const values = colourways[way]?.values;
  return values && Object.keys(values).length > 0 ? valued(tin, values) : tin;
}

const valued = weakMapMemoize(
  (tin: Table<Colour>, values: Colourway["values"]): Table<Colour> =>
    Object.fromEntries(
      Object.entries(tin).map(([id, colour]) => {
        const value = Object.hasOwn(values, id) ? values[id] : colour.value;
        return [id, value === colour.value ? colour : { ...colour, value }];
      }),
    ),
);

/** How a colourway differs from another as a whole. */
export interface Turn {
  /** Degrees. */
  readonly hue: number;
  /** What chroma is multiplied by. */
  readonly chroma: number;
  /** The lightness that black, white and the middle between them become, each 0 to 1. */
  readonly black: number;
  readonly middle: number;
  readonly white: number;
}

export const NO_TURN: Turn = { hue: 0, chroma: 1, black: 0, middle: 0.5, white: 1 };

/** All values turned alike. */
export const turned = (
  values: Readonly<Record<string, string>>,
  { hue, chroma, black, middle, white }: Turn,
): Record<string, string> => {
  // A power curve through the three: bent where the middle is not halfway.
  const bend = Math.log(within(0.02, middle, 0.98)) / Math.log(0.5);
  return Object.fromEntries(
    Object.entries(values).map(([id, value]) => {
      const { l, c, h } = oklchOf(value);
      return [id, hexOf({ l: black + (white - black) * l ** bend, c: c * chroma, h: h + hue })];
    }),
  );
};

const within = (least: number, n: number, most: number): number => Math.min(most, Math.max(least, n));

/** Values by the ids of colours in a colourway. */
export const valuesIn = (drawing: Coloured, way?: string): Record<string, string> =>
  Object.fromEntries(Object.values(tinOf(drawing, way)).map(({ id, value }) => [id, value]));

/**
 * Values for the same names out of a palette: the order from dark to light stays, and each colour takes of the palette's
 * as many steps along.
 */
export function valuesFromPalette(
  values: Readonly<Record<string, string>>,
  palette: readonly string[],
): Record<string, string> {
  const byLightness = (a: string, b: string) => oklchOf(a).l - oklchOf(b).l;
  const found = [...palette].sort(byLightness);
  const ids = Object.keys(values).sort((a, b) => byLightness(values[a], values[b]));
  const place = (i: number) => Math.round((i / Math.max(1, ids.length - 1)) * (found.length - 1));
  return Object.fromEntries(ids.map((id, i) => [id, found[place(i)]]));
}
