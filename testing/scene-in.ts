/** What is drawn of a drawing file, for tests. */
import { readFileSync } from "node:fs";
import { readDrawingFile } from "../core/formats/drawing-file.ts";
import { DrawingReader } from "../core/pockets/drawing-reader.ts";
import { derive, type Scene, sceneOf } from "../core/scene/scene.ts";

export function sceneIn(file: string): Scene {
  const drawing = readDrawingFile(readFileSync(file, "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
}
