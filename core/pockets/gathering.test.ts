import { describe, expect, it } from "vitest";
import { box, straight } from "../../testing/line-work.ts";
import { allAlike, touchingAlike } from "./gathering.ts";
import { buildMap } from "./planar-map.ts";
import { pocketsOf } from "./pockets.ts";

/** A row of four rooms, and one that stands apart. */
const pockets = pocketsOf(
  buildMap([
    box(0, 0, 80, 20),
    ...[20, 40, 60].map((x) =>
      straight([
        [x, 0],
        [x, 20],
      ]),
    ),
    box(0, 40, 20, 20),
  ]),
);
const at = (x: number, y: number) =>
  pockets.findIndex(({ box: b }) => x > b.x && x < b.x + b.width && y > b.y && y < b.y + b.height);
const rooms = [at(10, 10), at(30, 10), at(50, 10), at(70, 10), at(10, 50)];
const coloured =
  (...colours: (string | undefined)[]) =>
  (index: number) =>
    colours[rooms.indexOf(index)];
const numbers = (found: readonly number[]) => found.map((index) => rooms.indexOf(index)).sort();

describe("pockets that belong together", () => {
  const seen = coloured("#6f9a4a", "#709b4b", "#c23f5a", "#6f9a4a", "#6f9a4a");

  it("are all of a colour, wherever they are", () => {
    expect(numbers(allAlike(pockets, rooms[0], seen, 0))).toEqual([0, 3, 4]);
    expect(numbers(allAlike(pockets, rooms[0], seen, 2))).toEqual([0, 1, 3, 4]);
  });

  it("or those that touch one another and are alike within a tolerance", () => {
    expect(numbers(touchingAlike(pockets, rooms[0], seen, 0))).toEqual([0]);
    expect(numbers(touchingAlike(pockets, rooms[0], seen, 2))).toEqual([0, 1]);
    expect(numbers(touchingAlike(pockets, rooms[3], seen, 100))).toEqual([0, 1, 2, 3]);
  });

  it("bare ones with bare ones", () => {
    const half = coloured(undefined, undefined, "#c23f5a", undefined, undefined);
    expect(numbers(touchingAlike(pockets, rooms[0], half, 5))).toEqual([0, 1]);
    expect(numbers(allAlike(pockets, rooms[0], half, 5))).toEqual([0, 1, 3, 4]);
  });
});
