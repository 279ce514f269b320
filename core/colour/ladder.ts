/**
 * The value ladder of a colour: lighter and darker steps, even in OKLCH lightness, hue drifting as pigments do,
 * shadows towards violet and lights towards yellow, chroma easing off at both ends.
 * Ottosson, "A perceptual color space for image processing", 2020.
 */
import { clampChroma, converter, formatHex } from "culori";

export const STEPS = [3, 2, 1, 0, -1, -2, -3] as const;

const LIGHTNESS_STEP = 0.075;
const HUE_DRIFT = 6;
const SHADOW_HUE = 290;
const LIGHT_HUE = 95;

const oklch = converter("oklch");

/** The colour `step` rungs up (positive, lighter) or down the ladder of #rrggbb, as #rrggbb. */
export function stepOf(value: string, step: number): string {
  if (step === 0) return value;
  const base = oklch(value);
  if (!base) return value;
  const room = step > 0 ? 0.985 - base.l : base.l - 0.08;
  const move =
    Math.sign(step) * Math.min(Math.abs(step) * LIGHTNESS_STEP, (Math.abs(step) / 3) * Math.max(0, room));
  const hue =
    base.h === undefined
      ? undefined
      : drift(base.h, step > 0 ? LIGHT_HUE : SHADOW_HUE, Math.abs(step) * HUE_DRIFT);
  const chroma = base.c * (1 - 0.07 * Math.abs(step));
  return formatHex(clampChroma({ mode: "oklch", l: base.l + move, c: chroma, h: hue }, "oklch"));
}

/** Turns a hue towards a goal by at most `by` degrees, the short way round. */
function drift(hue: number, goal: number, by: number): number {
  const away = ((goal - hue + 540) % 360) - 180;
  return hue + Math.sign(away) * Math.min(by, Math.abs(away));
}

/** Words for a step, as spoken and shown. */
export function stepWord(step: number): string {
  if (step === 0) return "base";
  return `${Math.abs(step)} ${step > 0 ? "lighter" : "darker"}`;
}
