import { readFileSync } from "node:fs";
import { mendsFor } from "./core/lines/trace/breaks.ts";
import { cleaned, graphOf } from "./core/lines/trace/graph.ts";
import { findInk } from "./core/lines/trace/trace.ts";
import { scanOf } from "./demo/scan/scanner.ts";

const svg = readFileSync(`demo/almanac-boot.svg`, "utf8");
const scan = scanOf(svg, { pixels: 3000, seed: 7 });
const ink = findInk(scan.grey, { specks: 24, breaks: 0 });
console.log(
  mendsFor(cleaned(graphOf(ink.skeleton, ink.squared)), ink.mask, 4)
    .map((m) => [...m.from.map(Math.round), ...m.to.map(Math.round), m.radius.toFixed(1)].join(","))
    .join("  "),
);
