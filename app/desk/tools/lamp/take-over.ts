/** Shade made by the lamp becomes drawn: it stays where it is, in the colour it had, and the lamp moves it no more. */
import type { Shade } from "#core/drawing/drawing.ts";
import { steppedGradient } from "#core/drawing/gradients.ts";
import type { Edit } from "#core/drawing/history.ts";
import { setForm } from "#core/drawing/light-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { addShade } from "#core/drawing/shape-edits.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { formTones } from "#core/scene/form-items.ts";
import { steppedPaint } from "../../pockets/pour-into.ts";
import type { Desk } from "../../store/desk-state.ts";

export function takeOver(
  { drawing, derived }: Desk,
  pour: string,
): { readonly edit: Edit; readonly ids: readonly string[] } {
  const own = drawing.pours[pour];
  const pockets = derived.pockets.filter((_, index) => derived.pourOf[index] === pour);
  const shades = pockets.flatMap((pocket) =>
    formTones(pocket, own, drawing).map(
      ({ chains, deeper }): Omit<Shade, "rank"> => ({
        id: newId(),
        kind: "drawn",
        anchor: anchorOf(pocket),
        outline: chains,
        evenOdd: false,
        paint: steppedPaint(drawing, own.paint!, -deeper),
        ...(own.gradient ? { gradient: { ...steppedGradient(own.gradient, -deeper), cloth: newId() } } : {}),
        opacity: 1,
        ...(own.form!.soft ? { soft: own.form!.soft } : {}),
      }),
    ),
  );
  const left = setForm([pour], null);
  return {
    ids: shades.map(({ id }) => id),
    edit: {
      ...left,
      label: "Take shade over",
      change: (draft) => {
        left.change(draft);
        for (const shade of shades) addShade(shade).change(draft);
      },
    },
  };
}
