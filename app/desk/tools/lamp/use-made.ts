import type { LampMade } from "#core/drawing/light-edits.ts";
import { useDesk } from "../../store/use-desk.ts";
import { lampState, ownMade, shownAs } from "./lamp-state.ts";

/** What the fields of something that the lamp makes show. */
export function useMade<K extends LampMade>(made: K): ReturnType<typeof shownAs<K>> {
  const own = useDesk((s) => ownMade(s, made));
  const settings = useDesk((s) => lampState.settings(s)[made]);
  const pageWidth = useDesk((s) => s.drawing.page.box.width);
  return shownAs(made, own, settings, pageWidth);
}
