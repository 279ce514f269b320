/** What the lamp was asked for and nobody will see: said, with what to do. */
import { stepOf, stepWord } from "#core/colour/ladder.ts";
import type { Colour, Pour } from "#core/drawing/drawing.ts";
import type { LampMade } from "#core/drawing/light-edits.ts";
import { range } from "#core/geometry/lists.ts";
import { shadowsOf } from "#core/scene/cast-items.ts";
import type { Desk } from "../../store/desk-state.ts";
import { shownTin } from "../../tin/shown-tin.ts";

/** A sentence where what was made of some pours does not show; undefined where all of it does. */
export function unseenOf(desk: Desk, made: LampMade, pours: readonly string[]): string | undefined {
  if (made === "cast") return isAllLevel(desk, pours) ? LEVEL : undefined;
  const tin = shownTin(desk);
  for (const id of pours) {
    const pour = desk.drawing.pours[id];
    const colour = tin[pour?.paint?.colour ?? ""];
    const missing = colour && withoutRoom(colour, pour, made);
    if (missing !== undefined)
      return `${colour.name} has no tone that is ${stepWord(missing)}, so that not all of this shows on it. Pour it on another step, or change its ladder.`;
  }
  return undefined;
}

const LEVEL =
  "All of these stand as high as what is around them, and throw no shadow on one another. Leave out those that lie low, or choose one and change how high it stands.";

const isAllLevel = ({ drawing, derived }: Desk, pours: readonly string[]): boolean =>
  pours.length > 0 && pours.every((id) => shadowsOf(id, drawing, derived.whole).length === 0);

/** By how many steps, lighter above 0, a tone lies from its pocket that looks like the one before it. */
function withoutRoom(colour: Colour, pour: Pour, made: "form" | "rim"): number | undefined {
  const own = pour.paint!.step;
  const [darker, lighter] = made === "form" ? tonesOf(pour) : [[], [-pour.rim!.deeper]];
  const ways = [darker, lighter].map((steps) => [0, ...steps]);
  for (const steps of ways)
    for (let k = 1; k < steps.length; k++)
      if (stepOf(colour, own + steps[k]) === stepOf(colour, own + steps[k - 1])) return steps[k];
  return undefined;
}

function tonesOf({ form }: Pour): readonly [readonly number[], readonly number[]] {
  const { tones, deeper, shine } = form!;
  return [range(1, tones + 1).map((k) => -k * deeper), shine ? [Math.abs(deeper)] : []];
}
