/** A desk for tests: the real store, with the pocket worker's work done in the same thread. */
import type { Paint } from "#core/drawing/drawing.ts";
import { beginHistory } from "#core/drawing/history.ts";
import { importSvg } from "#core/formats/import-drawing.ts";
import type { Point } from "#core/geometry/point.ts";
import { toolNamed } from "../stages/index.ts";
import type { Gesture, Press } from "../tools/tool.ts";
import type { DeskStore } from "./desk-state.ts";
import { createDesk } from "./desk-store.ts";

export const svg = (body: string): string =>
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 100 100"><g fill="none" stroke="#000" stroke-width="1">${body}</g></svg>`;

/** Opens an SVG on a desk shown at ten pixels to a page unit, and waits for its pockets and gaps. */
export async function openDesk(text: string): Promise<DeskStore> {
  const { drawing } = importSvg("Test", text);
  const desk = createDesk("test", { history: beginHistory(drawing), revision: 0, kept: "memory" });
  desk.getState().resizeMat({ width: 1056, height: 1056 });
  desk.getState().moveView({ scale: 10, x: 28, y: 28 });
  opened = desk;
  await settled();
  return desk;
}

let opened: DeskStore;
const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Until the pockets of the desk opened last are read, and its gaps, once the hand rests. */
export async function settled(): Promise<void> {
  await pause(30);
  const isRead = () => {
    const { reading, gaps, stamp } = opened.getState();
    return !reading && gaps.stamp === stamp;
  };
  for (let k = 0; k < 400 && !isRead(); k++) await pause(10);
}

export const pressAt = (desk: DeskStore, at: Point, extra: Partial<Press> = {}): Press => ({
  desk,
  at,
  screen: [0, 0],
  pixel: 1 / desk.getState().view.scale,
  pressure: 0.5,
  shift: false,
  alt: false,
  ...extra,
});

/** Presses at the first of some places, moves through the rest and lets go. */
export function dragTool(
  desk: DeskStore,
  tool: string,
  places: readonly Point[],
  extra: Partial<Press> = {},
): void {
  const gesture = beginDrag(desk, tool, places, extra);
  gesture?.end?.(pressAt(desk, places[places.length - 1], extra));
  desk.getState().keep();
}

/** The same, still held. */
export function beginDrag(
  desk: DeskStore,
  tool: string,
  [first, ...rest]: readonly Point[],
  extra: Partial<Press> = {},
): Gesture | undefined {
  const gesture = toolNamed(tool).press(pressAt(desk, first, extra));
  for (const at of rest) gesture?.move?.(pressAt(desk, at, extra));
  return gesture;
}

/** The paint at a place, or null. */
export function paintAt(desk: DeskStore, at: Point): Paint | null {
  const { derived, drawing } = desk.getState();
  const index = derived.pockets.findIndex(({ seed }) => Math.hypot(seed[0] - at[0], seed[1] - at[1]) < 12);
  const id = derived.pourOf[index];
  return (id !== undefined && drawing.pours[id]?.paint) || null;
}

export const labels = (desk: DeskStore): string[] => desk.getState().history.steps.map(({ label }) => label);
export const strokesOf = (desk: DeskStore) => Object.values(desk.getState().drawing.strokes);
