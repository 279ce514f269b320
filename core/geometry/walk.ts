/** One walk over chains for every painter, as d3-shape draws to any context: canvas, path data, PDF. */
import { isStraightAt } from "./cubic.ts";
import type { Coords } from "./point.ts";

/** The path methods of a 2D canvas that chains need; lengths in page units. */
export interface PathSink {
  moveTo(x: number, y: number): void;
  lineTo(x: number, y: number): void;
  bezierCurveTo(ax: number, ay: number, bx: number, by: number, x: number, y: number): void;
  closePath(): void;
}

/** Draws a chain of cubics (cubic.ts); straight ones as lines. */
export function walkChain(sink: PathSink, chain: Coords, closed: boolean): void {
  sink.moveTo(chain[0], chain[1]);
  for (let o = 0; o + 7 < chain.length; o += 6) {
    if (isStraightAt(chain, o)) sink.lineTo(chain[o + 6], chain[o + 7]);
    else
      sink.bezierCurveTo(chain[o + 2], chain[o + 3], chain[o + 4], chain[o + 5], chain[o + 6], chain[o + 7]);
  }
  if (closed) sink.closePath();
}
