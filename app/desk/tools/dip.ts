/** Dip: takes the colour under the pointer. */
import { pocketAt } from "#core/scene/scene.ts";
import type { Tool } from "./tool.ts";

export const dipTool: Tool = {
  cursor: "cell",
  lightsPockets: true,
  press: ({ desk, at }) => {
    const { derived, history, set } = desk.getState();
    const pocket = pocketAt(derived.pockets, at);
    const pourId = pocket && derived.pourOf[derived.pockets.indexOf(pocket)];
    const paint = pourId && history.drawing.pours[pourId].paint;
    if (paint) set({ paint, said: `Dipped ${history.drawing.tin[paint.colour]?.name}` });
    return undefined;
  },
};
