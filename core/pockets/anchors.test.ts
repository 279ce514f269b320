import { readFileSync } from "node:fs";
import { describe, expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import { box, straight } from "../../testing/line-work.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory } from "../drawing/history.ts";
import { removeLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { anchorOf, matchAnchors, waitingPours } from "./anchors.ts";
import { LineReader } from "./line-reader.ts";
import { buildMap } from "./planar-map.ts";
import { type Pocket, pocketsOf } from "./pockets.ts";
import type { Line } from "./segments.ts";

const find = (lines: Line[]) => pocketsOf(buildMap(lines, { strict: true }));
const poured = (targets: readonly (readonly [Pocket, string])[]) => {
  let drawing = newDrawing("", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), []);
  for (const [pocket, id] of targets) {
    drawing = applyEdit(
      beginHistory(drawing),
      pour([{ anchor: anchorOf(pocket) }], { colour: id, step: 0 }, [id]),
    )!.history.drawing;
  }
  return drawing.pours;
};
const poursOfPockets = (pockets: readonly Pocket[], pours: Drawing["pours"]) =>
  matchAnchors(pockets, pours, {}).pourOf;
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

  it("never go to a bare pocket beside theirs, but wait", () => {
    const dividers = [20, 40, 60, 80].map((x) =>
      straight([
        [x, 0],
        [x, 100],
      ]),
    );
    const stripes = find([...whole, ...dividers]).sort((a, b) => a.seed[0] - b.seed[0]);
    const pours = poured([
      [stripes[1], "moss"],
      [stripes[2], "red"],
    ]);
    const [first, , ...rest] = dividers;
    const after = find([...whole, first, ...rest]).sort((a, b) => a.seed[0] - b.seed[0]);
    const found = poursOfPockets(after, pours);
    expect(found).toEqual([undefined, "red", undefined, undefined]);
    expect(waitingPours(pours, { pourOf: found }).map(({ id }) => id)).toEqual(["moss"]);
    expect(poursOfPockets(stripes, pours)).toEqual([undefined, "moss", "red", undefined, undefined]);
  });

  it("do not spill into a much larger bare pocket, and come back when theirs does", () => {
    const notch = straight([
      [10, 0],
      [10, 10],
      [0, 10],
    ]);
    const [large, small] = find([...whole, notch]);
    const pours = poured([[small, "moss"]]);
    expect(poursOfPockets(find(whole), pours)).toEqual([undefined]);
    expect(poursOfPockets([large, small], pours)).toEqual([undefined, "moss"]);
  });

  it("stay in a pocket whose line was moved far out", () => {
    const around = box(0, 0, 200, 100);
    const wall = (x: number) =>
      straight(
        [
          [x, 0],
          [x, 100],
        ],
        0,
        "wall",
      );
    const room = (right: number) => [around, wall(right)];
    const small = find(room(30)).find(({ seed }) => seed[0] < 30)!;
    const pours = poured([[small, "moss"]]);
    const grown = find(room(95)).sort((a, b) => a.seed[0] - b.seed[0]);
    expect(poursOfPockets(grown, pours)).toEqual(["moss", undefined]);
  });

  it("follow a line that was moved a little, and leave strangers bare", () => {
    const [pocket] = find(whole);
    const pours = poured([[pocket, "moss"]]);
    expect(poursOfPockets(find([box(3, -4, 100, 100)]), pours)).toEqual(["moss"]);
    expect(poursOfPockets(find([box(300, 0, 100, 100)]), pours)).toEqual([undefined]);
  });
});

describe("pockets that become one", () => {
  const grid = importSvg(
    "grid",
    readFileSync("node_modules/lucide-static/icons/grid-3x3.svg", "utf8"),
  ).drawing;
  const pocketsIn = (drawing: Drawing) => new LineReader().read(drawing).filter(({ hidden }) => !hidden);
  const coloured = pocketsIn(grid).reduce(
    (now, pocket, i) =>
      edited(now, pour([{ anchor: anchorOf(pocket) }], { colour: "frond", step: i - 4 }, [`p${i}`])),
    grid,
  );

  it("keep the colour of the largest where all of it was coloured", () => {
    for (const line of Object.keys(grid.strokes)) {
      const merged = edited(coloured, removeLines([line]));
      const pockets = pocketsIn(merged);
      const { pourOf } = matchAnchors(pockets, merged.pours, {});
      expect(
        pourOf.every((id) => id !== undefined),
        line,
      ).toBe(true);
    }
  });

  it("stay bare where more than a little of it was", () => {
    const [line] = Object.keys(grid.strokes).slice(-1);
    const few = edited(
      grid,
      pour([{ anchor: anchorOf(pocketsIn(grid)[8]) }], { colour: "frond", step: 0 }, ["p"]),
    );
    const merged = edited(few, removeLines([line, ...Object.keys(grid.strokes).slice(1, -1)]));
    const { pourOf } = matchAnchors(pocketsIn(merged), merged.pours, {});
    expect(pourOf.filter((id) => id !== undefined)).toEqual([]);
  });
});
