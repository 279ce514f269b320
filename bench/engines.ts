/** The pocket engine beside jsts and GEOS (WebAssembly) on the same line work in the same run. */
import { boundingLoops } from "../core/pockets/faces.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import { straight } from "../core/pockets/testing.ts";
import { crossingStrokes, type Polyline, spotLike } from "./line-work.ts";
import { geosEngine, jstsFaces } from "./peers.ts";
import { timed } from "./timing.ts";

interface Case {
  readonly name: string;
  readonly strokes: readonly Polyline[];
  readonly rounds: number;
}

const CASES: readonly Case[] = [
  { name: "crossing", strokes: crossingStrokes(100), rounds: 9 },
  { name: "crossing", strokes: crossingStrokes(300), rounds: 7 },
  { name: "crossing", strokes: crossingStrokes(1000), rounds: 3 },
  { name: "crossing", strokes: crossingStrokes(3000), rounds: 3 },
  { name: "spot-like", strokes: spotLike(1000), rounds: 5 },
  { name: "spot-like", strokes: spotLike(3000), rounds: 3 },
];

const middle = (times: number[]): number => times.sort((a, b) => a - b)[times.length >> 1];

export async function enginesBench(): Promise<void> {
  const geosFaces = await geosEngine();
  for (const { name, strokes, rounds } of CASES) {
    const lines = strokes.map((points) => straight(points));
    for (let k = 0; k < 5; k++) buildMap(lines, { strict: true });
    const times: Record<"ours" | "jsts" | "geos", number[]> = { ours: [], jsts: [], geos: [] };
    let faces = "";
    for (let round = 0; round < rounds; round++) {
      for (let k = 0; k < 3; k++) times.ours.push(timed(() => buildMap(lines, { strict: true })));
      times.jsts.push(timed(() => jstsFaces(strokes)));
      times.geos.push(timed(() => geosFaces(strokes)));
      if (round === 0)
        faces = [
          boundingLoops(buildMap(lines, { strict: true }).faces).length,
          jstsFaces(strokes),
          geosFaces(strokes),
        ].join(" / ");
    }
    const [ours, jsts, geos] = [middle(times.ours), middle(times.jsts), middle(times.geos)];
    console.log(
      `${name} ${strokes.length}: ours ${ours.toFixed(1)} ms, jsts ${jsts.toFixed(0)} ms (${(jsts / ours).toFixed(1)} x), geos ${geos.toFixed(0)} ms (${(geos / ours).toFixed(2)} x); faces ${faces}`,
    );
  }
}
