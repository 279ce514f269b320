import { describe, expect, it } from "vitest";
import { randomFrom } from "../../testing/random.ts";
import { memoryOfPacked, pack, unpack } from "./packed.ts";

/** A plain value of some depth, made at random. */
function anything(random: () => number, depth: number): unknown {
  const kind = Math.floor(random() * (depth > 0 ? 8 : 5));
  const length = Math.floor(random() * 12);
  if (kind === 0) return random() < 0.3 ? null : random() * 1000;
  if (kind === 1) return ["", "leaf", "Blatt 🌿"][length % 3];
  if (kind === 2) return random() < 0.5;
  if (kind < 5) return Array.from({ length }, () => (random() - 0.5) * 1e6);
  if (kind === 5) return Array.from({ length }, () => anything(random, depth - 1));
  return Object.fromEntries(Array.from({ length }, (_, k) => [`k${k}`, anything(random, depth - 1)]));
}

describe("values that travel packed", () => {
  it("arrive as they left, whatever they are made of", () => {
    const random = randomFrom(11);
    for (let k = 0; k < 300; k++) {
      const value = anything(random, 4);
      const packed = pack(value);
      const arrived = structuredClone(packed, { transfer: memoryOfPacked(packed) });
      expect(unpack(arrived)).toEqual(value);
    }
  });

  it("carry long runs of numbers outside the frame, to the last digit", () => {
    const points = [0.1, -0, 1 / 3, 1e-300, 5, 6, 7, Number.MAX_VALUE];
    const packed = pack({ id: "a", points, dash: [4, 2], groups: [] });
    expect(packed.frame).toEqual({ id: "a", points: [], dash: [4, 2], groups: [] });
    expect(unpack(packed).points.every((value, k) => Object.is(value, points[k]))).toBe(true);
  });
});
