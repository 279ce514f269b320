/** What the next dab lays and how far dabs may go; what those on the paper claim, as it was read last. */
import { createSelector } from "reselect";
import type { DabReading } from "#core/dabs/dab-reading.ts";
import type { Dab, Drawing, Table } from "#core/drawing/drawing.ts";
import { entitiesOf } from "#core/drawing/entities.ts";
import { partOf } from "#core/drawing/parts.ts";
import { diagonal, type Point } from "#core/geometry/point.ts";
import type { DabQuestion } from "../../../work/pocket-work.ts";
import type { Desk } from "../../store/desk-state.ts";
import { toolState } from "../tool-state.ts";

interface Settings {
  readonly lays: "colour" | "bare";
  /** How far openings may be closed, 0 to 1 of the slider; 1 is as far as needed. */
  readonly reach: number;
  /** Whether all around the drawing stays bare, or colour may run to the page's edge. */
  readonly border: "bare" | "open";
}

interface Held {
  readonly reading: DabReading | null;
  /** Where the menu at the pointer was opened, in page units, and the id of the dab there. */
  readonly aimed: { readonly at: Point | null; readonly dab: string | null };
  /** The question that it answers. */
  readonly of: DabQuestion | null;
}

export const dabs = toolState<Settings, Held>(
  "dab",
  { lays: "colour", reach: 1, border: "bare" },
  { reading: null, of: null, aimed: { at: null, dab: null } },
);

/** Page units at the slider's end, as a part of the page's diagonal. */
const FARTHEST = 0.2;

/** In page units; fine at the lower end, where a little is much. */
export const reachOf = (share: number, page: Drawing["page"]): number =>
  share >= 1 ? Infinity : share ** 2 * FARTHEST * diagonal(page.box);

/** The share that a reach in page units is of. */
export const shareOfReach = (reach: number, page: Drawing["page"]): number =>
  Math.min(1, Math.sqrt(reach / FARTHEST / diagonal(page.box)));

/** The dabs of the part at work, in the order they were laid. */
export const dabsInPart = createSelector(
  [(desk: Desk) => desk.drawing.dabs, (desk: Desk) => desk.part],
  (table: Table<Dab>, part): readonly Dab[] => entitiesOf(table).filter((dab) => partOf(dab) === part),
);

/** What is to be asked of the worker now. */
export const dabQuestion = createSelector(
  [dabsInPart, (desk: Desk) => desk.part, dabs.settings, (desk: Desk) => desk.drawing.page],
  (own, part, { reach, border }, page): DabQuestion => ({
    part,
    dabs: own,
    spreading: { reach: reachOf(reach, page), bareBorder: border === "bare" },
  }),
);

const NONE: DabReading = { regions: [], edges: [] };

/** What the dabs of the part at work claim, as far as it is known. */
export function claimed(desk: Desk): DabReading {
  const { reading, of } = dabs.held(desk);
  return reading && of?.part === desk.part && dabsInPart(desk).length > 0 ? reading : NONE;
}

/** Whether the answer to what is asked now is still on its way. */
export const isAsking = (desk: Desk): boolean =>
  dabsInPart(desk).length > 0 && dabs.held(desk).of !== dabQuestion(desk);

/** The numbers of the regions that a dab is in. */
export const regionsOf = ({ regions }: DabReading, dab: string): number[] =>
  regions.flatMap((region, i) => (region.dabs.includes(dab) ? [i] : []));
