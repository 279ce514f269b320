/**
 * How the engine's time grows with the line work, on crossing and on spot-like strokes as far apart however many they are, and
 * what it holds in memory where it holds most.
 */
import { setTimeout } from "node:timers/promises";
import { setFlagsFromString } from "node:v8";

import { runInNewContext } from "node:vm";
import { buildMap } from "../core/pockets/planar-map.ts";
import type { Line } from "../core/pockets/segments.ts";
import { unlessTooDense } from "../core/pockets/too-dense.ts";
import { straight } from "../testing/line-work.ts";
import { judge } from "./judge.ts";
import { crossingRow, type Polyline, spotRow } from "./line-work.ts";
import { middle, timed } from "./timing.ts";

const COUNTS = [300, 1000, 3000, 10_000, 30_000, 100_000];
const MOST_EXPONENT = 1.2;
const MOST_BYTES = 300;

const ROWS: Readonly<Record<string, (count: number) => Polyline[]>> = {
  crossing: crossingRow,
  "spot-like": spotRow,
};

export async function growthBench(): Promise<void> {
  for (const [name, row] of Object.entries(ROWS)) {
    const points: [number, number][] = [];
    let bytes = 0;
    let most = 0;
    for (const count of COUNTS) {
      const lines = row(count).map((stroke, i) => ({ ...straight(stroke), id: `s${i}` }));
      if (!unlessTooDense(() => buildMap(lines, { strict: true }), noMap)) {
        console.log(`growth, ${name} ${count}: refused as too dense`);
        continue;
      }
      const times = Array.from({ length: count < 10_000 ? 15 : 3 }, () =>
        timed(() => buildMap(lines, { strict: true })),
      );
      const { segments, crossings, held } = await heldAtPeak(lines);
      bytes = held / segments;
      most = count;
      points.push([Math.log(segments + crossings), Math.log(middle(times))]);
      console.log(
        `growth, ${name} ${count}: ${segments} segments, ${crossings} crossings, ${middle(times).toFixed(1)} ms, ${bytes.toFixed(0)} bytes a segment`,
      );
    }
    judge({
      area: "engine",
      what: `${name}, 300 to ${most} strokes: exponent of growth`,
      measured: slopeOf(points),
      unit: "",
      aim: MOST_EXPONENT,
      limit: { what: "reading the input grows with", measured: 1 },
    });
    judge({
      area: "engine",
      what: `${name} ${most}: memory a segment at the peak`,
      measured: bytes,
      unit: "bytes",
      aim: MOST_BYTES,
    });
  }
}

const noMap = () => undefined;

setFlagsFromString("--expose-gc");
const collect = runInNewContext("gc") as () => void;

async function heldAtPeak(
  lines: readonly Line[],
): Promise<{ segments: number; crossings: number; held: number }> {
  const now = () => {
    const { heapUsed, arrayBuffers } = process.memoryUsage();
    return heapUsed + arrayBuffers;
  };
  // What is no longer held is given back a little later.
  for (let round = 0; round < 3; round++) {
    collect();
    await setTimeout(100);
  }
  const before = now();
  let held = 0;
  const onPeak = () => {
    collect();
    held = Math.max(held, now() - before);
  };
  const { segs, noding } = buildMap(lines, { strict: true, onPeak });
  return { segments: segs.count, crossings: noding.crossings, held };
}

/** Of the line of least squares through points. */
function slopeOf(points: readonly (readonly [number, number])[]): number {
  const mean = (of: 0 | 1) => points.reduce((sum, point) => sum + point[of], 0) / points.length;
  const [mx, my] = [mean(0), mean(1)];
  const across = points.reduce((sum, [x, y]) => sum + (x - mx) * (y - my), 0);
  return across / points.reduce((sum, [x]) => sum + (x - mx) ** 2, 0);
}
