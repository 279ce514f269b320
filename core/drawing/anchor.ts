/** Anchors as values: when two are the same, and where one goes. */
import { type Matrix, mapped, mappedPoint, meanScale } from "../geometry/matrix.ts";
import type { Point } from "../geometry/point.ts";
import type { Anchor } from "./drawing.ts";

/** Whether two anchors hold in the same pocket; also after a file has parted them. */
export const sameAnchor = (a: Anchor, b: Anchor): boolean => a === b || anchorKey(a) === anchorKey(b);

export const anchorKey = ({ seed: [x, y], area, part = "" }: Anchor): string => `${x} ${y} ${area} ${part}`;

/** An anchor that goes along with the lines around it. */
export const movedAnchor = ({ seed, area, region, ...same }: Anchor, matrix: Matrix): Anchor => ({
  ...same,
  seed: mappedPoint(seed, matrix),
  area: area * meanScale(matrix) ** 2,
  region: region.map((ring) => mapped(ring, matrix)),
});

/** The anchor of what is known by a place alone. */
export const seedOnly = (seed: Point): Anchor => ({ seed, area: 0, lines: [], region: [] });
