/**
 * Fuzz: files of every kind that is read, spoiled by a seeded mutator, all the way through: read, pockets, scene, SVG, and back.
 * 300 in a run from a fresh seed, 10,000 in a soak; a seed that fails is printed and belongs in KEPT.
 */
import { readdirSync, readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import fc from "fast-check";
import { afterAll, expect, it } from "vitest";
import { traceReport } from "../../bin/trace.ts";
import { ART, coloured } from "../../testing/foreign-art.ts";
import { HARD_CASES } from "../../testing/hard-svgs.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { spoiled, spoiledBytes } from "../../testing/mutator.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { TRACE_SETTINGS } from "../lines/trace/trace.ts";
import { waitingPours } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import type { Pocket } from "../pockets/pockets.ts";
import { TooDense, unlessTooDense } from "../pockets/too-dense.ts";
import { derive } from "../scene/scene.ts";
import { drawingFileText, packedDrawingFile, readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { FileProblem } from "./file-problem.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

/** Seeds that once failed. */
const KEPT: readonly number[] = [858778770, 859651080];
const COUNT = SOAK ? 10_000 : 300;
const MOST_SECONDS = 2;
const MOST_BYTES = 2 ** 30;

const file = (name: string) => readFileSync(name, "utf8");
const pocketsOf = (drawing: Drawing): Pocket[] =>
  unlessTooDense(
    () => new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden),
    () => [],
  );
const delivered = (drawing: Drawing) => deliveredSvg(drawing, derive(drawing, pocketsOf(drawing)));

const OWN = [0, 7, 15, 23].map((k) => coloured(importSvg(ART[k].file, ART[k].svg).drawing, k % 2 === 0));
const BEDS = readdirSync("core/formats/saved").map((name) => file(`core/formats/saved/${name}`));
const SCAN = new Resvg(`${ART[3].svg.replace("<g ", '<rect width="400" height="400" fill="#fff"/><g ')}`, {
  fitTo: { mode: "width", value: 160 },
})
  .render()
  .asPng();

const SVGS = [
  ...Object.values(HARD_CASES),
  ...ART.map(({ svg }) => svg),
  ...OWN.map(delivered),
  ...BEDS.filter((text) => text.startsWith("<svg")),
  file("demo/almanac-kettle.svg"),
];
const FILES = [
  ...OWN.map(writeDrawingFile),
  ...BEDS.filter((text) => text.startsWith("{")),
  file("demo/almanac-sprig.fern"),
];
const PACKED = OWN.map(packedDrawingFile);
/** Slow ones now and then. */
const LARGE = [file("demo/almanac-boot-coloured.fern"), file("demo/almanac-snail.svg")];

const KINDS = {
  svg: (seed: number) => readSvgText(spoiled(pick(SVGS, seed), pick(SVGS, seed * 31 + 1), seed)),
  file: (seed: number) => readDrawingFile(spoiled(pick(FILES, seed), pick(FILES, seed * 31 + 1), seed)),
  packed: (seed: number) => readDrawingFile(drawingFileText(spoiledBytes(pick(PACKED, seed), seed))),
  scan: (seed: number) => readSvgText(scanned(spoiledBytes(SCAN, seed), seed % 2 ? "lines" : "shapes")),
  large: (seed: number) => {
    const text = spoiled(pick(LARGE, seed), pick(SVGS, seed), seed);
    return /^\s*\{/.test(text) ? readDrawingFile(text) : readSvgText(text);
  },
} as const;
const ORDER = [
  ...Array<"svg">(11).fill("svg"),
  ...Array<"file">(5).fill("file"),
  "packed",
  "packed",
  "scan",
  "large",
] as const;

const pick = <T>(list: readonly T[], seed: number): T =>
  list[Math.abs(Math.imul(seed, 0x9e3779b1)) % list.length];
const readSvgText = (text: string): Drawing => importSvg("Fuzz", text).drawing;
const scanned = (png: Uint8Array, mode: "lines" | "shapes"): string =>
  traceReport(Buffer.from(png), { name: "scan", mode, settings: TRACE_SETTINGS }).svg;

const allNumbers = (value: unknown): boolean =>
  typeof value === "number"
    ? Number.isFinite(value)
    : typeof value !== "object" || value === null || Object.values(value).every(allNumbers);

/** How many there are of everything; of pours how many pockets have colour, and how many colours wait. */
function countsOf(drawing: Drawing): Record<string, number> {
  const { pours } = drawing;
  const { pourOf } = derive(drawing, pocketsOf(drawing));
  const tables = [
    "strokes",
    "inkShapes",
    "flatShapes",
    "shades",
    "creases",
    "bridges",
    "tin",
    "parts",
  ] as const;
  return {
    ...Object.fromEntries(tables.map((name) => [name, Object.keys(drawing[name]).length])),
    coloured: pourOf.filter((id) => pours[id ?? ""]?.paint).length,
    waiting: waitingPours(pours, { pourOf }).length,
  };
}

/** As files hold it: they know no -0. */
const plain = (drawing: Drawing): unknown => JSON.parse(JSON.stringify(drawing));

/** What only we understand of an SVG says whatever it says. */
const drawnOf = (svg: string): string =>
  svg.replace(/<metadata.*<\/metadata>|<title>.*?<\/title>| data-[a-z]+="[^"]*"/gs, "");

let read = 0;
let refused = 0;

function expectSound(seed: number): void {
  const kind = ORDER[seed % ORDER.length];
  const begun = process.cpuUsage();
  let drawing: Drawing;
  try {
    drawing = KINDS[kind](seed);
    read++;
  } catch (error) {
    if (!(error instanceof FileProblem || error instanceof TooDense)) throw error;
    refused++;
    return;
  }
  expect(allNumbers(drawing), "numbers").toBe(true);
  const svg = delivered(drawing);
  expect(drawnOf(svg), "SVG").not.toMatch(/NaN|Infinity|undefined/);
  const counts = countsOf(drawing);
  expect(countsOf(importSvg("Again", svg).drawing), "SVG out and in").toEqual(counts);
  expect(plain(readDrawingFile(writeDrawingFile(drawing))), "file out and in").toEqual(plain(drawing));
  const { user, system } = process.cpuUsage(begun);
  // All of it four times over: read, and what comes of it, and both again.
  expect((user + system) / 1e6, "seconds").toBeLessThan(4 * MOST_SECONDS);
  expect(process.memoryUsage().heapUsed, "memory").toBeLessThan(MOST_BYTES);
}

function tried(seed: number): void {
  try {
    expectSound(seed);
  } catch (error) {
    throw new Error(`Fuzz seed ${seed}, ${ORDER[seed % ORDER.length]}`, { cause: error });
  }
}

it("is sound where it once was not", () => {
  for (const seed of KEPT) tried(seed);
});

const first = Math.abs(fc.readConfigureGlobal().seed ?? Date.now() % 2 ** 30);
it(`is read or refused, and comes back the same: seeds ${first} to ${first + COUNT - 1}`, {
  timeout: 7_200_000,
}, () => {
  for (let seed = first; seed < first + COUNT; seed++) tried(seed);
});

afterAll(() => {
  // Files that are all refused would prove nothing.
  expect(read).toBeGreaterThan(COUNT / 10);
  expect(refused).toBeGreaterThan(COUNT / 20);
});
