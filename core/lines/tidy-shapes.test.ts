import { describe, expect, it } from "vitest";
import type { FlatShape } from "../drawing/drawing.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { rectangle } from "./figures.ts";
import { tidiedShapes } from "./tidy-shapes.ts";

const shape = (id: string, rank: number, colour: string, from: Point, to: Point): FlatShape => ({
  id,
  rank,
  outline: [rectangle(from, to)],
  evenOdd: false,
  paint: { colour, step: 0 },
  opacity: 1,
});
const tableOf = (...shapes: FlatShape[]) => Object.fromEntries(shapes.map((one) => [one.id, one]));

describe("flat-coloured art made light", () => {
  it("unites what is of one colour, the lower taking the upper in", () => {
    const { changes, united } = tidiedShapes(
      tableOf(
        shape("a", 1, "red", [0, 0], [10, 10]),
        shape("b", 2, "blue", [50, 50], [60, 60]),
        shape("c", 3, "red", [5, 0], [20, 10]),
      ),
      0.1,
    );
    expect(united).toBe(1);
    expect(changes.map(({ id, outline }) => [id, outline.length])).toEqual([
      ["a", 1],
      ["c", 0],
    ]);
    expect(Math.abs(enclosedArea(changes[0].outline[0]))).toBeCloseTo(200, 0);
  });

  it("but never past a colour that lies between, nor what is seen through", () => {
    const between = [
      shape("a", 1, "red", [0, 0], [10, 10]),
      shape("b", 2, "blue", [5, 5], [15, 15]),
      shape("c", 3, "red", [8, 8], [20, 20]),
    ];
    expect(tidiedShapes(tableOf(...between), 0.1)).toEqual({
      changes: [],
      united: 0,
      specks: 0,
      joined: 0,
    });
    const clear = [between[0], { ...shape("c", 3, "red", [5, 0], [20, 10]), opacity: 0.5 }];
    expect(tidiedShapes(tableOf(...clear), 0.1).united).toBe(0);
  });

  it("lets specks go that lie on other colour, and keeps those that stand alone", () => {
    const { changes, specks } = tidiedShapes(
      tableOf(
        shape("a", 1, "red", [0, 0], [10, 10]),
        shape("on", 2, "blue", [5, 5], [5.2, 5.2]),
        shape("off", 3, "blue", [50, 5], [50.2, 5.2]),
      ),
      0.1,
    );
    expect([specks, changes.map(({ id }) => id)]).toEqual([1, ["on"]]);
  });

  it("gives specks and slivers beside other colour to the neighbour they share most of their edge with", () => {
    const { changes, specks } = tidiedShapes(
      tableOf(
        shape("a", 1, "red", [0, 0], [10, 10]),
        shape("b", 2, "blue", [30, 0], [40, 10]),
        shape("sliver", 3, "green", [10, 0], [10.02, 10]),
        shape("speck", 4, "green", [29.8, 4], [30, 4.4]),
        shape("hair", 5, "black", [0, 20], [40, 20.4]),
      ),
      0.1,
    );
    const areas = Object.fromEntries(
      changes.map(({ id, outline }) => [
        id,
        Math.abs(outline.reduce((sum, one) => sum + enclosedArea(one), 0)),
      ]),
    );
    expect(specks).toBe(2);
    expect([areas.sliver, areas.speck, areas.hair]).toEqual([0, 0, undefined]);
    expect([areas.a, areas.b]).toEqual([expect.closeTo(100.1, 1), expect.closeTo(100.1, 1)]);
  });

  it("brings edges together that nearly meet", () => {
    const { changes, joined } = tidiedShapes(
      tableOf(shape("a", 1, "red", [0, 0], [10, 10]), shape("b", 2, "blue", [10.1, 0], [20, 10])),
      0.1,
    );
    expect(joined).toBe(2);
    const [a, b] = changes.map(({ outline }) => outline[0].filter((_, i) => i % 6 === 0));
    expect(Math.max(...a)).toBe(Math.min(...b));
  });
});
