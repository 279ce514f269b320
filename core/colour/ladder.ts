/**
 * The value ladder of a colour: lighter and darker steps, even in OKLCH lightness, hue drifting towards the ends, chroma
 * easing off there. Steps set by hand are kept as what they differ by, so that they follow their colour.
 * Ottosson, "A perceptual color space for image processing", 2020.
 */
import { MOST_STEPS } from "../drawing/bounds.ts";
import type { Colour, Ladder, OwnStep } from "../drawing/drawing.ts";
import { hexOf, type Oklch, oklchOf } from "./oklch.ts";

/** What a ladder is made of. */
export type Laddered = Pick<Colour, "value" | "ladder">;

export const LADDER: Ladder = { steps: 7, drift: 6 };

const STANDARD_GAP = 0.075;
const LONGEST_GAP = 0.15;
/** From the lightest to the darkest step, where there are many. */
const SPAN = 0.45;
const LIGHTEST = 0.985;
const DARKEST = 0.08;
const EASE = 0.07;
const WARM = 95;
const COOL = 290;

interface Rungs {
  /** How many lie above the base and below. */
  readonly up: number;
  readonly down: number;
  /** In OKLCH lightness. */
  readonly gapUp: number;
  readonly gapDown: number;
}

/** Where black or white is near, the other way has more steps; or, squeezed, there are as many each way, closer together. */
function rungsFrom(l: number, { steps, squeezed }: Ladder): Rungs {
  // So near black, bytes are too coarse for finer steps.
  const gap = Math.max(gapOf(steps), l < DARKEST ? (LIGHTEST - DARKEST) / (MOST_STEPS - 1) : 0);
  const half = Math.floor((steps - 1) / 2);
  const [above, below] = [Math.max(0, LIGHTEST - l), Math.max(0, l - DARKEST)];
  if (squeezed) {
    const down = steps - 1 - half;
    return { up: half, down, gapUp: Math.min(gap, above / half), gapDown: Math.min(gap, below / down) };
  }
  const [mostUp, mostDown] = [above, below].map((room) => Math.floor(room / gap + 1e-9));
  const up = Math.min(mostUp, Math.max(half, steps - 1 - mostDown));
  return { up, down: steps - 1 - up, gapUp: gap, gapDown: gap };
}

const gapOf = (steps: number): number => Math.min(LONGEST_GAP, SPAN / (steps - 1));

/** The steps of a colour from the lightest (above 0) over the base (0) to the darkest. */
export function stepsOf({ value, ladder = LADDER }: Laddered): readonly number[] {
  const { up, down } = rungsFrom(oklchOf(value).l, ladder);
  return Array.from({ length: up + down + 1 }, (_, i) => up - i);
}

/**
 * The colour `step` rungs up (positive, lighter) or down the ladder, as #rrggbb; beyond its ends it goes on as far as there is
 * room, so that light on the lightest colours and shade on the darkest are still seen.
 */
export function stepOf(colour: Laddered, step: number): string {
  const { value, ladder } = colour;
  if (step === 0) return value;
  const made = plainStep(colour, step);
  const own = ladder?.own?.find((one) => one.step === step);
  return hexOf(own ? moved(made, own) : made);
}

/** A step as the ladder alone makes it. */
function plainStep({ value, ladder = LADDER }: Laddered, step: number): Oklch {
  const base = oklchOf(value);
  const { gapUp, gapDown } = rungsFrom(base.l, ladder);
  const roomUp = Math.max(0, LIGHTEST - base.l) / (gapUp || 1);
  const roomDown = Math.max(0, base.l - DARKEST) / (gapDown || 1);
  const rung = Math.max(-roomDown, Math.min(roomUp, step));
  const far = Math.abs(rung) * (gapOf(ladder.steps) / STANDARD_GAP);
  return {
    l: base.l + rung * (rung > 0 ? gapUp : gapDown),
    c: base.c * (1 - EASE * far),
    h: drifted(base.h, rung, far * ladder.drift),
  };
}

/** A drift below 0 turns lights cool and shadows warm. */
const drifted = (hue: number, rung: number, by: number): number =>
  turned(hue, rung > 0 === by > 0 ? WARM : COOL, Math.abs(by));

/** Turns a hue towards a goal by at most `by` degrees, the short way round. */
function turned(hue: number, goal: number, by: number): number {
  const away = ((goal - hue + 540) % 360) - 180;
  return hue + Math.sign(away) * Math.min(by, Math.abs(away));
}

const moved = ({ l, c, h }: Oklch, own: OwnStep): Oklch => ({ l: l + own.l, c: c + own.c, h: h + own.h });

/** The difference between a step set by hand to #rrggbb and the one the ladder makes. */
export function ownStep(colour: Laddered, step: number, value: string): OwnStep {
  const made = plainStep(colour, step);
  const { l, c, h } = oklchOf(value);
  return { step, l: l - made.l, c: c - made.c, h: c > 0 ? h - made.h : 0 };
}

/** The step so many rungs up or down from another, as far as the ladder goes. */
export function stepBeside(colour: Laddered, step: number, by: number): number {
  const steps = stepsOf(colour);
  return Math.max(Math.min(step, steps[steps.length - 1]), Math.min(Math.max(step, steps[0]), step + by));
}

/** Words for a step, as spoken and shown. */
export function stepWord(step: number): string {
  if (step === 0) return "base";
  return `${Math.abs(step)} ${step > 0 ? "lighter" : "darker"}`;
}
