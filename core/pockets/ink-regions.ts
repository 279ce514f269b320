/**
 * Filled ink: regions bounded by outlines, by either fill rule of SVG. Their outlines are lines of the planar map;
 * faces inside any of them are ink and no pockets.
 */
import Flatbush from "flatbush";
import { BandedRegion } from "../geometry/banded-region.ts";
import { flatten } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";

/** One filled shape: closed chains of cubics in page units. */
export interface InkRegion {
  readonly outline: readonly (readonly number[])[];
  readonly evenOdd: boolean;
}

const known = new WeakMap<InkRegion, BandedRegion>();

function bandedOf(region: InkRegion, tolerance: number): BandedRegion {
  const before = known.get(region);
  if (before) return before;
  const rings = region.outline.map((chain) => flatten(chain, tolerance).slice(0, -2));
  const banded = new BandedRegion(rings, region.evenOdd);
  known.set(region, banded);
  return banded;
}

/** Whether a point in page units lies in any of the regions. */
export function isInk(regions: Iterable<InkRegion>, at: Point, tolerance: number): boolean {
  for (const region of regions) if (bandedOf(region, tolerance).holds(at)) return true;
  return false;
}

/** Many regions, for questions about what lies in any of them: only those near a place are asked. */
export class InkField {
  private readonly index: Flatbush | undefined;

  /** Outlines are flattened within `tolerance`, in page units. */
  constructor(
    readonly regions: readonly InkRegion[],
    private readonly tolerance: number,
  ) {
    if (regions.length === 0) return;
    this.index = new Flatbush(regions.length);
    for (const region of regions) {
      const { x, y, width, height } = bandedOf(region, tolerance).box;
      this.index.add(x, y, x + width, y + height);
    }
    this.index.finish();
  }

  holds(at: Point): boolean {
    if (!this.index) return false;
    const [x, y] = at;
    return (
      this.index.search(x, y, x, y, (k) => bandedOf(this.regions[k], this.tolerance).holds(at)).length > 0
    );
  }

  /** The field of these regions: the same one while they are. */
  turnedTo(regions: readonly InkRegion[]): InkField {
    const same = regions.length === this.regions.length && regions.every((one, k) => one === this.regions[k]);
    return same ? this : new InkField(regions, this.tolerance);
  }
}
