/** How a gradient is laid, and the one that is chosen. */
import type { Drawing, Gradient } from "#core/drawing/drawing.ts";
import { changeGradient, gradientOf, holdersOf, setGradient } from "#core/drawing/gradients.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly kind: Gradient["kind"];
  readonly mix: Gradient["mix"];
  /** Whether what is clicked next takes the chosen gradient, as if all were one. */
  readonly oneOverMany: boolean;
}

interface Held {
  readonly cloth: string | null;
  /** The number of the stop that is chosen. */
  readonly stop: number;
}

export const gradients = toolState<Settings, Held>(
  "gradient",
  { kind: "linear", mix: "oklch", oneOverMany: false },
  { cloth: null, stop: 0 },
);

/** The chosen gradient, as long as something still uses it. */
export function chosenGradient(desk: Desk): Gradient | undefined {
  const { cloth } = gradients.held(desk);
  if (cloth === null) return undefined;
  const [holder] = holdersOf(desk.drawing, cloth);
  return holder === undefined ? undefined : gradientOf(desk.drawing, holder);
}

/** The chosen stop's number, among those there are. */
export const chosenStop = (desk: Desk): number =>
  Math.min(gradients.held(desk).stop, (chosenGradient(desk)?.stops.length ?? 1) - 1);

type Change = Parameters<typeof changeGradient>[2];

/** Changes the chosen gradient in one step, or shows the change while the hand holds it. */
export function changeChosen(desk: DeskStore, change: Change, how: "edit" | "show" = "edit"): void {
  const state = desk.getState();
  const gradient = chosenGradient(state);
  if (gradient) state[how](changeGradient(state.history.drawing, gradient.cloth, change));
}

/** Changes one stop of the chosen gradient. */
export function changeStop(
  desk: DeskStore,
  index: number,
  change: Partial<Gradient["stops"][number]>,
  how: "edit" | "show" = "edit",
): void {
  const gradient = chosenGradient(desk.getState());
  if (gradient) changeChosen(desk, { stops: withStop(gradient, index, change) }, how);
}

export const withStop = (
  { stops }: Gradient,
  index: number,
  change: Partial<Gradient["stops"][number]>,
): Gradient["stops"] => stops.map((stop, i) => (i === index ? { ...stop, ...change } : stop));

/** A stop more in the middle of the gap after the chosen one, or at a place; its number. */
function withStopAdded(
  { stops }: Gradient,
  at: number,
  paint: Drawing["ink"],
): { readonly stops: Gradient["stops"]; readonly index: number } {
  const index = stops.filter((stop) => stop.at <= at).length;
  const opacity = stops[Math.max(0, index - 1)].opacity;
  return { index, stops: [...stops.slice(0, index), { at, paint, opacity }, ...stops.slice(index)] };
}

export function addStop(desk: DeskStore, at: number): void {
  const state = desk.getState();
  const gradient = chosenGradient(state);
  if (!gradient) return;
  const { stops, index } = withStopAdded(gradient, at, state.paint);
  changeChosen(desk, { stops });
  gradients.hold(desk, { stop: index });
}

/** Takes the chosen stop away where two are left without it, or else the whole gradient. */
export function takeStopOrAll(desk: DeskStore, all = false): void {
  const state = desk.getState();
  const gradient = chosenGradient(state);
  if (!gradient) return;
  const index = chosenStop(state);
  if (!all && gradient.stops.length > 2)
    changeChosen(desk, { stops: gradient.stops.filter((_, i) => i !== index) });
  else state.edit(setGradient(state.drawing, holdersOf(state.drawing, gradient.cloth), null));
}
