/**
 * The pocket engine beside jsts and GEOS (WebAssembly) on the same line work in the same run, and one stroke moved
 * beside a build from nothing.
 */
import { boundingLoops } from "../core/pockets/faces.ts";
import { editMap } from "../core/pockets/map-edit.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import type { Line } from "../core/pockets/segments.ts";
import { straight } from "../testing/line-work.ts";
import { crossingStrokes, type Polyline, spotLike, WIDE_PAGE } from "./line-work.ts";
import { geosEngine, jstsFaces } from "./peers.ts";
import { middle, shifted, timed } from "./timing.ts";

interface Case {
  readonly name: string;
  readonly strokes: readonly Polyline[];
  readonly rounds: number;
}

const CASES: readonly Case[] = [
  { name: "crossing", strokes: crossingStrokes(100), rounds: 15 },
  { name: "crossing", strokes: crossingStrokes(300), rounds: 9 },
  { name: "crossing", strokes: crossingStrokes(1000), rounds: 3 },
  { name: "crossing", strokes: crossingStrokes(3000), rounds: 2 },
  { name: "spot-like", strokes: spotLike(1000), rounds: 7 },
  { name: "spot-like", strokes: spotLike(3000), rounds: 3 },
  { name: "spot-like, apart", strokes: spotLike(3000, { side: WIDE_PAGE }), rounds: 5 },
];
/** Builds before the clock counts, by segments: small cases need more of them to be compiled. */
const warmUps = (segments: number): number => (segments < 10_000 ? 80 : 8);
const EDITS = 40;

export async function enginesBench(): Promise<void> {
  const geosFaces = await geosEngine();
  for (const { name, strokes, rounds } of CASES) {
    const lines = strokes.map((points, i) => ({ ...straight(points), id: `s${i}` }));
    const build = () => buildMap(lines, { strict: true });
    const { segs } = build();
    for (let k = 0; k < warmUps(segs.count); k++) build();
    const times: Record<"ours" | "jsts" | "geos", number[]> = { ours: [], jsts: [], geos: [] };
    for (let round = 0; round < rounds; round++) {
      for (let k = 0; k < 3; k++) times.ours.push(timed(build));
      times.jsts.push(timed(() => jstsFaces(strokes)));
      times.geos.push(timed(() => geosFaces(strokes)));
    }
    const map = build();
    const faces = [boundingLoops(map.faces).length, jstsFaces(strokes), geosFaces(strokes)];
    const [ours, jsts, geos] = [middle(times.ours), middle(times.jsts), middle(times.geos)];
    const work = map.segs.count + map.noding.crossings;
    console.log(`${name} ${strokes.length}: ${map.segs.count} segments, ${map.noding.crossings} crossings`);
    console.log(`  faces ${faces.join(" / ")} (ours / jsts / geos)`);
    console.log(
      `  build ${ours.toFixed(1)} ms; jsts takes ${(jsts / ours).toFixed(1)} x as long, geos ${(geos / ours).toFixed(1)} x; ${((1e6 * ours) / (work * Math.log2(work))).toFixed(1)} ns per n log n`,
    );
    const edit = middle(editTimes(lines));
    console.log(
      `  one stroke moved ${edit.toFixed(2)} ms; a build takes ${(ours / edit).toFixed(0)} x as long`,
    );
  }
}

function editTimes(start: readonly Line[]): number[] {
  const lines = [...start];
  let map = buildMap(lines, { strict: true });
  return Array.from({ length: EDITS }, (_, k) => {
    const i = (k * 71) % lines.length;
    lines[i] = shifted(lines[i], 3 + (k % 5));
    return timed(() => {
      if (!editMap(map, { gone: [lines[i].id], come: [lines[i]] })) map = buildMap(lines, { strict: true });
    });
  });
}
