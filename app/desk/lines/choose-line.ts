/** Choosing lines one after another, as keys do. */
import { showLength } from "#core/drawing/length.ts";
import { pickable } from "../parts/pickable.ts";
import type { DeskStore } from "../store/desk-state.ts";

/** Chooses the next line or the one before, and says which it is. */
export function chooseLine(desk: DeskStore, by: number): void {
  const state = desk.getState();
  const { drawing, selected } = state;
  const { strokes, inkShapes, page } = drawing;
  const lines = [...pickable(state, strokes), ...pickable(state, inkShapes)].sort((a, b) => a.rank - b.rank);
  if (lines.length === 0) return;
  const at = lines.findIndex(({ id }) => id === selected[0]);
  const next = at < 0 ? (by > 0 ? 0 : lines.length - 1) : (at + by + lines.length) % lines.length;
  const line = lines[next];
  const kind = "points" in line ? `${showLength(page, line.width)} wide` : "ink shape";
  const said = `Line ${next + 1} of ${lines.length}${line.name ? `, ${line.name}` : ""}, ${kind}`;
  state.choose([line.id]);
  state.say(said);
}
