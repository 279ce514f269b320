/** Parts in files: SVG carries them as named groups in depth order and brings them back; so does the drawing file. */
import { describe, expect, it } from "vitest";
import type { Drawing } from "../drawing/drawing.ts";
import { changePart } from "../drawing/part-edits.ts";
import { partOf, partsOf } from "../drawing/parts.ts";
import { edited } from "../drawing/testing.ts";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { withPart } from "../pockets/make-part.ts";
import { derive } from "../scene/scene.ts";
import { readDrawingFile, writeDrawingFile } from "./drawing-file.ts";
import { ART, coloured } from "./foreign-art.ts";
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
});
