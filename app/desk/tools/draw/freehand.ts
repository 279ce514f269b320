/** Drawing freehand: coalesced samples with pressure, steadied, fitted when let go. */
import type { Point } from "#core/geometry/point.ts";
import { closesItself, type DrawnLine, drawnLine, type HandSample } from "#core/lines/drawn-line.ts";
import { flatShare } from "#core/lines/pen.ts";
import { Steadier } from "#core/lines/steady.ts";
import type { Gesture, OverlayMark, Press } from "../tool.ts";
import { JOIN_PIXELS, joinPlace, nearnessMarks } from "./join-near.ts";

/** A line lies within this many screen pixels of the hand. */
const FIT_PIXELS = 0.9;
const STRING_PIXELS = 60;

export interface FreehandOptions {
  /** 0 to 1. */
  readonly steadying: number;
  /** Whether pressure makes the width. */
  readonly pressed: boolean;
  /** Whether the line joins others it begins or ends near. */
  readonly joins: boolean;
  /** Takes the line once it is drawn. */
  readonly onLine: (line: DrawnLine) => void;
}

export function freehandGesture(
  { desk, at, pixel, pressure }: Press,
  { steadying, pressed, joins, onLine }: FreehandOptions,
): Gesture {
  const steadier = new Steadier(steadying ** 2 * STRING_PIXELS * pixel);
  const joinNear = (place: Point) => (joins ? joinPlace(desk, place, pixel) : undefined);
  const first = joinNear(at) ?? at;
  const samples: HandSample[] = [{ at: steadier.follow(first), pressure }];
  let foreseen: readonly Point[] = [];
  let pointer = at;
  const tip = () => samples[samples.length - 1].at;
  const add = (to: Point, force: number, lean?: number) => {
    const [dx, dy] = [to[0] - tip()[0], to[1] - tip()[1]];
    if (Math.hypot(dx, dy) <= 0.4 * pixel) return;
    const share = lean !== undefined ? flatShare(Math.atan2(dy, dx), lean) : 1;
    samples.push({ at: to, pressure: force * share });
  };
  return {
    move: (press) => {
      pointer = press.at;
      if (press.shift) samples.splice(1, samples.length, { at: press.at, pressure: press.pressure });
      else add(steadier.follow(press.at), press.pressure, press.lean);
    },
    foresee: (presses) => {
      foreseen = steadying === 0 ? presses.map((press) => press.at) : [];
    },
    end: () => {
      // The string is drawn in: the line ends where the hand does, as firmly as it drew; lifting presses no more.
      if (samples.length > 1) add(pointer, samples[samples.length - 1].pressure);
      const closeWithin = JOIN_PIXELS * pixel;
      if (samples.length > 1 && !closesItself(samples, closeWithin)) {
        const joined = joinNear(tip());
        if (joined) samples.push({ at: joined, pressure: samples[samples.length - 1].pressure });
      }
      const line = drawnLine(samples, {
        tolerance: FIT_PIXELS * pixel,
        pressed: pressed && hasPressure(samples),
        closeWithin,
      });
      if (line) onLine(line);
    },
    trail: () => ({ points: samples.map((sample) => sample.at), foreseen, closed: true }),
    growsAt: tip,
    marks: (): OverlayMark[] =>
      joins && samples.length > 4 ? nearnessMarks(desk, tip(), samples[0].at, pixel) : [],
  };
}

/** A mouse reports constant pressure, which makes no profile. */
const hasPressure = (samples: readonly HandSample[]): boolean =>
  samples.some(({ pressure }) => Math.abs(pressure - samples[0].pressure) > 0.02);
