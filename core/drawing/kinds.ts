/** The words that facts are told by, where only some are known. */

export const CAPS = ["round", "butt", "square"] as const;
export const JOINS = ["round", "miter", "bevel"] as const;

/**
 * Drawn for the look alone, and no line to be read: what of another part reached into this one when it was made, seen
 * only within this one; or what lies over a place where a line was cut.
 */
export const ECHOES = ["within", "over"] as const;
export type Echo = (typeof ECHOES)[number];

/** Which of the colours beside a line it takes its own from: that laid last, the darker one, or that of the larger pocket. */
export const HOLDS = ["front", "darker", "larger"] as const;

/** From the bottom up. */
export const SHEETS = ["ground", "flats", "shade", "light", "ink", "gloss"] as const;
export type SheetName = (typeof SHEETS)[number];

/** Sheets that colour shapes can lie on; those on the ink are seen on its lines alone. */
export const SHAPE_SHEETS = ["ground", "flats", "shade", "light", "ink", "gloss"] as const;
export const TRIMS = ["coloured", "part"] as const;

/** How colour is mixed with what lies beneath it (W3C Compositing and Blending, Level 1). */
export const BLENDS = [
  "normal",
  "multiply",
  "screen",
  "overlay",
  "darken",
  "lighten",
  "soft-light",
  "hard-light",
  "color-dodge",
  "color-burn",
] as const;
export type Blend = (typeof BLENDS)[number];

export const GRADIENTS = ["linear", "radial", "inward"] as const;
/** The space in which colours between two stops are found. */
export const MIXES = ["oklch", "srgb"] as const;

export const PATTERNS = ["stripes", "checks", "dots", "hatching", "scales", "picture"] as const;

/** An ellipse at the foot of what is drawn, or its outline laid flat away from the lamp. */
export const GROUND_SHADOWS = ["ellipse", "flat"] as const;

/** Kinds of light, each of which can be hidden or made fainter wherever it lies. */
export const LIGHTS = ["form", "shine", "rim", "cast", "crease", "drawn"] as const;
export type LightKind = (typeof LIGHTS)[number];

/** Light that is laid is as large as it was, or as large as the pocket. */
export const FITS = ["same", "fitted"] as const;

export const UNITS = ["mm", "in"] as const;
