/** Shade made by the lamp: each tone so many steps of its pocket's own colour, whatever that becomes. */
import type { Drawing, Form, Pour } from "../drawing/drawing.ts";
import { type FormTone, tonesOfForm } from "../light/form-tones.ts";
import { lampOn } from "../light/lamp.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import { formedBy, type KeyedForm } from "./formed.ts";
import type { Item } from "./items.ts";
import { lampRank } from "./lamp-order.ts";
import { litPockets } from "./lit-pour.ts";
import { memo, sameList } from "./memo.ts";
import type { Palette } from "./palette.ts";

type Lit = Pick<Drawing, "lamp" | "page">;

const kept = memo<Pocket, readonly Item[]>();

/** Its shade, or where it shines. */
export const formItems = (
  what: "form" | "shine",
  drawing: Drawing,
  part: string,
  derived: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  litPockets(drawing, part, derived).flatMap(({ pocket, pour }) => {
    if (!pour.form) return [];
    const { light } = derived;
    const formed = formedBy(pocket, pour.form, derived, drawing);
    const tones = light
      ? light.tonesOf(pocket.key, formed, pour.form, drawing)
      : formTones(formed, pour.form, drawing);
    const items = itemsOf(pocket, { ...pour, form: pour.form }, tones, palette);
    return tones.flatMap(({ deeper, shines }, k): Ranked[] =>
      shines === (what === "shine") ? [{ rank: lampRank(deeper), item: items[k] }] : [],
    );
  });

function itemsOf(
  pocket: Pocket,
  pour: Pour & { readonly form: Form },
  tones: readonly FormTone[],
  palette: Palette,
): readonly Item[] {
  const { id, paint, gradient, form } = pour;
  return kept(pocket, [id, paint, gradient, form, tones, palette], () =>
    tones.map(
      ({ chains, deeper }, k): Item => ({
        id: `${id}-form-${k + 1}`,
        says: { is: "over" },
        area: { kind: "region", chains, evenOdd: false },
        paint: deeperPaint(pour, deeper, palette),
        effects: { clip: pocket.cover, ...(form.soft ? { blur: form.soft } : {}) },
      }),
    ),
  );
}

interface Shaped {
  readonly of: readonly unknown[];
  readonly tones: readonly FormTone[];
}

const shaped = new WeakMap<KeyedForm, Map<string, Shaped>>();
/** The tones of this many forms of one outline are remembered, since pockets of one part may have different forms. */
const MOST_KEPT = 8;

/** Made anew only where outline, lamp or form have changed; the same for forms that are alike. */
export function formTones(formed: KeyedForm, form: Form, drawing: Lit): readonly FormTone[] {
  const known = shaped.get(formed) ?? new Map<string, Shaped>();
  shaped.set(formed, known);
  const of = [drawing.lamp, drawing.page.box];
  const name = JSON.stringify(form);
  const before = known.get(name);
  if (before && sameList(before.of, of)) return before.tones;
  if (known.size >= MOST_KEPT) known.clear();
  const tones = tonesOfForm(formed, form, lampOn(drawing));
  known.set(name, { of, tones });
  return tones;
}
