/** What is poured cut out of the colour shapes it lies on. */

import type { Edit } from "#core/drawing/history.ts";
import { reshape } from "#core/drawing/shape-edits.ts";
import { boundsOf, boxesApart } from "#core/geometry/point.ts";
import { combined } from "#core/lines/booleans.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import type { Desk } from "../store/desk-state.ts";

/** A pour that also takes its pockets out of every shape of the flats beneath. */
export function cuttingOut({ drawing }: Pick<Desk, "drawing">, pockets: readonly Pocket[], pour: Edit): Edit {
  const shapes = Object.values(drawing.flatShapes).filter(({ sheet }) => !sheet);
  const cut = shapes.flatMap((shape) => {
    const box = boundsOf(shape.outline);
    const over = pockets.filter((pocket) => box && !boxesApart(box, pocket.box));
    if (over.length === 0) return [];
    const after = over.reduce((now, { outline }) => combined(now, { outline, evenOdd: true }, "subtract"), {
      outline: shape.outline,
      evenOdd: shape.evenOdd,
    });
    return [{ id: shape.id, ...after }];
  });
  const cutting = reshape(cut, "flats", pour.label);
  return {
    ...pour,
    change: (draft) => {
      cutting.change(draft);
      pour.change(draft);
    },
  };
}
