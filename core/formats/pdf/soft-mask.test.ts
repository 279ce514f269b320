import { expect, it } from "vitest";
import { ellipse, rectangle } from "../../lines/figures.ts";
import { softMask } from "./soft-mask.ts";

const BOX = { x: -3, y: 2, width: 20, height: 15 };
const SCALE = 4;

/** By the definition: each pixel the Gaussian mean of a fine grid of points that are in or out. */
function expected(isIn: (x: number, y: number) => boolean, blur: number, x: number, y: number): number {
  const step = 0.08;
  let [sum, all] = [0, 0];
  for (let dx = -3 * blur; dx <= 3 * blur; dx += step)
    for (let dy = -3 * blur; dy <= 3 * blur; dy += step) {
      const weight = Math.exp(-(dx * dx + dy * dy) / (2 * blur * blur));
      all += weight;
      if (isIn(x + dx, y + dy)) sum += weight;
    }
  return (255 * sum) / all;
}

const hole = rectangle([4, 6], [8, 10]);

it.each([
  [
    "a disc that runs out of the box",
    [ellipse([1, 6], 7, 6)],
    false,
    (x: number, y: number) => ((x - 1) / 7) ** 2 + ((y - 6) / 6) ** 2 < 1,
  ],
  [
    "a box with a hole by the even-odd rule",
    [rectangle([1, 3], [14, 14]), hole],
    true,
    (x: number, y: number) => x > 1 && x < 14 && y > 3 && y < 14 && !(x > 4 && x < 8 && y > 6 && y < 10),
  ],
  [
    "a box twice by the nonzero rule",
    [rectangle([1, 3], [14, 14]), hole],
    false,
    (x: number, y: number) => x > 1 && x < 14 && y > 3 && y < 14,
  ],
] as const)("is what a Gaussian makes of %s", (_, chains, evenOdd, isIn) => {
  const blur = 1;
  const { columns, rows, values } = softMask({ kind: "region", chains, evenOdd }, blur, BOX, SCALE);
  expect([columns, rows]).toEqual([80, 60]);
  let most = 0;
  for (let r = 0; r < rows; r += 7)
    for (let c = 0; c < columns; c += 7) {
      const at = [BOX.x + (c + 0.5) / SCALE, BOX.y + (r + 0.5) / SCALE] as const;
      most = Math.max(most, Math.abs(values[r * columns + c] - expected(isIn, blur, ...at)));
    }
  expect(most).toBeLessThan(4);
});
