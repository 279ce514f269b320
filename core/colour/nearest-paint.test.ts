import { expect, it } from "vitest";
import { startingTin } from "../drawing/start.ts";
import { stepOf, stepsOf } from "./ladder.ts";
import { nearestPaint } from "./nearest-paint.ts";

it("finds any step of any colour again, and says how far off others are", () => {
  const tin = startingTin();
  for (const colour of Object.values(tin))
    for (const step of stepsOf(colour)) {
      const found = nearestPaint(tin, stepOf(colour, step))!;
      expect(found.apart).toBe(0);
      expect(stepOf(tin[found.paint.colour], found.paint.step)).toBe(stepOf(colour, step));
    }
  expect(nearestPaint(tin, "#ff00ff")!.apart).toBeGreaterThan(10);
  expect(nearestPaint({}, "#ff00ff")).toBeUndefined();
});
