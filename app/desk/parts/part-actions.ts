/** What can be done with parts, by button, key or menu. */
import { changePart, copyPart, orderParts, patchEdit, removePart } from "#core/drawing/part-edits.ts";
import { partOf, partsOf } from "#core/drawing/parts.ts";
import { translation } from "#core/geometry/matrix.ts";
import { type Met, stillThere } from "../pockets/still-there.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";
import { onceRead } from "../store/once-read.ts";

/** Makes a part of pockets, or of lines with all they enclose, in front of the one they are in. */
export async function makePart(
  desk: DeskStore,
  { pockets = [], lines = [] }: { readonly pockets?: readonly Met[]; readonly lines?: readonly string[] },
): Promise<void> {
  const state = await onceRead(desk);
  const keys = stillThere(state.derived.pockets, pockets).map(({ key }) => key);
  const from = partFor(state, keys, lines);
  if (!from) {
    state.tell("Those are of several parts. A part is made of what lies in one.");
    return;
  }
  const name = `Part ${Object.keys(state.drawing.parts).length + 1}`;
  const before = new Set(Object.keys(state.drawing.parts));
  const patches = await unlessRefused(
    state,
    state.lines.work.makePart(colourOf(state), { name, part: from, keys, lines }),
  );
  if (!patches) return;
  if (desk.getState().drawing !== state.drawing) return;
  state.edit(patchEdit(`Make ${name}`, patches));
  const made = Object.keys(desk.getState().drawing.parts).find((id) => !before.has(id));
  if (!made) return;
  state.workOn(made);
  state.choose([]);
  state.say(`${name} made, in front.`);
}

/** What the worker has made, or a word that it could not: then nothing has changed. */
const unlessRefused = <T>({ tell }: Desk, work: Promise<T>): Promise<T | undefined> =>
  work.catch(() => {
    tell("That was not done: too many lines meet in one place here. The drawing is as it was.");
    return undefined;
  });

const colourOf = ({ drawing: { pours, shades, flatShapes, creases } }: Desk) => ({
  pours,
  shades,
  flatShapes,
  creases,
});

/** The one part that pockets and lines are in. */
function partFor(
  { derived, drawing }: Desk,
  keys: readonly number[],
  lines: readonly string[],
): string | undefined {
  const wanted = new Set(keys);
  const parts = new Set([
    ...derived.pockets.flatMap(({ key, part }) => (wanted.has(key) ? [part] : [])),
    ...lines.flatMap((id) => {
      const line = drawing.strokes[id] ?? drawing.inkShapes[id];
      return line ? [partOf(line)] : [];
    }),
  ]);
  return parts.size === 1 ? [...parts][0] : undefined;
}

/** Joins a part to the one behind it, or the rearmost part to the one in front of it. */
export async function joinPart(desk: DeskStore, id: string): Promise<void> {
  const state = await onceRead(desk);
  const parts = partsOf(state.drawing);
  const index = parts.findIndex((part) => part.id === id);
  const into = parts[index - 1] ?? parts[index + 1];
  if (!into) return;
  const patches = await unlessRefused(state, state.lines.work.joinPart(colourOf(state), id, into.id));
  if (!patches) return;
  if (desk.getState().drawing !== state.drawing) return;
  state.edit(patchEdit(`Join ${parts[index].name} to ${into.name}`, patches));
  state.workOn(into.id);
}

/** Copies a part a little aside, in front of it. */
export function duplicatePart(desk: DeskStore, id: string): void {
  const { drawing, view, edit } = desk.getState();
  const copy = copyPart(drawing, id, translation(16 / view.scale, 16 / view.scale));
  edit(copy.edit);
  if (desk.getState().drawing.parts[copy.id]) choosePart(desk, copy.id);
}

export function removeWholePart(desk: DeskStore, id: string): void {
  const { drawing, edit } = desk.getState();
  edit(removePart(id, drawing.parts[id].name));
}

/** Works on a part: all its lines are chosen, to be arranged as one. */
export function choosePart(desk: DeskStore, id: string): void {
  const { drawing, workOn, choose, say, chooseStage } = desk.getState();
  chooseStage("Lines");
  desk.getState().chooseTool("arrange");
  const selected = linesOfPart(drawing, id);
  workOn(id);
  choose(selected);
  say(`${drawing.parts[id].name}: ${selected.length} lines chosen`);
}

const linesOfPart = ({ strokes, inkShapes }: Desk["drawing"], id: string): string[] =>
  [...Object.values(strokes), ...Object.values(inkShapes)]
    .filter((line) => partOf(line) === id && !line.echo)
    .map((line) => line.id);

/** Shows one part alone, with the others faint; called again it shows all. */
export function showAlone(desk: DeskStore, id: string): void {
  const { alone, showOnly } = desk.getState();
  showOnly(alone === id ? null : id);
}

export function movePart(desk: DeskStore, id: string, by: number): void {
  const { drawing, edit } = desk.getState();
  const ids = partsOf(drawing).map((part) => part.id);
  const at = ids.indexOf(id);
  const to = Math.max(0, Math.min(ids.length - 1, at + by));
  if (to === at) return;
  ids.splice(to, 0, ...ids.splice(at, 1));
  edit(orderParts(ids));
}

/** The name of a part where there are several, with what leads up to it; nothing where all is of one. */
export function partWords({ drawing }: Pick<Desk, "drawing">, id: string, before: string): string {
  const { parts } = drawing;
  return Object.keys(parts).length > 1 && parts[id] ? `${before}${parts[id].name}` : "";
}

export const setPart = (desk: Desk, id: string, change: Parameters<typeof changePart>[1]): void =>
  desk.edit(changePart(desk.drawing.parts[id], change));
