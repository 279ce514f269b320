/** Ways of looking at the picture: nothing of the drawing changes. */

export const LOOKS = ["colour", "grey", "squint", "protanopia", "deuteranopia", "tritanopia"] as const;
export type Look = (typeof LOOKS)[number];

export const LOOK_WORDS: Readonly<Record<Look, string>> = {
  colour: "In colour",
  grey: "In grey",
  squint: "Squint",
  protanopia: "As protanopes see",
  deuteranopia: "As deuteranopes see",
  tritanopia: "As tritanopes see",
};

/** What squinting blurs, as a share of the page's width. */
const SQUINT = 0.012;

/** For the canvas that shows the picture; `pageWidth` in CSS pixels. */
export function filterFor(look: Look, pageWidth: number): string | undefined {
  if (look === "colour") return undefined;
  if (look === "squint") return `url(#look-grey) blur(${(SQUINT * pageWidth).toFixed(1)}px)`;
  return `url(#look-${look})`;
}
