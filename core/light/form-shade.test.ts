import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { SOAK } from "../../testing/long-runs.ts";
import { curveCount, enclosedArea, flatten, reversed } from "../geometry/cubic.ts";
import { boundsOf, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { ellipse } from "../lines/figures.ts";
import { type Formed, formShade, formShine } from "./form-shade.ts";
import { inflate } from "./inflate.ts";
import type { PlacedLamp } from "./lamp.ts";

const formed = (...chains: readonly number[][]): Formed => {
  const rings = chains.map((chain) => flatten(chain, 0.01));
  return { rings, box: boundsOf(chains)!, area: Math.abs(enclosedArea(chains[0])) };
};
const RADIUS = 100;
const disc = formed(ellipse([300, 200], RADIUS, RADIUS));
const LAMP: PlacedLamp = { at: [0, 200], height: 300, far: true, middle: [300, 200], finest: 0 };
const ONE = { tones: 1, roundness: 1, reach: 0.6 };

describe("a soft form", () => {
  it("over a circle is half a sphere, whose normals point away from its middle", () => {
    const { columns, rows, x, y, cell, normals, inside } = inflate(disc.rings, disc.box)!;
    let worst = 0;
    for (let k = 0; k < columns * rows; k++) {
      if (!inside[k]) continue;
      const [dx, dy] = [x + (k % columns) * cell - 300, y + Math.floor(k / columns) * cell - 200];
      const dz = Math.sqrt(Math.max(0, RADIUS ** 2 - dx * dx - dy * dy));
      const cosine = (dx * normals[3 * k] + dy * normals[3 * k + 1] + dz * normals[3 * k + 2]) / RADIUS;
      worst = Math.max(worst, Math.acos(Math.min(1, cosine)));
    }
    expect((worst * 180) / Math.PI).toBeLessThan(4);
  });

  it("has none where nothing is enclosed", () => {
    expect(inflate([[0, 0, 10, 0, 20, 0]], { x: 0, y: 0, width: 20, height: 0.0001 })).toBeUndefined();
    expect(inflate([], { x: 0, y: 0, width: 0, height: 0 })).toBeUndefined();
  });
});

describe("form shade", () => {
  const covers = (tone: readonly number[][], at: Point) =>
    regionContains(
      tone.map((chain) => flatten(chain, 0.05)),
      at,
    );

  it("lies on the side that is turned away from the lamp, and follows it", () => {
    const [tone] = formShade(disc, LAMP, ONE);
    expect(covers(tone, [390, 200])).toBe(true);
    expect(covers(tone, [220, 200])).toBe(false);
    const [other] = formShade(disc, { ...LAMP, at: [600, 200] }, ONE);
    expect(covers(other, [390, 200])).toBe(false);
    expect(covers(other, [210, 200])).toBe(true);
  });

  it("is cut just where the sphere has the cosine, within a fiftieth of its width", () => {
    const [tone] = formShade(disc, LAMP, ONE);
    // On a sphere lit from the left at 45 degrees, along the middle row: (-sin a + cos a) / √2 = cut.
    const cut = -0.35 + 1.1 * ONE.reach;
    const turned = Math.acos(cut) - Math.PI / 4;
    const edge = 300 + RADIUS * Math.sin(turned);
    expect(covers(tone, [edge + RADIUS / 25, 200])).toBe(true);
    expect(covers(tone, [edge - RADIUS / 25, 200])).toBe(false);
  });

  it("has as many tones as are asked for, each within the one before, in few smooth curves", () => {
    const tones = formShade(disc, LAMP, { ...ONE, tones: 3 });
    expect(tones).toHaveLength(3);
    for (const tone of tones) for (const chain of tone) expect(curveCount(chain)).toBeLessThan(24);
    for (let k = 0; k < 200; k++) {
      const at: Point = [200 + ((k * 37) % 200), 100 + ((k * 61) % 200)];
      if (covers(tones[2], at)) expect(covers(tones[1], at)).toBe(true);
      if (covers(tones[1], at)) expect(covers(tones[0], at)).toBe(true);
    }
  });

  it("shines where it faces the lamp, the larger the wider", () => {
    const spot = (size: number) => formShine(disc, LAMP, { roundness: 1, size });
    // The place that looks at the lamp: 45 degrees to the left on the sphere.
    const facing: Point = [300 - RADIUS * Math.SQRT1_2, 200];
    expect(covers(spot(0.3), facing)).toBe(true);
    expect(covers(spot(0.3), [330, 200])).toBe(false);
    const areaOf = (chains: readonly number[][]) => Math.abs(enclosedArea(chains[0]));
    expect(areaOf(spot(0.8))).toBeGreaterThan(1.5 * areaOf(spot(0.3)));
  });

  it("stays near its outline, whatever that is like", () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 60 }), fc.integer({ min: 0, max: 60 })), {
          minLength: 3,
          maxLength: 9,
        }),
        fc.integer({ min: 0, max: 6 }),
        (corners, turn) => {
          const ring = corners.flat();
          const box = boundsOf([ring])!;
          fc.pre(box.width > 1 && box.height > 1);
          const lamp: PlacedLamp = {
            at: [300 + 200 * Math.cos(turn), 200 + 200 * Math.sin(turn)],
            height: 90,
            far: true,
            middle: [300, 200],
            finest: 2,
          };
          const side = Math.max(box.width, box.height);
          for (const tone of formShade({ rings: [ring], box, area: 1 }, lamp, {
            tones: 3,
            roundness: 1,
            reach: 0.6,
          }))
            for (const n of tone.flat()) expect(n >= -side && n <= 60 + side).toBe(true);
        },
      ),
      { numRuns: SOAK ? 300 : 75 },
    );
  });

  it("leaves what is flat in one tone, and turns round a hole", () => {
    expect(formShade(disc, LAMP, { ...ONE, roundness: 0 })[0]).toEqual([]);
    const ring = formed(ellipse([300, 200], 100, 100), reversed(ellipse([300, 200], 50, 50)));
    const [tone] = formShade(ring, LAMP, { ...ONE, folds: true });
    // Beyond the hole the ring falls away from the lamp again, before it the ring turns towards the hole.
    expect(covers(tone, [393, 200])).toBe(true);
    expect(covers(tone, [243, 200])).toBe(true);
    expect(covers(tone, [207, 200])).toBe(false);
    expect(covers(tone, [357, 200])).toBe(false);
    // Where the hole lies on the form, the ring is shaded as the disc is.
    expect(covers(formShade(ring, LAMP, ONE)[0], [243, 200])).toBe(false);
  });

  it("of a near lamp falls away from where it stands", () => {
    const wide = formed(ellipse([300, 200], 300, 60));
    const near: PlacedLamp = { at: [300, 200], height: 60, far: false, middle: [300, 200], finest: 0 };
    const [tone] = formShade(wide, near, { ...ONE, reach: 0.8 });
    expect(covers(tone, [300, 200])).toBe(false);
    expect([covers(tone, [30, 200]), covers(tone, [570, 200])]).toEqual([true, true]);
  });
});
