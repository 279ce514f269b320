/** A pour with the light of the style it follows, as that lies in one of its pockets. */
import type { Drawing, Paint, Pour } from "../drawing/drawing.ts";
import { type PlacedLight, placedLight } from "../drawing/light-styles.ts";
import type { Pocket } from "../pockets/pockets.ts";
import type { PocketsDerived } from "./flat-of.ts";
import { memo } from "./memo.ts";

const placed = memo<Pocket, PlacedLight>();
const lit = memo<Pocket, Pour>();

/** The light of its style where it follows one. */
export function styleLight(pour: Pour, pocket: Pocket, styles: Drawing["styles"]): PlacedLight | undefined {
  const { style: use, paint, id } = pour;
  const style = use && styles[use.style];
  if (!style || !paint) return undefined;
  const named = { cloth: `${id}-style`, name: `${id} ${pocket.key}` };
  return placed(pocket, [style, use, paint.colour, paint.step], () =>
    placedLight(style, { box: pocket.box, paint: paint as Paint }, use, named),
  );
}

/** What it has of its own comes first. */
export function litPour(pour: Pour, pocket: Pocket, styles: Drawing["styles"]): Pour {
  const light = styleLight(pour, pocket, styles);
  if (!light) return pour;
  return lit(pocket, [pour, light], () => {
    const { form, rim, cast, gradient } = light;
    return {
      ...pour,
      ...(form && !pour.form && { form }),
      ...(rim && !pour.rim && { rim }),
      ...(cast && !pour.cast && { cast }),
      ...(gradient && !pour.gradient && { gradient }),
    };
  });
}

/** A pocket of a colour of its own, that light can be made of. */
export interface LitPocket {
  readonly pocket: Pocket;
  readonly pour: Pour & { readonly paint: Paint };
}

const byPart = memo<PocketsDerived["pourOf"], Map<string, readonly LitPocket[]>>();

/** The lit pockets of a part, each with the light of its style; worked out once for all callers. */
export function litPockets(
  { pours, styles }: Pick<Drawing, "pours" | "styles">,
  part: string,
  { pockets, pourOf }: PocketsDerived,
): readonly LitPocket[] {
  const known = byPart(pourOf, [pockets, pours, styles], () => new Map());
  const before = known.get(part);
  if (before) return before;
  const found: LitPocket[] = [];
  for (let k = 0; k < pockets.length; k++) {
    const [id, pocket] = [pourOf[k], pockets[k]];
    const own = id !== undefined && pocket.part === part ? pours[id] : undefined;
    if (own?.paint && !own.spot)
      found.push({ pocket, pour: litPour(own, pocket, styles) as LitPocket["pour"] });
  }
  known.set(part, found);
  return found;
}
