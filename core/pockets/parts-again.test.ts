/** Parts made one after another of published drawings: they look as before, and can be kept, opened and undone. */
import { readdirSync, readFileSync } from "node:fs";
import { expect, it } from "vitest";
import { coloured } from "../../testing/foreign-art.ts";
import { SOAK } from "../../testing/long-runs.ts";
import { difference, look, pixelsOf } from "../../testing/pictures.ts";
import { difference as edited } from "../drawing/difference.ts";
import type { Drawing } from "../drawing/drawing.ts";
import { applyEdit, beginHistory, type History, toStep } from "../drawing/history.ts";
import { patchEdit } from "../drawing/part-edits.ts";
import { MAIN } from "../drawing/parts.ts";
import { mendedBy } from "../drawing/say-repairs.ts";
import { openDrawingFile, writeDrawingFile } from "../formats/drawing-file.ts";
import { importSvg } from "../formats/import-drawing.ts";
import { deliveredSvg } from "../formats/svg-write.ts";
import { derive } from "../scene/scene.ts";
import { DrawingReader } from "./drawing-reader.ts";
import { withPart } from "./make-part.ts";

const ICONS = "node_modules/lucide-static/icons";
const COUNT = SOAK ? 40 : 5;
const PARTS = 3;

const published = [
  // What its first part leaves behind holds a crumb that the second joins to a neighbour.
  "bug-off.svg",
  ...readdirSync(ICONS).filter((file, i) => file.endsWith(".svg") && i % 5 === 3),
];

/** With the largest pocket that is left as a part of its own; the reader has followed all before, as the desk's does. */
function parted(history: History, reader: DrawingReader): History {
  const { drawing } = history;
  const pockets = reader.read(drawing).pockets.filter(({ part }) => part === MAIN);
  const [largest] = pockets.filter(({ hidden }) => !hidden);
  if (!largest) return history;
  const next = withPart(drawing, {
    name: `Part ${Object.keys(drawing.parts).length + 1}`,
    part: MAIN,
    pockets,
    map: reader.mapOf(MAIN)!,
    chosen: new Set([largest]),
  });
  const move = applyEdit(history, patchEdit("Make part", edited(drawing, next)))!;
  expect([move.wrong, move.brought]).toEqual([[], false]);
  return move.history;
}

/** The drawing's SVG by the pockets that a reader finds. */
function svgBy(reader: DrawingReader, drawing: Drawing): string {
  const pockets = reader.read(drawing).pockets.filter(({ hidden }) => !hidden);
  return deliveredSvg(drawing, derive(drawing, pockets));
}

it(`makes ${PARTS} of each, and nothing is gone`, () => {
  let made = 0;
  for (const file of published) {
    if (made === COUNT) break;
    const first = coloured(importSvg(file, readFileSync(`${ICONS}/${file}`, "utf8")).drawing, false);
    if (Object.keys(first.pours).length < PARTS) continue;
    made++;
    let history = beginHistory(first);
    const reader = new DrawingReader();
    for (let k = 0; k < PARTS; k++) {
      history = parted(history, reader);
      const { drawing, ...repairs } = openDrawingFile(writeDrawingFile(history.drawing));
      expect(mendedBy(repairs), file).toEqual({ brought: [], lost: [] });
      expect(drawing, file).toEqual(JSON.parse(JSON.stringify(history.drawing)));
    }
    expect(svgBy(reader, history.drawing), file).toBe(svgBy(new DrawingReader(), history.drawing));
    expect(difference(pixelsOf(look(first).svg), look(history.drawing).svg), file).toBe(0);
    expect(toStep(history, 0)?.history.drawing ?? first, file).toEqual(first);
  }
  expect(made).toBe(COUNT);
});
