import { describe, expect, it } from "vitest";
import { box, straight } from "../../testing/line-work.ts";
import { addColour, changeColour, renameColour, setColourOpacity } from "../drawing/colour-edits.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { changeSheet, pour } from "../drawing/edits.ts";
import { applyEdit, beginHistory, type Edit } from "../drawing/history.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { enclosedArea } from "../geometry/cubic.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { buildMap } from "../pockets/planar-map.ts";
import { pocketsOf } from "../pockets/pockets.ts";
import { linesOf } from "../pockets/reading.ts";
import { type Item, tonesIn } from "./items.ts";
import { derive, pocketAt, type Scene, sceneOf } from "./scene.ts";

const bare = newDrawing("Two rooms", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  ...[
    box(10, 10, 80, 80, 2),
    straight(
      [
        [40, 10],
        [40, 90],
      ],
      2,
    ),
  ].map(({ id, points, closed, width }, i) => ({
    id,
    rank: i + 1,
    points: Array.from(points),
    closed,
    width,
  })),
]);
const pockets = pocketsOf(buildMap(linesOf(bare)));
const edited = (...edits: Edit[]): Drawing =>
  edits.reduce((drawing, edit) => applyEdit(beginHistory(drawing), edit)?.history.drawing ?? drawing, bare);
const scene = (drawing: Drawing) => sceneOf(drawing, derive(drawing, pockets));
const sheetsOf = (of: Scene) => of.parts.flatMap(({ sheets }) => sheets);
const sheetNames = (drawing: Drawing) => sheetsOf(scene(drawing)).map(({ name }) => name);
const both = pockets.map((pocket, i) =>
  pour([{ anchor: anchorOf(pocket) }], { colour: i ? "radish" : "frond", step: 0 }, [`p${i}`]),
);
const shade = addShade({
  id: "s",
  outline: [[20, 20, 30, 20, 60, 20, 70, 60, 50, 60, 30, 60, 20, 20]],
  kind: "drawn",
  evenOdd: false,
  anchor: anchorOf(pocketAt(pockets, [60, 50])!),
  paint: { colour: "dusk", step: -1 },
  blend: "multiply",
  opacity: 0.5,
});

describe("the scene", () => {
  it("stacks sheets from the bottom up and leaves empty and hidden ones out", () => {
    expect(sheetNames(bare)).toEqual(["ink"]);
    expect(sheetNames(edited(...both, shade))).toEqual(["flats", "shade", "ink"]);
    expect(sheetNames(edited(...both, shade, changeSheet("flats", { visible: false })))).toEqual([
      "shade",
      "ink",
    ]);
  });

  it("lays a seam beneath the later colour on every shared border, and none beside bare pockets", () => {
    const seamsOf = (drawing: Drawing) =>
      sheetsOf(scene(drawing))[0].items.map(({ effects }) => effects.seam?.chains.length ?? 0);
    expect(seamsOf(edited(...both))).toEqual([1, 0]);
    expect(seamsOf(edited(both[0]))).toEqual([0]);
  });

  it("paints colour that is seen through once, also where it runs on under the next, and under no such colour", () => {
    const flatsOf = (...edits: Edit[]) => sheetsOf(scene(edited(...both, ...edits)))[0].items;
    const ringsOf = ({ area }: Item) => (area.kind === "region" ? area.chains : []);
    const [plain] = flatsOf();
    const [clear, over] = flatsOf(setColourOpacity("frond", 0.5, "Frond"));
    expect([clear.effects, over.effects]).toEqual([{ opacity: 0.5 }, {}]);
    expect(ringsOf(clear)).toHaveLength(ringsOf(plain).length + 1);
    expect(new Set(ringsOf(clear).map((ring) => Math.sign(enclosedArea(ring)))).size).toBe(1);
    const [beneath] = flatsOf(setColourOpacity("radish", 0.5, "Radish"));
    expect(beneath.effects).toEqual({});
  });

  it("trims a shade to the pocket it began in, and shows none where that pocket is gone", () => {
    const drawing = edited(shade);
    const [item] = sheetsOf(scene(drawing))[0].items;
    expect(item.effects.clip).toBe(pocketAt(pockets, [60, 50])!.outline);
    expect(sheetsOf(sceneOf(drawing, derive(drawing, []))).map(({ name }) => name)).toEqual(["ink"]);
  });

  it("lets every use follow its colour, ladder steps too", () => {
    const before = scene(edited(...both, shade)).tones.find(({ variable }) => variable === "dusk-down-1")!;
    const after = scene(edited(...both, shade, changeColour("dusk", "#aa3300", "Dusk"))).tones;
    expect(after.find(({ variable }) => variable === "dusk-down-1")!.value).not.toBe(before.value);
  });

  it("keeps the very items that an edit did not touch", () => {
    const drawing = edited(...both, shade);
    const itemsOf = (one: Drawing) => sheetsOf(scene(one)).flatMap(({ items }) => items);
    const before = itemsOf(drawing);
    expect(itemsOf(drawing).every((item, i) => item === before[i])).toBe(true);
    const after = itemsOf(
      applyEdit(beginHistory(drawing), changeColour("radish", "#aa3300", "Radish"))!.history.drawing,
    );
    const changed = after.filter((item) => !before.includes(item));
    expect(changed.map(({ id, paint }) => [id, tonesIn(paint)[0].value])).toEqual([["p1", "#aa3300"]]);
  });

  it("names custom properties after the tin, each once", () => {
    const drawing = edited(addColour("x", "Frond", "#010203"), renameColour("radish", "Été & ink!"), ...both);
    const variables = scene(drawing).tones.map(({ variable }) => variable);
    expect(new Set(variables).size).toBe(variables.length);
    expect(variables).toContain("frond");
    expect(
      variables.some((name) => /^[a-z0-9-]+$/.test(name) && name.includes("ink") && name !== "ink"),
    ).toBe(true);
  });

  it("folds a faint shade sheet into its shapes, since a faint group would not blend with what is below", () => {
    const svg = writeSvg(
      scene(
        edited(
          ...both,
          shade,
          changeSheet("shade", { opacity: 0.5 }),
          changeSheet("flats", { opacity: 0.4 }),
        ),
      ),
    );
    expect(svg).toContain('<g id="flats" opacity="0.4">');
    expect(svg).toContain('<g id="shade">');
    expect(svg).toContain('fill-opacity="0.25"');
  });
});
