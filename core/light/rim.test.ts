import { describe, expect, it } from "vitest";
import { curveCount, flatten } from "../geometry/cubic.ts";
import { boundsOf, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { ellipse, rectangle } from "../lines/figures.ts";
import type { PlacedLamp } from "./lamp.ts";
import { rimLight } from "./rim.ts";

const formed = (chain: readonly number[]) => {
  const rings = [flatten(chain, 0.01)];
  return { rings, box: boundsOf([chain])!, area: 1 };
};
const RADIUS = 100;
const disc = formed(ellipse([300, 200], RADIUS, RADIUS));
const LAMP: PlacedLamp = { at: [0, 200], height: 300, far: true, middle: [300, 200], finest: 0 };
const RIM = { width: 10, gap: 5 };
const covers = (chains: readonly number[][], at: Point) =>
  chains.some((chain) => regionContains([flatten(chain, 0.01)], at));

describe("rim light", () => {
  it("lies along the edge that faces the lamp, as far back and as wide as asked for", () => {
    const rim = rimLight(disc, LAMP, RIM);
    expect(rim).toHaveLength(1);
    const along = (far: number): Point => [200 + far, 200];
    expect([3, 6, 10, 14, 17].map((far) => covers(rim, along(far)))).toEqual([
      false,
      true,
      true,
      true,
      false,
    ]);
    expect(covers(rim, [390, 200])).toBe(false);
    expect(curveCount(rim[0])).toBeLessThan(24);
  });

  it("tapers to its ends", () => {
    const rim = rimLight(disc, LAMP, RIM);
    const thickAt = (turn: number) => {
      let thick = 0;
      for (let far = 0; far < 20; far += 0.1) {
        const r = RADIUS - far;
        if (covers(rim, [300 - r * Math.cos(turn), 200 - r * Math.sin(turn)])) thick += 0.1;
      }
      return thick;
    };
    const thick = [0, 0.4, 0.8, 1.1, 1.3, 1.5].map(thickAt);
    expect(thick[0]).toBeCloseTo(10, 0);
    for (let k = 1; k < thick.length; k++) expect(thick[k]).toBeLessThanOrEqual(thick[k - 1] + 0.2);
    expect(thick[5]).toBe(0);
  });

  it("lies on the other edge for light from behind, and follows a near lamp", () => {
    expect(covers(rimLight(disc, LAMP, { ...RIM, behind: true }), [390, 200])).toBe(true);
    const above: PlacedLamp = { ...LAMP, far: false, at: [300, 0] };
    expect(covers(rimLight(disc, above, RIM), [300, 110])).toBe(true);
    expect(covers(rimLight(disc, above, RIM), [210, 200])).toBe(false);
  });

  it("keeps within what is thin, whichever way the outline winds, and is none where nothing is", () => {
    const leaf = rectangle([0, 0], [200, 8]);
    const backwards = [...leaf].reverse().flatMap((_, i, all) => (i % 2 === 0 ? [all[i + 1], all[i]] : []));
    for (const chain of [leaf, backwards]) {
      const rim = rimLight(formed(chain), { ...LAMP, at: [100, -500], middle: [100, 0] }, RIM);
      const box = boundsOf(rim)!;
      expect(box.y).toBeGreaterThan(0);
      expect(box.y + box.height).toBeLessThan(8);
    }
    expect(rimLight({ rings: [], box: disc.box, area: 0 }, LAMP, RIM)).toEqual([]);
  });
});
