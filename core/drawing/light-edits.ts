/** Edits of the lamp, and of what it makes. */
import type { Draft } from "immer";
import type {
  Cast,
  Crease,
  Drawing,
  GroundShadow,
  Lamp,
  LightKind,
  LightSetting,
  Pour,
  SheetName,
} from "./drawing.ts";
import { countPockets } from "./edits.ts";
import type { Edit } from "./history.ts";
import type { LAMP_MADE } from "./over.ts";
import { highest } from "./shape-edits.ts";

export const setLamp = (change: Partial<Lamp>): Edit => ({
  label: "Move lamp",
  merge: `lamp-${Object.keys(change).join()}`,
  change: (draft) => {
    Object.assign(draft.lamp, change);
  },
});

export type LampMade = (typeof LAMP_MADE)[number];

const MADE_WORDS: Readonly<Record<LampMade, string>> = {
  form: "Shade",
  rim: "Light the rim of",
  cast: "Throw the shadow of",
};

/** Where it lies. */
const MADE_ON: Readonly<Record<LampMade, SheetName>> = { form: "shade", rim: "light", cast: "shade" };

/** Has the lamp make something of pours, or nothing. */
export const setMade = <K extends LampMade>(
  made: K,
  ids: readonly string[],
  value: NonNullable<Pour[K]> | null,
): Edit => ({
  sheet: MADE_ON[made],
  label: `${value ? MADE_WORDS[made] : "Leave out"} ${countPockets(ids.length)}`,
  change: (draft) => {
    for (const id of ids) {
      if (value) Object.assign(draft.pours[id], { [made]: { ...value } });
      else delete draft.pours[id][made];
    }
  },
});

/** Left out where they are nothing. */
const OPTIONAL = ["soft", "folds", "whole", "shine", "behind"] as const;

/** Changes what the lamp makes of those pours that have it. */
export const changeMade = <K extends LampMade>(
  made: K,
  ids: readonly string[],
  change: Readonly<Partial<Record<keyof NonNullable<Pour[K]>, unknown>>>,
): Edit => ({
  sheet: MADE_ON[made],
  label: `Change ${made === "form" ? "form shade" : made === "rim" ? "rim" : "cast shadow"}`,
  merge: `${made}-${ids.join()}-${Object.keys(change).join()}`,
  change: (draft) => {
    for (const id of ids) changeOwn(draft.pours[id][made], change);
  },
});

function changeOwn(own: object | undefined, change: object): void {
  if (!own) return;
  Object.assign(own, change);
  const loose = own as Record<string, unknown>;
  for (const key of OPTIONAL) if (!loose[key]) delete loose[key];
}

/** Ids of the pours of which the lamp makes something. */
export const poursWith = ({ pours }: Pick<Drawing, "pours">, made: LampMade): string[] =>
  Object.values(pours).flatMap((pour) => (pour[made] ? [pour.id] : []));

/** Has a part throw a shadow on those behind it, or not. */
export const setPartCast = (part: string, cast: Cast | null): Edit => ({
  sheet: "shade",
  label: cast ? "Throw the shadow of a part" : "Leave out part",
  change: (draft) => {
    if (cast) draft.parts[part].cast = { ...cast };
    else delete draft.parts[part].cast;
  },
});

export const changePartCast = (part: string, change: Partial<Cast>): Edit => ({
  sheet: "shade",
  label: "Change cast shadow",
  merge: `part-cast-${part}-${Object.keys(change).join()}`,
  change: (draft) => changeOwn(draft.parts[part].cast, change),
});

export const setGroundShadow = (shadow: GroundShadow | null): Edit => ({
  sheet: "ground",
  label: shadow ? "Lay shadow on the ground" : "Take shadow from the ground",
  merge: shadow ? "ground-shadow" : undefined,
  change: (draft) => {
    draft.groundShadow = shadow && { ...shadow, paint: { ...shadow.paint } };
  },
});

export const setLight = (kind: LightKind, setting: LightSetting): Edit => ({
  label: "Change light",
  merge: `light-${kind}`,
  opens: true,
  change: (draft) => {
    if (setting.visible && setting.strength === 1) delete draft.lights[kind];
    else draft.lights[kind] = { ...setting };
  },
});

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
  change: Partial<Pick<Crease, "points" | "side" | "deeper" | "soft">> & { readonly runsOut?: boolean },
): Edit => ({
  sheet: "shade",
  label: "Change crease",
  merge: `crease-${id}-${Object.keys(change).join()}`,
  change: (draft) => {
    const crease = draft.creases[id];
    Object.assign(crease, change);
    if (!crease.soft) delete crease.soft;
    if (!crease.runsOut) delete crease.runsOut;
  },
});

export const removeCrease = (id: string): Edit => ({
  sheet: "shade",
  label: "Remove crease",
  change: (draft) => {
    delete draft.creases[id];
  },
});
