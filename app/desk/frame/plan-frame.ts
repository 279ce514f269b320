/**
 * How the desk is laid out in a window: bars of one row or two, panels that stand or that come in from their side. The paper
 * keeps most of every window; in one too low for that the page scrolls. Lengths in rem, so that larger text counts as a smaller window.
 */

export interface FramePlan {
  /** Rows of the stage rail. */
  readonly rail: 1 | 2;
  /** Rows of the tray: settings stand beside the tools, or above them. */
  readonly tray: 1 | 2;
  /** Whether tools stand side by side, or the one in the hand alone opens the others. */
  readonly tools: "row" | "one";
  /** Whether tin and press stand beside the paper, come in over it, or lie below it. */
  readonly panels: "beside" | "over" | "below";
}

interface Room {
  /** CSS pixels. */
  readonly width: number;
  readonly height: number;
  /** Whether controls are as large as a finger needs. */
  readonly fingers: boolean;
  /** CSS pixels. */
  readonly rem: number;
}

/** What the paper keeps of the window at least, where panels stand beside it. */
const LEAST_PAPER = 0.6;

/** As app.css lays them out. */
const BARS = { fine: [3.25, 3.75], touch: [3.75, 4.25] };
const PANELS = { fine: [11.25, 12.5], touch: [15, 17] };

const RAIL_IN_ONE = 60;
const TRAY_IN_ONE = 70;
const TOOLS_IN_ROW = 46;
const LEAST_HEIGHT = 28;

export function planFrame({ width, height, fingers, rem }: Room): FramePlan {
  const [wide, high] = [width / rem, height / rem];
  const kind = fingers ? "touch" : "fine";
  const [railHigh, trayHigh] = BARS[kind];
  const [tin, press] = PANELS[kind];
  const share = ((wide - tin - press) * (high - railHigh - trayHigh)) / (wide * high);
  const stands = share >= LEAST_PAPER;
  return {
    rail: wide >= RAIL_IN_ONE ? 1 : 2,
    tray: wide >= (fingers ? TRAY_IN_ONE + 10 : TRAY_IN_ONE) ? 1 : 2,
    tools: wide >= TOOLS_IN_ROW ? "row" : "one",
    panels: high < LEAST_HEIGHT ? "below" : stands ? "beside" : "over",
  };
}
