/** What every drawing begins with: a tin of colours, nibs, open sheets. */
import type { Colour, Colourway, Lamp, Nib, Paint, Sheet, SheetName } from "./drawing.ts";

const STARTING_TIN: readonly [name: string, value: string][] = [
  ["Frond", "#6f9a4a"],
  ["Deep fern", "#355f3f"],
  ["Rain barrel", "#7a5b43"],
  ["Potting soil", "#4a382e"],
  ["Terracotta", "#c8704a"],
  ["Radish", "#c23f5a"],
  ["Marigold", "#e6a93a"],
  ["Lamp glow", "#f6d98b"],
  ["Seed paper", "#efe3c8"],
  ["Morning sky", "#a9cbd6"],
  ["Enamel", "#4f7f96"],
  ["Dusk", "#4b4a6e"],
  ["Lamp black", "#221b18"],
];

export const startingInk = (): Paint => ({ colour: "lamp-black", step: 0 });

const STARTING_NIBS: readonly Omit<Nib, "id" | "rank">[] = [
  { name: "Even", profile: [0, 1, 1, 1], strands: 1 },
  { name: "Taper at the end", profile: [0, 1, 0.55, 0.85, 1, 0.06], strands: 1 },
  { name: "Taper at both", profile: [0, 0.06, 0.2, 0.72, 0.45, 1, 0.8, 0.7, 1, 0.06], strands: 1 },
  { name: "Swell", profile: [0, 0.4, 0.5, 1, 1, 0.4], strands: 1 },
  { name: "Three hairs", profile: [0, 0.5, 0.4, 1, 1, 0.06], strands: 3 },
];

export function startingNibs(): Record<string, Nib> {
  return Object.fromEntries(
    STARTING_NIBS.map((nib, i) => {
      const id = nib.name.toLowerCase().replace(/\W+/g, "-");
      return [id, { id, rank: i + 1, ...nib }];
    }),
  );
}

export function startingTin(): Record<string, Colour> {
  return Object.fromEntries(
    STARTING_TIN.map(([name, value], i) => {
      const id = name.toLowerCase().replace(/\W+/g, "-");
      return [id, { id, rank: i + 1, name, value }];
    }),
  );
}

/** The colourway whose values the tin itself holds; every drawing has it. */
export const FIRST_COLOURWAY = "first";

export const startingColourways = (): Record<string, Colourway> => ({
  [FIRST_COLOURWAY]: { id: FIRST_COLOURWAY, rank: 1, name: "First colours", values: {} },
});

const open: Sheet = { visible: true, locked: false, opacity: 1 };

export function startingSheets(): Record<SheetName, Sheet> {
  return { ground: open, flats: open, shade: open, light: open, ink: open, gloss: open };
}

/** To the upper left, far off. */
export const startingLamp = (): Lamp => ({ at: [0.18, 0.1], height: 0.45, far: true });
