/** The lantern drawing: how long the worker's reading takes, beside one plain pass over the same flattened lines. */
import { readFileSync } from "node:fs";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { polyline } from "../core/geometry/cubic.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { pocketsOf } from "../core/pockets/pockets.ts";
import { gapsOf, linesOf, longestReach } from "../core/pockets/reading.ts";
import { latticeFor, segmentsOf } from "../core/pockets/segments.ts";
import { median, timed } from "./timing.ts";

const ROUNDS = 15;
const LIMIT_MS = 50;

export function lanternBench(): void {
  const { page, strokes } = readSvg(readFileSync("demo/almanac-lantern.svg", "utf8"));
  const drawing = newDrawing("", page, strokes);
  const lines = linesOf(drawing);
  const edited = (k: number) => [
    ...lines,
    {
      id: "bridge",
      points: polyline([
        [100 + k, 120],
        [130 + k, 880],
      ]),
      closed: false,
      width: 0,
      bridge: true,
    },
  ];
  const flatten = median(ROUNDS, () => segmentsOf(lines, latticeFor(lines)));
  let k = 0;
  const pockets = median(ROUNDS, () => pocketsOf(buildMap(edited(k++))));
  const map = buildMap(lines);
  const gaps = median(ROUNDS, () => gapsOf(map, longestReach(drawing)));
  const first = timed(() => pocketsOf(map));
  console.log(
    `lantern: ${strokes.length} strokes, ${map.segs.count} segments, ${map.noding.crossings} crossings, ${map.faces.pockets.length} faces`,
  );
  console.log(
    `  pockets after an edit   ${pockets.toFixed(1)} ms (limit ${LIMIT_MS}), ${(pockets / flatten).toFixed(1)} x flattening alone`,
  );
  console.log(
    `  openings after an edit  ${gaps.toFixed(1)} ms, ${(gaps / pockets).toFixed(2)} x the pockets`,
  );
  console.log(`  outlines alone          ${first.toFixed(1)} ms`);
}
