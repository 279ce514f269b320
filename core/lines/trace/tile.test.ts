import { describe, expect, it } from "vitest";
import { flatten } from "../../geometry/cubic.ts";
import { regionContains } from "../../geometry/polygon.ts";
import { tileOf } from "./tile.ts";

const WIDTH = 60;
const HEIGHT = 40;

/** Levels by the distance from the nearest corner: a disc that lies across all four, as tiles repeat. */
function acrossCorners(levelAt: (far: number) => number) {
  const data = new Uint8Array(WIDTH * HEIGHT);
  for (let y = 0; y < HEIGHT; y++)
    for (let x = 0; x < WIDTH; x++) {
      const [dx, dy] = [Math.min(x + 0.5, WIDTH - x - 0.5), Math.min(y + 0.5, HEIGHT - y - 0.5)];
      data[y * WIDTH + x] = levelAt(Math.hypot(dx, dy));
    }
  return { width: WIDTH, height: HEIGHT, data };
}

describe("a tile", () => {
  const disc = acrossCorners((far) => Math.max(0, Math.min(255, (far - 12) * 255)));

  it("meets itself where it repeats, within half a pixel", () => {
    const { ratio, tones } = tileOf(disc, 1);
    expect(ratio).toBeCloseTo(HEIGHT / WIDTH, 9);
    const rings = [-1, 0, 1].flatMap((column) =>
      [-1, 0, 1].flatMap((row) =>
        tones[0].map((chain) => flatten(chain, 1e-4).map((n, i) => n + (i % 2 === 0 ? column : row * ratio))),
      ),
    );
    // A seam would be a hairline between tiles: places on it, and just beside it.
    for (let k = 0; k < 400; k++) {
      const turn = k * 2.399963;
      const far = (11.5 * Math.sqrt((k % 200) / 200)) / WIDTH;
      const at: [number, number] = [
        k % 4 === 0 ? 0 : far * Math.cos(turn),
        k % 4 === 1 ? ratio : ratio + far * Math.sin(turn),
      ];
      expect(rings.some((ring) => regionContains([ring], at))).toBe(true);
    }
    const out = 13.5 / WIDTH;
    expect(rings.some((ring) => regionContains([ring], [out, 0]))).toBe(false);
    expect(rings.some((ring) => regionContains([ring], [0, ratio - out]))).toBe(false);
  });

  it("has its tones from light to dark, each within the one before", () => {
    const { tones } = tileOf(
      acrossCorners((far) => (far < 6 ? 10 : far < 12 ? 90 : far < 18 ? 170 : 250)),
      3,
    );
    const covers = tones.map((tone) => {
      const rings = tone.map((chain) => flatten(chain, 1e-4));
      return [3, 9, 15].map((far) => regionContains(rings, [far / WIDTH, 0.5 / WIDTH]));
    });
    expect(covers).toEqual([
      [true, true, true],
      [true, true, false],
      [true, false, false],
    ]);
  });

  it("of a blank picture shows nothing", () => {
    expect(
      tileOf(
        acrossCorners(() => 255),
        3,
      ).tones.flat(),
    ).toEqual([]);
  });
});
