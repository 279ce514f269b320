/**
 * Reads a small drawing again and again while nobody waits: what has run often is compiled for speed, and the first drawing that is
 * opened is then read in half the time.
 */
import type { Drawing, Stroke } from "#core/drawing/drawing.ts";
import { newDrawing } from "#core/drawing/new-drawing.ts";
import { polyline } from "#core/geometry/cubic.ts";
import { range } from "#core/geometry/lists.ts";
import type { Point } from "#core/geometry/point.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import { packPockets } from "#core/pockets/packed-pockets.ts";

const ROUNDS = 12;
/** Milliseconds in which who comes at once is not kept waiting. */
const LATER = 1500;
const SIDE = 1000;
const STROKES = 120;

/** Goes on until it has done enough or anything is said to this worker; between rounds whoever asks is heard. */
export function warmUp(): void {
  let left = ROUNDS;
  const rest = () => {
    left = 0;
  };
  addEventListener("message", rest, { once: true });
  const drawing = strewnStrokes();
  const round = () => {
    if (left-- <= 0) return;
    const reader = new DrawingReader();
    packPockets(reader.read(drawing).pockets);
    reader.gaps(drawing);
    setTimeout(round);
  };
  setTimeout(round, LATER);
}

/** Rings and waves that overlap here and there. */
function strewnStrokes(): Drawing {
  const strokes = range(0, STROKES).map((k): Stroke => {
    const at: Point = [(k * 397) % SIDE, (k * 631) % SIDE];
    const closed = k % 2 === 0;
    return {
      id: `s${k}`,
      rank: k,
      points: closed ? ringAround(at, 20 + (k % 40)) : waveFrom(at),
      closed,
      ...PEN,
    };
  });
  return newDrawing(
    "",
    { box: { x: 0, y: 0, width: SIDE, height: SIDE }, width: 10, unit: "in", ppi: 300 },
    strokes,
  );
}

const PEN = { width: 3, cap: "round", join: "round" } as const;

const ringAround = ([x, y]: Point, radius: number): number[] =>
  polyline(
    range(0, 25).map((k): Point => {
      const turn = (k % 24) * (Math.PI / 12);
      return [x + radius * Math.cos(turn), y + radius * Math.sin(turn)];
    }),
  );

const waveFrom = ([x, y]: Point): number[] =>
  polyline(range(0, 9).map((k): Point => [x + 6 * k, y + 8 * Math.sin(k)]));
