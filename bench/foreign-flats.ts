/**
 * Flat-coloured art from elsewhere: published drawings opened, their near-same colours merged, their shapes tidied, written
 * and rendered beside the original. How many pixels differ to the eye, and what became of shapes and colours.
 */
import { readdirSync, readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import { apart } from "../core/colour/oklch.ts";
import { applyEdit, beginHistory } from "../core/drawing/history.ts";
import { reshape } from "../core/drawing/shape-edits.ts";
import { speckArea } from "../core/drawing/speck.ts";
import { importSvg } from "../core/formats/import-drawing.ts";
import { writeSvg } from "../core/formats/svg-write.ts";
import { tidiedShapes } from "../core/lines/tidy-shapes.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";

const FOLDER = "node_modules/@twemoji/svg";
const DRAWINGS = 64;
const SIDE = 288;
/** Colours farther apart than this in OKLab times 100 are told apart side by side. */
const SEEN = 5;
const LIMIT = 0.005;

export function foreignFlatsBench(): void {
  const files = readdirSync(FOLDER).filter((file) => file.endsWith(".svg"));
  const rich = files.filter(
    (file, i) => i % 23 === 0 && read(file).match(/<(path|circle|ellipse)/g)!.length > 5,
  );
  const chosen = rich.slice(0, DRAWINGS);
  const found = chosen.map(measured);
  const worst = found.reduce((a, b) => (a.differs > b.differs ? a : b));
  const within = found.filter(({ differs }) => differs < LIMIT).length;
  const sum = (key: "before" | "after" | "colours" | "kept") =>
    found.reduce((total, one) => total + one[key], 0);
  console.log(`flats from elsewhere, ${found.length} published flat-coloured drawings`);
  console.log(
    `  ${within} of ${found.length} differ in under ${100 * LIMIT} % of pixels; the worst, ${worst.file}, in ${(100 * worst.differs).toFixed(2)} %; all together ${((100 * found.reduce((t, one) => t + one.differs, 0)) / found.length).toFixed(3)} %`,
  );
  console.log(`  shapes ${sum("before")} -> ${sum("after")}, colours ${sum("colours")} -> ${sum("kept")}`);
}

const read = (file: string): string => readFileSync(`${FOLDER}/${file}`, "utf8");

interface Measured {
  readonly file: string;
  /** Share of pixels that differ to the eye. */
  readonly differs: number;
  readonly before: number;
  readonly after: number;
  readonly colours: number;
  readonly kept: number;
}

function measured(file: string): Measured {
  const svg = read(file);
  const { drawing, report } = importSvg(file, svg);
  const { changes } = tidiedShapes(drawing.flatShapes, speckArea(drawing.page));
  const tidied =
    applyEdit(beginHistory(drawing), reshape(changes, "flats", "Tidy"))?.history.drawing ?? drawing;
  const { pockets } = new DrawingReader().read(tidied);
  const own = writeSvg(sceneOf(tidied, derive(tidied, pockets)));
  const count = ({ flatShapes, pours, strokes, inkShapes }: typeof drawing) =>
    [flatShapes, pours, strokes, inkShapes].reduce((total, table) => total + Object.keys(table).length, 0);
  return {
    file,
    differs: differing(pixelsOf(svg), pixelsOf(own)),
    before: svg.match(/<(path|circle|ellipse|rect|polygon)/g)!.length,
    after: count(tidied),
    colours: report.coloursFound,
    kept: report.colours,
  };
}

const pixelsOf = (svg: string): Uint8Array =>
  new Resvg(svg, { fitTo: { mode: "width", value: SIDE }, background: "white" }).render().pixels;

function differing(a: Uint8Array, b: Uint8Array): number {
  let differ = 0;
  const hex = (of: Uint8Array, k: number) =>
    `#${[0, 1, 2].map((c) => of[k + c].toString(16).padStart(2, "0")).join("")}`;
  for (let k = 0; k < a.length; k += 4) {
    if (a[k] === b[k] && a[k + 1] === b[k + 1] && a[k + 2] === b[k + 2]) continue;
    if (apart(hex(a, k), hex(b, k)) > SEEN) differ++;
  }
  return differ / (a.length / 4);
}
