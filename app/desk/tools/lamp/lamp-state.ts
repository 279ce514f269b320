/** What the lamp makes of pockets, how, and which of those that have it was chosen. */
import type { Cast, Form, Pour, Rim } from "#core/drawing/drawing.ts";
import {
  changeMade,
  changePartCast,
  type LampMade,
  poursWith,
  setMade,
  setPartCast,
} from "#core/drawing/light-edits.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { colouredIn } from "../../pockets/pour-in.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";
import { unseenOf } from "./say-unseen.ts";

/** Lengths as shares of the page's width; 0 and false for what is left out. */
interface Made {
  readonly form: Omit<Required<Form>, "folds" | "whole" | "cloth"> & {
    readonly folds: boolean;
    readonly whole: boolean;
  };
  readonly rim: Omit<Required<Rim>, "behind"> & { readonly behind: boolean };
  readonly cast: Required<Cast>;
}

interface Settings extends Made {
  readonly makes: LampMade;
  /** Whether a pocket that is clicked throws its shadow on those around it, or its part on those behind. */
  readonly castOf: "pocket" | "part";
}

interface Held {
  /** The pour that was clicked last; settings are for it alone, or with none for all. */
  readonly pour: string | null;
}

export const lampState = toolState<Settings, Held>(
  "lamp",
  {
    makes: "form",
    form: { tones: 1, deeper: 1, roundness: 1, reach: 0.55, shine: 0, folds: false, whole: false, soft: 0 },
    rim: { deeper: -2, width: 0.012, gap: 0.006, behind: false, soft: 0 },
    cast: { deeper: 2, high: 0.02, soft: 0 },
    castOf: "pocket",
  },
  { pour: null },
);

/** Which of the settings are lengths, kept in page units. */
const LENGTHS: Readonly<Record<LampMade, readonly string[]>> = {
  form: ["soft"],
  rim: ["width", "gap", "soft"],
  cast: ["high"],
};

function inPageUnits(desk: Desk, made: LampMade, settings: object): Record<string, unknown> {
  const { width } = desk.drawing.page.box;
  return Object.fromEntries(
    Object.entries(settings).map(([key, value]) => [
      key,
      LENGTHS[made].includes(key) ? value * width : value,
    ]),
  );
}

/** Left out where they are nothing. */
const OPTIONAL = ["soft", "folds", "whole", "shine", "behind"];

/** What is made next, as it is kept. */
export function nextMade<K extends LampMade>(desk: Desk, made: K): NonNullable<Pour[K]> {
  const all = Object.entries(inPageUnits(desk, made, lampState.settings(desk)[made]));
  return Object.fromEntries(
    all.filter(([key, value]) => value || !OPTIONAL.includes(key)),
  ) as unknown as NonNullable<Pour[K]>;
}

/** The part whose shadow is meant where parts throw theirs: the one at work. */
export const castingPart = (desk: Desk): string | undefined => {
  const { makes, castOf } = lampState.settings(desk);
  return makes === "cast" && castOf === "part" ? desk.part : undefined;
};

/** What the pocket that was clicked last has, or the first that has it; of parts the one at work. */
export function ownMade<K extends LampMade>(desk: Desk, made: K): Pour[K] {
  const { pours, parts } = desk.drawing;
  const part = castingPart(desk);
  if (made === "cast" && part) return parts[part]?.cast as Pour[K];
  const clicked = pours[lampState.held(desk).pour ?? ""]?.[made];
  return clicked ?? Object.values(pours).find((pour) => pour[made])?.[made];
}

/** The same in the form that settings have, or these where there is none. */
export function shownAs<K extends LampMade>(
  made: K,
  own: Pour[K],
  settings: Made[K],
  pageWidth: number,
): Made[K] {
  if (!own) return settings;
  const kept: Readonly<Record<string, unknown>> = { ...own };
  return Object.fromEntries(
    Object.entries(settings).map(([key, value]) => {
      const shown = kept[key] ?? (typeof value === "boolean" ? false : 0);
      return [key, LENGTHS[made].includes(key) ? (shown as number) / pageWidth : shown];
    }),
  ) as unknown as Made[K];
}

/** Changes what the chosen pocket has, or all with none chosen, and how the next will be. */
export function changeMakes<K extends LampMade>(
  desk: DeskStore,
  made: K,
  part: Partial<Made[K]>,
  how: "edit" | "show" = "edit",
): void {
  const state = desk.getState();
  const { pour } = lampState.held(state);
  const chosen =
    pour !== null && state.drawing.pours[pour]?.[made]
      ? sharing(state.drawing, pour, made)
      : poursWith(state.drawing, made);
  lampState.change(desk, { [made]: { ...lampState.settings(state)[made], ...part } });
  const kept = inPageUnits(state, made, part);
  const casting = castingPart(state);
  if (casting) {
    if (state.drawing.parts[casting]?.cast) state[how](changePartCast(casting, kept as Partial<Cast>));
  } else if (chosen.length > 0) state[how](changeMade(made, chosen, kept as Partial<NonNullable<Pour[K]>>));
}

/** All that share what is made of a pour, that one among them. */
function sharing({ pours }: Desk["drawing"], pour: string, made: LampMade): string[] {
  const cloth = made === "form" ? pours[pour].form?.cloth : undefined;
  return cloth === undefined ? [pour] : Object.keys(pours).filter((id) => pours[id].form?.cloth === cloth);
}

/** The pour that was chosen and has what the lamp makes now. */
export function chosenMade(desk: Desk): string | null {
  const { pour } = lampState.held(desk);
  const { makes } = lampState.settings(desk);
  return pour !== null && desk.drawing.pours[pour]?.[makes] ? pour : null;
}

/**
 * Removes the lamp's light from a pocket, or from the chosen one; where it belongs to parts, from the part at
 * work.
 */
export function leaveOut(desk: DeskStore, pocket?: Pocket): void {
  const state = desk.getState();
  const { makes } = lampState.settings(state);
  const part = castingPart(state);
  const pour = pocket ? colouredIn(state, pocket)?.id : chosenMade(state);
  if (part) state.edit(setPartCast(pocket?.part ?? part, null));
  else if (pour && state.drawing.pours[pour][makes]) {
    lampState.hold(desk, { pour: null });
    state.edit(setMade(makes, [pour], null));
  } else state.tell("Nothing is lit here by the lamp.");
}

/** Has it made of every coloured pocket, or of none; of parts, of the one at work. */
export function makeAll(desk: DeskStore, on: boolean): void {
  const state = desk.getState();
  const { drawing, edit } = state;
  const { makes } = lampState.settings(state);
  const part = castingPart(state);
  if (part) {
    edit(setPartCast(part, on ? nextMade(state, "cast") : null));
    return;
  }
  const ids = on
    ? Object.values(drawing.pours).flatMap((pour) =>
        pour.paint && !pour.spot && !pour[makes] ? [pour.id] : [],
      )
    : poursWith(drawing, makes);
  if (ids.length > 0) {
    edit(setMade(makes, ids, on ? nextMade(state, makes) : null));
    const unseen = on
      ? unseenOf(desk.getState(), makes, poursWith(desk.getState().drawing, makes))
      : undefined;
    if (unseen) state.tell(unseen);
  } else state.tell(on ? "Every coloured pocket has that already." : "No pocket has that.");
}
