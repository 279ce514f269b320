import { describe, expect, it } from "vitest";
import {
  boxOnPage,
  boxOnScreen,
  fitView,
  onPage,
  toPagePoint,
  toScreen,
  turnAt,
  viewOn,
  zoomAt,
} from "./view.ts";

const box = { x: -50, y: 20, width: 200, height: 100 };
const size = { width: 800, height: 600 };

describe("the view", () => {
  it("shows the whole page in the middle", () => {
    const view = fitView(box, size);
    const [left, top] = toScreen(view, [box.x, box.y]);
    const [right, bottom] = toScreen(view, [box.x + box.width, box.y + box.height]);
    expect(left + right).toBeCloseTo(size.width);
    expect(top + bottom).toBeCloseTo(size.height);
    expect(left).toBeGreaterThan(0);
    expect(top).toBeGreaterThan(0);
  });

  it("keeps the point under the pointer where it is while zooming", () => {
    const view = fitView(box, size);
    const pointer = [123, 456] as const;
    const before = toPagePoint(view, pointer);
    for (const factor of [1.3, 0.7, 12]) {
      const after = toPagePoint(zoomAt(view, pointer, factor, view.scale), pointer);
      expect(after[0]).toBeCloseTo(before[0]);
      expect(after[1]).toBeCloseTo(before[1]);
    }
  });

  it("does not zoom away without end", () => {
    const view = fitView(box, size);
    expect(zoomAt(view, [0, 0], 1e9, view.scale).scale).toBeCloseTo(view.scale * 400);
    expect(zoomAt(view, [0, 0], 1e-9, view.scale).scale).toBeCloseTo(view.scale / 10);
  });

  it("brings a place to the middle, nearer for smaller things, and leaves what is seen well where it is", () => {
    const view = fitView(box, size);
    const near = viewOn(view, [10, 60], size, 1, view.scale);
    expect(toScreen(near, [10, 60])).toEqual([400, 300]);
    expect(near.scale).toBeGreaterThan(view.scale);
    expect(viewOn(view, [10, 60], size, 30, view.scale)).toBe(view);
    const aside = { ...view, x: view.x - 380 };
    const back = viewOn(aside, [10, 60], size, 30, view.scale);
    expect(toScreen(back, [10, 60])).toEqual([400, 300]);
    expect(near.scale).toBeGreaterThan(back.scale);
  });

  it("turns about a place, which stays where it is; a turn back is the view before", () => {
    const view = fitView(box, size);
    const turned = turnAt(view, [123, 456], 0.7);
    const [x, y] = toPagePoint(turned, [123, 456]);
    expect(x).toBeCloseTo(toPagePoint(view, [123, 456])[0]);
    expect(y).toBeCloseTo(toPagePoint(view, [123, 456])[1]);
    const back = turnAt(turned, [10, 20], -0.7);
    expect(toScreen(turnAt(back, [10, 20], 0), [5, 5])[0]).toBeCloseTo(toScreen(back, [5, 5])[0]);
    expect(back.turn ?? 0).toBe(0);
    expect(turnAt(turnAt(view, [0, 0], 3), [0, 0], 3).turn).toBeCloseTo(6 - 2 * Math.PI);
  });

  it("reads places, ways and boxes on a turned paper and writes them back", () => {
    const view = turnAt(fitView(box, size), [400, 300], Math.PI / 2);
    const at = toScreen(view, [10, 60]);
    expect(toPagePoint(view, at)[0]).toBeCloseTo(10);
    expect(toPagePoint(view, at)[1]).toBeCloseTo(60);
    // To the right on the screen is upwards on paper that lies on its side.
    const [dx, dy] = onPage(view, [view.scale, 0]);
    expect([dx, dy].map((n) => Math.round(n) + 0)).toEqual([0, -1]);
    const seen = boxOnScreen(view, box);
    expect(seen.width).toBeCloseTo(box.height * view.scale);
    expect(boxOnPage(view, seen).width).toBeCloseTo(box.width);
  });
});
