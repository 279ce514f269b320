/** Parts in files: SVG carries them as named groups in depth order and brings them back; so does the drawing file. */
import { describe, expect, it } from "vitest";
import { edited } from "../../testing/drawings.ts";
import { ART, coloured, shown } from "../../testing/foreign-art.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { addBridges, declineOpenings, pour } from "../drawing/edits.ts";
import { groundsOf, layGround, setSticker } from "../drawing/page-edits.ts";
import { changePart } from "../drawing/part-edits.ts";
import { MAIN, partOf, partsOf } from "../drawing/parts.ts";
import { setPattern } from "../drawing/patterns.ts";
import { addShade } from "../drawing/shape-edits.ts";
import { polyline } from "../geometry/cubic.ts";
import { rectangle } from "../lines/figures.ts";
import { anchorAround, anchorOf } from "../pockets/anchors.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { withPartJoined } from "../pockets/join-parts.ts";
import { withPart } from "../pockets/make-part.ts";
import { derive } from "../scene/scene.ts";
import { readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { importSvg } from "./import-drawing.ts";
import { deliveredSvg } from "./svg-write.ts";

function delivered(drawing: Drawing): string {
  const { pockets } = new DrawingReader().read(drawing);
  return deliveredSvg(
    drawing,
    derive(
      drawing,
      pockets.filter(({ hidden }) => !hidden),
    ),
  );
}

/** What is painted in each part, by the pockets' areas. */
function paintsIn(drawing: Drawing) {
  const { pockets } = new DrawingReader().read(drawing);
  const { pockets: shown, pourOf } = derive(
    drawing,
    pockets.filter(({ hidden }) => !hidden),
  );
  return shown
    .filter(({ area }) => area > 1)
    .map(
      ({ part, area }, i) =>
        [part, Math.round(area / 10), drawing.pours[pourOf[i] ?? ""]?.paint ?? null] as const,
    )
    .map((one) => JSON.stringify(one))
    .sort();
}

/** Every other pocket in a part, and of the rest again every other. */
function parted(drawing: Drawing): Drawing {
  return ["Front", "Middle"].reduce((now, name) => {
    const reader = new DrawingReader();
    const all = reader.read(now).pockets.filter(({ part }) => part === "main");
    const chosen = new Set(all.filter((_, i) => i % 2 === 0));
    const map = reader.mapOf("main")!;
    return all.length > 1 ? withPart(now, { name, part: "main", pockets: all, map, chosen }) : now;
  }, drawing);
}

const drawings = ART.map(
  ({ file, svg }) => [file, parted(coloured(importSvg(file, svg).drawing, false))] as const,
).filter(([, drawing]) => Object.keys(drawing.parts).length > 2);

describe("parts in files", () => {
  it("come back from SVG in their order, with all that is theirs", () => {
    expect(drawings.length).toBeGreaterThan(3);
    for (const [file, drawing] of drawings) {
      const text = delivered(drawing);
      const { drawing: again, report } = importSvg("Art", text);
      expect(partsOf(again), file).toEqual(partsOf(drawing));
      expect(paintsIn(again), file).toEqual(paintsIn(drawing));
      expect([...report.leftAside, ...report.changed], file).toEqual([]);
      const counts = (of: Drawing) =>
        partsOf(of).map(({ id }) => [
          Object.values(of.strokes).filter((stroke) => partOf(stroke) === id).length,
          Object.values(of.bridges).filter((bridge) => partOf(bridge) === id).length,
          Object.values(of.pours).filter(({ anchor }) => partOf(anchor) === id).length,
          Object.values(of.shades).filter(({ anchor }) => partOf(anchor) === id).length,
        ]);
      expect(counts(again), file).toEqual(counts(drawing));
    }
  });

  it("come back from drawing files just as they were", () => {
    for (const [, drawing] of drawings) expect(readDrawingFile(writeDrawingFile(drawing))).toEqual(drawing);
  });

  it("come back also where one is hidden", () => {
    const [, drawing] = drawings[0];
    const [, middle] = partsOf(drawing);
    const hidden = edited(drawing, changePart(middle, { visible: false }));
    const { drawing: again } = importSvg("Art", delivered(hidden));
    expect(again.parts[middle.id].visible).toBe(false);
    expect(Object.keys(again.strokes)).toHaveLength(Object.keys(hidden.strokes).length);
  });

  it("hold what is laid once the first part is gone, in the backmost one", () => {
    const [file, drawing] = drawings[0];
    const first = withPartJoined(drawing, MAIN, partsOf(drawing)[1].id);
    const [backmost] = partsOf(first);
    const points = polyline([
      [1, 1],
      [9, 9],
    ]);
    const laid = edited(
      first,
      layGround(first.page, { colour: "frond", step: 0 }),
      addBridges([{ id: "bridge", points }]),
      declineOpenings([{ id: "open", at: [3, 3] }]),
    );
    const [ground] = groundsOf(laid);
    const made = [laid.flatShapes[ground], laid.bridges.bridge, laid.declined.open];
    expect(made.map(partOf)).toEqual(made.map(() => backmost.id));
    expect(readDrawingFile(writeDrawingFile(laid)), file).toEqual(laid);
    expect(groundsOf(importSvg("Art", delivered(laid)).drawing)).toHaveLength(1);
  });
});

describe("a shade that is so many steps of what lies beneath", () => {
  it("comes back as one, whatever the colours of its pockets are", () => {
    const { file, svg } = ART.find((art) => shown(importSvg("", art.svg).drawing).length > 1)!;
    const bare = importSvg(file, svg).drawing;
    const [a, b] = shown(bare);
    const drawing = edited(
      bare,
      pour([{ anchor: anchorOf(a) }], { colour: "frond", step: 0 }, ["a"]),
      pour([{ anchor: anchorOf(b) }], { colour: "radish", step: 0 }, ["b"]),
      addShade({
        id: "shade",
        kind: "drawn",
        outline: [rectangle([0, 0], [400, 400])],
        evenOdd: false,
        anchor: anchorAround([a, b]),
        paint: { colour: "dusk", step: 0 },
        opacity: 1,
        deeper: 2,
      }),
    );
    const text = delivered(drawing);
    expect(text.match(/data-is="shade"/g)).toHaveLength(2);
    const again = Object.values(importSvg(file, text).drawing.shades);
    expect(again).toMatchObject([{ deeper: 2, paint: { colour: "dusk", step: 0 } }]);
    expect(again[0].anchor.lines.toSorted()).toEqual(drawing.shades.shade.anchor.lines.toSorted());
  });
});

describe("what is made of other facts", () => {
  it("may lie anywhere, and is not told when it is left out", () => {
    const [, drawing] = drawings[0];
    const rimmed = edited(drawing, setSticker({ paint: { colour: "frond", step: 0 }, width: 1e6 }));
    expect(importSvg("Art", delivered(rimmed)).report.leftAside).toEqual([]);
  });

  it("is brought to what a page can hold", () => {
    const [, drawing] = drawings[0];
    const pattern = {
      cloth: "c",
      kind: "dots",
      at: [0, 0],
      turn: 0,
      share: 0.5,
      paint: { colour: "frond", step: 0 },
    } as const;
    const [id] = Object.keys(drawing.pours);
    const laid = edited(drawing, setPattern(drawing, [id], { ...pattern, size: 1e9 }));
    expect(laid.pours[id].pattern!.size).toBeCloseTo(10 * Math.hypot(400, 400));
    const rimmed = edited(drawing, setSticker({ paint: pattern.paint, width: 1e9 }));
    expect(rimmed.sticker!.width).toBe(1e7);
  });
});
