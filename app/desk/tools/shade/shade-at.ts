import type { Shade } from "#core/drawing/drawing.ts";
import { flatten } from "#core/geometry/cubic.ts";
import type { Point } from "#core/geometry/point.ts";
import { regionContains } from "#core/geometry/polygon.ts";
import { pocketAt } from "#core/scene/scene.ts";
import type { Desk } from "../../store/desk-state.ts";

/** The topmost shade that shows at a point. */
export function shadeAt({ history, derived }: Desk, at: Point): Shade | undefined {
  const under = pocketAt(derived.pockets, at);
  if (!under) return undefined;
  const index = derived.pockets.indexOf(under);
  const tolerance = history.drawing.page.box.width / 2000;
  return Object.values(history.drawing.shades)
    .sort((a, b) => b.rank - a.rank)
    .find(
      ({ id, points }) =>
        derived.pocketsOf.get(id)?.includes(index) && regionContains([flatten(points, tolerance)], at),
    );
}
