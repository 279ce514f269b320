/** Files from elsewhere opened: a plain SVG of the coloured lantern, and 30,000 styled paths; beside reading their text once. */
import { readFileSync } from "node:fs";
import { plainScene } from "../core/deliver/plain-scene.ts";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { importSvg } from "../core/formats/import-drawing.ts";
import { plainSvg } from "../core/formats/svg-write.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive, sceneOf } from "../core/scene/scene.ts";
import { randomFrom } from "../testing/random.ts";
import { judge } from "./judge.ts";
import { middle, timed } from "./timing.ts";

const ROUNDS = 3;
const AIM_MS = 1500;

export function openingBench(): void {
  measure("a plain SVG of the lantern", plainLantern());
  measure("30,000 styled paths", styledPaths(30_000));
}

function measure(what: string, svg: string): void {
  const first = timed(() => importSvg("", svg));
  const times = Array.from({ length: ROUNDS }, () => timed(() => importSvg("", svg)));
  const read = middle(Array.from({ length: ROUNDS }, () => timed(() => lettersIn(svg))));
  console.log(`opening ${what}: ${(svg.length / 1e6).toFixed(1)} MB, ${first.toFixed(0)} ms the first time`);
  judge({
    area: "opening",
    what: `${what}, in a worker that has opened files`,
    measured: middle(times),
    unit: "ms",
    aim: AIM_MS,
    limit: { what: "its letters once", measured: read },
  });
}

function lettersIn(text: string): number {
  let sum = 0;
  for (let k = 0; k < text.length; k++) sum += text.charCodeAt(k);
  return sum;
}

function plainLantern(): string {
  const drawing = readDrawingFile(readFileSync("demo/almanac-lantern-coloured.fern", "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return plainSvg(plainScene(sceneOf(drawing, derive(drawing, pockets))).scene, drawing.page);
}

/** Small leaves of a dozen colours strewn over a page, a stroke and a fill each. */
function styledPaths(count: number): string {
  const random = randomFrom(11);
  const side = 4000;
  const paths = Array.from({ length: count }, (_, k) => {
    const [x, y, r] = [random() * side, random() * side, 4 + 12 * random()].map((n) => Number(n.toFixed(2)));
    const hue = (k % 12) * 30;
    return `<path style="fill:hsl(${hue} 60% 60%);stroke:#221b18;stroke-width:1.2;stroke-linejoin:round" d="M${x} ${y}c${r} ${-r} ${2 * r} ${-r} ${3 * r} 0c${-r} ${r} ${-2 * r} ${r} ${-3 * r} 0z"/>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${side} ${side}">${paths.join("")}</svg>`;
}
