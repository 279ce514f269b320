import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { carriedBy } from "../drawing/carried.ts";
import type { Crease, Drawing } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { addCrease, changeCrease, removeCrease } from "../drawing/light-edits.ts";
import { transformLines } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { MAIN, partOf } from "../drawing/parts.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { flatten, polyline } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { withPart } from "../pockets/make-part.ts";
import { tonesIn } from "./items.ts";
import { derive, sceneOf } from "./scene.ts";

const box = (id: string, rank: number, x: number) => ({
  ...strokeOf(id, rank, [
    [x, 10],
    [x + 40, 10],
    [x + 40, 90],
    [x, 90],
    [x, 10],
  ]),
  closed: true,
});
const bare = newDrawing("Two jars", defaultPage({ x: 0, y: 0, width: 110, height: 100 }), [
  box("a", 1, 10),
  box("b", 2, 60),
]);
const pockets = [...new LineReader().read(bare)].sort((p, q) => p.seed[0] - q.seed[0]);
const poured = edited(
  bare,
  pour([{ anchor: anchorOf(pockets[0]) }], { colour: "radish", step: 0 }, ["p"]),
  pour([{ anchor: anchorOf(pockets[1]) }], { colour: "frond", step: 1 }, ["q"]),
);
const crease: Omit<Crease, "rank"> = {
  id: "c",
  points: polyline([
    [5, 50],
    [105, 50],
  ]),
  side: -1,
  deeper: 2,
};
const SHAPE = {
  id: "s",
  outline: [
    polyline([
      [1, 1],
      [9, 1],
      [9, 9],
      [1, 1],
    ]),
  ],
  evenOdd: false,
  paint: { colour: "dusk", step: 0 },
  opacity: 1,
};
const creased = edited(poured, addCrease(crease));
const shade = (drawing: Drawing) =>
  sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets.find(({ name }) => name === "shade")?.items ??
  [];
const covers = (drawing: Drawing, at: Point, k = 0) => {
  const { area } = shade(drawing)[k];
  return (
    area.kind === "region" &&
    regionContains(
      area.chains.map((chain) => flatten(chain, 0.01)),
      at,
    )
  );
};

describe("a crease", () => {
  it("lies on one side of its line in every pocket it runs through, in steps of each one's own colour", () => {
    expect(shade(creased).map(({ paint }) => tonesIn(paint)[0].variable)).toEqual([
      "radish-down-2",
      "frond-down-1",
    ]);
    expect(shade(creased).map(({ effects }) => effects.clip)).toEqual(pockets.map(({ cover }) => cover));
    expect([covers(creased, [30, 80]), covers(creased, [30, 20])]).toEqual([true, false]);
  });

  it("goes on straight where it ends within a pocket, and leaves those alone that it does not reach", () => {
    const short = edited(
      creased,
      changeCrease("c", {
        points: polyline([
          [20, 40],
          [30, 50],
        ]),
      }),
    );
    expect(shade(short)).toHaveLength(1);
    expect([covers(short, [20, 80]), covers(short, [45, 30])]).toEqual([true, false]);
    expect([covers(short, [45, 60]), covers(short, [45, 70])]).toEqual([false, true]);
  });

  it("is turned, softened and taken away; its colour is that of the pocket, whatever that becomes", () => {
    const turned = edited(creased, changeCrease("c", { side: 1, soft: 2 }));
    expect([covers(turned, [30, 80]), covers(turned, [30, 20])]).toEqual([false, true]);
    expect(shade(turned)[0].effects.blur).toBe(2);
    const repoured = edited(
      creased,
      pour([{ anchor: anchorOf(pockets[0]), pourId: "p" }], { colour: "dusk", step: 0 }, ["r"]),
    );
    expect(tonesIn(shade(repoured)[0].paint)[0].variable).toBe("dusk-down-2");
    expect(shade(edited(creased, removeCrease("c")))).toEqual([]);
  });

  it("is on the same side of its pocket in a mirror image, and lies above what was there", () => {
    const carried = carriedBy(creased, ["a", "b"], pockets);
    expect(carried.creases.map(({ id }) => id)).toEqual(["c"]);
    const mirror = edited(
      creased,
      transformLines(carried, [-1, 0, 0, 1, 110, 0], { scaleWidths: true, label: "Mirror" }),
    );
    expect(mirror.creases.c).toMatchObject({ side: 1, points: expect.arrayContaining([105, 50]) });
    const rankOf = (id: string) => sorted.findIndex((one) => one.id === id);
    const shaded = edited(creased, addShape({ ...SHAPE, sheet: "shade" }));
    const sorted = [...Object.values(shaded.creases), ...Object.values(shaded.flatShapes)].sort(
      (p, q) => p.rank - q.rank,
    );
    expect(rankOf("s")).toBeGreaterThan(rankOf("c"));
  });

  it("goes to the part that its pockets go to; through both it becomes two", () => {
    const reader = new DrawingReader();
    const { pockets: all } = reader.read(creased);
    const chosen = new Set(all.filter(({ lines }) => lines.includes("b")));
    const parted = withPart(creased, {
      name: "Jar",
      part: MAIN,
      pockets: all,
      map: reader.mapOf("main")!,
      chosen,
    });
    const parts = Object.values(parted.creases).map((one) => partOf(one) === MAIN);
    expect(parts.sort()).toEqual([false, true]);
  });

  it("comes back from its file and its SVG", () => {
    expect(readDrawingFile(writeDrawingFile(creased)).creases).toEqual(creased.creases);
    const { drawing } = importSvg("Two jars", deliveredSvg(creased, derive(creased, pockets)));
    expect(Object.values(drawing.creases)).toEqual(Object.values(creased.creases));
    expect(Object.keys(drawing.flatShapes)).toEqual([]);
  });

  it("runs out where it ends inside a pocket, if that is requested, and nowhere else", () => {
    const inside = {
      ...crease,
      points: polyline([
        [5, 50],
        [30, 50],
      ]),
      runsOut: true as const,
    };
    const [item] = shade(edited(poured, addCrease(inside)));
    expect(item.paint.kind).toBe("gradient");
    if (item.paint.kind !== "gradient") return;
    // It begins outside the pocket and ends inside: whole at its start, gone a third of its length beyond its end.
    expect(item.paint.stops.map(({ opacity }) => opacity)).toEqual([1, 1, 1, 0]);
    const [a, , , , e] = item.paint.space;
    expect([e, e + a].map(Math.round)).toEqual([-4, 39]);
    expect(new Set(item.paint.stops.map(({ tone }) => tone.variable))).toEqual(new Set(["radish-down-2"]));
    const across = { ...crease, runsOut: true as const };
    for (const { paint } of shade(edited(poured, addCrease(across)))) expect(paint.kind).toBe("tone");
    const lit = edited(poured, addCrease(inside));
    expect(readDrawingFile(writeDrawingFile(lit))).toEqual(lit);
    expect(edited(lit, changeCrease("c", { runsOut: false })).creases.c.runsOut).toBeUndefined();
  });
});
