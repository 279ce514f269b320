/**
 * A day's work on the lantern: what its steps take in storage, loose and packed, how large the drawing file becomes, and what the
 * history holds in memory. Rows are measured as the browser clones them (V8's structured clone).
 */
import "fake-indexeddb/auto";
import { readFileSync } from "node:fs";
import { serialize } from "node:v8";
import type { Drawing } from "#core/drawing/drawing.ts";
import { pour } from "#core/drawing/edits.ts";
import { applyEdit, beginHistory, type Edit, type History, undo } from "#core/drawing/history.ts";
import { setMade } from "#core/drawing/light-edits.ts";
import { changeStrokes } from "#core/drawing/line-edits.ts";
import { packedDrawingFile, readDrawingFile, writeDrawingFile } from "#core/formats/drawing-file.ts";
import { anchorOf } from "#core/pockets/anchors.ts";
import { DrawingReader } from "#core/pockets/drawing-reader.ts";
import type { Pocket } from "#core/pockets/pockets.ts";
import { database } from "../app/keep/database.ts";
import { changeBetween } from "../app/keep/keeper.ts";
import { addDrawing, keepChange, openDrawing } from "../app/keep/shelf.ts";
import { packOldSteps } from "../app/keep/step-blocks.ts";
import { randomFrom } from "../testing/random.ts";

const STEPS = [2000, 5000];
const CHUNK = 250;

export async function storageBench(): Promise<void> {
  console.log("storage: edits of the lantern (pours, shade, line widths, a step back now and then)");
  const lantern = readDrawingFile(readFileSync("demo/almanac-lantern-coloured.fern", "utf8"));
  const { pockets } = new DrawingReader().read(lantern);
  for (const count of STEPS) await measured(lantern, pockets, count);
}

async function measured(lantern: Drawing, pockets: readonly Pocket[], count: number): Promise<void> {
  await database.delete();
  await database.open();
  const { id } = await addDrawing(lantern, "");
  const heap = process.memoryUsage().heapUsed;
  const history = await workedOn(id, beginHistory(lantern), pockets, count);
  const loose = await bytesOf(id);
  const begun = performance.now();
  await packOldSteps(id);
  const packing = performance.now() - begun;
  const packed = await bytesOf(id);
  const again = performance.now();
  const opened = await openDrawing(id);
  const opening = performance.now() - again;
  const text = writeDrawingFile(history.drawing).length;
  const file = packedDrawingFile(history.drawing).length;
  const mega = (bytes: number) => `${(bytes / 2 ** 20).toFixed(1)} MB`;
  console.log(
    `  ${count} edits: steps ${mega(loose.steps)}, packed ${mega(packed.steps)} (${(loose.steps / packed.steps).toFixed(1)} times less; ${packing.toFixed(0)} ms), the drawing beneath them ${mega(packed.base)}`,
  );
  console.log(
    `    opened with ${opened!.history.steps.length} steps in ${opening.toFixed(0)} ms; drawing file ${mega(file)} (${mega(text)} as text); heap grew by ${mega(process.memoryUsage().heapUsed - heap)}`,
  );
}

async function workedOn(
  id: string,
  begun: History,
  pockets: readonly Pocket[],
  count: number,
): Promise<History> {
  const random = randomFrom(count);
  let kept = begun;
  let now = begun;
  for (let k = 0; now.steps.length < count; k++) {
    now =
      (random() < 0.06
        ? undo(now)?.history
        : applyEdit(now, someEdit(now.drawing, pockets, random))?.history) ?? now;
    if (k % CHUNK !== 0) continue;
    const { revision } = (await database.drawings.get(id))!;
    await keepChange(id, revision, changeBetween(kept, now));
    kept = now;
  }
  const { revision } = (await database.drawings.get(id))!;
  await keepChange(id, revision, changeBetween(kept, now));
  return now;
}

function someEdit({ pours, strokes }: Drawing, pockets: readonly Pocket[], random: () => number): Edit {
  const some = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const kind = random();
  if (kind < 0.6) {
    const paint = { colour: some(["frond", "radish", "dusk", "enamel"]), step: Math.floor(random() * 5) - 2 };
    return pour([{ anchor: anchorOf(some(pockets)) }], paint, [`p${Math.floor(random() * 1e12)}`]);
  }
  if (kind < 0.8)
    return setMade("form", [some(Object.keys(pours))], {
      tones: 2,
      deeper: 1,
      roundness: random(),
      reach: random(),
    });
  return { ...changeStrokes([some(Object.keys(strokes))], { width: 1 + 3 * random() }), merge: undefined };
}

async function bytesOf(id: string): Promise<{ readonly steps: number; readonly base: number }> {
  const rows = await database.steps.where("drawing").equals(id).toArray();
  return {
    steps: rows.reduce((sum, row) => sum + serialize(row).length, 0),
    base: serialize(await database.bases.get(id)).length,
  };
}
