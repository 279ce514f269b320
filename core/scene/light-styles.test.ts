/** Light taken from one pocket and laid on others, as copies or as a style. */
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { removeColour } from "../drawing/colour-edits.ts";
import type { Drawing, Laying, Light, Shade } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { setGradient } from "../drawing/gradients.ts";
import { setMade } from "../drawing/light-edits.ts";
import {
  addStyle,
  changeStyle,
  type LightTarget,
  layingMatrix,
  layLight,
  letGo,
  removeStyle,
  setStyle,
  takenLight,
} from "../drawing/light-styles.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { placeDrawing } from "../drawing/place-drawing.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { mappedPoint } from "../geometry/matrix.ts";
import { boundsOf } from "../geometry/point.ts";
import { rectangle } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { type Item, tonesIn } from "./items.ts";
import { derive, pocketAt, sceneOf } from "./scene.ts";

const box = (id: string, rank: number, x: number, size: number) =>
  strokeOf(id, rank, [
    [x, 10],
    [x + size, 10],
    [x + size, 10 + size],
    [x, 10 + size],
    [x, 10],
  ]);
const bare = newDrawing("Pots", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  box("a", 1, 10, 20),
  box("b", 2, 50, 40),
]);
const pockets = new LineReader().read(bare);
const [small, large] = [20, 70].map((x) => pocketAt(pockets, [x, 20])!);
const poured = edited(
  bare,
  pour([{ anchor: anchorOf(small) }], { colour: "frond", step: 0 }, ["a"]),
  pour([{ anchor: anchorOf(large) }], { colour: "radish", step: 1 }, ["b"]),
);
const shade: Omit<Shade, "rank"> = {
  id: "s",
  kind: "drawn",
  anchor: anchorOf(small),
  outline: [rectangle([10, 20], [30, 30])],
  evenOdd: false,
  paint: { colour: "frond", step: -2 },
  opacity: 0.8,
  soft: 1,
};
const lit = edited(
  poured,
  setMade("form", ["a"], { tones: 1, deeper: 1, roundness: 1, reach: 0.5 }),
  setMade("rim", ["a"], { deeper: -2, width: 2, gap: 1 }),
  setGradient(poured, ["a"], {
    cloth: "g",
    kind: "linear",
    from: [10, 20],
    to: [30, 20],
    mix: "oklch",
    stops: [
      { at: 0, paint: { colour: "frond", step: 0 }, opacity: 1 },
      { at: 1, paint: { colour: "marigold", step: 0 }, opacity: 1 },
    ],
  }),
  addShade(shade),
);
const litPocket = (drawing: Drawing, id: "a" | "b"): LightTarget => {
  const pocket = id === "a" ? small : large;
  return { box: pocket.box, anchor: anchorOf(pocket), pour: drawing.pours[id] as LightTarget["pour"] };
};
const taken: Light = takenLight(litPocket(lit, "a"), Object.values(lit.shades));
const SAME: Laying = { fit: "same" };
const itemsOf = (drawing: Drawing): Item[] =>
  sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets.flatMap(({ items }) => items);
const withId = (drawing: Drawing, part: string) => itemsOf(drawing).filter(({ id }) => id.startsWith(part));
const tones = (items: readonly Item[]) => items.map(({ paint }) => tonesIn(paint)[0].variable);

describe("light taken from a pocket", () => {
  it("is laid on another as its own, in steps of that one's colour", () => {
    const laid = edited(lit, layLight(taken, [litPocket(lit, "b")], SAME));
    expect(laid.pours.b).toMatchObject({ form: lit.pours.a.form, rim: lit.pours.a.rim });
    const [copy] = Object.values(laid.shades).filter(({ id }) => id !== "s");
    expect(copy).toMatchObject({ paint: { colour: "radish", step: -1 }, opacity: 0.8, soft: 1 });
    expect(boundsOf(copy.outline)).toEqual({ x: 60, y: 30, width: 20, height: 10 });
    const { gradient } = laid.pours.b;
    expect([gradient!.from, gradient!.to]).toEqual([
      [60, 30],
      [80, 30],
    ]);
    expect(gradient!.stops.map(({ paint }) => paint.colour)).toEqual(["radish", "marigold"]);
    expect(gradient!.cloth).not.toBe("g");
  });

  it("is fitted, mirrored, or varied alike each time", () => {
    const fitted = edited(lit, layLight(taken, [litPocket(lit, "b")], { fit: "fitted" }));
    const [copy] = Object.values(fitted.shades).filter(({ id }) => id !== "s");
    expect(boundsOf(copy.outline)).toEqual({ x: 50, y: 30, width: 40, height: 20 });
    expect([copy.soft, fitted.pours.b.rim!.width]).toEqual([2, 4]);
    const to = { x: 0, y: 0, width: 20, height: 20 };
    const at = (laying: Laying, name = "x") => mappedPoint([5, 0], layingMatrix([20, 20], to, laying, name));
    expect(at(SAME)).toEqual([15, 10]);
    expect(at({ ...SAME, mirror: true })).toEqual([5, 10]);
    const varied = at({ ...SAME, vary: true });
    expect(varied).toEqual(at({ ...SAME, vary: true }));
    expect(varied).not.toEqual(at({ ...SAME, vary: true }, "y"));
    expect(Math.hypot(varied[0] - 15, varied[1] - 10)).toBeLessThan(3);
  });
});

