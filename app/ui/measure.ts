/** How a share from nothing to all is written as a figure, and read back. */
export interface Measure {
  readonly figureOf: (share: number) => number;
  readonly shareOf: (figure: number) => number;
  readonly unit: string;
  readonly digits: number;
}

export const PER_CENT: Measure = {
  figureOf: (share) => share * 100,
  shareOf: (figure) => figure / 100,
  unit: "%",
  digits: 0,
};

/** From one figure to another, evenly. */
export const between = (from: number, to: number, unit: string, digits = 0): Measure => ({
  figureOf: (share) => from + share * (to - from),
  shareOf: (figure) => (figure - from) / (to - from),
  unit,
  digits,
});

/** Up to a figure, by squares: fine at the lower end, where a little is much. */
export const squared = (most: number, unit: string, digits = 2): Measure => ({
  figureOf: (share) => share * share * most,
  shareOf: (figure) => Math.sqrt(Math.max(0, figure) / most),
  unit,
  digits,
});
