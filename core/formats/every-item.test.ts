/** Whatever an item can be, it comes back from our SVG as it was. */
import fc from "fast-check";
import { expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { SOAK } from "../../testing/long-runs.ts";
import {
  BLENDS,
  type ColourShape,
  type Drawing,
  type FlatShape,
  GRADIENTS,
  type Gradient,
  MIXES,
  SHAPE_SHEETS,
  type Shade,
  TRIMS,
} from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { setSticker } from "../drawing/page-edits.ts";
import { rectangle } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive } from "../scene/scene.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

const frame = strokeOf("frame", 1, [
  [10, 10],
  [90, 10],
  [90, 90],
  [10, 90],
  [10, 10],
]);
const bare = newDrawing("Frame", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [frame]);
const [pocket] = new DrawingReader().read(bare).pockets;
const poured = edited(
  bare,
  pour([{ anchor: anchorOf(pocket) }], { colour: "frond", step: 0 }, ["p"]),
  setSticker({ paint: { colour: "dusk", step: 1 }, width: 2 }),
);

const whole = (min: number, max: number) => fc.integer({ min, max });
/** Shares as files write them. */
const share = whole(1, 1000).map((n) => n / 1000);
const paint = fc.record({ colour: fc.constantFrom("frond", "radish", "dusk"), step: whole(-3, 3) });
const place = fc.tuple(whole(0, 100), whole(0, 100));
const gradient: fc.Arbitrary<Gradient> = fc
  .record({
    kind: fc.constantFrom(...GRADIENTS),
    from: place,
    to: place.map(([x, y]): [number, number] => [x + 101, y]),
    mix: fc.constantFrom(...MIXES),
    stops: fc.array(fc.record({ paint, opacity: share }), { minLength: 2, maxLength: 4 }),
  })
  .map(({ stops, ...rest }) => ({
    ...rest,
    cloth: "g",
    stops: stops.map((stop, k) => ({ ...stop, at: k / (stops.length - 1) })),
  }));
const laid = fc.record(
  {
    blend: fc.constantFrom(...BLENDS.filter((blend) => blend !== "normal")),
    soft: whole(1, 30).map((n) => n / 10),
    gradient,
  },
  { requiredKeys: [] },
);
const shape = fc
  .record({ corner: place, side: whole(2, 60), opacity: share, paint, evenOdd: fc.boolean(), laid })
  .map(
    ({ corner: [x, y], side, laid: own, ...rest }): Omit<ColourShape, "id" | "rank"> => ({
      ...rest,
      ...own,
      outline: [rectangle([x, y], [x + side, y + side])],
    }),
  );
const flat = fc.record({
  shape,
  sheet: fc.constantFrom(...SHAPE_SHEETS),
  trim: fc.option(fc.constantFrom(...TRIMS), { nil: undefined }),
});

function drawingOf(
  flats: readonly Omit<FlatShape, "id" | "rank">[],
  shades: readonly ColourShape[],
): Drawing {
  const flatShapes = flats.map((one, k): [string, FlatShape] => [
    `f${k}`,
    { ...one, id: `f${k}`, rank: 10 + k },
  ]);
  const anchor = anchorOf(pocket);
  return {
    ...poured,
    flatShapes: Object.fromEntries(flatShapes),
    shades: Object.fromEntries(
      shades.map((one, k): [string, Shade] => [
        `s${k}`,
        // Every other one is a step of what it lies on.
        { ...one, id: `s${k}`, rank: 50 + k, kind: "drawn", anchor, ...(k % 2 ? { deeper: k - 2 } : {}) },
      ]),
    ),
  };
}

/** Without names that files give anew, and as exact as what they write. */
const told = ({ flatShapes, shades }: Drawing) =>
  [...Object.values(flatShapes), ...Object.values(shades)].map((one) => JSON.stringify(inOrder(one))).sort();

const GIVEN_ANEW = ["id", "rank", "anchor", "cloth", "name"];

function inOrder(value: unknown): unknown {
  if (typeof value === "number") return Number(value.toFixed(3));
  if (Array.isArray(value)) return value.map(inOrder);
  if (typeof value !== "object" || value === null) return value;
  return Object.entries(value)
    .filter(([key, own]) => !GIVEN_ANEW.includes(key) && own !== undefined)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([key, own]) => [key, inOrder(own)]);
}

it("is the same shape of colour, whatever it is painted with, mixed, softened and trimmed", {
  timeout: 600_000,
}, () => {
  fc.assert(
    fc.property(fc.array(flat, { maxLength: 5 }), fc.array(shape, { maxLength: 3 }), (flats, shades) => {
      const shapes = flats.map(({ shape: own, sheet, trim }) => ({
        ...own,
        ...(sheet === "flats" ? {} : { sheet }),
        // Blooms are trimmed to the ink, whatever else.
        ...(trim && sheet !== "ink" ? { trim } : {}),
      }));
      const drawing = drawingOf(
        shapes,
        shades.map((one) => ({ ...one, id: "", rank: 0 })),
      );
      const svg = deliveredSvg(drawing, derive(drawing, [pocket]));
      const { drawing: again, report } = importSvg("Again", svg);
      expect(told(again)).toEqual(told(drawing));
      expect([...report.leftAside, ...report.changed]).toEqual([]);
      expect([again.sticker, again.tin, again.sheets]).toEqual([
        drawing.sticker,
        drawing.tin,
        drawing.sheets,
      ]);
      expect(Object.values(again.pours).map((one) => one.paint)).toEqual([{ colour: "frond", step: 0 }]);
    }),
    { numRuns: SOAK ? 2000 : 120 },
  );
});
