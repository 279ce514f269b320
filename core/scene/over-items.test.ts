import { describe, expect, it } from "vitest";
import { edited, strokeOf } from "../../testing/drawings.ts";
import { removeColour } from "../drawing/colour-edits.ts";
import { type Bands, type Drawing, PATTERNS, type Tile } from "../drawing/drawing.ts";
import { pour } from "../drawing/edits.ts";
import { Pattern } from "../drawing/facts/patterns.ts";
import { withMissingColours } from "../drawing/missing-colours.ts";
import { moved } from "../drawing/moved.ts";
import { defaultPage, newDrawing } from "../drawing/new-drawing.ts";
import { groundsOf, layGround } from "../drawing/page-edits.ts";
import { copyPart } from "../drawing/part-edits.ts";
import { MAIN } from "../drawing/parts.ts";
import { changePattern, setBands, setPattern } from "../drawing/patterns.ts";
import { addShape, moveShapes } from "../drawing/shape-edits.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { arcLengthOf } from "../geometry/arc-length.ts";
import { enclosedArea, flatten } from "../geometry/cubic.ts";
import { aboutPoint } from "../geometry/matrix.ts";
import { ellipse, rectangle } from "../lines/figures.ts";
import { anchorOf } from "../pockets/anchors.ts";
import { LineReader } from "../pockets/line-reader.ts";
import { tonesIn } from "./items.ts";
import { figuresIn } from "./pattern-figures.ts";
import { derive, sceneOf } from "./scene.ts";

const square = strokeOf("rim", 1, [
  [10, 10],
  [90, 10],
  [90, 90],
  [10, 90],
  [10, 10],
]);
const bare = newDrawing("Jumper", defaultPage({ x: 0, y: 0, width: 100, height: 100 }), [
  { ...square, closed: true },
]);
const pockets = new LineReader().read(bare);
const poured = edited(bare, pour([{ anchor: anchorOf(pockets[0]) }], { colour: "frond", step: 0 }, ["p"]));

const pattern: Pattern = {
  cloth: "c",
  kind: "stripes",
  at: [50, 50],
  size: 8,
  turn: 30,
  share: 0.4,
  paint: { colour: "radish", step: 1 },
};
const bands: Bands = {
  line: "rim",
  bands: [
    { width: 3, paint: { colour: "dusk", step: 0 } },
    { width: 5, paint: { colour: "radish", step: 0 } },
  ],
};
/** A leaf on its own, and one that lies across the tile's corner. */
const TILE: Tile = {
  id: "leaves",
  rank: 1,
  name: "Leaves",
  ratio: 0.8,
  tones: [[ellipse([0.4, 0.4], 0.2, 0.3)], [ellipse([0.4, 0.4], 0.1, 0.2)]],
};
const itemsOf = (drawing: Drawing) => sceneOf(drawing, derive(drawing, pockets)).parts[0].sheets[0].items;

describe("patterns", () => {
  it.each(PATTERNS)("%s cover all places alike, however turned and wherever they begin", (kind) => {
    for (const turn of [0, 37, -120]) {
      const box = { x: -40, y: 30, width: 300, height: 200 };
      const chains = figuresIn({ ...pattern, kind, turn, size: 25, at: [500, -200] }, box, TILE).flat();
      const rings = chains.map((chain) => flatten(chain, 0.05));
      const covered = (quarter: number) => {
        let hits = 0;
        for (let k = 0; k < 1500; k++) {
          const x = box.x + box.width * ((((k * 0.618034) % 1) + (quarter % 2)) / 2);
          const y = box.y + box.height * ((((k * 0.754878) % 1) + Math.floor(quarter / 2)) / 2);
          if (rings.some((ring) => holds(ring, x, y))) hits++;
        }
        return hits / 1500;
      };
      const shares = [0, 1, 2, 3].map(covered);
      expect(Math.min(...shares)).toBeGreaterThan(0.05);
      expect(Math.max(...shares) - Math.min(...shares)).toBeLessThan(0.12);
    }
  });

  it("are never so fine that nothing could paint them", () => {
    const box = { x: 0, y: 0, width: 1000, height: 1000 };
    for (const kind of PATTERNS)
      expect(figuresIn({ ...pattern, kind, size: 0.001 }, box, TILE).flat().length).toBeLessThan(120_000);
  });

  it("lie over the colour of their pocket, trimmed to it, and stay when another is poured", () => {
    const laid = edited(poured, setPattern(poured, ["p"], pattern));
    const [base, over] = itemsOf(laid);
    expect(tonesIn(base.paint)[0].variable).toBe("frond");
    expect([over.says.is, tonesIn(over.paint)[0].variable, over.effects.clip]).toEqual([
      "over",
      "radish-up-1",
      pockets[0].cover,
    ]);
    const again = edited(
      laid,
      pour([{ anchor: anchorOf(pockets[0]), pourId: "p" }], { colour: "dusk", step: 0 }, ["q"]),
      changePattern({ ...laid, pours: { q: { ...laid.pours.p, id: "q" } } }, "c", { size: 20 }),
    );
    expect(again.pours.q.pattern).toEqual({ ...pattern, size: 20 });
    expect(itemsOf(edited(again, setPattern(again, ["q"], null)))).toHaveLength(1);
  });

  it("go along with their pocket: turned, scaled and mirrored", () => {
    const elsewhere = moved(Pattern, pattern, aboutPoint([0, 0], 2, 2, Math.PI / 2));
    expect([elsewhere.size, Math.round(elsewhere.turn)]).toEqual([16, 120]);
    expect(Math.round(moved(Pattern, pattern, [-1, 0, 0, 1, 0, 0]).turn)).toBe(150);
  });
});

