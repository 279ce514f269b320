/**
 * How colourful screens can show a lightness and hue: the edge of sRGB in OKLCH. Along a row of one lightness and hue colours are shown
 * from grey up to one chroma, so that halving finds the edge; only near pure blue does the row leave the gamut by less than a hundredth
 * of a channel and come back, which is let pass.
 */
import { converter } from "culori";

const rgb = converter("rgb");

/** No colour of sRGB has more. */
export const MOST_CHROMA = 0.33;

const HALVINGS = 11;
/** Of a channel, for each share of lightness. */
const LET_PASS = 0.021;

const isShown = (l: number, c: number, h: number): boolean => {
  const { r, g, b } = rgb({ mode: "oklch", l, c, h });
  const past = LET_PASS * l;
  return Math.min(r, g, b) >= -past && Math.max(r, g, b) <= 1 + past;
};

/** The largest chroma that sRGB has at a lightness, 0 to 1, and hue in degrees; 0 at black and white. */
export function mostChroma(l: number, h: number): number {
  if (l <= 0 || l >= 1) return 0;
  let [inside, outside] = [0, MOST_CHROMA];
  for (let k = 0; k < HALVINGS; k++) {
    const c = (inside + outside) / 2;
    if (isShown(l, c, h)) inside = c;
    else outside = c;
  }
  return inside;
}
