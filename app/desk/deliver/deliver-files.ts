/** The files a drawing is delivered as, all made from the one scene. */
import { type Drawing, pixelsOf, ranked } from "#core/drawing/drawing.ts";
import { writeDrawingFile } from "#core/formats/drawing-file.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import { sceneOf } from "#core/scene/scene.ts";
import type { Desk, DeskStore } from "../store/desk-state.ts";

/** `more` is added to the drawing's name. */
export function fileName(desk: DeskStore, ending: string, more = ""): string {
  const plain = `${desk.getState().drawing.name} ${more}`
    .replace(/[^\p{L}\p{N} _-]+/gu, "")
    .trim()
    .replace(/\s+/g, "-");
  return `${plain || "drawing"}.${ending}`;
}

/** What is delivered: one file, or one a colourway with that one's name. */
export interface Delivered {
  readonly blob: Blob;
  readonly way?: string;
}

/** The colourway that is delivered: the one seen where none is named. */
const inWay = (drawing: Drawing, way: string | undefined): Drawing =>
  way === undefined ? drawing : { ...drawing, shown: way };

/** The desk once all that the lamp makes is there. */
async function settled(desk: DeskStore): Promise<Desk> {
  await desk.getState().forms.settled();
  return desk.getState();
}

/** It holds every colourway; the named one shows. */
export async function svgFile(desk: DeskStore, way?: string): Promise<Blob> {
  const { derived, drawing } = await settled(desk);
  return new Blob([deliveredSvg(inWay(drawing, way), derived)], { type: "image/svg+xml" });
}

export async function drawingFile(desk: DeskStore): Promise<Blob> {
  return new Blob([writeDrawingFile(desk.getState().drawing)], { type: "application/json" });
}

/** Hears how much of a picture is made, 0 to 1. */
type Progress = (share: number) => void;

/** Undefined where it was stopped. */
export async function pngFile(
  desk: DeskStore,
  way: string | undefined,
  onProgress: Progress,
): Promise<Blob | undefined> {
  const { scene, drawing, derived, pictures } = await settled(desk);
  const { page } = drawing;
  const shown = way === undefined ? scene : sceneOf(inWay(drawing, way), derived);
  return pictures.png(shown, { size: pixelsOf(page, page.ppi), ppi: page.ppi }, onProgress);
}

/** A picture in each colourway; those that were made before it was stopped. */
export async function everyPng(desk: DeskStore, onProgress: Progress): Promise<Delivered[]> {
  const made: Delivered[] = [];
  const ways = ranked(desk.getState().drawing.colourways);
  for (const [k, { id, name }] of ways.entries()) {
    const blob = await pngFile(desk, id, (share) => onProgress((k + share) / ways.length));
    if (!blob) break;
    made.push({ blob, way: name });
  }
  return made;
}

const PROOF_PIXELS = 800;

/** The proof as a picture. Throws an Error that says why there is none. */
export async function proof(desk: DeskStore): Promise<Blob> {
  const body = await svgFile(desk);
  const response = await fetch(`/proof?width=${PROOF_PIXELS}`, { method: "POST", body }).catch(() => {
    throw new Error("The print shop stand-in cannot be reached.");
  });
  if (!response.ok) throw new Error(await response.text());
  return response.blob();
}
