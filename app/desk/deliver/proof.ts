/** The proof that the print shop stand-in makes. */
import { deliveredSvg } from "#core/formats/svg-write.ts";
import type { DeskStore } from "../store/desk-state.ts";

const PROOF_PIXELS = 800;

/** The proof as a picture. Throws an Error that says why there is none. */
export async function proof(desk: DeskStore): Promise<Blob> {
  await desk.getState().light.settled();
  const { drawing, derived } = desk.getState();
  const body = new Blob([deliveredSvg(drawing, derived)], { type: "image/svg+xml" });
  const response = await fetch(`/proof?width=${PROOF_PIXELS}`, { method: "POST", body }).catch(() => {
    throw new Error("The print shop stand-in cannot be reached: a proof needs the server. Files do not.");
  });
  if (!response.ok) throw new Error(await response.text());
  return response.blob();
}
