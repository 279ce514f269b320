import { readFileSync, writeFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import { encode } from "fast-png";
import { pathData } from "./core/formats/svg-path.ts";
import { findInk, TRACE_SETTINGS, tracedLines } from "./core/lines/trace/trace.ts";
import { scanOf } from "./demo/scan/scanner.ts";

const [name, x, y, w, pixels = "1500"] = process.argv.slice(2);
const svg = readFileSync(`demo/almanac-${name}.svg`, "utf8");
const scan = scanOf(svg, { pixels: Number(pixels), seed: 7 });
const ink = findInk(scan.grey, TRACE_SETTINGS);
const lines = tracedLines(ink);
const png = Buffer.from(
  encode({ width: scan.grey.width, height: scan.grey.height, data: scan.grey.data, channels: 1, depth: 8 }),
).toString("base64");
const h = w;
const out = `<svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="1000" height="1000" viewBox="${x} ${y} ${w} ${h}"><image width="${scan.grey.width}" height="${scan.grey.height}" xlink:href="data:image/png;base64,${png}"/>
${lines.map((l, i) => `<path fill="none" stroke="hsl(${(i * 67) % 360} 90% 50%)" stroke-width="${Number(w) / 500}" d="${pathData(l.points, l.closed, 2)}"/>` + [...Array((l.points.length - 2) / 6 + 1).keys()].map((k) => `<circle cx="${l.points[6 * k]}" cy="${l.points[6 * k + 1]}" r="${Number(w) / 300}" fill="red"/>`).join("")).join("\n")}</svg>`;
writeFileSync("/tmp/t.png", new Resvg(out, { fitTo: { mode: "width", value: 1000 } }).render().asPng());
console.log(lines.length);
