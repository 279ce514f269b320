/** What the lamp makes of pockets and parts: rims, cast shadows, the shadow on the ground; and their kinds. */
import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import type { Cast, Drawing } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import {
  changeMade,
  setGroundShadow,
  setLamp,
  setLight,
  setMade,
  setPartCast,
} from "../drawing/light-edits.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { readDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { writeSvg } from "../formats/svg-write.ts";
import { flatten } from "../geometry/cubic.ts";
import { boundsOf, type Point } from "../geometry/point.ts";
import { regionContains } from "../geometry/polygon.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { type Item, tonesIn } from "./items.ts";
import { derive, pocketAt, sceneOf } from "./scene.ts";

const box = (id: string, rank: number, x: number, y: number, size: number, part?: string) => ({
  ...strokeOf(id, rank, [
    [x, y],
    [x + size, y],
    [x + size, y + size],
    [x, y + size],
    [x, y],
  ]),
  ...(part ? { part } : {}),
});
/** Two boxes side by side, lit from the left. */
const bare = edited(
  newDrawing("Crates", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
    box("a", 1, 10, 40, 30),
    box("b", 2, 40, 40, 30),
  ]),
  setLamp({ at: [0, 0.55], height: 0.5, far: true }),
);

const pocketsOf = (drawing: Drawing) =>
  new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);

function pouredAt(
  drawing: Drawing,
  pours: Readonly<Record<string, [at: Point, colour: string, part?: string]>>,
) {
  const pockets = pocketsOf(drawing);
  return Object.entries(pours).reduce((now, [id, [at, colour, part = "main"]]) => {
    const pocket = pocketAt(
      pockets.filter((one) => one.part === part),
      at,
    )!;
    return edited(now, pour([{ anchor: anchorOf(pocket) }], { colour, step: 0 }, [id]));
  }, drawing);
}

const crates = pouredAt(bare, { left: [[25, 55], "frond"], right: [[55, 55], "radish"] });
const cast: Cast = { deeper: 2, high: 5 };

function shown(drawing: Drawing, sheet = "shade"): Item[] {
  const { parts } = sceneOf(drawing, derive(drawing, pocketsOf(drawing)));
  return parts.flatMap(({ sheets }) =>
    sheets.filter(({ name }) => name === sheet).flatMap(({ items }) => items),
  );
}
const told = ({ id, paint }: Item) => [id.replace(/\d+/g, "n"), tonesIn(paint)[0].variable];

describe("cast shadows", () => {
  it("fall on what lies away from the lamp, in steps of its colour, trimmed to it", () => {
    const items = shown(edited(crates, setMade("cast", ["left"], cast)));
    expect(items.map(told)).toEqual([["left-n-cast-n", "radish-down-2"]]);
    const { x, width } = boundsOf(items[0].area.kind === "region" ? items[0].area.chains : [])!;
    expect([x, x + width]).toEqual([10, 45]);
    expect(boundsOf(items[0].effects.clip!)!.x).toBe(40);
    expect(shown(edited(crates, setMade("cast", ["right"], cast)))).toEqual([]);
  });

  it("not on what stands as high, and shorter on what stands a little lower", () => {
    const both = edited(crates, setMade("cast", ["left", "right"], cast));
    expect(shown(both)).toEqual([]);
    const [shorter] = shown(edited(both, changeMade("cast", ["left"], { high: 8 })));
    const { x, width } = boundsOf(shorter.area.kind === "region" ? shorter.area.chains : [])!;
    expect(x + width).toBeCloseTo(43, 9);
  });

  it("of a part fall on the parts behind it", () => {
    const front = { id: "front", rank: 2, name: "Front", visible: true, locked: false };
    const two: Drawing = {
      ...bare,
      parts: { ...bare.parts, front },
      strokes: { a: box("a", 1, 10, 10, 80), b: box("b", 2, 20, 40, 30, "front") },
    };
    const coloured = pouredAt(two, {
      back: [[80, 20], "frond"],
      lid: [[35, 55], "radish", "front"],
    });
    expect(shown(coloured)).toEqual([]);
    const items = shown(edited(coloured, setPartCast("front", { ...cast, soft: 0.5 })));
    expect(items.map(told)).toEqual([["front-cast-n", "frond-down-2"]]);
    expect(items[0].effects.blur).toBeCloseTo(1.25, 1);
  });
});

