/** What a part is made of, and how things move between parts. */
import { boxHolds, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import type { PlanarMap } from "./planar-map.ts";
import type { Pocket } from "./pockets.ts";

export interface PartOfPockets {
  readonly name: string;
  /** The part they are in. */
  readonly part: string;
  /** Pockets of one part, as the map gave them; hidden ones among them. */
  readonly pockets: readonly Pocket[];
  readonly map: PlanarMap;
  /** Those that go. */
  readonly chosen: ReadonlySet<Pocket>;
  /** Lines that go whole, beside what bounds the pockets. */
  readonly lines?: ReadonlySet<string>;
}

export interface Ways {
  readonly from: string;
  readonly to: string;
}

export const isIn = (region: readonly Pocket[], at: Point): boolean =>
  region.some(({ rings, box }) => boxHolds(box, at) && regionContains(rings, at));
