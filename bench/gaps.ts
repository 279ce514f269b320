/**
 * How well gaps are found: closed drawings are cut open, bridged automatically, and compared with what they were.
 * Recall is the part of the faces lost by the cuts that come back with areas within 3 %; false bridges are those
 * proposed on the uncut originals, as a part of their faces.
 */
import { regionContains } from "../core/geometry/polygon.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { type Pocket, pocketsOf } from "../core/pockets/pockets.ts";
import { buildWithReach, gapsOf } from "../core/pockets/reading.ts";
import type { Line } from "../core/pockets/segments.ts";
import { cutLine } from "../testing/cut-lines.ts";
import { randomFrom } from "../testing/random.ts";
import { type ClosedDrawing, closedDrawings } from "./closed-drawings.ts";

const REACH = 0.035;
const CUTS = 8;
const AREA = 0.03;

export function gapsBench(): void {
  const kinds = new Map<string, Tally>();
  for (const drawing of closedDrawings()) {
    const kind = drawing.name.startsWith("generated")
      ? "generated"
      : drawing.name.endsWith(".svg")
        ? "icons"
        : "demos";
    const tally = kinds.get(kind) ?? { drawings: 0, lost: 0, regained: 0, bridges: 0, faces: 0 };
    tryDrawing(drawing, tally, drawing.name.length * 31 + drawing.lines.length);
    kinds.set(kind, tally);
  }
  for (const [kind, { drawings, lost, regained, bridges, faces }] of kinds) {
    console.log(
      `gaps in ${drawings} ${kind}: ${regained} of ${lost} lost faces regained (${percent(regained, lost)}); ${bridges} bridges on the uncut originals with ${faces} faces (${percent(bridges, faces)})`,
    );
  }
}

interface Tally {
  drawings: number;
  lost: number;
  regained: number;
  bridges: number;
  faces: number;
}

const percent = (part: number, whole: number): string =>
  `${((100 * part) / Math.max(1, whole)).toFixed(1)} %`;

function tryDrawing({ lines, width }: ClosedDrawing, tally: Tally, seed: number): void {
  const random = randomFrom(seed);
  const before = shown(pocketsOf(buildMap(lines)));
  tally.drawings++;
  tally.faces += before.length;
  tally.bridges += gapsOf(buildMap(lines), REACH * width).openings.length;
  for (let k = 0; k < CUTS; k++) {
    const cut = cutSomewhere(lines, width * (0.01 + 0.02 * random()), random);
    if (!cut) continue;
    const lost = missing(before, shown(pocketsOf(buildMap(cut))));
    const still = missing(lost, shown(pocketsOf(buildWithReach(cut, REACH * width, {}))));
    tally.lost += lost.length;
    tally.regained += lost.length - still.length;
  }
}

const shown = (pockets: readonly Pocket[]): Pocket[] => pockets.filter(({ hidden }) => !hidden);

/** Those pockets that have no counterpart of nearly the same area at their inner point. */
const missing = (wanted: readonly Pocket[], found: readonly Pocket[]): Pocket[] =>
  wanted.filter(
    ({ seed, area }) =>
      !found.some((other) => Math.abs(other.area - area) <= AREA * area && regionContains(other.rings, seed)),
  );

/** The lines with a gap somewhere in one of them; undefined when no line is long enough. */
function cutSomewhere(lines: readonly Line[], gap: number, random: () => number): Line[] | undefined {
  for (let attempt = 0; attempt < 40; attempt++) {
    const i = Math.floor(random() * lines.length);
    const pieces = cutLine(lines[i], gap, random());
    if (!pieces) continue;
    const cut = [...lines.slice(0, i), ...pieces, ...lines.slice(i + 1)];
    if (shown(pocketsOf(buildMap(cut))).length < shown(pocketsOf(buildMap(lines))).length) return cut;
  }
  return undefined;
}