it("lies deeper over less deep on the shade sheet, what is lighter on the light sheet, in one colour's steps", () => {
  const lit = edited(
    crates,
    setMade("form", ["right"], { tones: 2, deeper: 1, roundness: 1, reach: 0.8, shine: 0.4 }),
    setMade("rim", ["right"], { deeper: -2, width: 3, gap: 1 }),
    setMade("cast", ["left"], { ...cast, deeper: 1 }),
  );
  const tones = (sheet: "shade" | "light") => shown(lit, sheet).map((item) => told(item)[1]);
  expect(tones("shade")).toEqual(["radish-down-1", "radish-down-1", "radish-down-2"]);
  expect(tones("light")).toEqual(["radish-up-1", "radish-up-2"]);
});

it("has one form for all pockets of a part, each showing its piece in its own colour", () => {
  const form = { tones: 1, deeper: 1, roundness: 1, reach: 0.5, whole: true as const };
  const whole = edited(crates, setMade("form", ["left", "right"], form));
  const items = shown(whole);
  // Lit from the left, only the right of the two is in shade, which it is not by a form of its own.
  const shadeAt = (drawing: Drawing, at: Point) =>
    shown(drawing).filter(({ area, effects }) => {
      const rings = (chains: readonly (readonly number[])[]) => chains.map((chain) => flatten(chain, 0.01));
      return (
        area.kind === "region" &&
        regionContains(rings(area.chains), at) &&
        regionContains(rings(effects.clip!), at)
      );
    }).length;
  expect([shadeAt(whole, [36, 55]), shadeAt(whole, [66, 55])]).toEqual([0, 1]);
  const apart = edited(whole, changeMade("form", ["left", "right"], { whole: false }));
  expect([shadeAt(apart, [36, 55]), shadeAt(apart, [66, 55])]).toEqual([1, 1]);
  expect(items.map((item) => told(item)[1])).toEqual(["frond-down-1", "radish-down-1"]);
  expect(readDrawingFile(writeDrawingFile(whole))).toEqual(whole);
});

it("is hidden or fainter by its kind, wherever it lies", () => {
  const lit = edited(
    crates,
    setMade("rim", ["left", "right"], { deeper: -2, width: 3, gap: 1 }),
    setMade("cast", ["left"], cast),
  );
  const both = (drawing: Drawing) => [...shown(drawing, "shade"), ...shown(drawing, "light")];
  expect(both(lit)).toHaveLength(3);
  expect(both(edited(lit, setLight("rim", { visible: false, strength: 1 })))).toHaveLength(1);
  const faint = both(edited(lit, setLight("cast", { visible: true, strength: 0.5 })));
  expect(faint.map(({ effects }) => effects.opacity)).toEqual([0.5, undefined, undefined]);
  expect(edited(lit, setLight("cast", { visible: true, strength: 1 })).lights).toEqual({});
});

it("throws one shadow on the ground, beneath all", () => {
  const shadow = { kind: "ellipse" as const, paint: { colour: "dusk", step: 0 }, opacity: 0.3, soft: 1 };
  const [item, ...others] = shown(edited(crates, setGroundShadow(shadow)), "ground");
  expect(others).toEqual([]);
  expect([tonesIn(item.paint)[0].variable, item.effects]).toEqual(["dusk", { opacity: 0.3, blur: 1 }]);
  const { y, height } = boundsOf(item.area.kind === "region" ? item.area.chains : [])!;
  expect(y < 70 && y + height > 70).toBe(true);
  expect(shown(edited(crates, setGroundShadow({ ...shadow, kind: "flat" })), "ground")).toHaveLength(1);
});

it("comes back from files", () => {
  const lit = edited(
    crates,
    setMade("rim", ["left"], { deeper: -2, width: 3, gap: 1, behind: true, soft: 0.2 }),
    setMade("cast", ["left"], { ...cast, soft: 0.5 }),
    setGroundShadow({ kind: "flat", paint: { colour: "dusk", step: 0 }, opacity: 0.3 }),
    setLight("rim", { visible: true, strength: 0.5 }),
    setPartCast("main", cast),
  );
  expect(readDrawingFile(writeDrawingFile(lit))).toEqual(lit);
  const { drawing } = importSvg("", writeSvg(sceneOf(lit, derive(lit, pocketsOf(lit))), { drawing: lit }));
  const left = Object.values(drawing.pours).find(({ paint }) => paint?.colour === "frond")!;
  expect([left.rim, left.cast]).toEqual([lit.pours.left.rim, lit.pours.left.cast]);
  expect([drawing.groundShadow, drawing.lights, drawing.parts]).toEqual([
    lit.groundShadow,
    lit.lights,
    lit.parts,
  ]);
  expect(shown(drawing).map((item) => told(item)[1])).toEqual(shown(lit).map((item) => told(item)[1]));
});
