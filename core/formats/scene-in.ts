/** What is drawn of a drawing file, for tests. */
import { readFileSync } from "node:fs";
import { DrawingReader } from "../pockets/drawing-reader.ts";
import { derive, type Scene, sceneOf } from "../scene/scene.ts";
import { readDrawingFile } from "./drawing-file.ts";

export function sceneIn(file: string): Scene {
  const drawing = readDrawingFile(readFileSync(file, "utf8"));
  const pockets = new DrawingReader().read(drawing).pockets.filter(({ hidden }) => !hidden);
  return sceneOf(drawing, derive(drawing, pockets));
}
