import { describe, expect, it } from "vitest";
import { arc, straight } from "../../testing/line-work.ts";
import { nearestOnLines } from "./nearest.ts";

const lines = [
  straight([
    [0, 0],
    [100, 0],
  ]),
  arc(50, 50, 30, 0, 180),
].map(({ points, id }) => ({ id, points: Array.from(points) }));

describe("snapping", () => {
  it("finds the nearest point on the nearest line", () => {
    const onLine = nearestOnLines(lines, [40, 6], 10)!;
    expect(onLine.at[0]).toBeCloseTo(40);
    expect(onLine.at[1]).toBeCloseTo(0);
    expect(onLine.gap).toBeCloseTo(6);
    const onArc = nearestOnLines(lines, [50, 85], 10)!;
    expect(onArc.line.id).toBe(lines[1].id);
    expect(onArc.at[1]).toBeCloseTo(80, 1);
  });

  it("keeps to the ends and to the distance asked for", () => {
    expect(nearestOnLines(lines, [104, 3], 6)!.at).toEqual([100, 0]);
    expect(nearestOnLines(lines, [104, 3], 4)).toBeUndefined();
    expect(nearestOnLines([], [0, 0], 4)).toBeUndefined();
  });
});
