/** Bringing into sight what wants a look, and going back to the view from before once that is over. */
import type { Point } from "#core/geometry/point.ts";
import { fitView, viewOn } from "../../painting/view.ts";
import type { Desk } from "../store/desk-state.ts";

type Sight = Pick<Desk, "view" | "lookedFrom">;

/** `size` in page units. */
export function sightOf({ view, lookedFrom, matSize, drawing }: Desk, at: Point, size: number): Sight {
  const to = viewOn(view, at, matSize, size, fitView(drawing.page.box, matSize).scale);
  if (to === view) return { view, lookedFrom };
  return { view: to, lookedFrom: { from: lookedFrom?.to === view ? lookedFrom.from : view, to } };
}

/** Nothing changes where the hand has moved the paper since. */
export const sightBefore = ({ view, lookedFrom }: Sight): Sight => ({
  view: lookedFrom?.to === view ? lookedFrom.from : view,
  lookedFrom: null,
});
