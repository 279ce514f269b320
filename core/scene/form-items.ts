/** Shade made by the lamp: each tone so many steps of its pocket's own colour, whatever that becomes. */
import type { Drawing, Pour } from "../drawing/drawing.ts";
import { formShade, formShine } from "../light/form-shade.ts";
import { lampOn } from "../light/lamp.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { deeperPaint } from "./deeper-paint.ts";
import type { PocketsDerived, Ranked } from "./flat-of.ts";
import type { Item } from "./items.ts";
import { keeper, sameList } from "./kept.ts";
import { lampRank } from "./lamp-order.ts";
import { litPour } from "./lit-pour.ts";
import type { Palette } from "./palette.ts";

/** One tone of a form: closed chains of cubics, and how many steps deeper than its pocket they are. */
export interface FormTone {
  readonly chains: readonly (readonly number[])[];
  readonly deeper: number;
  /** Whether it is where the form faces the lamp. */
  readonly shines: boolean;
}

interface Shaped {
  readonly of: readonly unknown[];
  readonly tones: readonly FormTone[];
}

const shaped = new WeakMap<Pocket, Shaped>();
const kept = keeper<Pocket, readonly Item[]>();

/** Its shade, or where it shines. */
export const formItems = (
  what: "form" | "shine",
  drawing: Drawing,
  part: string,
  { pockets, pourOf }: PocketsDerived,
  palette: Palette,
): Ranked[] =>
  pockets.flatMap((pocket, index) => {
    if (pocket.part !== part) return [];
    const own = drawing.pours[pourOf[index] ?? ""];
    const pour = own && litPour(own, pocket, drawing.styles);
    if (!pour?.form || !pour.paint || pour.spot) return [];
    const items = itemsOf(pocket, pour, drawing, palette);
    return formTones(pocket, pour, drawing).flatMap(({ deeper, shines }, k): Ranked[] =>
      shines === (what === "shine") ? [{ rank: lampRank(deeper), item: items[k] }] : [],
    );
  });

function itemsOf(pocket: Pocket, pour: Pour, drawing: Drawing, palette: Palette): readonly Item[] {
  const { id, paint, gradient, form } = pour;
  const tones = formTones(pocket, pour, drawing);
  return kept(pocket, [id, paint, gradient, form, tones, palette], () =>
    tones.map(
      ({ chains, deeper }, k): Item => ({
        id: `${id}-form-${k + 1}`,
        says: { is: "over" },
        area: { kind: "region", chains, evenOdd: false },
        paint: deeperPaint(pour, deeper, palette),
        effects: { clip: pocket.cover, ...(form!.soft ? { blur: form!.soft } : {}) },
      }),
    ),
  );
}

/** The tones, the lightest shade first and the shine last; made anew only where pocket, lamp or form have changed. */
export function formTones(
  pocket: Pocket,
  { form }: Pick<Pour, "form">,
  drawing: Pick<Drawing, "lamp" | "page">,
): Shaped["tones"] {
  if (!form) return [];
  const of = [drawing.lamp, drawing.page.box, form];
  const before = shaped.get(pocket);
  if (before && sameList(before.of, of)) return before.tones;
  const lamp = lampOn(drawing);
  const { deeper, shine } = form;
  const shade = formShade(pocket, lamp, form).map(
    (chains, k): FormTone => ({ chains, deeper: deeper * (k + 1), shines: false }),
  );
  const light = shine
    ? [{ chains: formShine(pocket, lamp, { ...form, size: shine }), deeper: -Math.abs(deeper), shines: true }]
    : [];
  const tones = [...shade, ...light].filter(({ chains }) => chains.length > 0);
  shaped.set(pocket, { of, tones });
  return tones;
}
