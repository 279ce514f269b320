import { IsArray, IsNumber, IsOptional, IsString, Min, ValidateBy } from "class-validator";
import type { Point } from "../../geometry/point.ts";
import { rules } from "../checked.ts";
import { areNumbers, everyOne, FINITE, IsId, IsPlace, Means } from "./rule.ts";

const areRings = everyOne((ring) => areNumbers(ring) && ring.length >= 6 && ring.length % 2 === 0);

/** Rings; none where the area is 0. */
const IsRegion = () =>
  ValidateBy({
    name: "isRegion",
    validator: {
      validate: (value, args) => (args!.object as Anchor).area === 0 || areRings(value),
    },
  });

/**
 * How something that lives in a pocket finds it again after the lines have changed: what the pocket was like when it
 * was put there. An anchor without a region is known by its seed alone.
 */
export class Anchor {
  readonly part?: string;
  /** A point inside. */
  readonly seed!: Point;
  /** Page units squared; 0 where there is no region. */
  readonly area!: number;
  /** Ids of the lines around it. */
  readonly lines!: readonly string[];
  /** Flattened outline: rings [x, y, …] in page units, outer first. */
  readonly region!: readonly (readonly number[])[];
}
rules(Anchor, Object, {
  part: [IsOptional(), IsId()],
  seed: [IsPlace()],
  area: [Min(0), IsNumber(FINITE), Means("area")],
  lines: [IsArray(), IsString({ each: true }), Means("lines")],
  region: [IsRegion(), Means("chains")],
});
