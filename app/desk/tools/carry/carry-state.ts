/** The light that was taken, how it is laid, and the style that is followed. */
import type { Laying, Light, LightStyle, Paint } from "#core/drawing/drawing.ts";
import {
  addStyle,
  changeStyle,
  isLit,
  type LightTarget,
  layLight,
  letGo,
  removeStyle,
  setStyle,
  takenLight,
} from "#core/drawing/light-styles.ts";
import { newId } from "#core/drawing/new-id.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { askForColour, nextTool } from "../../store/next-thing.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly taken: Light | null;
  /** The style that is laid; null for what was taken. */
  readonly style: string | null;
  readonly fit: Laying["fit"];
  readonly mirror: boolean;
  readonly vary: boolean;
}

export const carry = toolState<Settings, object>(
  "carry",
  { taken: null, style: null, fit: "fitted", mirror: false, vary: false },
  {},
);

/** The style that is laid, as long as there is one. */
export const chosenStyle = (desk: Desk): LightStyle | undefined =>
  desk.drawing.styles[carry.settings(desk).style ?? ""];

export const hasLight = (desk: Desk): boolean =>
  chosenStyle(desk) !== undefined || carry.settings(desk).taken !== null;

function layingOf(desk: Desk): Laying {
  const { fit, mirror, vary } = carry.settings(desk);
  return { fit, ...(mirror ? { mirror } : {}), ...(vary ? { vary } : {}) };
}

function lightTargetOf(desk: Desk, pocket: Pocket): LightTarget | undefined {
  const pour = colouredIn(desk, pocket);
  return (
    pour && {
      box: pocket.box,
      anchor: anchorOf(pocket),
      pour: pour as LightTarget["pour"] & { paint: Paint },
    }
  );
}

/** Takes all the light of a pocket. */
export function take(desk: DeskStore, pocket: Pocket): void {
  const state = desk.getState();
  const { derived, drawing, tell, say } = state;
  const lit = lightTargetOf(state, pocket);
  const index = derived.pockets.indexOf(pocket);
  const shades = Object.values(drawing.shades).filter(({ id }) => derived.pocketsOf.get(id)?.includes(index));
  const light = lit && takenLight(lit, shades);
  if (!light || !isLit(light)) {
    tell(
      "This pocket has no light to take. Shade it by hand or by the lamp first.",
      nextTool("Take Lamp", "Light", "lamp"),
    );
    return;
  }
  carry.change(desk, { taken: light });
  say("Took the light. Click other pockets to lay it there.");
}

/** Lays what was taken, or the style that is chosen, on pockets that have a colour. */
export function lay(desk: DeskStore, pockets: readonly Pocket[], how: "edit" | "show" = "edit"): void {
  const state = desk.getState();
  const lit = pockets.flatMap((pocket) => lightTargetOf(state, pocket) ?? []);
  if (lit.length === 0) {
    askForColour(state, "light is made of its ladder");
    return;
  }
  const style = chosenStyle(state);
  const { taken } = carry.settings(state);
  const ids = [...new Set(lit.map(({ pour }) => pour.id))];
  if (style) state[how](setStyle(ids, { style: style.id, ...layingOf(state) }));
  else if (taken) state[how](layLight(taken, lit, layingOf(state)));
}

/** Keeps what was taken under a name, to be followed from now on. */
export function keepAsStyle(desk: DeskStore): void {
  const state = desk.getState();
  const { taken } = carry.settings(state);
  if (!taken) return;
  const id = newId();
  state.edit(addStyle(id, `Light ${Object.keys(state.drawing.styles).length + 1}`, taken));
  carry.change(desk, { style: id, taken: null });
}

/** Gives the chosen style the light that was taken: all that follow it change. */
export function giveToStyle(desk: DeskStore, style: LightStyle): void {
  const state = desk.getState();
  const { taken } = carry.settings(state);
  if (!taken) return;
  state.edit(changeStyle(style, taken));
  carry.change(desk, { style: style.id, taken: null });
}

const usersOf = (state: Desk, { id }: LightStyle): LightTarget[] =>
  state.derived.pockets.flatMap((pocket) => {
    const lit = lightTargetOf(state, pocket);
    return lit?.pour.style?.style === id ? [lit] : [];
  });

/** Pockets that follow the style keep its light as their own. */
export function letUsersGo(desk: DeskStore, style: LightStyle): void {
  const state = desk.getState();
  const users = usersOf(state, style);
  if (users.length > 0) state.edit(letGo(users, state.drawing.styles));
  else state.tell(`No pocket follows ${style.name}.`);
}

export function dropStyle(desk: DeskStore, style: LightStyle): void {
  const state = desk.getState();
  state.edit(removeStyle(style, usersOf(state, style), state.drawing.styles));
  carry.change(desk, { style: null });
}
