/** What a pen's pressure and tilt come to. */

/** The strength that no, half and full pressure come to, each 0 to 1 and none below the one before. */
export type PressureCurve = readonly [none: number, half: number, full: number];

export const EVEN_CURVE: PressureCurve = [0, 0.5, 1];

/** How far from its ends the middle of a curve stays, as a share of its height. */
const LEAST = 0.02;

/** Pressure, 0 to 1, through a curve: a power of it, so that the curve is smooth and never falls. */
export function throughCurve([none, half, full]: PressureCurve, pressure: number): number {
  const height = full - none;
  if (height <= 0) return full;
  const middle = Math.min(1 - LEAST, Math.max(LEAST, (half - none) / height));
  return none + height * Math.max(0, pressure) ** (Math.log(middle) / Math.log(0.5));
}

/** What a flat nib draws along its edge, as a share of what it draws across it. */
const THIN = 0.12;

/** How wide a flat nib draws in a direction, as a share of its width; its edge lies the way the pen leans. Radians. */
export const flatShare = (direction: number, lean: number): number =>
  THIN + (1 - THIN) * Math.abs(Math.sin(direction - lean));
