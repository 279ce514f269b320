/** How pockets are shaded by the lamp, and which of those that are was chosen. */
import type { Form } from "#core/drawing/drawing.ts";
import { changeForm, formedPours, setForm } from "#core/drawing/light-edits.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings extends Omit<Form, "soft" | "folds" | "shine"> {
  /** 0 for none. */
  readonly shine: number;
  readonly folds: boolean;
  /** As a share of the page's width; 0 for a sharp edge. */
  readonly soft: number;
}

interface Held {
  /** The pour that was clicked last; settings are for it alone, or with none for all. */
  readonly pour: string | null;
}

export const lampState = toolState<Settings, Held>(
  "lamp",
  { tones: 1, deeper: 1, roundness: 1, reach: 0.55, shine: 0, folds: false, soft: 0 },
  { pour: null },
);

/** The form of the pocket that was clicked last, or of the first that has one. */
export const shownForm = (desk: Desk): Form | undefined =>
  desk.drawing.pours[lampState.held(desk).pour ?? ""]?.form ??
  Object.values(desk.drawing.pours).find(({ form }) => form)?.form;

/** The next form as it is kept. */
export function nextForm(desk: Desk): Form {
  const { soft, folds, shine, ...form } = lampState.settings(desk);
  return {
    ...form,
    ...(folds ? { folds } : {}),
    ...(shine > 0 ? { shine } : {}),
    ...(soft > 0 ? { soft: soft * desk.drawing.page.box.width } : {}),
  };
}

/** Changes the chosen form, or all with none chosen, and how the next will be. */
export function changeForms(desk: DeskStore, change: Partial<Settings>, how: "edit" | "show" = "edit"): void {
  const state = desk.getState();
  const { pour } = lampState.held(state);
  const chosen = pour !== null && state.drawing.pours[pour]?.form ? [pour] : formedPours(state.drawing);
  lampState.change(desk, change);
  const { soft, folds, ...rest } = change;
  const kept = {
    ...rest,
    ...(folds === undefined ? {} : { folds: folds || undefined }),
    ...(soft === undefined ? {} : { soft: soft * state.drawing.page.box.width }),
  };
  if (chosen.length > 0) state[how](changeForm(chosen, kept));
}

/** Shades every coloured pocket, or none. */
export function shadeAll(desk: DeskStore, on: boolean): void {
  const state = desk.getState();
  const { drawing, edit } = state;
  const ids = on
    ? Object.values(drawing.pours).flatMap(({ id, paint, spot, form }) =>
        paint && !spot && !form ? [id] : [],
      )
    : formedPours(drawing);
  if (ids.length > 0) edit(setForm(ids, on ? nextForm(state) : null));
  else state.tell(on ? "Every coloured pocket is shaded already." : "No pocket is shaded by the lamp.");
}
