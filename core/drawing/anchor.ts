/** Anchors as values. */
import type { Point } from "../geometry/point.ts";
import type { Anchor } from "./drawing.ts";

/** Whether two anchors hold in the same pocket; also after a file has parted them. */
export const sameAnchor = (a: Anchor, b: Anchor): boolean => a === b || anchorKey(a) === anchorKey(b);

export const anchorKey = ({ seed: [x, y], area, part = "" }: Anchor): string => `${x} ${y} ${area} ${part}`;

/** The anchor of what is known by a place alone. */
export const seedOnly = (seed: Point): Anchor => ({ seed, area: 0, lines: [], region: [] });
