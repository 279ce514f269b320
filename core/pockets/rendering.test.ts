/** Published icons: as many pockets as a rendering has white areas. */
import { readdirSync, readFileSync } from "node:fs";
import { Resvg } from "@resvg/resvg-js";
import { expect, it } from "vitest";
import { sampleOf } from "../../testing/long-runs.ts";
import { newDrawing } from "../drawing/new-drawing.ts";
import { readSvg } from "../formats/svg-read.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";
import { linesOf } from "./reading.ts";

const ICONS = "node_modules/lucide-static/icons";
const PIXELS = 960;

it("finds the white areas of a rendering, joined", () => {
  const all = readdirSync(ICONS).filter((file, i) => file.endsWith(".svg") && i % 19 === 0);
  expect(all.length).toBeGreaterThan(100);
  const files = sampleOf(all, 40);
  const unlike = files.filter((file) => {
    const svg = readFileSync(`${ICONS}/${file}`, "utf8");
    const { page, strokes, inkShapes } = readSvg(svg);
    const lines = linesOf(newDrawing("", page, strokes, inkShapes));
    const shown = pocketsOf(buildMap(lines)).filter(({ hidden }) => !hidden);
    return shown.length !== whiteAreas(svg);
  });
  expect(unlike).toEqual([]);
});

/** How many white areas of more than one pixel do not reach the picture's edge. */
function whiteAreas(svg: string): number {
  const picture = new Resvg(svg, { fitTo: { mode: "width", value: PIXELS }, background: "#fff" }).render();
  const { width, height, pixels } = picture;
  const white = Uint8Array.from({ length: width * height }, (_, k) => (pixels[4 * k] >= 128 ? 1 : 0));
  let areas = 0;
  for (let first = 0; first < white.length; first++) {
    if (!white[first]) continue;
    let size = 0;
    let atEdge = false;
    const queue = [first];
    white[first] = 0;
    for (let k = queue.pop(); k !== undefined; k = queue.pop()) {
      size++;
      const [x, y] = [k % width, Math.floor(k / width)];
      if (x === 0 || y === 0 || x === width - 1 || y === height - 1) {
        atEdge = true;
        continue;
      }
      for (const next of [k - 1, k + 1, k - width, k + width]) {
        if (!white[next]) continue;
        white[next] = 0;
        queue.push(next);
      }
    }
    if (!atEdge && size > 1) areas++;
  }
  return areas;
}
