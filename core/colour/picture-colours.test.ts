import { describe, expect, it } from "vitest";
import { randomFrom } from "../../testing/random.ts";
import { apart, hexOf } from "./oklch.ts";
import { coloursIn, colourTree, NO_COLOUR, type Pixels } from "./picture-colours.ts";

const SIDE = 160;

/** Colours that an eye tells apart well, of every lightness and strength. */
function distinctColours(random: () => number, count: number): string[] {
  const found: string[] = [];
  while (found.length < count) {
    const value = hexOf({ l: 0.25 + 0.7 * random(), c: 0.2 * random(), h: 360 * random() });
    if (found.every((other) => apart(value, other) > 14)) found.push(value);
  }
  return found;
}

/** Blots of known colours under uneven light, with the noise of a camera. */
function photo(colours: readonly string[], random: () => number): Pixels {
  const blots = Array.from({ length: 4 * colours.length }, (_, i) => ({
    x: SIDE * random(),
    y: SIDE * random(),
    colour: i % colours.length,
  }));
  const slant = 2 * Math.PI * random();
  const gauss = () => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
  const data = new Uint8ClampedArray(4 * SIDE * SIDE).fill(255);
  for (let k = 0; k < SIDE * SIDE; k++) {
    const [x, y] = [k % SIDE, Math.floor(k / SIDE)];
    let nearest = blots[0];
    for (const blot of blots)
      if (Math.hypot(blot.x - x, blot.y - y) < Math.hypot(nearest.x - x, nearest.y - y)) nearest = blot;
    const light = 1 + 0.12 * Math.sin((x * Math.cos(slant) + y * Math.sin(slant)) / 23);
    for (let c = 0; c < 3; c++) {
      const own = Number.parseInt(colours[nearest.colour].slice(1 + 2 * c, 3 + 2 * c), 16);
      data[4 * k + c] = own * light ** (1 / 2.2) + 6 * gauss();
    }
  }
  return { data, width: SIDE, height: SIDE };
}

describe("the main colours of a picture", () => {
  it.each(Array.from({ length: 10 }, (_, i) => i + 1))(
    "picture %i: every colour it is made of is found within 3",
    (seed) => {
      const random = randomFrom(seed);
      const known = distinctColours(random, 3 + (seed % 7));
      const { colours } = coloursIn(colourTree(photo(known, random)), known.length);
      for (const value of known)
        expect(Math.min(...colours.map((found) => apart(found.value, value)))).toBeLessThan(3);
    },
  );

  it("are shown where they come from, the most of the picture first, clear pixels left out", () => {
    const data = new Uint8ClampedArray(4 * 20 * 20);
    for (let k = 0; k < 400; k++) {
      const x = k % 20;
      data.set(x < 4 ? [0, 0, 0, 0] : x < 14 ? [194, 63, 90, 255] : [111, 154, 74, 255], 4 * k);
    }
    const { colours, colourOf } = coloursIn(colourTree({ data, width: 20, height: 20 }), 2);
    expect(colours.map(({ value }) => value)).toEqual(["#c23f5a", "#6f9a4a"]);
    // The row of pixels between them may go either way.
    expect(Math.abs(colours[0].share - 10 / 16)).toBeLessThan(0.1);
    for (const [i, { at }] of colours.entries()) expect(colourOf[at[1] * 20 + at[0]]).toBe(i);
    expect(colourOf[0]).toBe(NO_COLOUR);
  });

  it("are no more than the picture has, and none where there is nothing to see", () => {
    const one = { data: new Uint8ClampedArray(16).fill(255), width: 2, height: 2 };
    expect(coloursIn(colourTree(one), 5).colours.map(({ value }) => value)).toEqual(["#ffffff"]);
    const none = { data: new Uint8ClampedArray(16), width: 2, height: 2 };
    expect(coloursIn(colourTree(none), 5).colours).toEqual([]);
  });
});
