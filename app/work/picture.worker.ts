/** Makes pictures of a scene that is sent in slices: PNG of any size, and SVG. */
import * as Comlink from "comlink";
import { writeSvg } from "#core/formats/svg-write.ts";
import type { Scene } from "#core/scene/scene.ts";
import { HeldScene, type SceneMessage } from "../painting/held-scene.ts";
import { type PngWish, pngOf } from "./png-stream.ts";

const held = new HeldScene();

function take(message: SceneMessage): void {
  held.take(message);
}

/** A scene that came without its items, with those that are held. */
const filled = (frame: Scene): Scene => ({
  ...frame,
  parts: frame.parts.map((part) => ({
    ...part,
    hides: held.parts.find(({ id }) => id === part.id)?.hides ?? [],
    sheets: part.sheets.map((sheet) => ({ ...sheet, items: held.itemsOf(part.id, sheet.name) })),
  })),
});

let stopped = false;

/** Undefined where it was stopped. */
function png(frame: Scene, wish: PngWish, onProgress: (share: number) => void): Promise<Blob | undefined> {
  stopped = false;
  return pngOf(filled(frame), wish, () => stopped, onProgress);
}

/** Ends the picture that is being made. */
function stop(): void {
  stopped = true;
}

const svg = (frame: Scene): string => writeSvg(filled(frame));

const work = { take, png, stop, svg };

export type PictureWork = typeof work;

Comlink.expose(work);
