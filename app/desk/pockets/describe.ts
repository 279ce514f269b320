/** The paper in words. */
import { stageOf } from "../stages/index.ts";
import type { Desk } from "../store/desk-state.ts";
import { pocketCounts } from "./stats.ts";

/** What lies on the paper, and what its keys do now. */
export function describeDrawing(desk: Desk): string {
  const { all, coloured } = pocketCounts(desk);
  const { tin, name } = desk.drawing;
  const hand = desk.stage === "Flats" ? ` In hand: ${tin[desk.paint.colour]?.name ?? "no colour"}.` : "";
  return `${name}: ${all} pockets, ${coloured} coloured. ${desk.stage}: ${stageOf(desk).keys}${hand}`;
}
