/** How far tidying goes, which corners it must keep, and what it would make of the lines. */
import { shallow } from "zustand/shallow";
import { diagonal } from "#core/geometry/point.ts";
import type { TidySettings } from "#core/lines/tidy.ts";
import type { TidyReading } from "../../../work/pocket-work.ts";
import { pickable } from "../../parts/pickable.ts";
import type { Desk, DeskStore } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  /** Page units; a small part of the page when null. */
  readonly tolerance: number | null;
  /** Degrees. */
  readonly corner: number;
  readonly straight: boolean;
}

/** Corners that must be kept: point numbers by line, valid while the line's chain has that length. */
type Pins = Readonly<Record<string, { readonly of: number; readonly points: readonly number[] }>>;

/** What a preview was worked out for. */
interface Asked {
  readonly stamp: number;
  readonly selected: readonly string[];
  readonly settings: Settings;
  readonly pins: Pins;
}

interface Held {
  readonly pins: Pins;
  readonly preview: { readonly of: Asked; readonly reading: TidyReading } | null;
}

/** `under` is the id of the line beneath the pointer. */
export const tidy = toolState<Settings, Held, string>(
  "tidy",
  { tolerance: null, corner: 45, straight: false },
  { pins: {}, preview: null },
);

/** A part of the page's diagonal. */
const TOLERANCE = 0.0008;

export const tidyTolerance = (desk: Desk): number =>
  tidy.settings(desk).tolerance ?? TOLERANCE * diagonal(desk.drawing.page.box);

function tidySettings(desk: Desk): TidySettings {
  const { corner, straight } = tidy.settings(desk);
  return { tolerance: tidyTolerance(desk), corner: (corner * Math.PI) / 180, straight };
}

/** The lines to tidy: those chosen, or all. */
export const tidyTargets = (desk: Desk): string[] =>
  desk.selected.length > 0 ? [...desk.selected] : pickable(desk, desk.drawing.strokes).map(({ id }) => id);

/** Pinned points by line, of the lines that are still as they were pinned. */
export const pinsOf = (desk: Desk): Record<string, readonly number[]> =>
  Object.fromEntries(
    Object.entries(tidy.held(desk).pins).flatMap(([id, { of, points }]) =>
      desk.drawing.strokes[id]?.points.length === of ? [[id, points]] : [],
    ),
  );

/** What a preview depends on. */
export const tidyAsked = (desk: Desk): Asked => ({
  stamp: desk.stamp,
  selected: desk.selected,
  settings: tidy.settings(desk),
  pins: tidy.held(desk).pins,
});

/** What tidying comes to; null until it is worked out for these lines, settings and corners. */
export function tidyPreview(desk: Desk): TidyReading | null {
  const { preview } = tidy.held(desk);
  return preview && shallow(preview.of, tidyAsked(desk)) ? preview.reading : null;
}

let asked = 0;

/** Works out what tidying the lines in hand would make of them. */
export async function previewTidy(desk: DeskStore): Promise<void> {
  const turn = ++asked;
  const state = desk.getState();
  const asking = state.lines.work.tidy(tidyTargets(state), tidySettings(state), pinsOf(state));
  const reading = await asking.catch(() => undefined);
  if (!reading) {
    state.tell("These lines could not be tidied. They are as they were.");
    return;
  }
  const { tools, stage } = desk.getState();
  const inHand = tools[stage] === tidy.name;
  if (turn === asked && inHand) tidy.hold(desk, { preview: { of: tidyAsked(state), reading } });
}
