/** What can be done with lines, by list, key or menu. */
import { changeLines } from "#core/drawing/line-edits.ts";
import { counted } from "#core/words.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";

/** Tools that work on what is chosen. */
const TAKES_CHOSEN = ["arrange", "bend", "tidy"];

/** Chooses lines, or with `adds` takes them to those that are chosen, or from them where all are already. */
export function chooseLines(desk: DeskStore, ids: readonly string[], adds: boolean): void {
  const { selected, tools, chooseTool, choose, say } = desk.getState();
  const before = new Set(adds ? selected : []);
  const all = ids.every((id) => before.has(id));
  for (const id of ids)
    if (all) before.delete(id);
    else before.add(id);
  if (!TAKES_CHOSEN.includes(tools.Lines ?? "")) chooseTool("arrange");
  choose([...before]);
  say(counted(before.size, "line chosen", "lines chosen"));
}

export const hideLines = ({ edit }: Desk, ids: readonly string[], hidden: boolean): void =>
  edit(changeLines(ids, { hidden }));

export const lockLines = ({ edit }: Desk, ids: readonly string[], locked: boolean): void =>
  edit(changeLines(ids, { locked }));

export const nameLine = ({ edit }: Desk, id: string, name: string): void => edit(changeLines([id], { name }));
