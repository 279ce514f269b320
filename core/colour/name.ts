/** A plain name for a colour, by its place in OKLCH: how light it is and of what hue. */
import { converter } from "culori";

const oklch = converter("oklch");

/** Hues up to these angles in degrees. */
const HUES: readonly [upTo: number, name: string][] = [
  [8, "pink"],
  [38, "red"],
  [76, "orange"],
  [116, "yellow"],
  [155, "green"],
  [210, "teal"],
  [275, "blue"],
  [312, "violet"],
  [345, "magenta"],
  [360, "pink"],
];

const GREY = 0.025;
const BROWN = { lightest: 0.62, from: 38, to: 100, strongest: 0.13 };

export function colourName(value: string): string {
  const { l, c, h = 0 } = oklch(value) ?? { l: 0.5, c: 0, h: 0 };
  if (c < GREY) return l > 0.97 ? "White" : l < 0.25 ? "Black" : `${lightness(l)} grey`;
  const isBrown = l < BROWN.lightest && c < BROWN.strongest && h > BROWN.from && h < BROWN.to;
  const hue = isBrown ? "brown" : (HUES.find(([upTo]) => h <= upTo)?.[1] ?? "pink");
  return `${lightness(l)} ${hue}`;
}

function lightness(l: number): string {
  if (l > 0.86) return "Pale";
  if (l > 0.7) return "Light";
  if (l > 0.5) return "Mid";
  return l > 0.32 ? "Deep" : "Dark";
}
