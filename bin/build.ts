/** `fern build`: times the planar map of polylines, engine time only, so that it can stand beside other engines. */
import { ArrayMinSize, IsArray, IsNumber } from "class-validator";
import { checked, Nested, rules } from "#core/drawing/checked.ts";
import { FileProblem } from "#core/formats/file-problem.ts";
import { polyline } from "#core/geometry/cubic.ts";
import type { Point } from "#core/geometry/point.ts";
import { boundingLoops } from "#core/pockets/faces.ts";
import { buildMap } from "#core/pockets/planar-map.ts";
import type { Line } from "#core/pockets/segments.ts";
import { heldBytes } from "./held-bytes.ts";
import { IsPoint } from "./is-point.ts";

class StrokeFile {
  points!: Point[];
}
rules(StrokeFile, Object, {
  points: [IsArray(), ArrayMinSize(1), IsPoint({ each: true })],
});

class LineWorkFile {
  viewBox!: number[];
  strokes!: StrokeFile[];
}
rules(LineWorkFile, Object, {
  viewBox: [IsArray(), IsNumber({}, { each: true })],
  strokes: [IsArray(), Nested(() => StrokeFile, true)],
});

export interface BuildReport {
  /** Median over the repeats. */
  readonly ms: number;
  readonly faces: number;
  readonly segments: number;
  readonly crossings: number;
  /** The largest total size of the engine's arrays at any moment. */
  readonly peakBytes: number;
}

export function readLineWork(text: string): Line[] {
  const file = checked(LineWorkFile, parsed(text));
  if ("wrong" in file)
    throw new FileProblem("broken", `Not line work: ${file.wrong[0]} is not as it should be.`);
  return (file.value as unknown as LineWorkFile).strokes.map(({ points }, i) => ({
    id: `s${i}`,
    points: polyline(points),
    closed: points.length > 2 && `${points[0]}` === `${points[points.length - 1]}`,
    width: 0,
    bridge: false,
  }));
}

function parsed(text: string): object {
  try {
    const value: unknown = JSON.parse(text);
    if (typeof value === "object" && value !== null && !Array.isArray(value)) return value;
  } catch {
    // told below
  }
  throw new FileProblem("broken", "Not line work: it is not a JSON object.");
}

/** Milliseconds of building before the clock counts, so that the engine is compiled as it is in an application. */
const WARM_UP_MS = 800;

export function buildReport(lines: readonly Line[], repeat: number): BuildReport {
  const peak = peakBytes(lines);
  for (const begun = performance.now(); performance.now() - begun < WARM_UP_MS; )
    buildMap(lines, { strict: true });
  const times: number[] = [];
  let map = buildMap(lines, { strict: true });
  for (let i = 0; i < repeat; i++) {
    const begun = performance.now();
    map = buildMap(lines, { strict: true });
    times.push(performance.now() - begun);
  }
  times.sort((a, b) => a - b);
  return {
    ms: times[times.length >> 1],
    faces: boundingLoops(map.faces).length,
    segments: map.segs.count,
    crossings: map.noding.crossings,
    peakBytes: peak,
  };
}

/** Bytes of live typed arrays where the build holds most, after the garbage is collected. */
function peakBytes(lines: readonly Line[]): number {
  const before = heldBytes();
  let most = 0;
  buildMap(lines, {
    strict: true,
    onPeak: () => {
      most = Math.max(most, heldBytes() - before);
    },
  });
  return most;
}
