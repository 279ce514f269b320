/** The paint of a tin that looks most like a colour. */
import type { Colour, Paint, Table } from "../drawing/drawing.ts";
import { stepOf, stepsOf } from "./ladder.ts";
import { apart } from "./oklch.ts";

export interface NearestPaint {
  readonly paint: Paint;
  /** The distance between the two colours in OKLab, times 100. */
  readonly apart: number;
}

/** Undefined where the tin is empty; of equally good ones the one nearest to its base. */
export function nearestPaint(tin: Table<Colour>, value: string): NearestPaint | undefined {
  let best: NearestPaint | undefined;
  for (const colour of Object.values(tin))
    for (const step of [...stepsOf(colour)].sort((a, b) => Math.abs(a) - Math.abs(b))) {
      const far = apart(stepOf(colour, step), value);
      if (!best || far < best.apart) best = { paint: { colour: colour.id, step }, apart: far };
    }
  return best;
}
