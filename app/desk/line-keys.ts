/** The keys of the line tools, on the paper. */
import { ranked } from "#core/drawing/drawing.ts";
import { showLength } from "#core/drawing/length.ts";
import { removeLines } from "#core/drawing/line-edits.ts";
import { translation } from "#core/geometry/matrix.ts";
import type { Point } from "#core/geometry/point.ts";
import { activeTool, type DeskStore } from "./store/desk-store.ts";
import { shortTails } from "./lines/line-settings.ts";
import { transformChosen } from "./tools/arrange/arrange.ts";
import { addPointAfter, nudgePoints, removePoints, stepPoint, turnPoint } from "./tools/bend/bend.ts";
import { drivePeg, finishPegs, nudgePeg } from "./tools/draw/pegs.ts";
import { applyTidy, chooseForTidy } from "./tools/tidy/tidy.ts";
import { trimTails } from "./tools/trim/trim.ts";

const ARROWS: Record<string, Point> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** Screen pixels one press of an arrow goes, and with Shift. */
const STEP = 2;
const FAR = 20;

/** Whether the key meant something to the tool in hand. */
export function onLineKey(desk: DeskStore, event: KeyboardEvent): boolean {
  const tool = activeTool(desk.getState());
  if (event.key === "[" || event.key === "]") return chooseLine(desk, event.key === "]" ? 1 : -1);
  if (event.key in ARROWS) return nudge(desk, ARROWS[event.key], event.shiftKey ? FAR : STEP);
  if (event.key === "Backspace" || event.key === "Delete") return remove(desk);
  if (tool === "bend" && (event.key === "{" || event.key === "}"))
    stepPoint(desk, event.key === "}" ? 1 : -1);
  else if (tool === "bend" && event.key.toLowerCase() === "a") withHeldPoint(desk, addPointAfter);
  else if (event.key !== "Enter") return false;
  else if (tool === "tidy") applyTidy(desk);
  else if (tool === "trim") trimTails(desk, shortTails(desk.getState()));
  else if (tool === "bend") withHeldPoint(desk, turnPoint);
  else if (tool === "draw" && event.shiftKey) finishPegs(desk, true);
  else if (tool === "draw") drivePeg(desk);
  else return false;
  return true;
}

function withHeldPoint(desk: DeskStore, act: (desk: DeskStore, point: number) => void): void {
  const [point] = desk.getState().heldPoints;
  if (point !== undefined) act(desk, point);
}

/** Chooses the next line or the one before, and says which it is. */
function chooseLine(desk: DeskStore, by: number): boolean {
  const state = desk.getState();
  const { strokes, inkShapes, page } = state.history.drawing;
  const lines = [...ranked(strokes), ...ranked(inkShapes)].sort((a, b) => a.rank - b.rank);
  if (lines.length === 0) return false;
  const at = lines.findIndex(({ id }) => id === state.selected[0]);
  const next = at < 0 ? (by > 0 ? 0 : lines.length - 1) : (at + by + lines.length) % lines.length;
  const line = lines[next];
  const kind = "points" in line ? `${showLength(page, line.width)} wide` : "ink shape";
  const said = `Line ${next + 1} of ${lines.length}${line.name ? `, ${line.name}` : ""}, ${kind}`;
  state.set({ heldPoints: [], said });
  if (activeTool(state) === "tidy") chooseForTidy(desk, [line.id]);
  else state.set({ selected: [line.id] });
  return true;
}

function nudge(desk: DeskStore, [dx, dy]: Point, pixels: number): boolean {
  const state = desk.getState();
  const tool = activeTool(state);
  const by: Point = [(dx * pixels) / state.view.scale, (dy * pixels) / state.view.scale];
  if (tool === "draw" && state.drawSettings.way === "pegs")
    nudgePeg(desk, [dx * pixels * 2, dy * pixels * 2]);
  else if (tool === "bend" && state.heldPoints.length > 0) nudgePoints(desk, by);
  else if (tool === "arrange" && state.selected.length > 0)
    transformChosen(
      desk,
      translation(by[0], by[1]),
      state.selected.length === 1 ? "Move line" : "Move lines",
    );
  else return false;
  return true;
}

function remove(desk: DeskStore): boolean {
  const { selected, heldPoints, pegs, edit, set, tools } = desk.getState();
  const tool = tools.Lines;
  if (tool === "draw" && pegs.length > 0) set({ pegs: pegs.slice(0, -1) });
  else if (tool === "bend" && heldPoints.length > 0) removePoints(desk);
  else if (tool === "arrange" && selected.length > 0) edit(removeLines(selected));
  else return false;
  return true;
}
