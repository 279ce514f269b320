/** The menu at the pointer on the Light stage: for the shade it was opened on. */
import { changeShade, removeShade } from "#core/drawing/edits.ts";
import type { StageMenu } from "../../stages/menu.ts";
import { shadeAt } from "./shade-at.ts";

export const shadeMenu: StageMenu = {
  aim: ({ desk, at }) => desk.getState().set({ chosenShade: shadeAt(desk.getState(), at)?.id ?? null }),
  entries: (desk) => {
    const { chosenShade, drawing, paint, edit } = desk.getState();
    const shade = drawing.shades[chosenShade ?? ""];
    if (!shade) return [];
    const colour = drawing.tin[paint.colour]?.name ?? "colour";
    return [
      { word: `Give it ${colour}`, act: () => edit(changeShade(shade.id, { paint })) },
      { word: "Remove", keys: "Backspace", act: () => edit(removeShade(shade.id)) },
    ];
  },
};
