/** What is done next about something that was refused, by a button beside the sentence that says so. */
import type { Edit } from "#core/drawing/history.ts";
import type { Desk, NextThing, StageName } from "./desk-state.ts";

export const nextEdit = (word: string, edit: Edit): NextThing => ({ word, run: (desk) => desk.edit(edit) });

export const nextTool = (word: string, stage: StageName, tool: string): NextThing => ({
  word,
  run: ({ chooseStage, chooseTool }) => {
    chooseStage(stage);
    chooseTool(tool);
  },
});

/** Says that a colour is wanted first, and leads to pouring one. */
export const askForColour = ({ tell }: Desk, why: string): void =>
  tell(`Pour a colour here first: ${why}.`, nextTool("Take Pour", "Flats", "pour"));
