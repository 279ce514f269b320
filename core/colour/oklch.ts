/**
 * Colours as lightness, chroma and hue in OKLCH, and back into what screens have: chroma gives way, never lightness or hue.
 * Ottosson, "A perceptual color space for image processing", 2020.
 */
import { clampChroma, converter, differenceEuclidean, formatHex, interpolate } from "culori";

export interface Oklch {
  /** 0 to 1. */
  readonly l: number;
  /** 0 to about 0.33 in sRGB. */
  readonly c: number;
  /** Degrees; 0 for greys. */
  readonly h: number;
}

const oklch = converter("oklch");

export function oklchOf(value: string): Oklch {
  const { l, c, h = 0 } = oklch(value) ?? { l: 0.5, c: 0 };
  return { l, c, h };
}

export const hexOf = ({ l, c, h }: Oklch): string =>
  formatHex(clampChroma({ mode: "oklch", l: within(l, 1), c: Math.max(0, c), h }, "oklch"));

const within = (n: number, most: number): number => Math.max(0, Math.min(most, n));

const far = differenceEuclidean("oklab");

/** How unlike two colours are, as a distance in OKLab times 100: about 2 is just seen side by side. */
export const apart = (a: string, b: string): number => 100 * far(a, b);

/** The colour between two, with this share of the second, 0 to 1: through OKLCH, hue the shorter way, or straight in sRGB. */
export const mixed = (a: string, b: string, share: number, through: "oklch" | "srgb"): string =>
  formatHex(clampChroma(interpolate([a, b], through === "srgb" ? "rgb" : "oklch")(share), "oklch"));