describe("a light style", () => {
  const styled = edited(
    lit,
    addStyle("pot", "Pot light", taken),
    setStyle(["b"], { style: "pot", fit: "same" }),
  );

  it("is followed by every pocket that uses it, in its own colour", () => {
    expect(tones(withId(styled, "b-form"))).toEqual(["radish"]);
    expect(tones(withId(styled, `b-${large.key}-style`))).toEqual(["radish-down-1"]);
    expect(withId(styled, "b-gradient")).toHaveLength(1);
    const other = edited(
      styled,
      changeStyle(styled.styles.pot, { size: taken.size, rim: taken.rim, shapes: [] }),
    );
    expect(withId(other, "b-form")).toEqual([]);
    expect(withId(other, "b-rim")).toHaveLength(1);
    expect(
      tones(
        withId(
          edited(other, pour([{ anchor: anchorOf(large), pourId: "b" }], { colour: "dusk", step: 0 }, ["b"])),
          "b-rim",
        ),
      ),
    ).toEqual(["dusk-up-2"]);
  });

  it("takes the place of what a pocket has of its own when it is laid", () => {
    const form = { tones: 1, deeper: 3, roundness: 1, reach: 0.9 };
    const own = edited(styled, setStyle(["b"], null), setMade("form", ["b"], form));
    expect(tones(withId(own, "b-form"))).toEqual(["radish-down-2"]);
    const laid = edited(own, setStyle(["b"], { style: "pot", fit: "same" }));
    expect(tones(withId(laid, "b-form"))).toEqual(tones(withId(styled, "b-form")));
  });

  it("gives way to what a pocket has of its own, and is let go as that", () => {
    const own = edited(styled, setMade("rim", ["b"], { deeper: -1, width: 1, gap: 0 }));
    expect(tones(withId(own, "b-rim"))).toEqual(["radish-up-2"]);
    const gone = edited(own, letGo([litPocket(own, "b")], own.styles));
    expect(gone.pours.b).toMatchObject({ rim: { deeper: -1 }, form: taken.form });
    expect(gone.pours.b.style).toBeUndefined();
    expect(Object.keys(gone.shades)).toHaveLength(2);
    expect(tones(withId(gone, "b-"))).toEqual(
      tones(withId(own, "b-")).filter((one) => one !== "radish-down-1"),
    );
    const removed = edited(styled, removeStyle(styled.styles.pot, [litPocket(styled, "b")], styled.styles));
    expect([removed.styles, removed.pours.b.style, removed.pours.b.form]).toEqual([
      {},
      undefined,
      taken.form,
    ]);
  });

  it("comes back from files, goes to other drawings, and outlives its colours", () => {
    expect(readDrawingFile(writeDrawingFile(styled))).toEqual(styled);
    const { drawing } = importSvg(
      "",
      writeSvg(sceneOf(styled, derive(styled, pockets)), { drawing: styled }),
    );
    expect(drawing.styles).toEqual(styled.styles);
    const b = Object.values(drawing.pours).find(({ paint }) => paint?.colour === "radish")!;
    expect([b.style, b.form]).toEqual([styled.pours.b.style, undefined]);
    const { edit } = placeDrawing(bare, styled, { middle: [50, 50], label: "Put in" });
    const put = edited(bare, edit);
    const [style] = Object.values(put.styles);
    const user = Object.values(put.pours).find((one) => one.style)!;
    expect(user.style!.style).toBe(style.id);
    const without = edited(styled, removeColour("marigold", "Marigold", null));
    expect(without.styles.pot.gradient!.stops[1].paint.colour).toBeNull();
  });
});
