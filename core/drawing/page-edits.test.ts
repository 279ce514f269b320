import { describe, expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { lampOn } from "../light/lamp.ts";
import type { Drawing } from "./drawing.ts";
import {
  changePage,
  fitPage,
  groundsOf,
  layGround,
  resizePage,
  setBleed,
  setSticker,
  setUnit,
  sizeOf,
} from "./page-edits.ts";

const paint = { colour: "frond", step: 0 };
const bare: Drawing = {
  ...smallDrawing(),
  page: { box: { x: 0, y: 0, width: 200, height: 100 }, width: 100, unit: "mm", ppi: 300 },
};
/** How many millimetres a page unit is printed. */
const printed = ({ page }: Drawing): number => page.width / page.box.width;

describe("the page", () => {
  it("is printed larger with all that is drawn", () => {
    const { page } = edited(bare, changePage({ width: 150 }));
    expect([page.box, sizeOf(page)]).toEqual([bare.page.box, { width: 150, height: 75 }]);
  });

  it("is measured in inches instead", () => {
    const { page } = edited(bare, setBleed(3), setUnit("in"));
    expect([page.width, page.unit, page.bleed]).toEqual([3.937, "in", 0.118]);
    expect(edited(bare, setUnit("mm")).page).toEqual(bare.page);
  });

  it("is of another size around the same middle, with the drawing as large as before", () => {
    const after = edited(bare, resizePage({ width: 60, height: 90 }, "kept"));
    expect(sizeOf(after.page)).toEqual({ width: 60, height: 90 });
    expect(after.page.box).toEqual({ x: 40, y: -40, width: 120, height: 180 });
    expect(printed(after)).toBe(printed(bare));
  });

  it("is of another size, with the drawing as large as fits", () => {
    const wide = edited(bare, resizePage({ width: 200, height: 50 }, "scaled"));
    expect(wide.page.box).toEqual({ x: -100, y: 0, width: 400, height: 100 });
    const high = edited(bare, resizePage({ width: 50, height: 50 }, "scaled"));
    expect(high.page.box).toEqual({ x: 0, y: -50, width: 200, height: 200 });
    expect(printed(high)).toBe(0.25);
  });

  it("is fitted to what is drawn, with a margin", () => {
    const after = edited(bare, fitPage({ x: 50, y: 20, width: 60, height: 40 }, 5));
    expect(after.page.box).toEqual({ x: 40, y: 10, width: 80, height: 60 });
    expect(sizeOf(after.page)).toEqual({ width: 40, height: 30 });
    expect(printed(after)).toBe(printed(bare));
  });

  it("leaves the lamp where it is", () => {
    const before = lampOn(bare);
    for (const edit of [
      resizePage({ width: 60, height: 90 }, "kept"),
      resizePage({ width: 60, height: 90 }, "scaled"),
      fitPage({ x: 50, y: 20, width: 60, height: 40 }, 5),
    ]) {
      const after = lampOn(edited(bare, edit));
      expect([...after.at, after.height]).toEqual(
        [...before.at, before.height].map((n) => expect.closeTo(n, 9)),
      );
    }
  });
});

describe("a ground", () => {
  const laid = edited(bare, layGround(bare.page, paint));
  const boxOf = ({ flatShapes }: Drawing) => {
    const [[x, y, , , , , right, , , , , , , low]] = Object.values(flatShapes)[0].outline;
    return [x, y, right, low];
  };

  it("covers the page and what it bleeds, and goes on covering it", () => {
    expect(groundsOf(laid)).toHaveLength(1);
    expect(boxOf(laid)).toEqual([0, 0, 200, 100]);
    const bled = edited(laid, setBleed(3));
    expect([bled.page.bleed, boxOf(bled)]).toEqual([3, [-6, -6, 206, 106]]);
    const resized = edited(bled, resizePage({ width: 60, height: 90 }, "kept"));
    expect(boxOf(resized)).toEqual([34, -46, 166, 146]);
    const none = edited(resized, setBleed(0));
    expect(["bleed" in none.page, boxOf(none)]).toEqual([false, [40, -40, 160, 140]]);
    expect(groundsOf(none)).toHaveLength(1);
  });

  it("lies beneath whatever is there", () => {
    const twice = edited(laid, layGround(laid.page, { colour: "dusk", step: 0 }));
    const [first, second] = Object.values(twice.flatShapes);
    expect(second.rank).toBeLessThan(first.rank);
  });

  it("that was drawn smaller stays as it is", () => {
    const [ground] = Object.values(laid.flatShapes);
    const moved = { ...ground, outline: ground.outline.map((chain) => chain.map((n) => n + 1)) };
    const other = { ...laid, flatShapes: { [moved.id]: moved } };
    const after = edited(other, resizePage({ width: 60, height: 90 }, "kept"));
    expect(after.flatShapes).toEqual(other.flatShapes);
    expect(groundsOf(after)).toEqual([]);
  });
});

it("has a rim of paper, or none", () => {
  const rimmed = edited(bare, setSticker({ paint, width: 4 }));
  expect(rimmed.sticker).toEqual({ paint, width: 4 });
  expect(edited(rimmed, setSticker(null)).sticker).toBeNull();
});
