/** Light on the line: colour holds, and blooms that lie on ink alone. */
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { addColourway, changeColour } from "../drawing/colour-edits.ts";
import type { Drawing, Hold } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { setLamp, setMade } from "../drawing/light-edits.ts";
import { changeStrokes } from "../drawing/line-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShape } from "../drawing/shape-edits.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { flatten } from "../geometry/cubic.ts";
import type { Point } from "../geometry/point.ts";
import { windingNumber } from "../geometry/polygon.ts";
import { rectangle } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { type Item, tonesIn } from "./items.ts";
import { derive, pocketAt, sceneOf } from "./scene.ts";

/** A box with a post that parts it in a third and two. */
const frame = strokeOf("frame", 1, [
  [10, 10],
  [90, 10],
  [90, 90],
  [10, 90],
  [10, 10],
]);
const post = strokeOf("post", 2, [
  [35, 10],
  [35, 90],
]);
const lone = strokeOf("lone", 3, [
  [92, 20],
  [98, 20],
]);
const bare = newDrawing("Frame", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [frame, post, lone]);
const pockets = new LineReader().read(bare);
const poured = [
  { id: "small", at: [20, 50] as const, colour: "potting-soil" },
  { id: "large", at: [60, 50] as const, colour: "frond" },
].reduce(
  (now, { id, at, colour }) =>
    edited(now, pour([{ anchor: anchorOf(pocketAt(pockets, at)!) }], { colour, step: 0 }, [id])),
  bare,
);
const scene = (drawing: Drawing) => sceneOf(drawing, derive(drawing, pockets));
const inkOf = (drawing: Drawing): Item[] =>
  scene(drawing)
    .parts[0].sheets.find(({ name }) => name === "ink")!
    .items.slice();
const toneOf = (drawing: Drawing, id: string): string =>
  tonesIn(inkOf(drawing).find((item) => item.id === id)!.paint)[0].variable;
const holding = (by: Hold["by"], ids = ["post"]) =>
  edited(poured, changeStrokes(ids, { hold: { by, deeper: 2 } }));

describe("a colour hold", () => {
  it("is the colour beside the line, by which lies in front, is darker or larger", () => {
    expect(toneOf(poured, "post")).toBe("lamp-black");
    expect(toneOf(holding("front"), "post")).toBe("frond-down-2");
    expect(toneOf(holding("larger"), "post")).toBe("frond-down-2");
    expect(toneOf(holding("darker"), "post")).toBe("potting-soil-down-2");
  });

  it("follows another colour, another value and another colourway, and is ink where nothing lies beside", () => {
    const held = holding("larger", ["post", "lone"]);
    const again = edited(
      held,
      pour([{ anchor: anchorOf(pocketAt(pockets, [60, 50])!), pourId: "large" }], {
        colour: "radish",
        step: 1,
      }),
    );
    expect(toneOf(again, "post")).toBe("radish-down-1");
    expect(toneOf(held, "lone")).toBe("lamp-black");
    // The darker of the two changes as their values do.
    const dark = holding("darker");
    expect(toneOf(edited(dark, changeColour("frond", "#050505", "Frond")), "post")).toBe("frond-down-2");
    const way = edited(dark, addColourway("night", "Night", { frond: "#050505" }));
    expect(toneOf({ ...way, shown: "night" }, "post")).toBe("frond-down-2");
  });

  it("is deeper where the line bounds a form on the side turned from the lamp, and follows it", () => {
    const lit = (x: number) =>
      edited(
        holding("larger"),
        setMade("form", ["large"], { tones: 1, deeper: 1, roundness: 1, reach: 0.5 }),
        setLamp({ at: [x, 0.5], far: true }),
      );
    expect(toneOf(lit(0), "post")).toBe("frond-down-2");
    expect(toneOf(lit(1), "post")).toBe("frond-down-3");
  });

  it("stays a stroke and a hold in files", () => {
    const held = holding("darker");
    expect(readDrawingFile(writeDrawingFile(held))).toEqual(held);
    const svg = writeSvg(scene(held), { drawing: held });
    expect(svg).toMatch(/<path class="s-potting-soil-down-2" fill="none"[^>]*data-hold="darker 2"/);
    const { drawing } = importSvg("", svg);
    expect(drawing.strokes.post).toMatchObject({ hold: { by: "darker", deeper: 2 } });
    expect(drawing.strokes.post.paint).toBeUndefined();
  });
});

describe("a bloom", () => {
  const bloom = edited(
    poured,
    addShape({
      id: "glow",
      sheet: "ink",
      outline: [rectangle([0, 0], [60, 60])],
      evenOdd: false,
      paint: { colour: "marigold", step: 0 },
      opacity: 1,
      soft: 4,
    }),
  );

  it("is seen on ink alone, above it, and never beyond it", () => {
    const items = inkOf(bloom);
    const item = items[items.length - 1];
    expect([item.id, item.effects.blur]).toEqual(["glow", 4]);
    const rings = item.effects.clip!.map((chain) => flatten(chain, 0.01));
    const shows = (at: Point) => rings.reduce((sum, ring) => sum + windingNumber(ring, at), 0) !== 0;
    expect([shows([35, 50]), shows([35.9, 50]), shows([10.9, 30]), shows([10, 10])]).toEqual([
      true,
      true,
      true,
      true,
    ]);
    expect([shows([36.1, 50]), shows([20, 50]), shows([11.1, 30])]).toEqual([false, false, false]);
  });

  it("comes back from SVG as what it was, its lines still strokes", () => {
    const svg = writeSvg(scene(bloom), { drawing: bloom });
    expect(svg.match(/data-is="stroke"/g)).toHaveLength(3);
    const { drawing } = importSvg("", svg);
    expect(Object.values(drawing.flatShapes)).toMatchObject([
      { sheet: "ink", soft: 4, paint: { colour: "marigold" } },
    ]);
    expect(Object.keys(drawing.strokes)).toEqual(["frame", "post", "lone"]);
  });
});