describe("a pattern on a shape", () => {
  const ring = { outline: [rectangle([0, 0], [100, 100]), rectangle([20, 20], [80, 80])], evenOdd: true };
  const shape = { id: "s", ...ring, paint: { colour: "frond", step: 0 }, opacity: 0.5 };
  const grounded = edited(
    bare,
    layGround(bare.page, { colour: "frond", step: 0 }),
    addShape({ ...shape, sheet: "ground" }),
  );
  const [ground] = groundsOf(grounded);
  const laid = edited(grounded, setPattern(grounded, [ground, "s"], pattern));

  it("lies over the ground and over holes of none, as faint as the shape is", () => {
    const [base, over, ringed, onRing] = itemsOf(laid);
    expect([base.says.is, over.says.is, ringed.says.is, onRing.says.is]).toEqual([
      "flat",
      "over",
      "flat",
      "over",
    ]);
    expect(over.effects).toEqual({ clip: laid.flatShapes[ground].outline });
    expect(onRing.effects.opacity).toBe(0.5);
    const area = onRing.effects.clip!.reduce((sum, chain) => sum + enclosedArea(chain), 0);
    expect(Math.abs(area)).toBeCloseTo(100 * 100 - 60 * 60, -1);
  });

  it("comes back from an SVG, goes along, is copied with its part, and goes with its colour", () => {
    const back = importSvg("", deliveredSvg(laid, derive(laid, pockets))).drawing;
    expect(Object.values(back.flatShapes).map((one) => one.pattern)).toEqual([pattern, pattern]);
    const after = edited(laid, moveShapes([laid.flatShapes.s], [1, 0, 0, 1, 7, 0], "Move"));
    expect(after.flatShapes.s.pattern!.at).toEqual([57, 50]);
    const { edit } = copyPart(laid, MAIN, [1, 0, 0, 1, 0, 9]);
    const copies = Object.values(edited(laid, edit).flatShapes).filter(({ id }) => !laid.flatShapes[id]);
    expect(copies.map((copy) => copy.pattern?.at)).toEqual([
      [50, 59],
      [50, 59],
    ]);
    expect(new Set(copies.map((copy) => copy.pattern?.cloth)).size).toBe(1);
    expect(edited(laid, removeColour("radish", "Radish", null)).flatShapes.s.pattern).toBeUndefined();
    expect(withMissingColours({ ...laid, tin: {} }).tin.radish).toBeDefined();
  });

  it("is refused where its sheet is locked", () => {
    expect([setPattern(laid, [ground], null).sheet].flat()).toEqual(["ground"]);
  });
});

describe("bands", () => {
  it("follow their line inward, the widest beneath, as the line is bent", () => {
    const laid = edited(poured, setBands("p", bands));
    const lines = itemsOf(laid).slice(1);
    const told = lines.map(({ area, paint }) => [
      area.kind === "line" && area.width,
      tonesIn(paint)[0].variable,
    ]);
    expect(told).toEqual([
      [16, "radish"],
      [6, "dusk"],
    ]);
    const bent = { ...laid, strokes: { rim: { ...laid.strokes.rim, points: [...laid.strokes.rim.points] } } };
    const [, first] = itemsOf(bent);
    expect(first.area.kind === "line" && first.area.points).toBe(bent.strokes.rim.points);
    expect(enclosedArea(bent.strokes.rim.points)).not.toBe(0);
  });

  it("follow no more of it than the stretch that was chosen", () => {
    const laid = edited(poured, setBands("p", { ...bands, along: { from: 0.25, to: 0.5 } }));
    const [, { area }] = itemsOf(laid);
    const { points } = laid.strokes.rim;
    const lengthOf = (chain: readonly number[]) => arcLengthOf(chain, 0.01).total;
    expect(area.kind === "line" && lengthOf(area.points) / lengthOf(points)).toBeCloseTo(0.25, 3);
    expect(area.kind === "line" && area.closed).toBe(false);
  });

  it("come back from SVG with their pattern", () => {
    const stretched = { ...bands, along: { from: 0.5, to: 1.25 } };
    const laid = edited(poured, setPattern(poured, ["p"], pattern), setBands("p", stretched));
    const { drawing } = importSvg("Jumper", deliveredSvg(laid, derive(laid, pockets)));
    expect(Object.values(drawing.pours)).toMatchObject([{ pattern, bands: stretched }]);
    expect(drawing.strokes[bands.line].points).toHaveLength(square.points.length);
  });
});

function holds(ring: readonly number[], x: number, y: number): boolean {
  let inside = false;
  for (let i = 0, j = ring.length - 2; i < ring.length; j = i, i += 2)
    if (
      ring[i + 1] > y !== ring[j + 1] > y &&
      x < ((ring[j] - ring[i]) * (y - ring[i + 1])) / (ring[j + 1] - ring[i + 1]) + ring[i]
    )
      inside = !inside;
  return inside;
}
