import { distance, mix, type Point } from "#core/geometry/point.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { pocketAt } from "#core/scene/scene.ts";

/** The pockets that a hand crosses on its way, each once, in the order it meets them. */
export class Crossed {
  readonly pockets: Pocket[] = [];

  /** `pixel` is how finely the way is looked at, in page units. */
  constructor(
    private readonly all: readonly Pocket[],
    private last: Point,
    private readonly pixel: number,
  ) {}

  /** Goes on to a place: whether more have been crossed. */
  to(at: Point): boolean {
    const steps = Math.max(1, Math.ceil(distance(this.last, at) / this.pixel));
    const before = this.pockets.length;
    for (let k = 1; k <= steps; k++) {
      const pocket = pocketAt(this.all, mix(this.last, at, k / steps));
      if (pocket && !this.pockets.includes(pocket)) this.pockets.push(pocket);
    }
    this.last = at;
    return this.pockets.length > before;
  }
}
