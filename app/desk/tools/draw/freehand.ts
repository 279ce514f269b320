/** Drawing freehand: coalesced samples with pressure, steadied, fitted when let go. */
import { distance, type Point } from "#core/geometry/point.ts";
import { closesItself, drawnLine, type HandSample } from "#core/lines/drawn-line.ts";
import { Steadier } from "#core/lines/steady.ts";
import type { Gesture, OverlayMark, Press } from "../tool.ts";
import { draw } from "./draw-state.ts";
import { JOIN_PIXELS, joinPlace, nearnessMarks } from "./join-near.ts";
import { addDrawn } from "./new-stroke.ts";

/** A line lies within this many screen pixels of the hand. */
const FIT_PIXELS = 0.9;
const STRING_PIXELS = 60;

export function freehandGesture({ desk, at, pixel, pressure }: Press): Gesture {
  const { steadying, pressed } = draw.settings(desk.getState());
  const steadier = new Steadier(steadying ** 2 * STRING_PIXELS * pixel);
  const first = joinPlace(desk, at, pixel) ?? at;
  const samples: HandSample[] = [{ at: steadier.follow(first), pressure }];
  let foreseen: readonly Point[] = [];
  let pointer = at;
  const tip = () => samples[samples.length - 1].at;
  const add = (to: Point, force: number) => {
    if (distance(tip(), to) > 0.4 * pixel) samples.push({ at: to, pressure: force });
  };
  return {
    move: (press) => {
      pointer = press.at;
      if (press.shift) samples.splice(1, samples.length, { at: press.at, pressure: press.pressure });
      else add(steadier.follow(press.at), press.pressure);
    },
    foresee: (presses) => {
      foreseen = steadying === 0 ? presses.map((press) => press.at) : [];
    },
    end: () => {
      // The string is drawn in: the line ends where the hand does, as firmly as it drew; lifting presses no more.
      if (samples.length > 1) add(pointer, samples[samples.length - 1].pressure);
      const closeWithin = JOIN_PIXELS * pixel;
      if (samples.length > 1 && !closesItself(samples, closeWithin)) {
        const joined = joinPlace(desk, tip(), pixel);
        if (joined) samples.push({ at: joined, pressure: samples[samples.length - 1].pressure });
      }
      const line = drawnLine(samples, {
        tolerance: FIT_PIXELS * pixel,
        pressed: pressed && hasPressure(samples),
        closeWithin,
      });
      if (line) addDrawn(desk, line);
    },
    trail: () => ({ points: [...samples.map((sample) => sample.at), ...foreseen], closed: true }),
    marks: (): OverlayMark[] => (samples.length > 4 ? nearnessMarks(desk, tip(), samples[0].at, pixel) : []),
  };
}

/** A mouse presses the same all the time: that is no profile. */
const hasPressure = (samples: readonly HandSample[]): boolean =>
  samples.some(({ pressure }) => Math.abs(pressure - samples[0].pressure) > 0.02);
