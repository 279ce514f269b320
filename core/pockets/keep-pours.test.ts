import { describe, expect, it } from "vitest";
import { pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory } from "../drawing/history.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { poursOfPockets } from "./keep-pours.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, pocketsOf } from "./pockets.ts";
import type { Line } from "./segments.ts";
import { box, straight } from "./testing.ts";

const find = (lines: Line[]) => pocketsOf(buildMap(lines, { strict: true }));
const poured = (targets: readonly (readonly [Pocket, string])[]) => {
  let drawing = newDrawing("", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), []);
  for (const [pocket, id] of targets) {
    drawing = applyEdit(beginHistory(drawing), pour([{ pocket }], { colour: id, step: 0 }, [id]))!.history
      .drawing;
  }
  return drawing.pours;
};
const whole = [box(0, 0, 100, 100)];
const halves = [
  ...whole,
  straight([
    [30, 0],
    [30, 100],
  ]),
];

describe("pours", () => {
  it("stay on both sides of a split and come back when it goes", () => {
    const [pocket] = find(whole);
    const pours = poured([[pocket, "moss"]]);
    expect(poursOfPockets(find(halves), pours)).toEqual(["moss", "moss"]);
    expect(poursOfPockets(find(whole), pours)).toEqual(["moss"]);
  });

  it("keep the larger on a merge", () => {
    const [large, small] = find(halves);
    const pours = poured([
      [small, "red"],
      [large, "moss"],
    ]);
    expect(poursOfPockets(find(whole), pours)).toEqual(["moss"]);
    expect(poursOfPockets(find(halves), pours)).toEqual(["moss", "red"]);
  });

  it("wait while their pocket is open and return when it closes", () => {
    const open = [
      straight([
        [0, 0],
        [100, 0],
        [100, 100],
        [0, 100],
        [0, 20],
      ]),
    ];
    const [pocket] = find(whole);
    const pours = poured([[pocket, "moss"]]);
    expect(poursOfPockets(find(open), pours)).toEqual([]);
    expect(
      poursOfPockets(
        find([
          ...open,
          straight([
            [0, 20],
            [0, 0],
          ]),
        ]),
        pours,
      ),
    ).toEqual(["moss"]);
  });

  it("follow a line that was moved a little, and leave strangers bare", () => {
    const [pocket] = find(whole);
    const pours = poured([[pocket, "moss"]]);
    expect(poursOfPockets(find([box(3, -4, 100, 100)]), pours)).toEqual(["moss"]);
    expect(poursOfPockets(find([box(300, 0, 100, 100)]), pours)).toEqual([undefined]);
  });
});
