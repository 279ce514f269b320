/** The menu at the pointer on the Lines stage: for the lines that are chosen. */
import { orderLines, removeLines } from "#core/drawing/line-edits.ts";
import { copyChosen, pasteHere } from "../keys/clipboard.ts";
import { makePart } from "../parts/part-actions.ts";
import type { MenuEntry, StageMenu } from "../stages/menu.ts";
import type { DeskStore } from "../store/desk-state.ts";
import { duplicateChosen } from "../tools/arrange/arrange-state.ts";
import { fitChosen } from "../tray/zoom.ts";
import { chooseLines, hideLines, lockLines } from "./line-actions.ts";
import { lineInSight } from "./lines-near.ts";

export const lineMenu: StageMenu = {
  aim: ({ desk, at, pixel }) => {
    const state = desk.getState();
    const line = lineInSight(state, at, pixel);
    if (line && !state.selected.includes(line.id)) chooseLines(desk, [line.id], false);
  },
  entries: (desk) => (desk.getState().selected.length > 0 ? chosenEntries(desk) : [pasteEntry(desk)]),
};

const pasteEntry = (desk: DeskStore): MenuEntry => ({
  word: "Paste",
  keys: "Ctrl V",
  act: () => void pasteHere(desk),
});

function chosenEntries(desk: DeskStore): MenuEntry[] {
  const state = desk.getState();
  const { selected, drawing, edit } = state;
  const lines = selected.flatMap((id) => drawing.strokes[id] ?? drawing.inkShapes[id] ?? []);
  const hidden = lines.every((line) => line.hidden);
  const locked = lines.every((line) => line.locked);
  const group = lines[0]?.groups?.join("/");
  const inGroup = [...Object.values(drawing.strokes), ...Object.values(drawing.inkShapes)].filter(
    ({ groups }) => group !== undefined && groups?.join("/") === group,
  );
  return [
    { word: "Copy", keys: "Ctrl C", act: () => void copyChosen(desk) },
    { word: "Cut", keys: "Ctrl X", act: () => void copyChosen(desk, true) },
    pasteEntry(desk),
    { word: "Copy a little aside", keys: "Ctrl D", act: () => duplicateChosen(desk) },
    { word: "Bring to the front", parted: true, act: () => edit(orderLines(selected, "front")) },
    { word: "Send to the back", act: () => edit(orderLines(selected, "back")) },
    { word: "Make a part", act: () => void makePart(desk, { lines: selected }) },
    ...(inGroup.length > lines.length
      ? [
          {
            word: `Choose all of ${lines[0].groups!.at(-1)}`,
            act: () =>
              chooseLines(
                desk,
                inGroup.map(({ id }) => id),
                false,
              ),
          },
        ]
      : []),
    { word: "Show it large", keys: "8", act: () => fitChosen(desk) },
    { word: hidden ? "Show" : "Hide", parted: true, act: () => hideLines(state, selected, !hidden) },
    { word: locked ? "Unlock" : "Lock", act: () => lockLines(state, selected, !locked) },
    { word: "Remove", keys: "Backspace", act: () => edit(removeLines(selected)) },
  ];
}
