/** A drawing put into another, and lines copied from one to the other by way of SVG. */
import { describe, expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import { ART, coloured } from "../../testing/foreign-art.ts";
import { carriedBy } from "../drawing/carried.ts";
import type { Drawing, Paint } from "../drawing/drawing.ts";
import { partOf } from "../drawing/parts.ts";
import { pickedDrawing, removeCarried } from "../drawing/picked.ts";
import { placeDrawing } from "../drawing/place-drawing.ts";
import { boundsOf, type Point } from "../geometry/point.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive } from "../scene/scene.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

const [first, second] = ART.slice(0, 2).map(({ file, svg }) => coloured(importSvg(file, svg).drawing, false));
const middle: Point = [first.page.box.x + first.page.box.width / 3, first.page.box.y + 10];

/** The colours poured in the pockets of a part, by value, the largest pocket first. */
function poured(drawing: Drawing, part: string): string[] {
  const { pockets } = new DrawingReader().read(drawing);
  const { pockets: seen, pourOf } = derive(drawing, pockets);
  const shown = ({ colour, step }: Paint) => `${drawing.tin[colour].value} ${step}`;
  return seen
    .map((pocket, i) => ({ pocket, paint: drawing.pours[pourOf[i] ?? ""]?.paint }))
    .filter(({ pocket, paint }) => pocket.part === part && paint)
    .sort((a, b) => b.pocket.area - a.pocket.area)
    .map(({ paint }) => shown(paint!));
}

const boxOfLines = ({ strokes, inkShapes }: Drawing, part: string) =>
  boundsOf(
    [...Object.values(strokes), ...Object.values(inkShapes)]
      .filter((line) => partOf(line) === part)
      .flatMap((line) => ("points" in line ? [line.points] : line.outline)),
  )!;

describe("a drawing put into another", () => {
  it("is a part of its own in front, with every colour in its pocket, about the middle asked for", () => {
    const { edit, part, lines } = placeDrawing(first, second, { middle, label: "Put in" });
    const both = edited(first, edit);
    expect(Object.values(both.parts)).toHaveLength(2);
    expect(both.parts[part].name).toBe(second.name);
    expect(lines.every((id) => partOf(both.strokes[id] ?? both.inkShapes[id]) === part)).toBe(true);
    expect(poured(both, part)).toEqual(poured(second, "main"));
    expect(poured(both, "main")).toEqual(poured(first, "main"));
    const box = boxOfLines(both, part);
    expect(box.x + box.width / 2).toBeCloseTo(middle[0], 3);
    expect(box.y + box.height / 2).toBeCloseTo(middle[1], 3);
    expect(box.width).toBeLessThanOrEqual(first.page.box.width + 1e-6);
  });

  it("brings a colour once, however often it is put in, and leaves the drawing it came to as it was", () => {
    const once = edited(first, placeDrawing(first, second, { middle, label: "Put in" }).edit);
    const twice = edited(once, placeDrawing(once, second, { middle, label: "Put in" }).edit);
    expect(Object.keys(twice.tin)).toEqual(Object.keys(once.tin));
    expect(Object.keys(twice.parts)).toHaveLength(3);
    for (const id of Object.keys(first.strokes)) expect(twice.strokes[id]).toEqual(first.strokes[id]);
    for (const id of Object.keys(first.pours)) expect(twice.pours[id]).toEqual(first.pours[id]);
  });

  it("keeps printed sizes where the page has room", () => {
    const small = { ...second, page: { ...second.page, width: second.page.width / 1e3 } };
    const { edit, part } = placeDrawing(first, small, { middle, label: "Put in" });
    const perUnit = ({ page }: Drawing) => page.width / page.box.width;
    const printed = boxOfLines(edited(first, edit), part).width * perUnit(first);
    const before = boxOfLines(small, "main").width * perUnit(small);
    const units = small.page.unit === first.page.unit ? 1 : small.page.unit === "in" ? 25.4 : 1 / 25.4;
    expect(printed).toBeCloseTo(before * units, 6);
  });
});

describe("lines that are copied", () => {
  const all = Object.keys({ ...first.strokes, ...first.inkShapes });
  const { pockets } = new DrawingReader().read(first);

  it("come to another drawing by way of SVG with the colours they enclose", () => {
    const picked = pickedDrawing(carriedBy(first, all, pockets));
    const svg = deliveredSvg(picked, derive(picked, []));
    const came = importSvg("copied", svg).drawing;
    const { edit, part } = placeDrawing(second, came, { middle: [0, 0], label: "Paste" });
    expect(poured(edited(second, edit), part)).toEqual(poured(first, "main"));
  });

  it("are gone with what they enclosed when they are cut, and nothing else is", () => {
    const [one] = all;
    const carried = carriedBy(first, [one], pockets);
    const left = edited(first, removeCarried(carried, "Cut"));
    const gone = Object.keys(first.strokes).length + Object.keys(first.inkShapes).length - 1;
    expect(Object.keys(left.strokes).length + Object.keys(left.inkShapes).length).toBe(gone);
    expect(Object.keys(left.pours)).toHaveLength(Object.keys(first.pours).length - carried.pours.length);
    const picked = pickedDrawing(carried);
    expect(Object.keys({ ...picked.strokes, ...picked.inkShapes })).toEqual([one]);
  });
});
