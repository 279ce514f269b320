import { readFileSync } from "node:fs";
import { newDrawing } from "./core/drawing/new-drawing.ts";
import { readSvg } from "./core/formats/svg-read.ts";
import { findInk, TRACE_SETTINGS, tracedLines, tracedShapes } from "./core/lines/trace/trace.ts";
import { LineReader } from "./core/pockets/line-reader.ts";
import { pocketAt } from "./core/scene/scene.ts";
import { inPixels, scanOf } from "./demo/scan/scanner.ts";

const [name, mode] = process.argv.slice(2);
const svg = readFileSync(`demo/almanac-${name}.svg`, "utf8");
const scan = scanOf(svg, { pixels: 3000, seed: 7 });
const ink = findInk(scan.grey, { ...TRACE_SETTINGS, breaks: Number(process.env.BREAKS ?? 4) });
const page = { box: { x: 0, y: 0, width: 3000, height: 3000 }, width: 100, unit: "mm" as const, ppi: 300 };
const traced =
  mode === "shapes"
    ? newDrawing(
        "",
        page,
        [],
        tracedShapes(ink).map((outline, i) => ({ id: `i${i}`, rank: i, outline, evenOdd: true })),
      )
    : newDrawing(
        "",
        page,
        tracedLines(ink).map((l, i) => ({ id: `s${i}`, rank: i, ...l })),
      );
const P = (d: any) => new LineReader().read(d).filter((p) => !p.hidden);
const r = readSvg(svg);
const drawn = P(newDrawing("", r.page, r.strokes, r.inkShapes));
const found = P(traced);
const taken = new Set<any>();
const missed: any[] = [];
for (const p of drawn) {
  const f = pocketAt(found, inPixels(scan, p.seed));
  if (f && !taken.has(f)) taken.add(f);
  else missed.push([p.area * 9, inPixels(scan, p.seed).map(Math.round), f ? "shared" : "none"]);
}
console.log("missed", JSON.stringify(missed));
console.log(
  "more",
  found
    .filter((f) => !taken.has(f))
    .map((f) => `${f.area.toFixed(0)}@${f.seed.map(Math.round)}`)
    .join("  "),
);
console.log(
  "smallest drawn",
  drawn
    .map((p) => p.area * 9)
    .sort((a, b) => a - b)
    .slice(0, 10)
    .map((n) => n.toFixed(0))
    .join(" "),
);
for (const f of found.filter((f) => !taken.has(f) && f.area < 30).slice(0, 6))
  console.log(
    f.area,
    f.seed,
    f.lines.map((l) => {
      const s = traced.strokes[l];
      return `${l} w${s.width.toFixed(1)} n${(s.points.length / 6) | 0} p${s.profile
        ?.map((n) => n.toFixed(2))
        .join(" ")
        .slice(0, 80)} ${s.points.slice(0, 2).map(Math.round)}..${s.points.slice(-2).map(Math.round)}`;
    }),
  );

import { regionContains } from "./core/geometry/polygon.ts";

const q = process.argv[4]?.split(",").map(Number) as any;
if (q)
  for (const f of found.filter((f) => regionContains(f.rings, q)))
    console.log("holds", f.area.toFixed(0), f.seed.map(Math.round), f.rings.length, f.box);
