/** The lantern drawing: how long the worker's reading takes after an edit, beside a build from nothing. */
import { readFileSync } from "node:fs";
import { newDrawing } from "../core/drawing/new-drawing.ts";
import { readSvg } from "../core/formats/svg-read.ts";
import { boundingLoops } from "../core/pockets/faces.ts";
import { editMap } from "../core/pockets/map-edit.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { PocketReader } from "../core/pockets/pockets.ts";
import { readReach } from "../core/pockets/reach-reading.ts";
import { gapsOf, linesOf, longestReach } from "../core/pockets/reading.ts";
import { median, shifted } from "./timing.ts";

const ROUNDS = 31;
const LIMIT_MS = 8;
const FRAME_MS = 16.7;
/** Edits before the clock counts: the worker of a desk in use has its code compiled. */
const WARM_UP = 60;

export function lanternBench(): void {
  const { page, strokes, inkShapes } = readSvg(readFileSync("demo/almanac-lantern.svg", "utf8"));
  const drawing = newDrawing("", page, strokes, inkShapes);
  const lines = linesOf(drawing);
  const map = buildMap(lines);
  const reader = new PocketReader(map);
  reader.read();
  const full = median(ROUNDS, () => new PocketReader(buildMap(lines)).read());
  let k = 0;
  const follow = () => {
    const i = (k++ * 17) % lines.length;
    lines[i] = shifted(lines[i], (k % 5) - 2);
    if (!editMap(map, { gone: [lines[i].id], come: [lines[i]] })) throw new Error("the map was worn out");
    reader.read();
  };
  for (let warm = 0; warm < WARM_UP; warm++) follow();
  const edit = median(ROUNDS, follow);
  const { space } = gapsOf(map, longestReach(drawing));
  const reach = median(ROUNDS, () => readReach(space, longestReach(drawing) * ((k++ % 50) / 50)));
  const gaps = median(ROUNDS, () => gapsOf(map, longestReach(drawing)));
  console.log(
    `lantern: ${strokes.length} strokes, ${map.segs.count} segments, ${boundingLoops(map.faces).length} faces`,
  );
  console.log(
    `  pockets after an edit   ${edit.toFixed(1)} ms (limit ${LIMIT_MS}), a build from nothing takes ${(full / edit).toFixed(1)} x as long`,
  );
  console.log(`  a reach tried           ${reach.toFixed(1)} ms (a frame has ${FRAME_MS})`);
  console.log(`  openings after an edit  ${gaps.toFixed(1)} ms, ${(gaps / full).toFixed(2)} x the build`);
}
