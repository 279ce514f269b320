import { type Drawing, ranked } from "#core/drawing/drawing.ts";
import { partsOf } from "#core/drawing/parts.ts";
import type { ChoiceSlice, GetDesk, SetSlice } from "./desk-state.ts";

export const choiceSlice = (set: SetSlice<ChoiceSlice>, drawing: Drawing): ChoiceSlice => ({
  selected: [],
  paint: firstPaint(drawing),
  part: partsOf(drawing).at(-1)!.id,
  walked: null,
  shownWaiting: null,
  choose: (selected) => set({ selected }),
  takePaint: (paint) => set({ paint }),
  workOn: (part) => set({ part }),
  walkTo: (walked) => set({ walked }),
  showWaiting: (shownWaiting) => set({ shownWaiting }),
});

const firstPaint = ({ tin }: Drawing) => ({ colour: ranked(tin)[0]?.id ?? "", step: 0 });

/** Lets go of what the drawing does not have any more. */
export function unchooseTheGone(get: GetDesk): void {
  const { drawing, selected, paint, part, choose, takePaint, workOn } = get();
  const { strokes, inkShapes, shades, flatShapes, tin, parts } = drawing;
  const left = selected.filter((id) => strokes[id] ?? inkShapes[id] ?? flatShapes[id] ?? shades[id]);
  if (left.length < selected.length) choose(left);
  if (!tin[paint.colour]) takePaint(firstPaint(drawing));
  if (!parts[part]) workOn(partsOf(drawing).at(-1)!.id);
}
