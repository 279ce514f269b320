/**
 * The pocket engine beside jsts and GEOS (as WebAssembly, and as compiled for this machine where there is Python with
 * shapely) on the same line work in the same run; one stroke moved beside a build from nothing; and how long it takes to
 * read the input once, which no engine can undercut.
 */
import { boundingLoops } from "../core/pockets/faces.ts";
import { editMap } from "../core/pockets/map-edit.ts";
import { buildMap } from "../core/pockets/planar-map.ts";
import type { Line } from "../core/pockets/segments.ts";
import { straight } from "../testing/line-work.ts";
import { type NativeGeos, nativeGeos } from "./geos-native.ts";
import { judge } from "./judge.ts";
import { crossingStrokes, type Polyline, spotLike, spotRow } from "./line-work.ts";
import { geosEngine, jstsFaces } from "./peers.ts";
import { middle, shifted, timed } from "./timing.ts";

interface Case {
  readonly name: string;
  readonly strokes: readonly Polyline[];
  /** Of jsts and GEOS in WebAssembly, which take long; none for 0. */
  readonly slowRounds: number;
  /** How many times as fast as native GEOS it is meant to be. */
  readonly ahead?: number;
}

const CASES: readonly Case[] = [
  { name: "crossing", strokes: crossingStrokes(100), slowRounds: 7 },
  { name: "crossing", strokes: crossingStrokes(300), slowRounds: 7 },
  { name: "crossing", strokes: crossingStrokes(1000), slowRounds: 2 },
  { name: "crossing", strokes: crossingStrokes(3000), slowRounds: 1 },
  { name: "spot-like, crowded", strokes: spotLike(1000), slowRounds: 7 },
  { name: "spot-like, crowded", strokes: spotLike(3000), slowRounds: 2 },
  { name: "spot-like", strokes: spotRow(1000), slowRounds: 7, ahead: 2 },
  { name: "spot-like", strokes: spotRow(3000), slowRounds: 3, ahead: 2 },
  { name: "spot-like", strokes: spotRow(10_000), slowRounds: 1, ahead: 2 },
];
const ROUNDS = 7;
/** Builds before the clock counts, by segments: small cases need more of them to be compiled. */
const warmUps = (segments: number): number => (segments < 10_000 ? 80 : 8);
const EDITS = 40;

export async function enginesBench(): Promise<void> {
  const geosFaces = await geosEngine();
  const native = await nativeGeos();
  if (!native) console.log("engines: no Python with shapely here, so GEOS is measured as WebAssembly alone");
  for (const one of CASES) await measure(one, geosFaces, native);
  native?.end();
}

async function measure(
  { name, strokes, slowRounds, ahead }: Case,
  geosFaces: (strokes: readonly Polyline[]) => number,
  native: NativeGeos | undefined,
): Promise<void> {
  const lines = strokes.map((points, i) => ({ ...straight(points), id: `s${i}` }));
  const build = () => buildMap(lines, { strict: true });
  const { segs } = build();
  for (let k = 0; k < warmUps(segs.count); k++) build();
  const times = { ours: [] as number[], read: [] as number[], jsts: [] as number[], geos: [] as number[] };
  const nativeTimes: number[] = [];
  const faces = new Set<number>();
  for (let round = 0; round < ROUNDS; round++) {
    for (let k = 0; k < 3; k++) times.ours.push(timed(build));
    times.read.push(timed(() => sumOf(lines)));
    if (native) {
      const [ms, found] = await native.time(strokes);
      nativeTimes.push(ms);
      faces.add(found);
    }
    if (round >= slowRounds) continue;
    times.jsts.push(timed(() => faces.add(jstsFaces(strokes))));
    times.geos.push(timed(() => faces.add(geosFaces(strokes))));
  }
  const map = build();
  faces.add(boundingLoops(map.faces).length);
  const ours = middle(times.ours);
  const work = map.segs.count + map.noding.crossings;
  console.log(
    `${name} ${strokes.length}: ${map.segs.count} segments, ${map.noding.crossings} crossings, faces ${[...faces].join(" or ")}`,
  );
  const ratio = (others: readonly number[]) =>
    others.length > 0 ? `${(middle(others) / ours).toFixed(1)} x` : "—";
  console.log(
    `  build ${ours.toFixed(1)} ms; jsts takes ${ratio(times.jsts)} as long, geos in WebAssembly ${ratio(times.geos)}, geos ${ratio(nativeTimes)}; reading the input once ${(middle(times.read) / ours).toFixed(4)} x; ${((1e6 * ours) / (work * Math.log2(work))).toFixed(1)} ns per n log n`,
  );
  const edit = middle(editTimes(lines));
  console.log(
    `  one stroke moved ${edit.toFixed(2)} ms; a build takes ${(ours / edit).toFixed(0)} x as long`,
  );
  if (ahead && native)
    judge({
      area: "engine",
      what: `${name} ${strokes.length}, times as fast as GEOS`,
      measured: middle(nativeTimes) / ours,
      unit: "x",
      aim: ahead,
      more: true,
      limit: { what: "reading the input once would be", measured: middle(nativeTimes) / middle(times.read) },
    });
}

function sumOf(lines: readonly Line[]): number {
  let sum = 0;
  for (const { points } of lines) for (let k = 0; k < points.length; k++) sum += points[k];
  return sum;
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
