/** How a faint sheet lies over what is below is settled by all of it: a piece of the picture is the piece of the whole. */
import { expect, it } from "vitest";
import { edited, smallDrawing } from "../../testing/drawings.ts";
import { changeSheet } from "../drawing/edits.ts";
import { MAIN } from "../drawing/parts.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { rectangle } from "../lines/figures.ts";
import { derive, sceneOf } from "./scene.ts";

const box = (id: string, y: number, blend?: "multiply") =>
  addShape({
    id,
    outline: [rectangle([10, y], [50, y + 20])],
    evenOdd: false,
    paint: { colour: "frond", step: 0 },
    opacity: 1,
    sheet: "shade",
    ...(blend ? { blend } : {}),
  });

it("says so itself where something on it blends", () => {
  const plain = edited(smallDrawing(), box("a", 10), box("b", 20), changeSheet("shade", { opacity: 0.5 }));
  const shadeOf = (drawing: typeof plain) =>
    sceneOf(drawing, derive(drawing, []))
      .parts.find(({ id }) => id === MAIN)!
      .sheets.find(({ name }) => name === "shade")!;
  expect(shadeOf(plain).blends).toBeUndefined();
  expect(shadeOf(edited(plain, box("far", 900, "multiply"))).blends).toBe(true);
});
