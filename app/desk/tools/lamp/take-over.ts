/**
 * What the lamp makes becomes drawn: it stays where it is, in steps of the colour it lies on, and the lamp does
 * not move it any more.
 */
import type { Pour, Shade } from "#core/drawing/drawing.ts";
import { type LampMade, setMade } from "#core/drawing/light-edits.ts";
import { newId } from "#core/drawing/new-id.ts";
import { addShade } from "#core/drawing/shape-edits.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { shadowsOf } from "#core/scene/cast-items.ts";
import { formTones } from "#core/scene/form-items.ts";
import { formedBy } from "#core/scene/formed.ts";
import { rimChains } from "#core/scene/rim-items.ts";
import { steppedPaint } from "../../pockets/pour-into.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";

/** One shape of the shade: where it lies, in which pocket, and how deep in that pocket's colour. */
interface Taken {
  readonly pocket: Pocket;
  readonly pour: Pour;
  readonly chains: readonly (readonly number[])[];
  readonly deeper: number;
  readonly soft: number;
}

const TAKEN: {
  readonly [K in LampMade]: (desk: Desk, own: Pour, pockets: readonly Pocket[]) => readonly Taken[];
} = {
  form: ({ drawing, derived }, own, pockets) =>
    pockets.flatMap((pocket) =>
      formTones(formedBy(pocket, own.form!, derived.whole, drawing), own.form!, drawing).map((tone) => ({
        ...tone,
        pocket,
        pour: own,
        soft: own.form!.soft ?? 0,
      })),
    ),
  rim: ({ drawing }, own, pockets) =>
    pockets.map((pocket) => ({
      pocket,
      pour: own,
      chains: rimChains(pocket, own.rim!, drawing),
      deeper: own.rim!.deeper,
      soft: own.rim!.soft ?? 0,
    })),
  cast: ({ drawing, derived }, own) => shadowsOf(own.id, drawing, derived.whole),
};

/** Takes over what the lamp makes of some pours, as one step, and chooses the shapes it becomes. */
export function takeOver(desk: DeskStore, pours: readonly string[], made: readonly LampMade[]): void {
  const state = desk.getState();
  const pairs = pours.flatMap((pour) => made.map((one) => [pour, one] as const));
  const lit = pairs.filter(([pour, one]) => state.drawing.pours[pour]?.[one]);
  if (lit.length === 0) {
    state.tell("The lamp makes no light of these yet: there is nothing to take over.");
    return;
  }
  const shades = lit.flatMap(([pour, one]) => shadesOf(state, pour, one));
  const left = lit.map(([pour, one]) => setMade(one, [pour], null));
  state.edit({
    sheet: "shade",
    label: "Take light over",
    change: (draft) => {
      for (const { change } of left) change(draft);
      for (const shade of shades) addShade(shade).change(draft);
    },
  });
  state.choose(shades.map(({ id }) => id));
}

function shadesOf(desk: Desk, pour: string, made: LampMade): Omit<Shade, "rank">[] {
  const { drawing, derived } = desk;
  const own = drawing.pours[pour];
  const pockets = derived.pockets.filter((_, index) => derived.pourOf[index] === pour);
  return TAKEN[made](desk, own, pockets)
    .filter(({ chains }) => chains.length > 0)
    .map(({ pocket, pour: under, chains, deeper, soft }) => ({
      id: newId(),
      kind: "drawn",
      anchor: anchorOf(pocket),
      outline: chains,
      evenOdd: false,
      paint: steppedPaint(drawing, under.paint!, -deeper),
      deeper,
      opacity: 1,
      ...(soft > 0 ? { soft } : {}),
    }));
}
