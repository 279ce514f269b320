/** Shade made by the lamp: each tone so many steps of its pocket's own colour, whatever that becomes. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import { formShade } from "../light/form-shade.ts";
import { lampOn } from "../light/lamp.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { keeper, sameList } from "./kept.ts";
import type { Palette } from "./palette.ts";
import { steppedPaint } from "./stepped-paint.ts";

interface Shaped {
  readonly of: readonly unknown[];
  readonly shapes: readonly (readonly (readonly number[])[])[];
}

const shaped = new WeakMap<Pocket, Shaped>();
const kept = keeper<Pocket, readonly Item[]>();

/** Beneath all that is drawn on the sheet by hand. */
export const formItems = (
  drawing: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  pockets.flatMap((pocket, index) => {
    if (pocket.part !== part) return [];
    const pour = drawing.pours[pourOf[index] ?? ""];
    if (!pour?.form || !pour.paint || pour.spot) return [];
    return itemsOf(pocket, pour, drawing, palette).map((item): Ranked => ({ rank: BELOW, item }));
  });

const BELOW = Number.MIN_SAFE_INTEGER;

function itemsOf(pocket: Pocket, pour: Pour, drawing: Drawing, palette: Palette): readonly Item[] {
  const { id, paint, gradient, form } = pour;
  const shapes = formShapes(pocket, pour, drawing);
  return kept(pocket, [id, paint, gradient, form, shapes, palette], () =>
    shapes.map(
      (chains, k): Item => ({
        id: `${id}-form-${k + 1}`,
        says: { is: "over" },
        area: { kind: "region", chains, evenOdd: false },
        paint: steppedPaint(pour, -form!.deeper * (k + 1), palette),
        effects: { clip: pocket.cover, ...(form!.soft ? { blur: form!.soft } : {}) },
      }),
    ),
  );
}

/** The outlines of the tones, the lightest first; made anew only where pocket, lamp or form have changed. */
export function formShapes(
  pocket: Pocket,
  { form }: Pick<Pour, "form">,
  drawing: Pick<Drawing, "lamp" | "page">,
): Shaped["shapes"] {
  if (!form) return [];
  const { tones, roundness, reach, folds } = form;
  const of = [drawing.lamp, drawing.page.box, tones, roundness, reach, folds];
  const before = shaped.get(pocket);
  if (before && sameList(before.of, of)) return before.shapes;
  const shapes = formShade(pocket, lampOn(drawing), { tones, roundness, reach, folds }).filter(
    (chains) => chains.length > 0,
  );
  shaped.set(pocket, { of, shapes });
  return shapes;
}
