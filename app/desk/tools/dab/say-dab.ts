/** What dabs claim, in words. */
import { type DabReading, widestOf } from "#core/dabs/dab-reading.ts";
import type { Dab } from "#core/drawing/drawing.ts";
import { showLength } from "#core/drawing/length.ts";
import { counted } from "#core/words.ts";
import type { Desk } from "../../store/desk-state.ts";
import { dabsInPart, regionsOf } from "./dab-state.ts";

/** Like "through 3 openings, widest 4.1 mm"; empty where nothing has to be closed. */
export function sayOpenings({ drawing }: Desk, reading: DabReading, regions: readonly number[]): string {
  const edges = new Set(regions.flatMap((region) => reading.regions[region].edges));
  if (edges.size === 0) return "";
  const widest = showLength(drawing.page, widestOf(reading, edges));
  return `through ${counted(edges.size, "opening")}, ${edges.size > 1 ? "widest " : ""}${widest}`;
}

/** Like "dab 3, Frond: would colour 2 regions through 3 openings, widest 4.1 mm". */
export function sayDab(desk: Desk, reading: DabReading, dab: Dab): string {
  const number = dabsInPart(desk).indexOf(dab) + 1;
  if (!dab.paint) return `dab ${number}, bare: keeps its place bare`;
  const name = desk.drawing.tin[dab.paint.colour]?.name ?? "colour";
  const regions = regionsOf(reading, dab.id);
  if (regions.length === 0) return `dab ${number}, ${name}: would colour nothing, ${why(desk)}`;
  const through = sayOpenings(desk, reading, regions);
  return `dab ${number}, ${name}: would colour ${counted(regions.length, "region")}${through && ` ${through}`}`;
}

const why = ({ drawing }: Desk): string =>
  Object.keys(drawing.strokes).length + Object.keys(drawing.inkShapes).length === 0
    ? "since there are no lines"
    : "since it lies in ink, or colour would run out of it";
