/**
 * A picture as a tile that repeats: its tones as nested shapes (contours.ts), cut at even levels of grey.
 * The picture goes on at each side as it begins at the other, so that shapes which lie across tiles meet beneath one another.
 */
import { bisectRight } from "d3-array";
import type { Tile } from "../../drawing/drawing.ts";
import { mapped } from "../../geometry/matrix.ts";
import { contoursOf } from "./contours.ts";
import type { Grey } from "./grey.ts";
import { inkOutlinesOf } from "./ink-outlines.ts";
import { removeSpecks } from "./mask.ts";

/** Pixels that are added at each side; the outermost are paper, so that rings close there. */
const BEYOND = 4;
/** Pixels of a run that is left out. */
const SPECK = 6;

/** The tones of a tile, at most `count` of them: chains in a space where the picture is 1 wide. */
export function tileOf(grey: Grey, count: number): Pick<Tile, "ratio" | "tones"> {
  const { width, height } = grey;
  const wide = goneOn(grey);
  const tones = levelsOf(grey, count).map((level) =>
    inkOutlinesOf(contoursOf(withoutSpecks(wide, level), level))
      .flat()
      .map((chain) => mapped(chain, [1 / width, 0, 0, 1 / width, -BEYOND / width, -BEYOND / width])),
  );
  return { ratio: height / width, tones };
}

function goneOn({ width, height, data }: Grey): Grey {
  const [w, h] = [width + 2 * BEYOND, height + 2 * BEYOND];
  const out = new Uint8Array(w * h).fill(255);
  for (let y = 1; y + 1 < h; y++)
    for (let x = 1; x + 1 < w; x++)
      out[y * w + x] = data[((y - BEYOND + height) % height) * width + ((x - BEYOND + width) % width)];
  return { width: w, height: h, data: out };
}

function withoutSpecks({ width, height, data }: Grey, level: number): Grey {
  const mask = { width, height, data: Uint8Array.from(data, (n) => (n <= level ? 1 : 0)) };
  const before = mask.data.slice();
  removeSpecks(mask, SPECK);
  return {
    width,
    height,
    data: data.map((n, i) => (mask.data[i] === before[i] ? n : mask.data[i] ? level : 255)),
  };
}

/** Of all pixels, as many as this are darker or lighter than what counts as the darkest and the lightest. */
const OUTLIERS = 0.01;
/** Tones differ by at least this part of all pixels. */
const ALIKE = 0.02;

/** Levels, the lightest first, evenly between the darkest and the lightest; those that part pixels alike are one. */
function levelsOf({ data }: Grey, count: number): number[] {
  const sorted = data.slice().sort();
  const [dark, light] = [OUTLIERS, 1 - OUTLIERS].map(
    (share) => sorted[Math.floor(share * (sorted.length - 1))],
  );
  const darkerThan = (level: number) => bisectRight(sorted, level) / sorted.length;
  const levels: number[] = [];
  for (let k = 0; k < count; k++) {
    const level = Math.floor(dark + ((count - k) / (count + 1)) * (light - dark));
    const before = levels[levels.length - 1];
    if (before === undefined || darkerThan(before) - darkerThan(level) > ALIKE) levels.push(level);
  }
  return levels;
}
