/** Edits of the lamp, and of what it makes. */
import type { Draft } from "immer";
import type { Crease, Drawing, Form, Lamp } from "./drawing.ts";
import { countPockets } from "./edits.ts";
import type { Edit } from "./history.ts";
import { highest } from "./shape-edits.ts";

export const setLamp = (change: Partial<Lamp>): Edit => ({
  label: "Move lamp",
  merge: `lamp-${Object.keys(change).join()}`,
  change: (draft) => {
    Object.assign(draft.lamp, change);
  },
});

/** Shades pours by the lamp, or leaves them out. */
export const setForm = (ids: readonly string[], form: Form | null): Edit => ({
  sheet: "shade",
  label: `${form ? "Shade" : "Leave out"} ${countPockets(ids.length)}`,
  change: (draft) => {
    for (const id of ids) {
      if (form) draft.pours[id].form = { ...form } as Draft<Form>;
      else delete draft.pours[id].form;
    }
  },
});

/** Changes the form shade of pours that have one. */
export const changeForm = (
  ids: readonly string[],
  change: { readonly [K in keyof Form]?: Form[K] | undefined },
): Edit => ({
  sheet: "shade",
  label: "Change form shade",
  merge: `form-${ids.join()}-${Object.keys(change).join()}`,
  change: (draft) => {
    for (const id of ids) {
      const { form } = draft.pours[id];
      if (!form) continue;
      Object.assign(form, change);
      if (!form.soft) delete form.soft;
      if (!form.folds) delete form.folds;
      if (!form.shine) delete form.shine;
    }
  },
});

/** Ids of the pours that are shaded by the lamp. */
export const formedPours = ({ pours }: Pick<Drawing, "pours">): string[] =>
  Object.values(pours).flatMap(({ id, form }) => (form ? [id] : []));

/** Lies above all shade there is. */
export const addCrease = (crease: Omit<Crease, "rank">): Edit => ({
  sheet: "shade",
  label: "Draw crease",
  change: (draft) => {
    const rank = highest(draft as Drawing) + 1;
    draft.creases[crease.id] = { ...crease, rank } as Draft<Crease>;
  },
});

export const changeCrease = (
  id: string,
  change: Partial<Pick<Crease, "points" | "side" | "deeper" | "soft">>,
): Edit => ({
  sheet: "shade",
  label: "Change crease",
  merge: `crease-${id}-${Object.keys(change).join()}`,
  change: (draft) => {
    const crease = draft.creases[id];
    Object.assign(crease, change);
    if (!crease.soft) delete crease.soft;
  },
});

export const removeCrease = (id: string): Edit => ({
  sheet: "shade",
  label: "Remove crease",
  change: (draft) => {
    delete draft.creases[id];
  },
});
