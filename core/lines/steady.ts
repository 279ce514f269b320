/**
 * Steadies a drawing hand: the line's tip hangs on a string behind the pointer and moves only when the string is
 * taut, so that tremor shorter than the string leaves no trace.
 */
import { distance, mix, type Point } from "../geometry/point.ts";

export class Steadier {
  private tip: Point | undefined;

  /** `string` is its length in the units of the points; 0 follows the pointer. */
  constructor(private readonly string: number) {}

  /** Where the tip is once the pointer is here. */
  follow(pointer: Point): Point {
    if (!this.tip || this.string === 0) this.tip = pointer;
    else {
      const away = distance(this.tip, pointer);
      if (away > this.string) this.tip = mix(this.tip, pointer, (away - this.string) / away);
    }
    return this.tip;
  }
}
