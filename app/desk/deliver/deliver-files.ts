/** The files a drawing is delivered as, all made from the one scene. */
import { pixelsOf } from "#core/drawing/drawing.ts";
import { writeDrawingFile } from "#core/formats/drawing-file.ts";
import { deliveredSvg } from "#core/formats/svg-write.ts";
import type { DeskStore } from "../store/desk-state.ts";

export function fileName(desk: DeskStore, ending: string): string {
  const plain = desk
    .getState()
    .drawing.name.replace(/[^\p{L}\p{N} _-]+/gu, "")
    .trim()
    .replace(/\s+/g, "-");
  return `${plain || "drawing"}.${ending}`;
}

export async function svgFile(desk: DeskStore): Promise<Blob> {
  const { derived, drawing } = desk.getState();
  return new Blob([deliveredSvg(drawing, derived)], { type: "image/svg+xml" });
}

export async function drawingFile(desk: DeskStore): Promise<Blob> {
  return new Blob([writeDrawingFile(desk.getState().drawing)], { type: "application/json" });
}

export async function pngFile(desk: DeskStore): Promise<Blob> {
  const { scene, drawing, pictures } = desk.getState();
  const { page } = drawing;
  return pictures.png(scene, pixelsOf(page, page.ppi), page.ppi);
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
